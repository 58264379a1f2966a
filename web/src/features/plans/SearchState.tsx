import { Box, Button, LinearProgress, NativeSelect, Typography } from '@mui/material';
import type { PlansFound, PlansWork } from '../../workers/usePlans';

interface Props {
  readonly work: PlansWork;
  readonly depth: 2 | 3;
  readonly onDepth: (depth: 2 | 3) => void;
}

const many = (n: number): string => n.toLocaleString('en').replaceAll(',', '\u202f');

/** How far the search is, what it can promise, and how to stop it. */
export function SearchState({ work, depth, onDepth }: Props) {
  const { found } = work;
  const progress = found.kind === 'running' ? found.progress : null;
  return (
    <Box component="section" aria-label="Search" sx={{ mb: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 34 }}>
        <NativeSelect
          value={depth}
          onChange={(event) => onDepth(event.target.value === '3' ? 3 : 2)}
          inputProps={{ 'aria-label': 'Moves of a plan' }}
          sx={{ fontSize: 14, flex: 1 }}
        >
          <option value={2}>plans of up to two moves</option>
          <option value={3}>plans of up to three moves</option>
        </NativeSelect>
        {found.kind === 'running' ? (
          <Button size="small" variant="outlined" onClick={work.stop} disabled={!progress}>
            Stop
          </Button>
        ) : (
          <Button size="small" onClick={work.start}>
            Search again
          </Button>
        )}
      </Box>
      <Box sx={{ height: 4, my: 0.5 }}>
        {progress && (
          <LinearProgress
            variant="determinate"
            value={Math.round((100 * progress.done) / Math.max(1, progress.of))}
            aria-label="Plans looked at"
          />
        )}
      </Box>
      <Typography
        role="status"
        variant="caption"
        data-testid="search-state"
        data-search={found.kind}
        sx={{ color: 'text.secondary', display: 'block', minHeight: 36 }}
      >
        {sayState(found)}
      </Typography>
    </Box>
  );
}

function sayState(found: PlansFound): string {
  switch (found.kind) {
    case 'waiting':
      return 'Waiting for the gear list …';
    case 'running': {
      if (!found.progress) return 'Finding the moves …';
      const { moves, depth, done, of } = found.progress;
      return `${many(moves)} moves. Plans of ${depth}: ${many(done)} of ${many(of)} looked at. The best so far is below.`;
    }
    case 'stopped': {
      const { depth, done, of } = found.progress;
      return `Stopped: of the plans of ${depth} moves ${many(done)} of ${many(of)} were looked at. Below is the best so far; a better one may be among the rest.`;
    }
    case 'done': {
      const { moves, looked, exactUpTo, beyond } = found.search;
      if (moves.length === 0) return 'Within its limits there is no single move to make.';
      const whole = `${many(looked)} plans out of ${many(moves.length)} moves were looked at: no better plan of up to ${exactUpTo} moves exists.`;
      if (!beyond) return whole;
      return `${many(beyond.looked)} of ${many(beyond.of)} plans of three moves were looked at, those that go on from the best pairs first; a better one may be among the rest. None of up to two moves is better.`;
    }
  }
}
