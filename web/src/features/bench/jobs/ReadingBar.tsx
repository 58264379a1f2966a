import type { FieldRule, Plausibility, ReadingSummary, UnitSystem } from '@gullwind/core';
import { formatNumber, formatQuantity, USUAL_READINGS } from '@gullwind/core';
import { Alert, Box, Button, Typography } from '@mui/material';
import { BY_HAND, type Chosen } from '../instruments';
import { PlumbLine } from '../PlumbLine';
import { TypedReading } from '../TypedReading';

interface Props {
  readonly chosen: Chosen;
  readonly rule: FieldRule;
  readonly units: UnitSystem;
  readonly values: readonly number[];
  readonly summary: ReadingSummary | null;
  readonly plausibility: Plausibility | null;
  readonly isReading: boolean;
  readonly problem: string | null;
  readonly onTake: () => void;
  readonly onTyped: (value: number) => void;
  readonly onForget: () => void;
}

/** Readings as they come: taken or typed, on the plumb line, with their spread and what they look like. */
export function ReadingBar(props: Props) {
  const { chosen, rule, units, values, summary, plausibility, isReading, problem } = props;
  return (
    <Box sx={{ display: 'flex', gap: 3, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      <Box sx={{ flex: '1 1 280px', minWidth: 0 }}>
        {chosen.id === BY_HAND ? (
          <TypedReading rule={rule} units={units} onRead={props.onTyped} />
        ) : (
          <Button variant="contained" disabled={isReading} onClick={props.onTake}>
            {isReading ? 'Reading …' : values.length === 0 ? 'Take three readings' : 'Three more'}
          </Button>
        )}
        {values.length > 0 && (
          <Button sx={{ ml: 1 }} onClick={props.onForget}>
            Start over
          </Button>
        )}
        <Typography role="status" variant="body2" sx={{ mt: 1 }}>
          {sayReadings(summary, rule, units)}
        </Typography>
        {problem && <Alert severity="warning">{problem}</Alert>}
        {plausibility && plausibility.words !== '' && (
          <Alert severity="warning" sx={{ mt: 1 }}>
            {plausibility.words}
          </Alert>
        )}
      </Box>
      <PlumbLine
        quantity={rule.quantity}
        units={units}
        values={values}
        median={summary?.median ?? null}
        expected={plausibility?.expected ?? null}
      />
    </Box>
  );
}

function sayReadings(summary: ReadingSummary | null, rule: FieldRule, units: UnitSystem): string {
  if (!summary) return 'No reading yet.';
  const say = (value: number) => formatQuantity(value, rule.quantity, units, 4);
  const { count, median, spread } = summary;
  const share = formatNumber((100 * spread) / Math.abs(median), 2);
  const more = count < USUAL_READINGS ? ' Three tell a slip from a value.' : '';
  return count === 1
    ? `One reading: ${say(median)}.${more}`
    : `${count} readings: median ${say(median)}, spread ${say(spread)} (${share} %).${more}`;
}
