import { chainOf, entered, findCable, formatQuantity, type Chain, type Rig } from '@gullwind/core';
import { Typography } from '@mui/material';
import { useMemo } from 'react';
import { LineButton } from '../../../ui/LineButton';
import { AT_REST_MS, useLatest } from '../../../workers/useLatest';
import { questionsWorker } from '../../../workers/workers';
import type { PathActions } from '../usePathActions';

interface Question {
  readonly chain: Chain;
  readonly rowId: string;
  readonly alreadyF: number;
}

const ask = ({ chain, rowId, alreadyF }: Question) =>
  questionsWorker().capacitorPositions(chain, rowId, alreadyF);

interface Props {
  readonly rig: Rig;
  readonly rowId: string;
  readonly id: string;
  readonly actions: PathActions;
}

/** A capacitor switch in a plug: where the resonance lies in each of its positions; a press puts it there. */
export function CapacitorSwitch({ rig, rowId, id, actions }: Props) {
  const chain = chainOf(rig);
  const cable = findCable(rig, id)!;
  const alreadyF = cable.added ? cable.addedF.value : 0;
  const question = useMemo(() => ({ chain, rowId, alreadyF }), [chain, rowId, alreadyF]);
  const positions = useLatest(question, ask, AT_REST_MS);
  if (!positions) return <Typography variant="body2">…</Typography>;
  if (positions.length === 0)
    return <Typography variant="body2">There is no pickup’s resonance to place here.</Typography>;
  const put = (addF: number) =>
    actions.edit({
      kind: 'replace',
      part: { of: 'cable', to: { ...cable, added: addF > 0, addedF: entered(addF) } },
    });
  return positions.map(({ addF, resonanceHz }) => (
    <LineButton
      key={addF}
      type="button"
      aria-pressed={addF === alreadyF}
      title="Switch it there"
      onClick={() => put(addF)}
    >
      <i>{resonanceHz === null ? 'none' : formatQuantity(resonanceHz, 'frequency', 'metric')}</i>
      {addF === 0 ? 'off' : formatQuantity(addF, 'capacitance', 'metric')}
      {addF === alreadyF && <b> now</b>}
    </LineButton>
  ));
}
