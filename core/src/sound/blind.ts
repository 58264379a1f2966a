import jstat from 'jstat';
import { hashOf, mix } from '../tolerance';

/// Blind comparison: which of two voices is X, and what a number of right answers is worth.

export const LEAST_TRIALS = 5;
export const MOST_TRIALS = 60;
export const USUAL_TRIALS = 10;

/** What X is in each trial, from a seed that is shown when all is over. */
export function abxOrder(seed: number, trials: number): readonly ('A' | 'B')[] {
  return Array.from({ length: trials }, (_, i) =>
    mix(hashOf(`abx ${seed} ${i}`)) % 2 === 0 ? 'A' : 'B',
  );
}

export interface BinomialResult {
  readonly right: number;
  readonly of: number;
  /** Chance of so many right, or more, by guessing. */
  readonly p: number;
  /** 95 % interval of the share of right answers (Clopper & Pearson, Biometrika 26, 1934). */
  readonly low: number;
  readonly high: number;
}

const LEVEL = 0.95;

/** @param right 0 … of; @param of ≥ 1 */
export function binomialResult(right: number, of: number): BinomialResult {
  const tail = (1 - LEVEL) / 2;
  return {
    right,
    of,
    p: right === 0 ? 1 : 1 - jstat.binomial.cdf(right - 1, of, 0.5),
    low: right === 0 ? 0 : jstat.beta.inv(tail, right, of - right + 1),
    high: right === of ? 1 : jstat.beta.inv(1 - tail, right + 1, of - right),
  };
}
