import { THRESHOLD_TRIALS, type Hearing, type HearingTrial } from '@gullwind/core';
import {
  ENOUGH_TRIALS,
  sayAllRuns,
  sayHearing,
  sayResult,
  UNNAMED,
} from '../src/features/listen/model/sayHearing';

/// Results of blind tests in words.

const trials = (right: number, wrong: number, lossDb: number | null = null): HearingTrial[] => [
  ...Array.from({ length: right }, () => ({ isRight: true, lossDb })),
  ...Array.from({ length: wrong }, () => ({ isRight: false, lossDb })),
];

test('so many right, what that is worth, and where it was broken off', () => {
  const ten = sayResult(trials(9, 1), 10);
  expect(ten).toContain('9 of 10 right. So many or more come by guessing with probability 0.011;');
  expect(ten).toContain('That is more than guessing does.');
  const even = sayResult(trials(6, 4), 12);
  expect(even).toContain('6 of 10 right, of 12 meant.');
  expect(even).toContain('Guessing does as well');
  expect(ten).toMatch(/between 5\d % and (?:99|100) % \(95 %\)/u);
  expect(sayResult([], 10)).toMatch(/^Broken off before the first answer/u);
  // Five of five come by guessing in 3 % of cases, four of four in 6 %.
  expect(sayResult(trials(5, 0), 5)).toContain('more than guessing');
  expect(sayResult(trials(4, 0), 4)).toContain('Guessing does as well');
});

const heard = (change: Partial<Hearing>): Hearing =>
  ({
    ...{ id: '', kind: 'abx', listener: 'Ada', rig: 'r', one: 'a', other: 'b', seed: 1 },
    ...{ planned: 10, trials: trials(8, 2), isFinished: true, expected: '', model: '' },
    ...change,
  }) as Hearing;

describe('all runs of one comparison', () => {
  const of = { listener: ' Ada ', rig: 'r', one: 'a', other: 'b' };
  const others: readonly Partial<Hearing>[] = [
    { kind: 'threshold' },
    { listener: 'Ben' },
    { rig: 'other' },
    { one: 'c' },
    { other: 'c' },
  ];

  test('count together, those of others do not', () => {
    const two = [heard({}), heard({ trials: trials(7, 3) })];
    expect(sayAllRuns(two, of)).toMatch(
      /^All 2 runs of this comparison together: 15 of 20 right; .* 0\.02\d?\.$/u,
    );
    for (const other of others) {
      expect(sayAllRuns([...two, heard(other)], of)).toBe(sayAllRuns(two, of));
      expect(sayAllRuns([heard({}), heard(other)], of)).toBe('');
    }
    expect(sayAllRuns([heard({})], of)).toBe('');
  });

  test('of somebody without a name, those of nobody named', () => {
    const two = [heard({ listener: UNNAMED }), heard({ listener: UNNAMED })];
    expect(sayAllRuns(two, { ...of, listener: ' ' })).toContain('16 of 20');
    expect(sayAllRuns(two, of)).toBe('');
  });
});

test('each kind of result', () => {
  expect(sayHearing(heard({}))).toMatch(/^b against a, blind: 8 of 10 right/u);
  const run = Array.from({ length: THRESHOLD_TRIALS }, (_, i) => ({
    ...{ lossDb: 0.5 + (i % 4) * 0.5, isRight: i % 4 > 1 },
  }));
  expect(sayHearing(heard({ kind: 'threshold', trials: run }))).toMatch(
    /^Threshold [\d.]+ dB of treble, [\d.]+ to [\d.]+ dB\.$/u,
  );
  expect(sayHearing(heard({ kind: 'threshold', trials: run.slice(0, ENOUGH_TRIALS - 1) }))).toBe(
    'A threshold run broken off after 19.',
  );
  expect(sayHearing(heard({ kind: 'amp', expected: 'duller', model: 'plain' }))).toBe(
    'At the amp: duller. The model: plain.',
  );
  expect(sayHearing(heard({ kind: 'said', expected: 'none.', model: 'Some.' }))).toBe(
    'b against a. Expected: none. Some.',
  );
});
