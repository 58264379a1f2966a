import { halvesOf } from '../board';
import { cableList } from '../build';
import { bodyOf, DESTINATION_KINDS, type Device, type Guitar } from '../gear';
import { nameCable } from '../figures';
import { findDevice, hasSwitch, mainRow, playingGuitar, type Rig, type Row } from '../rig';

/// The way of a signal as somebody with a cable in one hand sees it: part after part, whatever is switched on.

/** Where a part is: on the way to the amp, in the amp's loop, or beside the way. */
export type Stretch = 'front' | 'ampLoop' | 'side';

export interface TracePart {
  readonly id: string;
  readonly kind: 'guitar' | 'cable' | 'device' | 'destination';
  /** As it is called in a sentence. */
  readonly name: string;
  readonly stretch: Stretch;
  /** Of what hangs on a side jack: the device that has it. */
  readonly beside: string | null;
  readonly device: Device | null;
  readonly guitar: Guitar | null;
}

/** Everything that a hunt may come upon, in the order of the signal. */
export interface TraceWay {
  readonly front: readonly TracePart[];
  readonly ampLoop: readonly TracePart[];
  readonly side: readonly TracePart[];
  /** Supplies with what they feed, by device. */
  readonly supplies: readonly TraceSupply[];
  /** What the amp's room is full of. */
  readonly destination: TracePart;
}

export interface TraceSupply {
  readonly id: string;
  readonly name: string;
  readonly isMains: boolean;
  readonly feeds: readonly TraceFeed[];
}

export interface TraceFeed {
  readonly id: string;
  readonly device: string;
  readonly name: string;
  /** What a battery could stand in for: 9 V and little current. */
  readonly takesBattery: boolean;
}

/** A battery gives 9 V, and this for an evening, A. */
const MOST_BATTERY_A = 0.03;

type At = Pick<TracePart, 'stretch' | 'beside'>;
const FRONT: At = { stretch: 'front', beside: null };

/** The way of a rig. */
export function wayOf(rig: Rig): TraceWay {
  const labels = new Map(cableList(rig).map(({ id, label }) => [id, label]));
  const cable = (id: string, at: At): TracePart => {
    const label = labels.get(id);
    const name = nameCable(rig, id);
    return {
      id,
      kind: 'cable',
      name: label ? `${name} (${label})` : name,
      ...at,
      device: null,
      guitar: null,
    };
  };
  const along = (row: Row, at: At): readonly TracePart[] =>
    row.cables.flatMap((one, i) => [
      ...(one ? [cable(one.id, at)] : []),
      ...(row.devices[i] ? fromDevice(row.devices[i], at) : []),
    ]);
  const fromDevice = (device: Device, at: At): readonly TracePart[] => [
    { id: device.id, kind: 'device', name: device.name, ...at, device, guitar: null },
    ...rig.electrical.rows
      .filter(({ at: where }) => where.kind === 'loop' && where.device === device.id)
      .flatMap((loop) => along(loop, at)),
  ];
  const rows = (...kinds: readonly Row['at']['kind'][]) =>
    rig.electrical.rows.filter(({ at }) => kinds.includes(at.kind));
  const end = rig.electrical.destinations[0]!;
  const destination: TracePart = {
    id: end.id,
    kind: 'destination',
    name: end.name || DESTINATION_KINDS[end.kind].label,
    ...FRONT,
    device: null,
    guitar: null,
  };
  const guitar = playingGuitar(rig);
  const front: readonly TracePart[] = [
    { id: guitar.id, kind: 'guitar', name: guitar.name, ...FRONT, device: null, guitar },
    ...ownRowOf(rig, guitar.id).flatMap((row) => along(row, FRONT)),
    ...along(fromSelector(rig, guitar.id), FRONT),
    destination,
  ];
  return {
    front,
    ampLoop: rows('ampLoop').flatMap((row) => along(row, { stretch: 'ampLoop', beside: null })),
    side: rows('side').flatMap((row) =>
      along(row, { stretch: 'side', beside: row.at.kind === 'side' ? row.at.device : null }),
    ),
    supplies: suppliesOf(rig),
    destination,
  };
}

const ownRowOf = ({ electrical }: Rig, guitar: string): readonly Row[] =>
  electrical.rows.filter(({ at }) => at.kind === 'guitar' && at.guitar === guitar);

/** The main row; of a guitar with a cable of its own from where that arrives. */
function fromSelector(rig: Rig, guitar: string): Row {
  const main = mainRow(rig);
  const [own] = ownRowOf(rig, guitar);
  if (own?.at.kind !== 'guitar') return main;
  const { selector } = own.at;
  const at = main.devices.findIndex(({ id }) => id === selector);
  if (at < 0) return main;
  return { ...main, devices: main.devices.slice(at), cables: [null, ...main.cables.slice(at + 1)] };
}

function suppliesOf(rig: Rig): readonly TraceSupply[] {
  const second = halvesOf(rig);
  return rig.power.supplies.map((supply) => ({
    id: supply.id,
    name: supply.name,
    isMains: supply.supplyClass !== 'battery',
    feeds: rig.power.feeds
      .filter((feed) => feed.supply === supply.id && findDevice(rig, feed.consumer))
      .map(({ id, consumer }) => {
        const device = findDevice(rig, second.get(consumer) ?? consumer)!;
        const { supplyV, supplyA, polarity } = bodyOf(device);
        return {
          id,
          device: consumer,
          name: device.name,
          takesBattery:
            supply.supplyClass !== 'battery' &&
            polarity !== 'ac' &&
            supplyV.value <= 9 &&
            supplyA.value <= MOST_BATTERY_A,
        };
      }),
  }));
}

/** Whether a part can be switched off with the foot. */
export const canSwitchOff = ({ device }: TracePart): boolean =>
  device !== null && hasSwitch(device);

/** Every part of the way, wherever it is. */
export const allParts = ({ front, ampLoop, side }: TraceWay): readonly TracePart[] => [
  ...front,
  ...ampLoop,
  ...side,
];
