import { Box, Button, LinearProgress, Typography } from '@mui/material';
import type { ToleranceWork } from '../../workers/useTolerance';

/** Asks how sure the figures are, shows how far that is, and lets it be stopped. */
export function ToleranceLine({ work }: { readonly work: ToleranceWork }) {
  const { state, start, stop } = work;
  if (state.kind === 'running') {
    const { done, of } = state.progress ?? { done: 0, of: 1 };
    return (
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 0.5 }}>
        <LinearProgress
          variant="determinate"
          value={(100 * done) / of}
          aria-label="Drawing"
          sx={{ flex: 1 }}
        />
        <Button size="small" sx={{ py: 0 }} onClick={stop}>
          Stop
        </Button>
      </Box>
    );
  }
  if (state.kind === 'failed')
    return <Typography variant="caption">This could not be drawn: {state.message}</Typography>;
  if (state.kind === 'done') {
    const { tolerance } = state.answer;
    return (
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        {tolerance
          ? `${tolerance.draws.toLocaleString('en')} draws of every value within its tolerance; 90 in 100 lie in the bands.`
          : 'Nothing is heard: there is nothing to be sure of.'}
      </Typography>
    );
  }
  return (
    <Button size="small" sx={{ mt: 0.5 }} onClick={start}>
      How sure is this?
    </Button>
  );
}
