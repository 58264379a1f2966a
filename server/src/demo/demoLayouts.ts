import {
  addBoard,
  addSupply,
  addLanes,
  applyFollowing,
  assumed,
  freshId,
  hang,
  onDeck,
  type Board,
  type Edit,
  type PowerFeed,
  type Rig,
  type Supply,
} from '@gullwind/core';
import { DEMO_GEAR } from './demoGear';

/// How the three boards are laid out. On the pit board one pedal stands too near to the next: a fault to find.

function boardOf(id: string): Board {
  const item = DEMO_GEAR.find((one) => one.id === id);
  if (item?.kind !== 'board') throw new Error(`the demo gear has no board “${id}”`);
  return item.thing;
}

/** mm from the left and from the front. */
type Stand = readonly [id: string, xMm: number, yMm: number];

const stand = ([id, xMm, yMm]: Stand): Edit => ({
  kind: 'place',
  id,
  to: onDeck('b1', xMm / 1000, yMm / 1000),
});

function supplyOf(id: string): Supply {
  const item = DEMO_GEAR.find((one) => one.id === id);
  if (item?.kind !== 'supply') throw new Error(`the demo gear has no supply “${id}”`);
  return item.thing;
}

const below = (id: string, xMm: number, yMm: number): Edit => ({
  kind: 'place',
  id,
  to: onDeck('b1', xMm / 1000, yMm / 1000, { isUnder: true }),
});

/** Each on an outlet of the first supply. */
function fed(rig: Rig, outlets: Readonly<Record<string, number>>): Edit {
  const insert = Object.entries(outlets).map(([consumer, outlet], i): PowerFeed => ({
    id: freshId(rig, 'k', i),
    consumer,
    supply: 'u1',
    outlet,
    volts: null,
    second: null,
    after: null,
    via: 'straight',
    efficiency: assumed(0.85),
    lengthM: assumed(0.5),
    isFixed: false,
  }));
  return { kind: 'list', of: 'feeds', at: 0, remove: 0, insert };
}

type Make = (rig: Rig) => Edit | null;

/** Every step of the rig as it is by then, with the lengths that follow. */
const laidOut = (rig: Rig, ...steps: readonly Make[]): Rig =>
  steps.reduce((now, make) => {
    const edit = make(now);
    const result = edit ? applyFollowing(now, edit) : ({ kind: 'ok', rig: now } as const);
    if (result.kind === 'refused') throw new Error(result.message);
    return result.rig;
  }, rig);

const standing = (...stands: readonly Stand[]): Make => {
  return () => ({ kind: 'group', edits: stands.map(stand) });
};

/** Ballast stands 7 mm too near to Gristle. */
export const layPitBoard = (rig: Rig): Rig =>
  laidOut(
    rig,
    (now) => addBoard(now, boardOf('raft')),
    standing(
      ['d1', 476, 0],
      ['d2', 596, 0],
      ['d3', 346, 0],
      ['d4', 243, 0],
      ['d5', 125, 0],
      ['d6', 430, 220],
      ['d7', 254, 220],
      ['d8', 58, 220],
    ),
    (now) => addSupply(now, supplyOf('tide-eight')),
    () => below('u1', 20, 200),
    (now) => addSupply(now, supplyOf('cell')),
    (now) => fed(now, { d1: 0, d3: 1, d4: 2, d5: 3, d6: 4, d7: 5, d8: 6 }),
    (now) => hang(now, 'd2', { supply: 'u2', outlet: 0 }),
    addLanes,
  );

export const layStormBoard = (rig: Rig): Rig =>
  laidOut(
    rig,
    (now) => addBoard(now, boardOf('pontoon')),
    standing(
      ['d1', 494, 0],
      ['d2', 636, 0],
      ['d3', 328, 0],
      ['d4', 162, 0],
      ['d5', 44, 0],
      ['d6', 470, 200],
      ['d7', 293, 200],
    ),
    addLanes,
  );

export const layTavernBoard = (rig: Rig): Rig =>
  laidOut(
    rig,
    (now) => addBoard(now, boardOf('seine')),
    standing(
      ['d1', 465, 0],
      ['d2', 520, 190],
      ['d3', 340, 0],
      ['d4', 226, 0],
      ['d5', 114, 0],
      ['d6', 4, 204],
    ),
    addLanes,
  );
