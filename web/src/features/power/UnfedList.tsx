import type { Feedings, PowerFault } from '@gullwind/core';
import { Box, Typography, useTheme } from '@mui/material';
import { amps, isSamePick, type Picked } from './model/sayPower';
import type { PowerHands } from './usePowerHands';

interface Props {
  readonly feedings: Feedings;
  readonly faults: readonly PowerFault[];
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly hands: PowerHands;
}

/** What nothing feeds, to be dragged onto an outlet; a thing dropped here is unplugged. */
export function UnfedList({ feedings, picked, onPick, hands }: Props) {
  const { chart } = useTheme();
  const loose = feedings.consumers.filter(({ id }) => !feedings.fed.has(id));
  if (loose.length === 0 && hands.dragged === null) return null;
  return (
    <Box
      component="section"
      aria-label="Fed by nothing"
      data-unfed="yes"
      sx={{
        px: 2.5,
        py: 0.75,
        display: 'flex',
        flexWrap: 'wrap',
        gap: 0.75,
        alignItems: 'center',
        flexShrink: 0,
      }}
    >
      <Typography variant="h2" sx={{ mr: 1 }}>
        Fed by nothing
      </Typography>
      {loose.map(({ id, name, need }) => (
        <Box
          key={id}
          component="button"
          type="button"
          aria-pressed={isSamePick(picked, { of: 'thing', id })}
          onClick={() => onPick({ of: 'thing', id })}
          data-thing={id}
          {...hands.grip(id)}
          sx={{
            font: 'inherit',
            fontSize: 13.5,
            fontWeight: 600,
            minHeight: 26,
            color: 'inherit',
            background: chart.paper,
            border: 1,
            borderStyle: 'dashed',
            borderColor: isSamePick(picked, { of: 'thing', id }) ? chart.sea : chart.faint,
            cursor: 'grab',
            touchAction: 'none',
          }}
        >
          {`${name} · ${amps(need.supplyA.value)}`}
        </Box>
      ))}
    </Box>
  );
}
