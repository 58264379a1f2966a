import fc from 'fast-check';
import { applyRigDifference, changeOf, rigDifference, sayDifference } from '../../src/book';
import {
  cableList,
  progressOf,
  reworkOf,
  workPlan,
  type BuildRecords,
  type WorkDone,
} from '../../src/build';
import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  changeSong,
  addSong,
  insertDevice,
  keepPlace,
  moveSong,
  newRig,
  partsOf,
  plugInAtPlace,
  removeDevice,
  setCaseMass,
  setCableLength,
  walk,
  type Rig,
} from '../../src/rig';
import { laidOut } from '../build/laidOut';
import { editOf, randomRig, recipe } from '../rig/randomRig';

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** A rig edit after edit, with what is refused left out. */
const historyOf = (start: Rig, recipes: readonly Parameters<typeof editOf>[1][]): readonly Rig[] =>
  recipes.reduce<readonly Rig[]>(
    (all, step) => {
      const result = applyEdit(all.at(-1)!, editOf(all.at(-1)!, step));
      return result.kind === 'ok' ? [...all, result.rig] : all;
    },
    [start, ...sung(start)],
  );

/** An evening that grows and changes its order. */
function sung(start: Rig): readonly Rig[] {
  const two = ['One', 'Two'].reduce((rig, title) => applyEdits(rig, addSong(rig, title)), start);
  return [two, applyEdits(two, moveSong(two, 'c2', -1)!)];
}

test('the difference of any two revisions of 200 histories, applied to the first, gives the second', () => {
  let compared = 0;
  fc.assert(
    fc.property(
      randomRig,
      fc.array(recipe, { minLength: 4, maxLength: 20 }),
      fc.nat(),
      fc.nat(),
      (start, recipes, a, b) => {
        const history = historyOf(start, recipes);
        const [one, other] = [history[a % history.length]!, history[b % history.length]!];
        for (const [before, after] of [
          [one, other],
          [other, one],
        ] as const) {
          const difference = rigDifference(before, after);
          // It is a value that can be sent and kept.
          const sent =
            difference === undefined ? undefined : (plain(difference) as typeof difference);
          expect(applyRigDifference(before, sent)).toEqual(plain(partsOf(after)));
          compared++;
        }
      },
    ),
    { seed: 17, numRuns: 200 },
  );
  expect(compared).toBe(400);
});

test('where something is another, something is said, and where nothing is, nothing', () => {
  fc.assert(
    fc.property(randomRig, fc.array(recipe, { maxLength: 12 }), (start, recipes) => {
      const now = historyOf(start, recipes).at(-1)!;
      const said = sayDifference(start, now, 'metric');
      expect(said.length > 0).toBe(rigDifference(start, now) !== undefined);
      expect(new Set(said).size).toBe(said.length);
      for (const one of said) expect(one).not.toMatch(/undefined|NaN|\[object/u);
    }),
    { seed: 23, numRuns: 150 },
  );
});

const changed = (change: (rig: Rig) => Rig, start = newRig('mine')): readonly string[] =>
  sayDifference(start, change(start), 'metric');

test('words name what is new, gone, longer, hired and sung', () => {
  const drive = deviceOfClass('drive', '', 'Gristle');
  const withDrive = applyEdits(newRig('mine'), insertDevice(newRig('mine'), 0, drive));
  expect(changed((rig) => applyEdits(rig, insertDevice(rig, 0, drive)))).toEqual(
    expect.arrayContaining(['Gristle is new.', 'The cable to the amp is new, 6\u00a0m.']),
  );
  expect(changed((rig) => applyEdits(rig, removeDevice(rig, 'd1')), withDrive)).toContain(
    'Gristle is gone.',
  );
  expect(changed((rig) => applyEdits(rig, setCableLength('l1', 9)))).toEqual([
    'The cable, length: 9\u00a0m instead of 6\u00a0m.',
  ]);
  const placed = applyEdits(newRig('mine'), keepPlace(newRig('mine'), 'the pier'));
  const amp = { ...placed.electrical.destinations[0]!, name: 'Hired one' };
  expect(
    changed((rig) => applyEdits(rig, plugInAtPlace(rig, 'w1', { destination: amp })), placed),
  ).toEqual(['At the pier: Hired one instead of the rig’s own amp.']);
  expect(changed((rig) => applyEdits(rig, addSong(rig, 'Storm')))).toEqual(['Another cue sheet.']);
  expect(changed((rig) => applyEdits(rig, walk(rig, 'mute', '2026-11-27')))).toEqual([
    'More, or less, was walked through.',
  ]);
  expect(changed((rig) => applyEdits(rig, setCaseMass(entered(9))))).toEqual([
    'Another mass of the case.',
  ]);
});

test('songs are put in order, changed and taken off, each taken back', () => {
  let rig = newRig('mine');
  for (const title of ['One', 'Two', 'Three']) rig = applyEdits(rig, addSong(rig, title));
  expect(rig.book.songs.map(({ id }) => id)).toEqual(['c1', 'c2', 'c3']);
  expect(moveSong(rig, 'c1', -1)).toBeNull();
  const result = applyEdit(rig, moveSong(rig, 'c3', -1)!);
  if (result.kind === 'refused') throw new Error(result.message);
  expect(result.rig.book.songs.map(({ title }) => title)).toEqual(['One', 'Three', 'Two']);
  expect(applyEdits(result.rig, result.inverse).book).toEqual(rig.book);
  expect(applyEdits(rig, changeSong(rig, 'c2', null)).book.songs).toHaveLength(2);
  const empty = applyEdit(rig, changeSong(rig, 'c2', { title: ' ' }));
  expect(empty).toMatchObject({ kind: 'refused', message: expect.stringContaining('Title') });
});

/** Everything of a rig ticked off, as a builder would. */
const builtOf = (rig: Rig): BuildRecords => ({
  tests: [],
  repairs: [],
  done: workPlan(rig).map(({ id, fingerprint, cable }): WorkDone => ({
    step: id,
    fingerprint,
    lengthM: cableList(rig).find((one) => one.id === cable)?.cutM || null,
    revision: 1,
    by: '',
    at: '',
  })),
});

test('what a change is said to cost is what Build asks for once it is made', () => {
  const before = laidOut(6);
  const swaps: readonly ((rig: Rig) => Rig)[] = [
    (rig) => applyEdits(rig, removeDevice(rig, 'd3')),
    (rig) => applyEdits(rig, insertDevice(rig, 2, deviceOfClass('delay', '', 'Far Bank'))),
    (rig) => applyEdits(rig, { kind: 'move', row: 'r1', from: 1, to: 4 }),
    (rig) => applyEdits(rig, setCableLength('l1', 8)),
  ];
  for (const swap of swaps) {
    const after = swap(before);
    const said = changeOf(before, after, { gear: [], units: 'metric' });
    const asked = progressOf(workPlan(after), builtOf(before));
    expect(said.minutes).toBeCloseTo(asked.leftMinutes, 6);
    const { made } = reworkOf(before, after, { gear: [], units: 'metric' });
    const cuts = asked.steps.filter(
      ({ step, isDone, reuses }) => step.kind === 'cut' && !isDone && reuses === null,
    );
    expect(made.map(({ id }) => `cut ${id}`).sort()).toEqual(
      cuts.map(({ step }) => step.id).sort(),
    );
  }
});
