import { mix } from '../tolerance';
import { afterAnswer, REMEDY, startShares, type Likelihoods, type TraceAnswer } from './belief';
import { nextTest, SURE_SHARE, type Order } from './next';

/// How long a hunt takes: every suspect once as the cause, with truthful answers, by either order.

/** A remedy and whether it helped, min. */
export const PROOF_MINUTES = 2;
/** Nobody hunts on after so many tests. */
const MOST_TESTS = 200;

/** Who answers: "yes" to a test, and whether a remedy against a suspect helps. */
export interface Answerer {
  readonly yes: (test: number, nth: number) => boolean;
  readonly cured: (suspect: number) => boolean;
}

export interface HuntRun {
  readonly minutes: number;
  readonly tests: number;
  /** Who was named last; null where nobody was left. */
  readonly found: number | null;
  readonly answers: readonly TraceAnswer[];
}

/** A hunt to its end: tests until one is sure enough or nothing says more, then the remedy, then on if it did not help. */
export function runHunt(
  likelihoods: Likelihoods,
  answerer: Answerer,
  order: Order,
  begin: { readonly shares?: Float64Array; readonly answers?: readonly TraceAnswer[] } = {},
): HuntRun {
  const { suspects, tests } = likelihoods;
  let shares = begin.shares ?? startShares(suspects);
  const answers: TraceAnswer[] = [...(begin.answers ?? [])];
  const tried = new Set<number>();
  let minutes = 0;
  for (let nth = 0; nth < MOST_TESTS; nth++) {
    const top = topOf(shares, tried);
    if (top === null) return { minutes, tests: nth, found: null, answers };
    const test = shares[top]! >= SURE_SHARE ? null : nextTest(likelihoods, shares, answers, order);
    if (test === null) {
      minutes += PROOF_MINUTES;
      if (answerer.cured(top)) return { minutes, tests: nth, found: top, answers };
      tried.add(top);
      const failed: TraceAnswer = { test: `${REMEDY}${suspects[top]!.id}`, outcome: 'no' };
      answers.push(failed);
      shares = afterAnswer(shares, likelihoods, failed);
      continue;
    }
    minutes += tests[test]!.minutes;
    const answer: TraceAnswer = {
      test: tests[test]!.id,
      outcome: answerer.yes(test, nth) ? 'yes' : 'no',
    };
    answers.push(answer);
    shares = afterAnswer(shares, likelihoods, answer);
  }
  return { minutes, tests: MOST_TESTS, found: topOf(shares, tried), answers };
}

function topOf(shares: Float64Array, tried: ReadonlySet<number>): number | null {
  let top: number | null = null;
  for (let s = 0; s < shares.length; s++)
    if (!tried.has(s) && (top === null || shares[s]! > shares[top]!)) top = s;
  return top;
}

const HALF = 2 ** 32;

/** Answers as they would be if a suspect were the cause. Where both may be, a number drawn by seed decides. */
export const truthful = (likelihoods: Likelihoods, cause: number, seed: number): Answerer => ({
  yes: (test, nth) =>
    mix(seed + Math.imul(test + 1, 0x9e3779b1) + Math.imul(nth, 0x85ebca6b)) / HALF <
    likelihoods.certain[test]![cause]!,
  cured: (suspect) => suspect === cause,
});

/** Who is counted: together they have nearly all of the suspicion. */
const COUNTED_SHARE = 0.99;

/** Minutes that a hunt takes from here on, on average, by either order. */
export function expectedMinutes(
  likelihoods: Likelihoods,
  begin: { readonly shares: Float64Array; readonly answers: readonly TraceAnswer[] },
): Readonly<Record<Order, number>> {
  const byShare = [...begin.shares.keys()].sort((a, b) => begin.shares[b]! - begin.shares[a]!);
  let counted = 0;
  const sums = { best: 0, usual: 0 };
  for (const cause of byShare) {
    if (counted >= COUNTED_SHARE) break;
    const share = begin.shares[cause]!;
    counted += share;
    for (const order of ['best', 'usual'] as const)
      sums[order] +=
        share * runHunt(likelihoods, truthful(likelihoods, cause, cause), order, begin).minutes;
  }
  return { best: sums.best / counted, usual: sums.usual / counted };
}
