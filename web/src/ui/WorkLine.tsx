import { Box, Button, LinearProgress, Typography } from '@mui/material';
import type { WorkState } from '../app/workState';

interface WorkProps<P, A> {
  readonly work: {
    readonly state: WorkState<P, A>;
    readonly start: () => void;
    readonly stop: () => void;
  };
  readonly says: (progress: P | null) => string;
  readonly share: (progress: P) => number;
}

/** How far long work is, with its stop; and what became of it where there is no answer. */
export function WorkLine<P, A>({ work, says, share }: WorkProps<P, A>) {
  const { state, start, stop } = work;
  switch (state.kind) {
    case 'running':
      return (
        <Box sx={{ my: 0.75 }}>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <Typography role="status" variant="body2" sx={{ flex: 1 }}>
              {says(state.progress)}
            </Typography>
            <Button size="small" variant="outlined" onClick={stop}>
              Stop
            </Button>
          </Box>
          <LinearProgress
            aria-label="How far the search is"
            variant={state.progress === null ? 'indeterminate' : 'determinate'}
            value={state.progress === null ? 0 : 100 * share(state.progress)}
          />
        </Box>
      );
    case 'stopped':
      return <Ended says="Stopped; nothing was changed." role="status" onAgain={start} />;
    case 'failed':
      return (
        <Ended
          says={`It broke off: ${state.message}. Nothing was changed.`}
          role="alert"
          onAgain={start}
        />
      );
    default:
      return null;
  }
}

interface EndedProps {
  readonly says: string;
  readonly role: 'status' | 'alert';
  readonly onAgain: () => void;
}

/** It ended without an answer. */
function Ended({ says, role, onAgain }: EndedProps) {
  return (
    <Typography role={role} variant="body2" sx={{ my: 0.75 }}>
      {says}{' '}
      <Button size="small" onClick={onAgain}>
        Search again
      </Button>
    </Typography>
  );
}
