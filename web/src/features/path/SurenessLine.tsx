import { Box, Button, LinearProgress, Typography } from '@mui/material';
import type { ToleranceWork } from '../../workers/useTolerance';

/** Asks how sure the figures are, shows how far that is, and lets it be stopped. */
export function SurenessLine({ work }: { readonly work: ToleranceWork }) {
  const { sureness, start, stop } = work;
  if (sureness.kind === 'running') {
    return (
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 0.5 }}>
        <LinearProgress
          variant="determinate"
          value={100 * sureness.share}
          aria-label="Drawing"
          sx={{ flex: 1 }}
        />
        <Button size="small" sx={{ py: 0 }} onClick={stop}>
          Stop
        </Button>
      </Box>
    );
  }
  if (sureness.kind === 'known') {
    return (
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        {sureness.tolerance
          ? `${sureness.tolerance.draws.toLocaleString('en')} draws of every value within its tolerance; 90 in 100 lie in the bands.`
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
