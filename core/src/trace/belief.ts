import type { TraceSuspect } from './suspects';
import type { TraceTest } from './testing';

/// What the answers so far say: Bayes' rule over suspects, of whom one is the cause.

export type Outcome = 'yes' | 'no' | 'notSure';

/** What was found out by one test. */
export interface TraceAnswer {
  readonly test: string;
  readonly outcome: Outcome;
}

/** One answer in so many is wrong: heard wrong, plugged wrong, said wrong. */
export const WRONG_SHARE = 0.04;
/** Where a fault comes and goes, how often it is there while somebody listens. */
export const PRESENT_SHARE = 0.5;

/** Suspects against tests: how likely "yes" is. */
export class Likelihoods {
  /** By test, then by suspect, before any doubt. */
  readonly certain: readonly Float64Array[];
  private readonly at: ReadonlyMap<string, number>;

  constructor(
    readonly suspects: readonly TraceSuspect[],
    readonly tests: readonly TraceTest[],
    readonly comesAndGoes: boolean,
  ) {
    this.at = new Map(tests.map(({ id }, i) => [id, i]));
    this.certain = tests.map(({ yesIf }) =>
      Float64Array.from(suspects, (suspect) => {
        const heard = yesIf(suspect);
        return comesAndGoes ? heard * PRESENT_SHARE : heard;
      }),
    );
  }

  /** Where a test stands in the list; undefined where it is none of this rig any more. */
  indexOf(test: string): number | undefined {
    return this.at.get(test);
  }
}

/** With the doubt that every answer has. */
export const withDoubt = (certain: number): number => WRONG_SHARE + (1 - 2 * WRONG_SHARE) * certain;

/** Weights as shares of 1. */
export function startShares(suspects: readonly TraceSuspect[]): Float64Array {
  const sum = suspects.reduce((all, { weight }) => all + weight, 0);
  return Float64Array.from(suspects, ({ weight }) => (sum > 0 ? weight / sum : 0));
}

/** The answer that says whether the remedy against a suspect helped. */
export const REMEDY = 'remedy:';

/** How likely "yes" is by suspect, for a test of this rig or for a remedy; undefined where it says nothing. */
function certainly(likelihoods: Likelihoods, test: string): Float64Array | undefined {
  const at = likelihoods.indexOf(test);
  if (at !== undefined) return likelihoods.certain[at];
  if (!test.startsWith(REMEDY)) return undefined;
  const of = test.slice(REMEDY.length);
  return Float64Array.from(likelihoods.suspects, ({ id }) => (id === of ? 1 : 0));
}

/** Shares after one more answer; "not sure" and tests of another rig say nothing. */
export function afterAnswer(
  shares: Float64Array,
  likelihoods: Likelihoods,
  { test, outcome }: TraceAnswer,
): Float64Array {
  const certain = outcome === 'notSure' ? undefined : certainly(likelihoods, test);
  if (!certain) return shares;
  const next = shares.map((share, s) => {
    const yes = withDoubt(certain[s]!);
    return share * (outcome === 'yes' ? yes : 1 - yes);
  });
  const sum = next.reduce((all, one) => all + one, 0);
  return sum > 0 ? next.map((one) => one / sum) : shares;
}

/** Whether an answer, taken as right, rules a suspect out. Where a fault comes and goes, its absence never does. */
export function isRuledOut(
  likelihoods: Likelihoods,
  suspect: number,
  answers: readonly TraceAnswer[],
): boolean {
  return answers.some(({ test, outcome }) => {
    const certain = outcome === 'notSure' ? undefined : certainly(likelihoods, test);
    if (!certain) return false;
    if (outcome === 'yes') return certain[suspect] === 0;
    return certain[suspect] === 1 && !(likelihoods.comesAndGoes && test.startsWith(REMEDY));
  });
}
