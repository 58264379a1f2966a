import { sayDue, stagesOfJob, type Job, type StageState } from '@gullwind/core';
import { Box, styled, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import { today } from '../../app/today';

const MARKS: Readonly<Record<StageState, string>> = { open: '○', begun: '◐', done: '●' };
const STATES: Readonly<Record<StageState, string>> = {
  open: 'open',
  begun: 'begun',
  done: 'done',
};

const Stage = styled(RouterLink)(({ theme }) => ({
  color: theme.chart.faint,
  textDecoration: 'none',
  fontSize: 13,
  lineHeight: '24px',
  minHeight: 24,
  whiteSpace: 'nowrap',
  '&:hover': { textDecoration: 'underline' },
  '&[data-state="begun"], &[data-state="done"]': { color: theme.chart.ink },
}));

/** A rig as a job: how far every stage is, and what is due. */
export function JobLine({ id, job }: { readonly id: string; readonly job: Job }) {
  const due = sayDue(job, today());
  return (
    <Box sx={{ mt: 0.25 }}>
      <Box sx={{ display: 'flex', columnGap: 1.25, flexWrap: 'wrap' }}>
        {stagesOfJob(job).map(({ stage, state, says }) => (
          <Stage
            key={stage}
            to={`/rigs/${id}/${stage}`}
            data-state={state}
            title={says}
            aria-label={`${capital(stage)}, ${STATES[state]}: ${says}`}
          >
            {`${MARKS[state]} ${capital(stage)}`}
          </Stage>
        ))}
      </Box>
      {due !== null && (
        <Typography variant="body2" sx={{ fontWeight: 600 }} data-testid="due">
          {due}
        </Typography>
      )}
    </Box>
  );
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
