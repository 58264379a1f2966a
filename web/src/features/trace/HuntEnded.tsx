import { ENDING_WORDS, type Hunt, type HuntEnding } from '@gullwind/core';
import { Box, Button, Link, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import { sayMoment } from './sayMoment';
import type { HuntHands } from './useHunt';

interface Props {
  readonly hunt: Hunt;
  readonly ending: HuntEnding;
  readonly rigId: string | null;
  readonly hands: HuntHands;
}

/** What came of it. */
export function HuntEnded({ hunt, ending, rigId, hands }: Props) {
  return (
    <Box>
      <Typography component="h3" sx={{ fontSize: { xs: 28, sm: 34 }, fontWeight: 600 }}>
        {ENDING_WORDS[ending.kind]}
      </Typography>
      <Typography sx={{ fontSize: 20 }}>{ending.finding}</Typography>
      <Typography sx={{ fontSize: 17 }}>{ending.remedy}</Typography>
      <Typography sx={{ fontSize: 17, fontWeight: 600 }}>{ending.caution}</Typography>
      {ending.note !== '' && <Typography sx={{ fontSize: 17 }}>{ending.note}</Typography>}
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        {`${sayMoment(hunt.begunAt)} to ${sayMoment(hunt.endedAt!)}.`}
      </Typography>
      {rigId !== null && (
        <Typography sx={{ mt: 1 }}>
          {ending.task !== null && (
            <Link component={RouterLink} to={`/rigs/${rigId}/build`}>
              {`In Build: ${ending.task}`}
            </Link>
          )}
          {ending.task !== null && ' · '}
          <Link component={RouterLink} to={`/rigs/${rigId}/book?part=faults`}>
            In the book
          </Link>
        </Typography>
      )}
      <Button sx={{ minHeight: 44, mt: 1 }} onClick={() => hands.end(null)}>
        Take it up again
      </Button>
    </Box>
  );
}
