import { editsOf, measuredAs } from '../src/features/bench/model/found';
import {
  forgotten,
  laidDown,
  onlyOf,
  summarised,
  takenAway,
  withLength,
  withReadings,
} from '../src/features/bench/model/pieces';

/// Pieces on the bench with their readings, and what of them goes into the gear list.

const one = laidDown([], { gear: 'reel', lengthM: 3 });
const two = withReadings(laidDown(one, { gear: 'other', lengthM: 5 }), 0, [1e-10, 1.1e-10]);

test('each piece has a key that none had, and its own readings', () => {
  expect(one).toEqual([{ key: 0, gear: 'reel', lengthM: 3, values: [] }]);
  expect(two.map(({ key, values }) => [key, values.length])).toEqual([
    [0, 2],
    [1, 0],
  ]);
  expect(withReadings(two, 0, [2e-10])[0]!.values).toEqual([1e-10, 1.1e-10, 2e-10]);
  const third = laidDown(takenAway(two, 0), { gear: 'reel', lengthM: 1 });
  expect(third.map(({ key }) => key)).toEqual([1, 2]);
  const [first, second] = summarised(two);
  expect(first!.summary).not.toBeNull();
  expect(second!.summary).toBeNull();
});

test('another length is another piece: what was read before was not of it', () => {
  const [cut, other] = withLength(two, 0, 2.5);
  expect(cut).toEqual({ key: 0, gear: 'reel', lengthM: 2.5, values: [] });
  expect(other).toBe(two[1]);
  expect(forgotten(two, 0)[0]).toEqual({ ...two[0], values: [] });
});

test('the last one stays; of another kind nothing does', () => {
  expect(takenAway(one, 0)).toBe(one);
  expect(takenAway(two, 1)).toEqual([two[0]]);
  expect(onlyOf(two, 'other')).toEqual([two[1]]);
});

test('as measured: the day, by what, and ± as twice the standard error', () => {
  const found = (value: number, error: number | null) =>
    measuredAs({ field: 'lH', value, error }, 'Meter', '2026-03-01');
  expect(found(4, 0.1)).toEqual({
    ...{ value: 4, from: 'measured', on: '2026-03-01', by: 'Meter', tolerance: 0.05 },
  });
  expect(found(-4, 0.1).tolerance).toBeCloseTo(0.05, 12);
  // Never better than a fifth of a percent, never worse than all of it.
  expect([found(4, 1e-9).tolerance, found(4, 9).tolerance]).toEqual([0.002, 1]);
  expect(found(4, null)).not.toHaveProperty('tolerance');
  const [edit] = editsOf([{ field: 'lH', value: 4, error: null }], 'x'.repeat(90), '2026-03-01');
  expect(edit).toMatchObject({ kind: 'set', field: 'lH', to: { value: 4, by: 'x'.repeat(80) } });
});
