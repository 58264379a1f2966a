import type { Step, StepState } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { notesOf } from './StepList';

interface Props {
  readonly next: StepState | null;
  /** What was ticked off last. */
  readonly last: Step | null;
  readonly isAllDone: boolean;
  readonly onTick: (step: Step, isDone: boolean) => void;
  readonly onCable: (cable: string) => void;
}

/** What to do now, to be read at arm's length and ticked with one hand. */
export function NextStep({ next, last, isAllDone, onTick, onCable }: Props) {
  return (
    <Box component="section" aria-label="Next step" sx={{ px: 2.5, pt: 1.5, pb: 1 }}>
      {next ? (
        <Now state={next} onTick={onTick} onCable={onCable} />
      ) : (
        <Typography component="h2" sx={{ fontSize: 30, fontWeight: 600, lineHeight: 1.15 }}>
          {isAllDone ? 'All of it is done.' : 'Everything that is left waits for parts.'}
        </Typography>
      )}
      {last && (
        <Button sx={{ minHeight: 44, mt: 0.5 }} onClick={() => onTick(last, false)}>
          {`Not done after all: ${last.says}`}
        </Button>
      )}
    </Box>
  );
}

interface NowProps extends Pick<Props, 'onTick' | 'onCable'> {
  readonly state: StepState;
}

function Now({ state, onTick, onCable }: NowProps) {
  const { step, leftMinutes } = state;
  const detail = notesOf(state);
  return (
    <>
      <Typography
        component="h2"
        data-step={step.id}
        sx={{ fontSize: { xs: 26, md: 32 }, fontWeight: 600, lineHeight: 1.15 }}
      >
        {step.says}
      </Typography>
      <Typography sx={{ fontSize: 19, mt: 0.5 }}>
        {[detail, `${Math.round(leftMinutes)} min`, step.tools.join(', ')]
          .filter(Boolean)
          .join(' · ')}
      </Typography>
      {step.caution !== '' && (
        <Typography sx={{ fontSize: 17, mt: 0.5, fontWeight: 600 }}>{step.caution}</Typography>
      )}
      <Buttons state={state} onTick={onTick} onCable={onCable} />
    </>
  );
}

function Buttons({ state: { step }, onTick, onCable }: NowProps) {
  const { cable } = step;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, mt: 1.5, flexWrap: 'wrap' }}>
      <Button
        variant="contained"
        sx={{ minHeight: 72, minWidth: 220, fontSize: 24 }}
        onClick={() => onTick(step, true)}
      >
        Done
      </Button>
      {cable !== null && (
        <Button
          variant="outlined"
          sx={{ minHeight: 72, minWidth: 160, fontSize: 19 }}
          onClick={() => onCable(cable)}
        >
          {step.kind === 'test' ? 'Test it here' : 'How'}
        </Button>
      )}
    </Box>
  );
}
