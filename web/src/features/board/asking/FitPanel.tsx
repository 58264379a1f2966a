import { layBoard, sayFit, sayThing, type FitProgress } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useLongWork } from '../../../workers/useLongWork';
import { WorkLine } from '../../../ui/WorkLine';
import { AskFrame } from './AskFrame';
import { ghostsOf } from '../model/asked';
import { useDrawn } from './asking';
import type { AskProps } from '../panelProps';

const LOOKS: Readonly<Record<FitProgress['looks'], string>> = {
  free: 'Looking everywhere on the boards …',
  one: 'Looking for one other that could give way …',
  two: 'Looking for two others that could give way …',
};

/** Whether a thing fits: everywhere that it does, or what has to move, or how much is missing. */
export function FitPanel({ id, ...props }: AskProps & { readonly id: string }) {
  const { rig, plan, units, asking, actions } = props;
  const { wishes } = asking;
  const question = useMemo(() => ({ rig, id, pinned: wishes.pinned }), [rig, id, wishes.pinned]);
  const work = useLongWork('willFit', question, { begins: true });
  const answer = work.state.kind === 'done' ? work.state.answer : null;
  const drawn = useMemo(() => {
    if (!answer || answer.kind === 'missing') return null;
    const area = answer.kind === 'fits' ? answer.area : [];
    return { area, ghosts: ghostsOf(rig, plan, answer.edit) };
  }, [answer, rig, plan]);
  useDrawn(asking, drawn);
  return (
    <AskFrame title={`Where does ${sayThing(plan, id)} fit?`} onClose={() => asking.onAsk(null)}>
      <WorkLine
        work={work}
        says={(progress) => LOOKS[progress?.looks ?? 'free']}
        share={({ done, of }) => done / Math.max(1, of)}
      />
      {answer && (
        <Typography role="status" sx={{ my: 0.75, fontSize: 15 }}>
          {sayFit(layBoard(rig), id, answer, { units })}
        </Typography>
      )}
      {answer?.kind === 'fits' && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Shaded: everywhere that its case could be, in any turn. The outline has the least cable.
        </Typography>
      )}
      {answer && answer.kind !== 'missing' && (
        <Button
          size="small"
          variant="contained"
          sx={{ mt: 0.75 }}
          onClick={() => {
            actions.edit(answer.edit);
            asking.onAsk(null);
          }}
        >
          {answer.kind === 'fits' ? 'Stand it there' : 'Move and stand it so'}
        </Button>
      )}
    </AskFrame>
  );
}
