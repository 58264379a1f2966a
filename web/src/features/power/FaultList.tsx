import { placesOf, sayPowerFault, type PowerFault, type Rig } from '@gullwind/core';
import { Box, Typography, useTheme } from '@mui/material';
import { SentenceButton } from '../../ui/SentenceButton';
import type { Picked } from './model/sayPower';

interface Props {
  readonly rig: Rig;
  readonly faults: readonly PowerFault[];
  readonly onPick: (picked: Picked) => void;
}

const MOST_UNFED = 2;

/** What could break something, or only what is not as wanted. */
const isGrave = ({ kind }: PowerFault): boolean =>
  ['overVoltage', 'acIntoDc', 'polarity', 'grounds', 'series', 'overload'].includes(kind);

function pickOf(fault: PowerFault): Picked {
  const { outlet, consumers } = placesOf(fault);
  if (outlet)
    return outlet[1] === null
      ? { of: 'supply', id: outlet[0] }
      : { of: 'outlet', supply: outlet[0], outlet: outlet[1] };
  return { of: 'thing', id: consumers[0]! };
}

/** Everything that is wrong, in words; a press goes there. */
export function FaultList({ rig, faults, onPick }: Props) {
  const { chart } = useTheme();
  const unfed = faults.filter(({ kind }) => kind === 'unfed').length;
  // What nothing feeds is in a list of its own: many of it are one line here.
  const shown = unfed > MOST_UNFED ? faults.filter(({ kind }) => kind !== 'unfed') : faults;
  const count = faults.length;
  return (
    <Box component="section" aria-label="What is wrong" sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ py: 0.25 }}>
        {count === 0 ? 'Everything is fed as it should be' : `What is wrong: ${count}`}
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {unfed > MOST_UNFED && <li>{`${unfed} things are fed by nothing.`}</li>}
        {shown.map((fault) => (
          <Box component="li" key={JSON.stringify(fault)} sx={{ display: 'flex', gap: 1 }}>
            <svg
              width={12}
              height={24}
              role="img"
              aria-label={isGrave(fault) ? 'it may break something' : 'not as it should be'}
              style={{ flexShrink: 0 }}
            >
              <circle
                cx={6}
                cy={12}
                r={4.5}
                fill={isGrave(fault) ? chart.buoy : 'none'}
                stroke={chart.buoy}
                strokeWidth={1.6}
              />
            </svg>
            <SentenceButton type="button" onClick={() => onPick(pickOf(fault))}>
              {sayPowerFault(rig, fault)}
            </SentenceButton>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
