import { Box, useTheme } from '@mui/material';
import { PinMark } from './PinMark';

/** A pinned curve by the name of its pin. */
export interface PinnedCurve {
  readonly id: string;
  readonly name: string;
  readonly nowDb: Float64Array | null;
}

/** Which curves there are beside the rig's own and the reference. */
export interface Shows {
  /** What the curve of the rig is called. */
  readonly now: string;
  /** What it is held against, with its cable. */
  readonly straightIn: string;
  readonly band: boolean;
  readonly tolerance: boolean;
  readonly pins: readonly PinnedCurve[];
}

/** A short piece of the rig's own curve. */
export function NowMark() {
  const { chart } = useTheme();
  return (
    <svg width={26} height={10} aria-hidden>
      <line x1={0} x2={26} y1={5} y2={5} stroke={chart.sea} strokeWidth={2.6} />
    </svg>
  );
}

/** Which curve is which, and in what. */
export function CurveKey({ shows }: { shows: Shows }) {
  const { chart } = useTheme();
  const sample = { x1: 0, x2: 26, y1: 5, y2: 5 };
  return (
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'center',
        columnGap: 2.5,
        flexWrap: 'wrap',
        fontSize: 13,
        minHeight: 20,
      }}
    >
      <span>
        <NowMark /> {shows.now}
      </span>
      <span>
        <svg width={26} height={10} aria-hidden>
          <line {...sample} stroke={chart.faint} strokeWidth={1.6} strokeDasharray="6 4" />
        </svg>{' '}
        {shows.straightIn}
      </span>
      <BandKeys shows={shows} />
      {shows.pins.map(({ id, name }, k) => (
        <Box key={id} component="span" sx={{ minWidth: 0, whiteSpace: 'nowrap' }}>
          <PinMark index={k} /> {name.length > 16 ? `${name.slice(0, 15)}…` : name}
        </Box>
      ))}
      {!shows.band && shows.pins.length === 0 && (
        <span>level in dB over Hz and open-string notes</span>
      )}
    </Box>
  );
}

function BandKeys({ shows }: { shows: Shows }) {
  const { chart } = useTheme();
  return (
    <>
      {shows.band && (
        <span>
          <svg width={26} height={10} aria-hidden>
            <rect width={26} height={10} fill={chart.sea} fillOpacity={0.22} />
          </svg>{' '}
          envelope of all states, not one of them
        </span>
      )}
      {shows.tolerance && (
        <span>
          <svg width={26} height={10} aria-hidden>
            <rect width={26} height={10} fill={chart.buoy} fillOpacity={0.18} />
          </svg>{' '}
          tolerance, 90 in 100
        </span>
      )}
    </>
  );
}
