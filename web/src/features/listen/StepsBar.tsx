import { STRAIGHT_IN } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import type { ListenProps } from './listenProps';

const EVERY_MS = 1600;

/** Step by step through the lengths of the longest cable, or the two ends against each other: small steps hide a loss. */
export function StepsBar({ voices, listening }: ListenProps) {
  const { hear, want, player } = listening;
  const [way, setWay] = useState<'steps' | 'ends' | null>(null);
  const lengths = voices.filter(({ group }) => group === 'lengths').map(({ id }) => id);
  const row = way === 'ends' ? [STRAIGHT_IN, lengths.at(-1)!] : [STRAIGHT_IN, ...lengths];
  const joined = row.join('|');
  useEffect(() => {
    if (way === null) return undefined;
    const ids = joined.split('|');
    want(...ids);
    let at = 0;
    hear(ids[0]!);
    const timer = setInterval(() => hear(ids[++at % ids.length]!), EVERY_MS);
    return () => clearInterval(timer);
  }, [way, joined, hear, want]);
  if (lengths.length === 0) return null;
  const go = (to: 'steps' | 'ends') => {
    setWay(way === to ? null : to);
    if (!player.isPlaying && way !== to) player.toggle();
  };
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mt: 0.5 }}>
      <Button
        size="small"
        variant="outlined"
        aria-pressed={way === 'steps'}
        onClick={() => go('steps')}
      >
        Step by step
      </Button>
      <Button
        size="small"
        variant="outlined"
        aria-pressed={way === 'ends'}
        onClick={() => go('ends')}
      >
        End to end
      </Button>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {way === 'steps'
          ? 'Longer and longer cable, a step at a time: each step is small.'
          : way === 'ends'
            ? 'The two ends against each other: what the small steps hid.'
            : 'Through all cable lengths, or only their ends.'}
      </Typography>
    </Box>
  );
}
