/**
 * Where a value comes from. Assumed values come from the class of the thing they describe; a length "as laid"
 * follows the board that both ends of the cable stand on.
 */
export type Provenance = 'assumed' | 'entered' | 'sheet' | 'measured' | 'laid';

export const PROVENANCES: readonly Provenance[] = [
  'assumed',
  'entered',
  'sheet',
  'measured',
  'laid',
];

export const LONGEST_SOURCE = 80;

/** A number in SI with its origin. */
export interface Sourced {
  readonly value: number;
  readonly from: Provenance;
  /** ± as a share of the value (2σ), where more is known than what is usual for its kind. */
  readonly tolerance?: number;
  /** The day it was measured or entered, as "2026-11-25". */
  readonly on?: string;
  /** The instrument, the sheet, or whose guess it is. */
  readonly by?: string;
}

export const assumed = (value: number): Sourced => ({ value, from: 'assumed' });
export const entered = (value: number): Sourced => ({ value, from: 'entered' });

export const isSameSourced = (a: Sourced, b: Sourced): boolean =>
  a.value === b.value &&
  a.from === b.from &&
  a.tolerance === b.tolerance &&
  a.on === b.on &&
  a.by === b.by;
