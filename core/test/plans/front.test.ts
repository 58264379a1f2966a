import fc from 'fast-check';
import { comparePlans, Front, type Placed } from '../../src/plans/front';
import { NOTHING } from '../../src/plans/efforts';

/// What nothing beats in goal, work and cost at once.

const plan = (goal: number, minutes: number, cost: number, places: readonly number[]): Placed => ({
  moves: places.map((place) => ({
    key: String(place),
    action: { kind: 'removeBuffer', device: `d${place}` },
    effort: NOTHING,
    claims: [],
    condition: null,
    against: null,
  })),
  places,
  score: {
    goal,
    terms: { distance: goal, spread: 0, level: 0, resonance: 0, ends: 0, buffers: 0, rules: 0 },
  },
  effort: { ...NOTHING, minutes, cost },
});

const plans = fc
  .array(fc.tuple(fc.nat(5), fc.nat(4), fc.nat(4), fc.nat(2)), { minLength: 1, maxLength: 40 })
  .map((list) =>
    list.map(([goal, minutes, cost, moves], i) =>
      plan(
        goal,
        minutes,
        cost,
        Array.from({ length: moves }, (_, k) => i * 3 + k),
      ),
    ),
  );

const frontOf = (list: readonly Placed[]): Front => {
  const front = new Front();
  for (const one of list) front.add(one);
  return front;
};

const isAtMost = (a: Placed, b: Placed): boolean =>
  a.score.goal <= b.score.goal &&
  a.effort.minutes <= b.effort.minutes &&
  a.effort.cost <= b.effort.cost;

test('of any plans: none in it beats another one in it, and each outside is beaten by one inside', () => {
  fc.assert(
    fc.property(plans, (list) => {
      const { best } = frontOf(list);
      for (const one of best)
        for (const other of best) if (one !== other) expect(isAtMost(other, one)).toBe(false);
      for (const one of list)
        if (!best.includes(one)) expect(best.some((other) => isAtMost(other, one))).toBe(true);
    }),
    { seed: 11 },
  );
});

test('the order in which plans arrive does not matter', () => {
  fc.assert(
    fc.property(plans, (list) => {
      expect(frontOf([...list].reverse()).best).toEqual(frontOf(list).best);
    }),
    { seed: 12 },
  );
});

test('ties: fewer moves, then the fixed order', () => {
  const one = plan(1, 10, 0, [4]);
  const two = plan(1, 10, 0, [0, 1]);
  const other = plan(1, 10, 0, [7]);
  expect(frontOf([two, other, one]).best).toEqual([one]);
  expect(comparePlans(one, two)).toBeLessThan(0);
  expect(comparePlans(plan(1, 10, 5, [1]), plan(1, 10, 3, [2]))).toBeGreaterThan(0);
});

test('goals that differ by less than a millionth are the same', () => {
  const cheap = plan(1.000_000_1, 5, 0, [1]);
  expect(frontOf([plan(1, 10, 0, [0]), cheap]).best).toEqual([cheap]);
});

test('the best goal within some work and money', () => {
  const front = frontOf([plan(5, 0, 0, []), plan(3, 10, 0, [0]), plan(1, 10, 50, [1])]);
  expect(front.bestWithin({ ...NOTHING, minutes: 10, cost: 20 })).toBe(3);
  expect(front.bestWithin({ ...NOTHING, minutes: 60, cost: 60 })).toBe(1);
  expect(new Front().bestWithin(NOTHING)).toBe(Infinity);
});
