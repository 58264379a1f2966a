import type { Sourced, PartKind } from '../gear';

/// How far values may be off: ± is 2σ of a log-normal (model §12).

/** Class defaults may be this far off, whatever they describe. */
export const ASSUMED_TOLERANCE = 0.4;

const PICKUP = { lH: 0.08, rDcOhm: 0.05, cWindingF: 0.2, rEddyOhm: 0.2, toneF: 0.1 } as const;

/** By the last part of a field's path; what is not here (settings, wiper, gain) is as it is set. */
const BY_FIELD: Readonly<Record<string, number>> = {
  ...PICKUP,
  bleedF: 0.1,
  bleedOhm: 0.1,
  piezoF: 0.1,
  potOhm: 0.2,
  cPerMF: 0.05,
  lengthM: 0.02,
  plugF: 0.2,
  addedF: 0.1,
  rInOhm: 0.1,
  rOutOhm: 0.1,
  cInF: 0.2,
  outputOhm: 0.1,
  stopperOhm: 0.1,
  millerF: 0.2,
  sendOhm: 0.1,
  returnOhm: 0.1,
  returnF: 0.2,
  strayF: 0.2,
};

/** A length is cut to what is written down, even where nobody has set it yet. */
const NEVER_ASSUMED: ReadonlySet<string> = new Set(['lengthM']);

/** A cable as laid is made this close to what the board says, whatever its length, m. */
const LAID_SIGMA_M = 0.005;

/** ± of a value as a share of it; 0 where it has none. The reference is what it is. */
export function toleranceOf(
  of: PartKind,
  path: string,
  { value, from, tolerance }: Sourced,
): number {
  if (of === 'reference' || of === 'approach') return 0;
  const field = path.split('.').at(-1)!;
  const known = BY_FIELD[field];
  if (known === undefined) return 0;
  if (tolerance !== undefined) return tolerance;
  if (from === 'laid') return Math.min(1, Math.expm1((2 * LAID_SIGMA_M) / value));
  return from === 'assumed' && !NEVER_ASSUMED.has(field) ? ASSUMED_TOLERANCE : known;
}
