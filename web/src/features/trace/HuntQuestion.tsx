import type { Outcome, TraceTest } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useHotkeys } from 'react-hotkeys-hook';
import {
  answerTo,
  askedBefore,
  lastCounted,
  OUTCOMES,
  outcomeOfKey,
  sayMinutes,
} from './model/answering';
import type { HuntHands, HuntNow } from './useHunt';

interface Props {
  readonly now: HuntNow;
  readonly test: TraceTest;
  readonly hands: HuntHands;
}

const VARIANTS = { yes: 'contained', no: 'contained', notSure: 'outlined' } as const;
const CHOICES = Object.keys(OUTCOMES) as Outcome[];
/** In the one list of keys that the page listens to. */
const ANSWER_KEYS = CHOICES.map((outcome) => OUTCOMES[outcome].key);

/** What to do, what to hold, and what to answer: large, for one hand and little light. */
export function HuntQuestion({ now: { hunt }, test, hands }: Props) {
  const answer = (outcome: Outcome | null) => outcome && hands.answer(answerTo(test, outcome));
  const last = lastCounted(hunt);
  const takeBack = () => last && hands.takeBack(last.id, true);
  useHotkeys(ANSWER_KEYS, (event) => answer(outcomeOfKey(event.key)), {
    preventDefault: true,
    useKey: true,
  });
  useHotkeys('backspace', () => void takeBack(), { preventDefault: true });
  const again = askedBefore(hunt, test.id);
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
        {CHOICES.map((outcome) => (
          <Button
            key={outcome}
            variant={VARIANTS[outcome]}
            onClick={() => answer(outcome)}
            sx={{
              minHeight: 76,
              minWidth: { xs: 96, sm: 150 },
              flex: { xs: 1, sm: 'none' },
              fontSize: { xs: outcome === 'notSure' ? 17 : 22, sm: 26 },
            }}
          >
            {OUTCOMES[outcome].label}
          </Button>
        ))}
      </Box>
      <Button disabled={!last} onClick={() => void takeBack()} sx={{ minHeight: 44, mt: 1 }}>
        {last ? `Take back: ${OUTCOMES[last.outcome].words}` : 'Nothing to take back'}
      </Button>
    </Box>
  );
}
