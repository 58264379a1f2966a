import { binomialResult, type BinomialResult } from './blind';
import { fitThreshold, type Threshold } from './threshold';

/// What was heard, by whom: kept whatever it was.

export const HEARING_KINDS = ['abx', 'threshold', 'amp', 'said'] as const;
export type HearingKind = (typeof HEARING_KINDS)[number];

export interface HearingTrial {
  readonly isRight: boolean;
  /** Of a threshold, dB. */
  readonly lossDb: number | null;
}

export interface Hearing {
  readonly id: string;
  readonly listener: string;
  readonly kind: HearingKind;
  readonly rig: string | null;
  /** What was held against what. */
  readonly one: string;
  readonly other: string;
  /** Of what was drawn at random. */
  readonly seed: number | null;
  /** How many trials were meant to be. */
  readonly planned: number;
  readonly trials: readonly HearingTrial[];
  readonly isFinished: boolean;
  /** Written down before it was heard, or before the model was seen. */
  readonly expected: string;
  /** What the model says of the same. */
  readonly model: string;
  readonly note: string;
  readonly at: string;
}

/** All trials of one comparison taken together, aborted and repeated runs too. */
export function abxResult(hearings: readonly Pick<Hearing, 'trials'>[]): BinomialResult | null {
  const trials = hearings.flatMap((hearing) => hearing.trials);
  if (trials.length === 0) return null;
  return binomialResult(trials.filter(({ isRight }) => isRight).length, trials.length);
}

/** The threshold of a run; null where nothing was answered. */
export function thresholdOf({ trials }: Pick<Hearing, 'trials'>): Threshold | null {
  const heard = trials.flatMap(({ isRight, lossDb }) =>
    lossDb === null ? [] : [{ isRight, lossDb }],
  );
  return heard.length === 0 ? null : fitThreshold(heard);
}
