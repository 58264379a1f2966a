import type { ItemEdit, Sourced } from '@gullwind/core';

/** A value to be taken into the gear list. */
export interface Found {
  readonly field: string;
  readonly value: number;
  /** 1σ, in the unit of the value; null where it is only as good as its kind usually is. */
  readonly error: number | null;
}

/** Nothing is known better than this, whatever a fit says. */
const LEAST_TOLERANCE = 0.002;
const LONGEST_BY = 80;

/** As measured: the day, the instrument, and ± as twice the standard error. @param on a day, 2026-03-01 */
export function measuredAs({ value, error }: Found, by: string, on: string): Sourced {
  const tolerance =
    error === null
      ? {}
      : { tolerance: Math.min(1, Math.max(LEAST_TOLERANCE, (2 * error) / Math.abs(value))) };
  return { value, from: 'measured', on, by: by.slice(0, LONGEST_BY), ...tolerance };
}

/** What was found, as edits of an entry. */
export const editsOf = (found: readonly Found[], by: string, on: string): readonly ItemEdit[] =>
  found.map((one) => ({ kind: 'set', field: one.field, to: measuredAs(one, by, on) }));
