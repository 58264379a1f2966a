import { applyFollowing, layBoard, swapEdit, swapsOf, SWAP_KINDS } from '../../src/board';
import {
  cableList,
  progressOf,
  reworkOf,
  swapCost,
  workPlan,
  type BuildRecords,
  type WorkDone,
} from '../../src/build';
import { applyEdits, mainRow, type Edit, type Rig } from '../../src/rig';
import { laidOut } from './laidOut';

/// What a change of a built rig costs, against what Build asks for once it is made.

const follow = (rig: Rig, edit: Edit): Rig => {
  const result = applyFollowing(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return result.rig;
};

/** Everything ticked off, as it is noted. */
function ticked(rig: Rig): BuildRecords {
  const cuts = new Map(cableList(rig).map(({ id, cutM }) => [id, cutM]));
  const done = workPlan(rig).map(({ id, fingerprint, cable }): WorkDone => ({
    step: id,
    fingerprint,
    lengthM: (cable !== null && cuts.get(cable)) || null,
    revision: 3,
    by: 'Mate',
    at: '2026-11-26T10:00:00Z',
  }));
  return { tests: [], repairs: [], done };
}

const BUILDING = { gear: [], units: 'metric' } as const;

test.each(SWAP_KINDS.flatMap((kind) => [['d2', 'd5', kind] as const, ['d1', 'd2', kind] as const]))(
  'a swap of %s and %s (%s) costs what Build asks for after it',
  (a, b, kind) => {
    const rig = laidOut(8);
    expect(swapsOf(rig, layBoard(rig), [a, b])).toContain(kind);
    const cost = swapCost(rig, [a, b], kind, BUILDING)!;
    const after = follow(rig, swapEdit(rig, layBoard(rig), [a, b], kind));
    const asked = progressOf(workPlan(after), ticked(rig));
    const open = (of: string) =>
      asked.steps.filter(({ step, isDone }) => step.kind === of && !isDone);
    const made = open('cut').filter(({ reuses }) => reuses === null);
    expect(cost.rework.made.map(({ id }) => id)).toEqual(made.map(({ step }) => step.cable));
    expect(cost.rework.reused.map(({ cable }) => cable.id)).toEqual(
      open('cut').flatMap(({ reuses, step }) => (reuses ? [step.cable] : [])),
    );
    expect(cost.rework.ties).toBe(open('tie').reduce((sum, { left }) => sum + left.length, 0));
    expect(cost.rework.minutes).toBe(asked.leftMinutes);
    expect(cost.rework.minutes).toBeGreaterThan(0);
    // Another computation of the cables: those that are not what they were.
    const was = new Map(cableList(rig).map(({ id, fingerprint }) => [id, fingerprint]));
    const changed = cableList(after).filter(({ id, fingerprint }) => was.get(id) !== fingerprint);
    const told = [...cost.rework.made, ...cost.rework.reused.map(({ cable }) => cable)];
    expect(told.map(({ id }) => id).sort()).toEqual(changed.map(({ id }) => id).sort());
  },
);

test('what changes nothing costs nothing; swapped back it is what it was', () => {
  const rig = laidOut(6);
  expect(reworkOf(rig, rig, BUILDING)).toMatchObject({
    made: [],
    reused: [],
    relaid: [],
    ties: 0,
    tiesCut: 0,
    minutes: 0,
  });
  const there = follow(rig, swapEdit(rig, layBoard(rig), ['d2', 'd4'], 'both'));
  const back = follow(there, swapEdit(there, layBoard(there), ['d2', 'd4'], 'both'));
  expect(back.layout.placements).toEqual(rig.layout.placements);
  expect(mainRow(back).devices).toEqual(mainRow(rig).devices);
  expect(reworkOf(rig, back, BUILDING).minutes).toBe(0);
});

test('a pedal moved by itself is stood again, its cables laid again, and no other', () => {
  const rig = laidOut(6);
  const placement = rig.layout.placements.d6!;
  if (placement.at !== 'deck') throw new Error('it stands on the board');
  const after = follow(rig, {
    kind: 'place',
    id: 'd6',
    to: { ...placement, yM: placement.yM + 0.001 },
  });
  const asked = progressOf(workPlan(after), ticked(rig));
  const stand = asked.steps.find(({ step }) => step.id === 'stand')!;
  expect([stand.isDone, stand.left.length, stand.leftMinutes]).toEqual([false, 1, 2]);
  const laid = asked.steps.filter(({ step, isDone }) => step.kind === 'lay' && !isDone);
  const own = cableList(after).filter(({ from, to }) => `${from} ${to}`.includes('Pedal 6'));
  expect(laid.map(({ step }) => step.cable).sort()).toEqual(own.map(({ id }) => id).sort());
});

test('what was noted before the places were counts for what it says', () => {
  const rig = laidOut(4);
  const { done } = ticked(rig);
  const old = done.map((one) => ({ ...one, fingerprint: one.fingerprint.split('#')[0]! }));
  const { leftMinutes } = progressOf(workPlan(rig), { tests: [], repairs: [], done: old });
  expect(leftMinutes).toBe(0);
});

test('a finished cable that comes free serves where it is long enough and lies without a coil; not another kind', () => {
  const rig = laidOut(4);
  const [, second, third] = mainRow(rig).cables.map((cable) => cable!.id);
  const longer = (id: string, by: number): Edit => ({
    kind: 'set',
    target: { of: 'cable', id },
    field: 'lengthM',
    to: {
      value: Math.round((cableList(rig).find((one) => one.id === id)!.lengthM + by) * 1000) / 1000,
      from: 'entered',
    },
  });
  // The one that was there is 30 mm longer than the new one has to be, then 30 mm too short.
  const shorter = applyEdits(rig, longer(second!, -0.03));
  const reuse = progressOf(workPlan(shorter), ticked(rig)).steps.find(
    ({ step }) => step.id === `cut ${second!}`,
  )!;
  expect(reuse.reuses?.spareM).toBeCloseTo(0.03, 9);
  expect(reuse.leftMinutes).toBe(0);
  const much = progressOf(workPlan(applyEdits(rig, longer(second!, 0.03))), ticked(rig));
  const asked = much.steps.find(({ step }) => step.id === `cut ${second!}`)!;
  expect([asked.isDone, asked.reuses]).toEqual([false, null]);
  const far = progressOf(workPlan(applyEdits(rig, longer(third!, -0.08))), ticked(rig));
  expect(far.steps.find(({ step }) => step.id === `cut ${third!}`)!.reuses).toBeNull();
  const renamed = applyEdits(rig, {
    kind: 'rename',
    target: { of: 'cable', id: second! },
    to: 'thin one',
  } as Edit);
  const other = progressOf(workPlan(renamed), ticked(rig));
  expect(other.steps.find(({ step }) => step.id === `cut ${second!}`)).toMatchObject({
    isDone: false,
    reuses: null,
  });
});
