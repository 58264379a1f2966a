import { formatQuantity, sayWire, type OpeningFound } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { useLongWork } from '../../../workers/useLongWork';
import { SizeField } from '../panels/SizeField';
import { WorkLine } from '../../../ui/WorkLine';
import { AskFrame } from './AskFrame';
import { useDrawn } from './asking';
import type { AskProps } from '../panelProps';

const HOLE_RULE = { label: 'Hole', quantity: 'size', min: 0.008, max: 0.08 } as const;
const USUAL_HOLE_M = 0.02;

/** Where one more opening in a plate would save the most cable. */
export function OpeningPanel(props: AskProps) {
  const { rig, plan, units, asking } = props;
  const [widthM, setWidth] = useState(USUAL_HOLE_M);
  const question = useMemo(() => ({ rig, widthM }), [rig, widthM]);
  const work = useLongWork('opening', question, { begins: true });
  const found = work.state.kind === 'done' ? work.state.answer : null;
  const drawn = useMemo(() => (found ? { hole: found } : null), [found]);
  useDrawn(asking, drawn);
  const size = (m: number) => formatQuantity(m, 'size', units);
  return (
    <AskFrame title="Where would an opening help?" onClose={() => asking.onAsk(null)}>
      <SizeField label="Hole" rule={HOLE_RULE} value={widthM} units={units} onChange={setWidth} />
      <WorkLine
        work={work}
        says={(progress) =>
          progress ? `${progress.done} of ${progress.of} places laid out` : 'Looking …'
        }
        share={({ done, of }) => done / Math.max(1, of)}
      />
      {work.state.kind === 'done' && (
        <Typography role="status" sx={{ my: 0.75, fontSize: 15 }}>
          {found
            ? `${size(found.opening.xM)} from the left, ${size(found.opening.yM)} from the front: ${size(found.savedM)} less cable. It changes ${found.cables.map((id) => sayWire(plan, id)).join('; ')}.`
            : 'No further hole saves any cable.'}
        </Typography>
      )}
      {found && <Drill {...props} found={found} />}
    </AskFrame>
  );
}

/** It is drilled: on the plan, and with care on the bench. */
function Drill({ found, actions, asking }: AskProps & { readonly found: OpeningFound }) {
  return (
    <>
      <Typography variant="body2">
        It comes onto the drilling template. Clamp the plate on wood, eyes covered, and let no cable
        lie on a raw edge: a grommet, or a rounded one.
      </Typography>
      <Button
        size="small"
        variant="contained"
        sx={{ mt: 0.75 }}
        onClick={() => {
          actions.edit(found.edit);
          asking.onAsk(null);
        }}
      >
        Drill it there
      </Button>
    </>
  );
}
