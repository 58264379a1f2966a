import fc from 'fast-check';
import { movePoint, parseQuantity, powerOfTen } from '../../src';

test.each<[string, number, string]>([
  ['9.978e-11', 12, '99.78'],
  ['1e-12', 12, '1'],
  ['0.0000123', 6, '12.3'],
  ['1.5e+21', -3, '1500000000000000000'],
  ['-250', -3, '-0.25'],
  ['470000', -3, '470'],
  ['0', 12, '0'],
  ['.5', 0, '0.5'],
  ['12', -6, '0.000012'],
])('the point of %s moved by %i places: %s', (text, places, moved) => {
  expect(movePoint(text, places)).toBe(moved);
});

test('to move the point there and back loses no digit of any number', () => {
  fc.assert(
    fc.property(
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.integer({ min: -15, max: 15 }),
      (value, places) => {
        const there = movePoint(String(value), places);
        expect(Number(movePoint(there, -places))).toBe(Number(String(value)));
      },
    ),
  );
});

test('powers of ten are known, however they were multiplied; feet are none', () => {
  expect([1e-12, 0.001, 1, 1e3, 1e-3 * 1e-9, 0.1].map(powerOfTen)).toEqual([
    -12, -3, 0, 3, -12, -1,
  ]);
  expect([0.3048, 3.6, 1e-12 / 0.3048].map(powerOfTen)).toEqual([null, null, null]);
});

test('what is typed is read as if it had been typed in SI, to the last digit', () => {
  const typed = (text: string) => parseQuantity(text, 'capacitancePerLength', 'metric');
  expect(typed('99.78123456789012 pF/m')).toEqual({ kind: 'ok', si: 9.978123456789012e-11 });
  expect(typed('1.1e2')).toEqual({ kind: 'ok', si: 1.1e-10 });
});
