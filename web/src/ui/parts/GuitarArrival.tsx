import {
  arrivalOf,
  arriveBy,
  placeReceiver,
  receiverAt,
  type Arrival,
  type Edit,
  type ReceiverPlace,
  type Rig,
} from '@gullwind/core';
import { ChoiceField } from './ChoiceField';

interface Props {
  readonly rig: Rig;
  readonly guitarId: string;
  /** Which guitar is meant, where the place does not say so. */
  readonly label?: string;
  readonly edit: (edit: Edit) => void;
}

const OWN: readonly (readonly [Arrival, string])[] = [
  ['cable', 'a cable of its own'],
  ['wireless', 'wireless of its own'],
  ['shared', 'the first one’s cable'],
];
const FIRST: readonly (readonly [Arrival, string])[] = [
  ['cable', 'a cable'],
  ['wireless', 'wireless'],
];

const RECEIVER: readonly (readonly [ReceiverPlace, string])[] = [
  ['board', 'on the board'],
  ['rack', 'in the rack: there and back'],
];

/** How a guitar arrives at the board: with a way of its own it has an input of its own at a selector. */
export function GuitarArrival({ rig, guitarId, label = 'It arrives by', edit }: Props) {
  const isFirst = rig.electrical.guitars[0]!.id === guitarId;
  const receiver = receiverAt(rig, guitarId);
  return (
    <>
      <ChoiceField
        label={label}
        value={arrivalOf(rig, guitarId)}
        options={isFirst ? FIRST : OWN}
        onChange={(by) => edit(arriveBy(rig, guitarId, by))}
      />
      {receiver && (
        <ChoiceField
          label="Its receiver stands"
          value={receiver}
          options={RECEIVER}
          onChange={(to) => edit(placeReceiver(rig, guitarId, to))}
        />
      )}
    </>
  );
}
