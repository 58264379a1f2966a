import { SIMULATED_SECONDS } from '@gullwind/core';
import { Box, Button } from '@mui/material';
import { WorkLine } from '../../ui/WorkLine';
import { TimeRuler } from './TimeRuler';
import type { Listening } from './useListening';

/** The music: on and off, where it is, and what is still being rendered. */
export function PlayBar({ listening }: { readonly listening: Listening }) {
  const { player, rendered, work } = listening;
  const seconds = rendered
    ? (rendered.voices[0]?.samples.length ?? 0) / rendered.rate
    : SIMULATED_SECONDS;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 0.5 }}>
        <Button
          variant="contained"
          disabled={!rendered}
          onClick={player.toggle}
          sx={{ minWidth: 92 }}
          data-playing={player.isPlaying}
        >
          {player.isPlaying ? 'Pause' : 'Play'}
        </Button>
        <Box sx={{ flex: 1 }}>
          <TimeRuler
            seconds={seconds}
            isPlaying={player.isPlaying}
            position={player.position}
            onSeek={player.seek}
          />
        </Box>
      </Box>
      {work.state.kind !== 'done' && (
        <WorkLine
          work={work}
          says={(share) =>
            share === null || share === 0
              ? 'Making the sound …'
              : `Making the sound, ${Math.round(100 * share)} % …`
          }
          share={(share) => share}
        />
      )}
    </>
  );
}
