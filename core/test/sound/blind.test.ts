import {
  abxOrder,
  abxResult,
  binomialResult,
  chanceOfRight,
  fitThreshold,
  nextLoss,
  THRESHOLD_TRIALS,
  type ThresholdTrial,
} from '../../src/sound';
import { hashOf, mix } from '../../src/tolerance';

const share = (name: string) => mix(hashOf(name)) / 2 ** 32;

const choose = (n: number, k: number): number =>
  k === 0 ? 1 : (choose(n, k - 1) * (n - k + 1)) / k;
/** P(X ≥ k) of n fair coins, by the sum itself. */
const tail = (k: number, n: number): number => {
  let sum = 0;
  for (let i = k; i <= n; i++) sum += choose(n, i) / 2 ** n;
  return sum;
};

test.each([5, 10, 18, 25])('%d trials: the chance of guessing is the binomial sum', (n) => {
  for (let k = 0; k <= n; k++) expect(binomialResult(k, n).p).toBeCloseTo(tail(k, n), 10);
});

test('the interval of 9 out of 10 is the exact one', () => {
  const { low, high } = binomialResult(9, 10);
  expect(low).toBeCloseTo(0.555, 3);
  expect(high).toBeCloseTo(0.9975, 3);
  expect(binomialResult(10, 10).high).toBe(1);
  expect(binomialResult(0, 10)).toMatchObject({ low: 0, p: 1 });
});

test.each([5, 10, 18, 25])(
  'of 2,000 who guess %d times no more are found to hear than the tail says',
  (n) => {
    const people = 2000;
    let found = 0;
    for (let person = 0; person < people; person++) {
      const order = abxOrder(person, n);
      const right = order.filter(
        (x, i) => x === (share(`guess ${n} ${person} ${i}`) < 0.5 ? 'A' : 'B'),
      );
      if (binomialResult(right.length, n).p < 0.05) found++;
    }
    const least = Array.from({ length: n + 1 }, (_, k) => k).find((k) => tail(k, n) < 0.05)!;
    const exact = tail(least, n);
    const error = Math.sqrt((exact * (1 - exact)) / people);
    expect(Math.abs(found / people - exact)).toBeLessThan(3 * error);
  },
);

test('all runs count together, broken off and empty ones too', () => {
  const run = (...right: boolean[]) => ({
    trials: right.map((isRight) => ({ isRight, lossDb: null })),
  });
  const all = abxResult([run(true, true, true, false), run(), run(true)])!;
  expect(all).toMatchObject({ right: 4, of: 5 });
  expect(all.p).toBeCloseTo(tail(4, 5), 12);
  expect(abxResult([run()])).toBeNull();
});

test('an order is fair, and the same for the same seed', () => {
  expect(abxOrder(7, 20)).toEqual(abxOrder(7, 20));
  const all = Array.from({ length: 500 }, (_, seed) => abxOrder(seed, 20)).flat();
  expect(Math.abs(all.filter((x) => x === 'A').length / all.length - 0.5)).toBeLessThan(0.02);
});

const listen = (person: number, thresholdDb: number, slope: number): readonly ThresholdTrial[] => {
  const trials: ThresholdTrial[] = [];
  for (let loss = nextLoss(trials); loss !== null; loss = nextLoss(trials)) {
    const isRight =
      share(`answer ${person} ${trials.length}`) < chanceOfRight(loss, thresholdDb, slope);
    trials.push({ lossDb: loss, isRight });
  }
  return trials;
};

test('the 95 % interval holds the threshold of 92 to 98 % of 1,000 listeners', () => {
  let held = 0;
  for (let person = 0; person < 1000; person++) {
    const threshold = 0.4 * 10 ** share(`threshold ${person}`);
    const trials = listen(person, threshold, 0.2 + 0.3 * share(`slope ${person}`));
    expect(trials).toHaveLength(THRESHOLD_TRIALS);
    const { thresholdDb, lowDb, highDb } = fitThreshold(trials);
    expect(lowDb).toBeLessThanOrEqual(thresholdDb);
    if (lowDb <= threshold && threshold <= highDb) held++;
  }
  expect(held).toBeGreaterThanOrEqual(920);
  expect(held).toBeLessThanOrEqual(980);
});

test('two right answers make it harder, one wrong one easier; who hears all gets to the least', () => {
  const right = { lossDb: 6, isRight: true };
  expect(nextLoss([])).toBe(6);
  expect(nextLoss([right])).toBe(6);
  expect(nextLoss([right, right])).toBeCloseTo(3.75, 10);
  expect(nextLoss([{ lossDb: 6, isRight: false }])).toBeCloseTo(9.6, 10);
  const all = listen(1, 1e-6, 0.1);
  expect(all.at(-1)!.lossDb).toBe(0.1);
  expect(fitThreshold(all).lowDb).toBeLessThan(0.1);
});
