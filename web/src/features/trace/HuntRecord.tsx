import type { Hunt } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { OUTCOMES } from './model/answering';
import type { HuntHands } from './useHunt';

/** Every answer with its time, the latest first; what is taken back stays, struck through. */
export function HuntRecord({ hunt, hands }: { readonly hunt: Hunt; readonly hands: HuntHands }) {
  if (hunt.answers.length === 0) return null;
  return (
    <Box component="section" aria-label="Answers so far" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ fontSize: 17 }}>
        Answers so far
      </Typography>
      <Box component="ol" reversed sx={{ pl: 3.5, my: 0.5 }}>
        {hunt.answers.toReversed().map(({ id, says, outcome, at, takenBack }) => (
          <Box component="li" key={id} sx={{ fontSize: 15, py: 0.25 }}>
            <Box component="span" sx={takenBack ? { textDecoration: 'line-through' } : undefined}>
              {`${says} `}
              <strong>{OUTCOMES[outcome].words}</strong>
            </Box>
            {` · ${new Date(at).toLocaleTimeString(undefined, { timeStyle: 'short' })} `}
            {!hunt.ending && (
              <Button size="small" onClick={() => hands.takeBack(id, takenBack === null)}>
                {takenBack ? 'let it count' : 'take back'}
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
