import { formatQuantity, type Rig, type StandIn } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { useMemo } from 'react';
import { questionsWorker } from '../../../workers/workers';
import { useLatest } from '../../../workers/useLatest';
import { Figure } from '../../../ui/Figure';

interface Question {
  readonly rig: Rig;
  readonly rowId: string;
  readonly id: string;
}

const ask = async ({ rig, rowId, id }: Question) => ({
  id,
  found: await questionsWorker().standIn(rig, rowId, id),
});

const ohm = (value: number) => formatQuantity(value, 'resistance', 'metric');

/** What to put ahead of a fuzz that something buffered has to drive. */
export function StandInTool({ rig, rowId, id }: Question) {
  const question = useMemo(() => ({ rig, rowId, id }), [rig, rowId, id]);
  const answer = useLatest(question, ask);
  if (answer?.id !== id) return <Typography variant="body2">…</Typography>;
  if (!answer.found) {
    return (
      <Typography variant="body2">
        Nothing to stand in for: the pickup drives it itself, or it is off.
      </Typography>
    );
  }
  return <Found found={answer.found} />;
}

function Found({ found }: { readonly found: StandIn }) {
  return (
    <>
      <Typography variant="body2" data-testid="stand-in">
        In series ahead of it: {formatQuantity(found.lH, 'inductance', 'metric')} and{' '}
        {ohm(found.rOhm)}. What the fuzz then meets, against the pickup itself and what drives it
        now:
      </Typography>
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto' }}>
        {found.impedances.map(({ hz, pickupOhm, nowOhm, standInOhm }) => (
          <Figure
            key={hz}
            name={formatQuantity(hz, 'frequency', 'metric')}
            value={`${ohm(standInOhm)} · ${ohm(pickupOhm)} · ${ohm(nowOhm)}`}
          />
        ))}
      </Box>
    </>
  );
}
