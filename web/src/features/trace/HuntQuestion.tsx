import type { Outcome, TraceTest } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useHotkeys } from 'react-hotkeys-hook';
import type { HuntHands, HuntNow } from './useHunt';

interface Props {
  readonly now: HuntNow;
  readonly test: TraceTest;
  readonly hands: HuntHands;
}

const CHOICES = [
  ['yes', 'Yes', 'contained'],
  ['no', 'No', 'contained'],
  ['notSure', 'Not sure', 'outlined'],
] as const satisfies readonly (readonly [Outcome, string, string])[];

/** What to do, what to hold, and what to answer: large, for one hand and little light. */
export function HuntQuestion({ now: { hunt }, test, hands }: Props) {
  const answer = (outcome: Outcome) =>
    hands.answer(test.id, outcome, `${test.does} ${test.asks}`, test.minutes);
  const last = hunt.answers.findLast(({ takenBack }) => takenBack === null);
  const takeBack = () => last && hands.takeBack(last.id, true);
  useHotkeys('y', () => answer('yes'));
  useHotkeys('n', () => answer('no'), { preventDefault: true });
  useHotkeys('s', () => answer('notSure'));
  useHotkeys('backspace', () => void takeBack(), { preventDefault: true });
  const again = hunt.answers.filter((one) => one.test === test.id && !one.takenBack).length;
  return (
    <Box aria-live="polite">
      <Typography data-test={test.id} sx={{ fontSize: { xs: 20, sm: 23 }, lineHeight: 1.3 }}>
        {test.does}
      </Typography>
      <Typography sx={{ fontSize: 17, mt: 0.75, color: 'text.secondary' }}>
        {`${test.hold} ${sayMinutes(test.minutes)}.`}
        {again > 0
          ? ` Asked ${again === 1 ? 'once' : `${again} times`} before: it comes and goes.`
          : ''}
      </Typography>
      {test.caution !== '' && (
        <Typography sx={{ fontSize: 17, mt: 0.75, fontWeight: 600 }}>{test.caution}</Typography>
      )}
      <Typography
        component="h3"
        sx={{ fontSize: { xs: 30, sm: 38 }, fontWeight: 600, lineHeight: 1.12, mt: 1.5 }}
      >
        {test.asks}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, mt: 2, flexWrap: 'wrap' }}>
        {CHOICES.map(([outcome, words, variant]) => (
          <Button
            key={outcome}
            variant={variant}
            onClick={() => answer(outcome)}
            sx={{
              minHeight: 76,
              minWidth: { xs: 96, sm: 150 },
              flex: { xs: 1, sm: 'none' },
              fontSize: { xs: outcome === 'notSure' ? 17 : 22, sm: 26 },
            }}
          >
            {words}
          </Button>
        ))}
      </Box>
      <Button disabled={!last} onClick={() => void takeBack()} sx={{ minHeight: 44, mt: 1 }}>
        {last ? `Take back: ${OUTCOME_WORDS[last.outcome]}` : 'Nothing to take back'}
      </Button>
    </Box>
  );
}

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  yes: 'yes',
  no: 'no',
  notSure: 'not sure',
};

/** Minutes of a test as a person thinks of them. */
export const sayMinutes = (minutes: number): string =>
  minutes < 1 ? `About ${Math.round(minutes * 60)} seconds` : `About ${formatMinutes(minutes)} min`;

const formatMinutes = (minutes: number): string =>
  minutes < 10 ? String(Math.round(minutes * 2) / 2) : String(Math.round(minutes));
