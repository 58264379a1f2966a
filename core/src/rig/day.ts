/** A day of the calendar, without a clock to ask. */
export function isDay(text: string): boolean {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/u.exec(text);
  if (!match) return false;
  const [year, month, day] = match.slice(1).map(Number) as [number, number, number];
  const isLeap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
  const days = [31, isLeap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31][month - 1];
  return days !== undefined && day >= 1 && day <= days;
}

/** Days since the first of March of year 0, of a day as "2026-11-26". */
function dayNumber(day: string): number {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const y = month > 2 ? year : year - 1;
  const leap = Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400);
  return 365 * y + leap + Math.floor((153 * ((month + 9) % 12) + 2) / 5) + date - 1;
}

/** Whole days from one day to another; negative where that was before. */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);
