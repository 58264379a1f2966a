/** Where a value comes from. Assumed values come from the class of the thing they describe. */
export type Provenance = 'assumed' | 'entered' | 'sheet' | 'measured';

export const PROVENANCES: readonly Provenance[] = ['assumed', 'entered', 'sheet', 'measured'];

/** A number in SI with its origin. */
export interface Sourced {
  readonly value: number;
  readonly from: Provenance;
}

export const assumed = (value: number): Sourced => ({ value, from: 'assumed' });
export const entered = (value: number): Sourced => ({ value, from: 'entered' });
