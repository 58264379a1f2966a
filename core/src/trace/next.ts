import { withDoubt, type Likelihoods, type TraceAnswer } from './belief';
import { TEST_KINDS } from './testing';

/// Which test is next: the one that says most per minute; or the one that is usually made next.

/** Enough to name a cause and try its remedy. */
export const SURE_SHARE = 0.75;
/** A test that says less than this is not worth the plug, bits. */
export const LEAST_BITS = 0.01;
/** Where a fault comes and goes, so often at most is the same test made. */
export const MOST_REPEATS = 6;

const entropy = (p: number): number =>
  p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p));

const DOUBTED_STEPS = 1000;
/** The entropy of an answer by how likely "yes" is, in steps: it is asked for often. */
const ENTROPY = Float64Array.from({ length: DOUBTED_STEPS + 1 }, (_, i) =>
  entropy(withDoubt(i / DOUBTED_STEPS)),
);
const doubted = (certain: number): number => ENTROPY[Math.round(certain * DOUBTED_STEPS)]!;

/** What a test would say of who it is, on average, bits. */
export function bitsOf(shares: Float64Array, certain: Float64Array): number {
  let [yes, within] = [0, 0];
  for (let s = 0; s < shares.length; s++) {
    yes += shares[s]! * certain[s]!;
    within += shares[s]! * doubted(certain[s]!);
  }
  return entropy(withDoubt(yes)) - within;
}

/** How a next test is chosen. */
export type Order = 'best' | 'usual';

/** How often a test may be made yet. */
function mayMake(likelihoods: Likelihoods, answers: readonly TraceAnswer[]) {
  const made = new Map<string, number>();
  for (const { test } of answers) made.set(test, (made.get(test) ?? 0) + 1);
  const most = likelihoods.comesAndGoes ? MOST_REPEATS : 1;
  return (test: string): boolean => (made.get(test) ?? 0) < most;
}

/** The next test by its place in the list; null where none says anything any more. */
export function nextTest(
  likelihoods: Likelihoods,
  shares: Float64Array,
  answers: readonly TraceAnswer[],
  order: Order = 'best',
): number | null {
  const may = mayMake(likelihoods, answers);
  const open = likelihoods.tests.flatMap(({ id, kind, minutes }, i) => {
    if (!may(id)) return [];
    const bits = bitsOf(shares, likelihoods.certain[i]!);
    return bits >= LEAST_BITS ? [{ i, bits, perMinute: bits / minutes, kind }] : [];
  });
  if (open.length === 0) return null;
  if (order === 'best')
    return open.reduce((best, one) => (one.perMinute > best.perMinute ? one : best)).i;
  return open.reduce((first, one) =>
    usualPlace(one, likelihoods) < usualPlace(first, likelihoods) ? one : first,
  ).i;
}

/**
 * The usual order: knobs, the amp, its cable, the guitar, then the board from its last pedal to its first, then pedal by
 * pedal, plug by plug and cable by cable from the guitar, then power, then the room. What was made before comes after what
 * was not.
 */
function usualPlace(
  { i, kind }: { readonly i: number; readonly kind: string },
  { tests }: Likelihoods,
): number {
  const stage = TEST_KINDS.indexOf(kind as (typeof TEST_KINDS)[number]);
  const along = kind === 'intoPart' ? tests.length - i : i;
  return stage * tests.length * 2 + along;
}
