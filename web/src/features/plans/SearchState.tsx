import { Box, Button, LinearProgress, NativeSelect, Typography } from '@mui/material';
import type { LongWork, WorkStateOf } from '../../workers/useLongWork';

interface Props {
  readonly work: LongWork<'plans'>;
  /** How sure the gains of what was found are. */
  readonly drawing: LongWork<'withinTolerance'>;
  readonly depth: 2 | 3;
  readonly onDepth: (depth: 2 | 3) => void;
}

const many = (n: number): string => n.toLocaleString('en').replaceAll(',', '\u202f');

/** How far the search is, what it can promise, and how to stop it. */
export function SearchState({ work, drawing, depth, onDepth }: Props) {
  const { state } = work;
  const running = [work, drawing].find((one) => one.state.kind === 'running');
  const progress = running?.state.kind === 'running' ? running.state.progress : null;
  return (
    <Box component="section" aria-label="Search" sx={{ mb: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 34 }}>
        <DepthChoice depth={depth} onDepth={onDepth} />
        {running ? (
          <Button size="small" variant="outlined" onClick={running.stop} disabled={!progress}>
            Stop
          </Button>
        ) : (
          <Button size="small" onClick={work.start}>
            Search again
          </Button>
        )}
      </Box>
      <ProgressBar
        progress={progress}
        label={running === work ? 'Plans looked at' : 'Plans drawn'}
      />
      <Typography
        role="status"
        variant="caption"
        data-testid="search-state"
        data-search={state.kind === 'done' && running ? 'drawing' : state.kind}
        sx={{ color: 'text.secondary', display: 'block', minHeight: 36 }}
      >
        {sayState(state)}
        {running === drawing && ' Now it is drawn how sure each gain is.'}
        {drawing.state.kind === 'stopped' && ' How sure each gain is was not drawn to the end.'}
      </Typography>
    </Box>
  );
}

interface ProgressProps {
  readonly progress: { readonly done: number; readonly of: number } | null;
  readonly label: string;
}

function ProgressBar({ progress, label }: ProgressProps) {
  return (
    <Box sx={{ height: 4, my: 0.5 }}>
      {progress && (
        <LinearProgress
          variant="determinate"
          value={Math.round((100 * progress.done) / Math.max(1, progress.of))}
          aria-label={label}
        />
      )}
    </Box>
  );
}

function DepthChoice({ depth, onDepth }: Pick<Props, 'depth' | 'onDepth'>) {
  return (
    <NativeSelect
      value={depth}
      onChange={(event) => onDepth(event.target.value === '3' ? 3 : 2)}
      inputProps={{ 'aria-label': 'Moves of a plan' }}
      sx={{ fontSize: 14, flex: 1 }}
    >
      <option value={2}>plans of up to two moves</option>
      <option value={3}>plans of up to three moves</option>
    </NativeSelect>
  );
}

function sayState(state: WorkStateOf<'plans'>): string {
  switch (state.kind) {
    case 'idle':
      return 'Waiting for the gear list …';
    case 'running': {
      if (!state.progress) return 'Finding the moves …';
      const { moves, depth, done, of } = state.progress;
      return `${many(moves)} moves. Plans of ${depth}: ${many(done)} of ${many(of)} looked at. The best so far is below.`;
    }
    case 'failed':
      return `The search broke off: ${state.message}`;
    case 'stopped': {
      if (!state.progress) return 'Stopped before anything was looked at.';
      const { depth, done, of } = state.progress;
      return `Stopped: of the plans of ${depth} moves ${many(done)} of ${many(of)} were looked at. Below is the best so far; a better one may be among the rest.`;
    }
    case 'done': {
      const { moves, looked, exactUpTo, beyond } = state.answer;
      if (moves.length === 0) return 'Within its limits there is no single move to make.';
      const whole = `${many(looked)} plans out of ${many(moves.length)} moves were looked at: no better plan of up to ${exactUpTo} moves exists.`;
      if (!beyond) return whole;
      return `${many(beyond.looked)} of ${many(beyond.of)} plans of three moves were looked at, those that go on from the best pairs first; a better one may be among the rest. None of up to two moves is better.`;
    }
  }
}
