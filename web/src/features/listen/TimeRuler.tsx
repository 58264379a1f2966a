import { Box, Slider, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { formatNumber } from '@gullwind/core';

interface Props {
  readonly seconds: number;
  readonly isPlaying: boolean;
  readonly position: () => number;
  readonly onSeek: (at: number) => void;
}

const LOOK_EVERY_MS = 100;

/** One ruler of time: where the music is, and a way to elsewhere in it. */
export function TimeRuler({ seconds, isPlaying, position, onSeek }: Props) {
  const [at, setAt] = useState(0);
  useEffect(() => {
    if (!isPlaying) return undefined;
    const timer = setInterval(() => setAt(position()), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [isPlaying, position]);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, px: 1 }}>
      <Slider
        size="small"
        aria-label="Place in the music, seconds"
        value={at}
        min={0}
        max={Math.max(0.1, Number(seconds.toFixed(2)))}
        step={0.1}
        marks={Array.from({ length: Math.floor(seconds) + 1 }, (_, value) => ({ value }))}
        onChange={(_, to) => {
          setAt(to);
          onSeek(to);
        }}
      />
      <Typography variant="body2" sx={{ whiteSpace: 'nowrap' }}>
        {`${formatNumber(at, 1)} of ${formatNumber(seconds, 0)} s`}
      </Typography>
    </Box>
  );
}
