import { DRAW_GRID, formatNumber, THIRD_OCTAVES_HZ } from '@gullwind/core';
import { useTheme } from '@mui/material';

interface Props {
  /** On `DRAW_GRID`, dB. */
  readonly oneDb: Float64Array;
  readonly otherDb: Float64Array;
  /** Of what is heard, by third octaves; null while nothing is rendered. */
  readonly spectrumDb: Float64Array | null;
  readonly words: string;
}

const WIDTH = 720;
const HEIGHT = 250;
const LEFT = 44;
const RIGHT = 12;
const TOP = 10;
const BOTTOM = 26;
const FROM_HZ = 45;
const TO_HZ = 18_000;
const TICKS_HZ = [50, 100, 200, 500, 1000, 2000, 5000, 10_000];
/** What of the spectrum is shown below its loudest band, dB, and how high. */
const SPECTRUM_DB = 60;
const SPECTRUM_PX = 70;

const xOf = (hz: number) =>
  LEFT + ((WIDTH - LEFT - RIGHT) * Math.log(hz / FROM_HZ)) / Math.log(TO_HZ / FROM_HZ);

const SHOWN = Array.from(DRAW_GRID.frequencyHz)
  .map((hz, i) => ({ hz, i }))
  .filter(({ hz, i }) => hz >= FROM_HZ && hz <= TO_HZ && i % 4 === 0);

/** Two waters: both curves with what lies between them, and the third octaves of what is heard, from the data. */
export function TwoWaters({ oneDb, otherDb, spectrumDb, words }: Props) {
  const { chart } = useTheme();
  const [low, high] = rangeOf([oneDb, otherDb]);
  const y = (db: number) =>
    TOP + ((HEIGHT - TOP - BOTTOM) * (high - Math.min(high, Math.max(low, db)))) / (high - low);
  const points = (db: Float64Array) =>
    SHOWN.map(({ hz, i }) => `${xOf(hz).toFixed(1)},${y(db[i]!).toFixed(1)}`);
  return (
    <svg
      role="img"
      aria-label={words}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      style={{ width: '100%', display: 'block' }}
    >
      <Grid low={low} high={high} y={y} />
      <path
        d={`M${points(oneDb).join('L')}L${points(otherDb).toReversed().join('L')}Z`}
        fill="url(#exposed-water)"
        stroke="none"
      />
      {spectrumDb && <Spectrum spectrumDb={spectrumDb} />}
      <path
        d={`M${points(oneDb).join('L')}`}
        fill="none"
        stroke={chart.faint}
        strokeWidth={1.8}
        strokeDasharray="6 4"
      />
      <path
        d={`M${points(otherDb).join('L')}`}
        fill="none"
        stroke={chart.sea}
        strokeWidth={2.6}
        data-curve="heard"
      />
    </svg>
  );
}

function rangeOf(curves: readonly Float64Array[]): readonly [number, number] {
  let [low, high] = [-12, 6];
  for (const db of curves)
    for (const { i } of SHOWN) {
      low = Math.min(low, db[i]!);
      high = Math.max(high, db[i]!);
    }
  return [Math.max(-54, Math.floor(low / 6) * 6), Math.ceil(high / 6) * 6];
}

/** Third octaves, the loudest at the top of their strip. */
function Spectrum({ spectrumDb }: { readonly spectrumDb: Float64Array }) {
  const { chart } = useTheme();
  const most = Math.max(-70, ...spectrumDb);
  return (
    <g fill={chart.ink} fillOpacity={0.35} data-spectrum="">
      {THIRD_OCTAVES_HZ.map((hz, band) => {
        const share = Math.max(0, 1 - (most - spectrumDb[band]!) / SPECTRUM_DB);
        const height = share * SPECTRUM_PX;
        return (
          <rect key={hz} x={xOf(hz) - 7} y={HEIGHT - BOTTOM - height} width={14} height={height} />
        );
      })}
    </g>
  );
}

function Grid({ low, high, y }: { low: number; high: number; y: (db: number) => number }) {
  const { chart } = useTheme();
  const label = { fontSize: 12.5, fill: chart.ink } as const;
  const step = high - low > 36 ? 12 : 6;
  const levels = Array.from(
    { length: Math.floor((high - low) / step) + 1 },
    (_, i) => high - i * step,
  );
  return (
    <g>
      <rect
        x={xOf(2000)}
        y={TOP}
        width={xOf(8000) - xOf(2000)}
        height={HEIGHT - TOP - BOTTOM}
        fill={chart.sea}
        fillOpacity={0.08}
      />
      {TICKS_HZ.map((hz) => (
        <g key={hz}>
          <path d={`M${xOf(hz)} ${TOP}V${HEIGHT - BOTTOM}`} stroke={chart.grid} />
          <text x={xOf(hz)} y={HEIGHT - 8} textAnchor="middle" {...label}>
            {hz >= 1000 ? `${hz / 1000}k` : hz}
          </text>
        </g>
      ))}
      {levels.map((db) => (
        <g key={db}>
          <path d={`M${LEFT} ${y(db)}H${WIDTH - RIGHT}`} stroke={chart.grid} />
          <text x={LEFT - 6} y={y(db) + 4} textAnchor="end" {...label}>
            {formatNumber(db, 0)}
          </text>
        </g>
      ))}
    </g>
  );
}
