import { isDay } from '../../src/rig/day';

/// Days of the Gregorian calendar, held against a calendar of another make.

test('every day of leap years, centuries and ordinary years, and none that is not', () => {
  for (const year of [1900, 2000, 2023, 2024, 2028, 2100, 2400])
    for (let month = 0; month <= 13; month++)
      for (let day = 0; day <= 32; day++) {
        const text = [year, month, day].map((n) => String(n).padStart(2, '0')).join('-');
        const real = new Date(Date.UTC(year, month - 1, day));
        const isReal =
          real.getUTCFullYear() === year &&
          real.getUTCMonth() === month - 1 &&
          real.getUTCDate() === day;
        expect([text, isDay(text)]).toEqual([text, isReal]);
      }
});

test('only written as year, month, day', () => {
  for (const text of ['2024-2-9', '24-02-09', '2024-02-09T00:00', ' 2024-02-09', '09.02.2024', ''])
    expect(isDay(text)).toBe(false);
});
