import {
  bodyOf,
  spaceJacks,
  supplyCaseOf,
  type Case,
  type Device,
  type JackKind,
  type Supply,
} from '../gear';
import { allDevices, remember, secondHalfOf, type Rig } from '../rig';

/// What can stand on a board: devices, fixtures and supplies, each one case.

export interface BoardThing {
  readonly id: string;
  readonly name: string;
  readonly kind: 'device' | 'fixture' | 'supply';
  readonly body: Case;
  /** Nobody has held a rule to it. */
  readonly isAssumed: boolean;
}

/** What a board is laid out from. */
export type Laid = Pick<Rig, 'electrical' | 'layout' | 'power'>;

/** By the second half of a pedal in four cables, the first: both are one case. */
const halves = remember((electrical: Rig['electrical']): ReadonlyMap<string, string> => {
  const rig = { electrical } as Rig;
  return new Map(
    allDevices(rig).flatMap(({ id, deviceClass, insert }) => {
      const isFirst = deviceClass === 'gate' && insert === 'none';
      const other = isFirst && !isInLoop(rig, id) ? secondHalfOf(rig, id) : null;
      return other === null ? [] : [[other, id] as const];
    }),
  );
});

const isInLoop = ({ electrical }: Rig, id: string): boolean =>
  electrical.rows.some(
    ({ at, devices }) => at.kind === 'ampLoop' && devices.some((device) => device.id === id),
  );

export const halvesOf = ({ electrical }: Pick<Rig, 'electrical'>): ReadonlyMap<string, string> =>
  halves(electrical);

/** A pedal in four cables has a send and a return, too. */
function inFourCables(body: Case): Case {
  const has = (kind: JackKind) => body.jacks.some((jack) => jack.kind === kind);
  if ((has('send') && has('return')) || body.placesFrom !== 'assumed') return body;
  const sides = body.jacks.map(({ kind, side }) => [kind, side] as const);
  const jacks = spaceJacks(
    [...sides, ['send', 'right'], ['return', 'left']],
    [body.widthM.value, body.depthM.value],
  );
  return { ...body, jacks };
}

const deviceThing = (device: Device, isFirstHalf: boolean): BoardThing => {
  const body = bodyOf(device);
  return {
    id: device.id,
    name: device.name,
    kind: 'device',
    body: isFirstHalf ? inFourCables(body) : body,
    isAssumed: device.body === undefined,
  };
};

/** A battery is inside of what it feeds, unless somebody has said how large it is. */
const standsByItself = ({ supplyClass, body }: Supply): boolean =>
  supplyClass !== 'battery' || body !== undefined;

const deviceThings = remember((electrical: Rig['electrical']): readonly BoardThing[] => {
  const second = halves(electrical);
  const firsts = new Set(second.values());
  return allDevices({ electrical } as Rig)
    .filter(({ id }) => !second.has(id))
    .map((device) => deviceThing(device, firsts.has(device.id)));
});

const fixtureThings = remember((fixtures: Rig['layout']['fixtures']): readonly BoardThing[] =>
  fixtures.map(({ id, name, body }) => ({ id, name, kind: 'fixture', body, isAssumed: false })),
);

const supplyThings = remember((supplies: Rig['power']['supplies']): readonly BoardThing[] =>
  supplies.filter(standsByItself).map((supply) => ({
    id: supply.id,
    name: supply.name,
    kind: 'supply',
    body: supplyCaseOf(supply),
    isAssumed: supply.body === undefined,
  })),
);

/** Everything that can stand on a board, devices in the order of the chain. */
export const thingsOf = ({ electrical, layout, power }: Laid): readonly BoardThing[] => [
  ...deviceThings(electrical),
  ...fixtureThings(layout.fixtures),
  ...supplyThings(power.supplies),
];
