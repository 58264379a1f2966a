import {
  chainOf,
  entered,
  formatQuantity,
  formatSignedDb,
  outputIsFor,
  type Chain,
  type Device,
  type Rig,
} from '@gullwind/core';
import { Typography } from '@mui/material';
import { useMemo } from 'react';
import { LineButton } from '../../../ui/LineButton';
import { AT_REST_MS, useLatest } from '../../../workers/useLatest';
import { questionsWorker } from '../../../workers/workers';
import type { PathActions } from '../usePathActions';

interface Question {
  readonly chain: Chain;
  readonly rowId: string;
  readonly id: string;
}

const ask = async (question: Question) => ({
  question,
  swept: await questionsWorker().sweepOutput(question.chain, question.rowId, question.id),
});

const WORDS = {
  fuzz: 'A fuzz comes next that wants a pickup: the higher the output, the more it is left as it would be.',
  cable:
    'What comes next is cable or an input of high impedance: the lower the output, the less is lost.',
} as const;

interface Props {
  readonly rig: Rig;
  readonly rowId: string;
  readonly device: Device;
  readonly actions: PathActions;
}

/** An output that can be set, by what follows it: the treble at the end for each; a press sets it. */
export function OutputSetter({ rig, rowId, device, actions }: Props) {
  const chain = chainOf(rig);
  const { id } = device;
  const question = useMemo(() => ({ chain, rowId, id }), [chain, rowId, id]);
  const answer = useLatest(question, ask, AT_REST_MS);
  const set = (rOutOhm: number) =>
    actions.edit({
      kind: 'set',
      target: { of: 'device', id },
      field: 'on.rOutOhm',
      to: entered(rOutOhm),
    });
  return (
    <>
      <Typography variant="body2">{WORDS[outputIsFor(rig, id)]}</Typography>
      {answer?.question.id === id &&
        answer.swept.map(({ rOutOhm, trebleDb }) => (
          <LineButton
            key={rOutOhm}
            type="button"
            aria-pressed={rOutOhm === device.on.rOutOhm.value}
            title="Set its output so"
            onClick={() => set(rOutOhm)}
          >
            <i>{trebleDb === null ? 'nothing' : `${formatSignedDb(trebleDb, 2)} dB`}</i>
            {formatQuantity(rOutOhm, 'resistance', 'metric')}
            {rOutOhm === device.on.rOutOhm.value && <b> now</b>}
          </LineButton>
        ))}
    </>
  );
}
