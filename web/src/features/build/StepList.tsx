import type { Reuse, Step, StepState } from '@gullwind/core';
import { Box, Checkbox } from '@mui/material';

interface Props {
  readonly steps: readonly StepState[];
  readonly next: StepState | null;
  readonly onTick: (step: Step, isDone: boolean) => void;
  readonly onCable: (cable: string) => void;
}

/** Every step in its order; large enough for a hand that holds something else. */
export function StepList({ steps, next, onTick, onCable }: Props) {
  return (
    <Box component="ol" aria-label="Order of work" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {steps.map((state) => (
        <Line key={state.step.id} {...{ state, onTick, onCable }} isNext={state === next} />
      ))}
    </Box>
  );
}

interface LineProps extends Pick<Props, 'onTick' | 'onCable'> {
  readonly state: StepState;
  readonly isNext: boolean;
}

/** What is to be known of a step as it is now. */
export const notesOf = ({ step, was, waitsFor, reuses, left, isDone }: StepState): string =>
  [
    reuses ? sayReuse(step, reuses) : step.detail,
    !isDone && was && step.pieces.length > 0 ? `${left.length} of ${step.pieces.length} again` : '',
    was ? 'done before for what is another now: again' : '',
    waitsFor.length > 0 ? `waits for ${waitsFor.map(sayPart).join(', ')}` : '',
  ]
    .filter(Boolean)
    .join(' · ');

/** What is there already, and serves. */
const sayReuse = (step: Step, { spareM }: Reuse): string =>
  step.kind === 'cut'
    ? `one that is there serves as it is${spareM > 0.0005 ? `, ${Math.round(spareM * 1000)} mm longer` : ''}: take it, nothing is cut`
    : 'its plugs are on already';

function Line({ state, isNext, onTick, onCable }: LineProps) {
  const { step, isDone, leftMinutes } = state;
  const { cable } = step;
  const notes = notesOf(state);
  return (
    <Box
      component="li"
      data-step={step.id}
      data-done={isDone}
      sx={{ ...LINE, bgcolor: isNext ? 'action.hover' : undefined }}
    >
      <Checkbox
        checked={isDone}
        onChange={() => onTick(step, !isDone)}
        slotProps={{ input: { 'aria-label': step.says } }}
        sx={{ width: 48, height: 48 }}
      />
      <Box sx={{ flex: 1, minWidth: 0, py: 0.5 }}>
        <Box sx={{ fontSize: 16, fontWeight: isNext ? 600 : 400 }}>{step.says}</Box>
        {notes !== '' && <Box sx={{ fontSize: 13.5, color: 'text.secondary' }}>{notes}</Box>}
      </Box>
      {cable !== null && (
        <Box
          component="button"
          type="button"
          onClick={() => onCable(cable)}
          sx={HOW}
          aria-label={`How: ${step.says}`}
        >
          how
        </Box>
      )}
      <Box sx={MINUTES}>{`${Math.round(isDone ? step.minutes : leftMinutes)} min`}</Box>
    </Box>
  );
}

const LINE = {
  display: 'flex',
  alignItems: 'center',
  minHeight: 48,
  borderBottom: 1,
  borderColor: 'divider',
} as const;
const MINUTES = {
  width: 64,
  textAlign: 'right',
  fontSize: 14,
  color: 'text.secondary',
  pr: 1,
} as const;

/** A part by what it is called, without the kind of its key. */
export const sayPart = (key: string): string => key.replace(/^(?:cable|plug|adaptor|whole) /u, '');

const HOW = {
  minWidth: 48,
  minHeight: 44,
  border: 0,
  background: 'none',
  font: 'inherit',
  fontSize: 15,
  color: 'inherit',
  textDecoration: 'underline dotted',
  cursor: 'pointer',
} as const;
