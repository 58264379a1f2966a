import { assumed, entered } from '../../src/gear';
import { checkSourced } from '../../src/rig';
import { FIELD_RULES } from '../../src/gear';

/// A number with its origin: what is wrong is said with the field, the value and the limit.

const RULE = FIELD_RULES.cable.lengthM;
const message = (more: object) => checkSourced(RULE, { ...entered(6), ...more })?.message;

test('a tolerance is a share above 0 % and up to 100 %', () => {
  for (const tolerance of [0.001, 0.05, 1]) expect(message({ tolerance })).toBeUndefined();
  expect(message({ tolerance: 1.5 })).toBe(
    'Cable length, tolerance: 150 % is not above 0 % and up to 100 %.',
  );
  expect(message({ tolerance: 0 })).toContain('tolerance: 0 % is not');
  expect(message({ tolerance: -0.1 })).toContain('tolerance: -10 % is not');
});

test('a day is one of the calendar; the value itself comes first', () => {
  expect(message({ on: '2026-02-28' })).toBeUndefined();
  expect(message({ on: '2026-02-30' })).toContain('day: “2026-02-30” is not a day');
  expect(checkSourced(RULE, { ...assumed(1e6), tolerance: 7 })!.message).toMatch(/most/u);
});
