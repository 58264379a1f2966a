import {
  addBoard,
  addFixture,
  addLanes,
  applyFollowing,
  fixtureOfClass,
  freshId,
  onDeck,
  spaceJacks,
  type Board,
  type ControlCable,
  type Edit,
  type Fixture,
  type Rig,
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

function supply(name: string, outlets: number): Fixture {
  const fixture = fixtureOfClass('supply', 'f1', name);
  const { widthM, depthM } = fixture.body;
  const jacks = Array.from({ length: outlets }, () => ['power', 'back'] as const);
  return {
    ...fixture,
    body: { ...fixture.body, jacks: spaceJacks(jacks, [widthM.value, depthM.value]) },
  };
}

const below = (id: string, xMm: number, yMm: number): Edit => ({
  kind: 'place',
  id,
  to: onDeck('b1', xMm / 1000, yMm / 1000, { isUnder: true }),
});

/** One DC cable from each outlet to a pedal. */
function fed(rig: Rig, pedals: readonly string[]): Edit {
  const insert = pedals.map((pedal, i): ControlCable => ({
    id: freshId(rig, 'k', i),
    name: `DC ${i + 1}`,
    carries: 'dc',
    from: { thing: 'f1', nth: i },
    to: { thing: pedal, nth: 0 },
    lengthM: { value: 0.5, from: 'assumed' },
  }));
  return { kind: 'list', of: 'controls', at: 0, remove: 0, insert };
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
    (now) => addFixture(now, supply('Tide Eight', 8)),
    () => below('f1', 20, 200),
    (now) => fed(now, ['d1', 'd3', 'd4', 'd5', 'd6', 'd7', 'd8']),
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
