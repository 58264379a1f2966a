import fc from 'fast-check';
import {
  applyFollowing,
  arrangedEdit,
  bestArrangement,
  layBoard,
  USUAL_WISHES,
} from '../../../src/board';
import { movingIn } from '../../../src/board/searching/bestArrangement';
import { allChoices } from '../../../src/board/searching/choices';
import { Packing } from '../../../src/board/searching/packing';
import { costPerMetre, Judge, type Wishes } from '../../../src/board/searching/wishes';
import { applyEdits, editBrief, type Rig, type Turn } from '../../../src/rig';
import { toEnd } from '../../toEnd';
import { onBoard, place, rigOfClasses } from '../randomBoard';

/// The best arrangement, against trying every choice there is.

const CLASSES = ['drive', 'boost', 'buffer', 'delay', 'tuner'] as const;

const smallBoard = fc
  .record({
    classes: fc.array(fc.constantFrom(...CLASSES), { minLength: 1, maxLength: 4 }),
    surface: fc.constantFrom('rows', 'plate', 'mesh'),
    w: fc.integer({ min: 260, max: 520 }),
    d: fc.integer({ min: 260, max: 400 }),
    leftOn: fc.boolean(),
  })
  .map(({ classes, surface, w, d, leftOn }) => {
    const rig = onBoard(rigOfClasses(classes), surface, [w / 1000, d / 1000]);
    return leftOn ? applyEdits(rig, editBrief(rig, { uses: { d1: 'leftOn' } })) : rig;
  });

const someWishes = (turns: readonly Turn[]): fc.Arbitrary<Wishes> =>
  fc.record({
    pinned: fc.constant([]),
    turns: fc.constant(turns),
    leaves: fc.constantFrom('left', 'right'),
    perDb: fc.constantFrom(0, 10, 60),
    feet: fc.constantFrom(0.25, 1, 5),
    perMove: fc.constantFrom(0, 0.5),
  });

/** Every choice, laid out with all of its cables. */
function leastOfAll(rig: Rig, wishes: Wishes): number {
  const packing = new Packing(rig, movingIn(rig, wishes), wishes.turns);
  const judge = new Judge(rig, wishes, packing, costPerMetre(rig));
  let least = Infinity;
  for (const choice of allChoices(packing, wishes.turns))
    least = Math.min(least, judge.judge(packing.pack(choice)).worth);
  return least;
}

test.each<readonly [readonly Turn[], number, number]>([
  [[0], 4, 10],
  [[0, 90, 180, 270], 2, 8],
])('with turns %j of up to %i things it is the best of all choices', (turns, most, runs) => {
  fc.assert(
    fc.property(smallBoard, someWishes(turns), (rig, wishes) => {
      if (rig.electrical.rows[0]!.devices.length > most) return;
      const best = toEnd(bestArrangement({ rig, wishes, seed: 1, budget: 10 }));
      expect(best!.worth).toBeCloseTo(leastOfAll(rig, wishes), 9);
    }),
    { seed: 161, numRuns: runs, endOnFailure: true },
  );
});

test('every choice there is: three things in two rows', () => {
  const rig = onBoard(rigOfClasses(['delay', 'delay', 'delay']), 'mesh', [0.6, 0.28]);
  const packing = new Packing(rig, movingIn(rig, USUAL_WISHES), [0, 90]);
  expect(packing.rows.length).toBe(2);
  const keys = [...allChoices(packing, [0, 90])].map((choice) => JSON.stringify(choice));
  // 24 orders in two rows (6 of them in one row alone, twice), 2 or 4 ways to pack them, 8 turns, narrow and wide.
  expect(keys.length).toBe((12 * 2 + 12 * 4) * 8 * 2);
  expect(new Set(keys).size).toBe(keys.length);
});

const TWELVE = [
  'tuner',
  'wah',
  'compressor',
  'drive',
  'fuzz',
  'drive',
  'boost',
  'modulation',
  'delay',
  'reverb',
  'equaliser',
  'buffer',
] as const;

test('twelve: nothing is in the way, the same seed gives the same, what is pinned stays', () => {
  const rig = onBoard(rigOfClasses(TWELVE), 'rows', [0.95, 0.42]);
  const stood = applyEdits(rig, place('d1', 860, 0), place('d5', 300, 0), place('d12', 10, 290));
  const wishes: Wishes = { ...USUAL_WISHES, pinned: ['d1', 'd5', 'd12'] };
  const ask = () => toEnd(bestArrangement({ rig: stood, wishes, seed: 5, budget: 2500 }))!;
  const best = ask();
  expect(ask()).toEqual(best);
  const followed = applyFollowing(stood, arrangedEdit(stood, best));
  if (followed.kind === 'refused') throw new Error(followed.message);
  const plan = layBoard(followed.rig);
  expect(plan.conflicts.filter(({ weight }) => weight !== 'note')).toEqual([]);
  expect(plan.standings).toHaveLength(12);
  for (const id of wishes.pinned)
    expect(followed.rig.layout.placements[id]).toBe(stood.layout.placements[id]);
});

test('what costs treble where the pickup drives it lies shorter; what is asked to stay stays nearer', () => {
  const rig = onBoard(rigOfClasses(['fuzz', 'drive', 'boost']), 'mesh', [0.6, 0.3]);
  const perMetre = costPerMetre(rig);
  const [first, , , last] = rig.electrical.rows[0]!.cables.map((cable) => perMetre.get(cable!.id)!);
  expect(first).toBeGreaterThan(0.1);
  expect(last).toBeLessThan(first! + 1e-9);
  const stood = applyEdits(
    rig,
    place('d1', 100, 100),
    place('d2', 250, 100),
    place('d3', 400, 100),
  );
  const ask = (perMove: number) => {
    const best = toEnd(
      bestArrangement({ rig: stood, wishes: { ...USUAL_WISHES, perMove }, seed: 1, budget: 10 }),
    )!;
    return Object.entries(best.placements).filter(
      ([id, to]) =>
        stood.layout.placements[id] === to ||
        JSON.stringify(to) === JSON.stringify(stood.layout.placements[id]),
    ).length;
  };
  expect(ask(5)).toBeGreaterThanOrEqual(ask(0));
});
