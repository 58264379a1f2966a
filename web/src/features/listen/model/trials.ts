import type { SentHearing } from '@gullwind/contract';
import {
  abxOrder,
  hashOf,
  nextLoss,
  THRESHOLD_TRIALS,
  type HearingTrial,
  type RigVoice,
  type ThresholdTrial,
} from '@gullwind/core';

/// Blind tests: what is heard under which name, what an answer is worth, and what is kept of a run.

/** What an ABX test is about: A is the one, B the other. */
export interface AbxPlan {
  readonly one: RigVoice;
  readonly other: RigVoice;
  readonly trials: number;
  readonly expected: string;
  readonly listener: string;
}

/** What was answered so far, and what it was drawn from. */
export interface TrialsRun {
  readonly seed: number;
  readonly answers: readonly HearingTrial[];
}

export type Heard = 'A' | 'B' | 'X';

const unknownOf = ({ seed, answers }: TrialsRun, { trials }: AbxPlan): 'A' | 'B' =>
  abxOrder(seed, trials)[answers.length]!;

/** The voice that sounds under a name in this trial; what X is must not show in any other way. */
export function voiceUnder(name: Heard, plan: AbxPlan, run: TrialsRun): string {
  const which = name === 'X' ? unknownOf(run, plan) : name;
  return which === 'A' ? plan.one.id : plan.other.id;
}

/** A run with one more answer. */
export const abxAnswered = (run: TrialsRun, plan: AbxPlan, said: 'A' | 'B'): TrialsRun => ({
  ...run,
  answers: [...run.answers, { isRight: said === unknownOf(run, plan), lossDb: null }],
});

/** A run that is over, or broken off, as it is kept. */
export const keptAbx = (
  { seed, answers }: TrialsRun,
  { one, other, trials, listener, expected }: AbxPlan,
  rig: string,
): SentHearing => ({
  ...{ listener, kind: 'abx', rig, one: one.name, other: other.name, seed, expected },
  ...{ planned: trials, trials: answers, isFinished: answers.length >= trials },
  ...{ model: '', note: '' },
});

/** Two of the same, one with less treble. */
export type Which = 'first' | 'second';

/** A run towards the least loss that somebody hears. */
export interface ThresholdRunNow {
  readonly seed: number;
  readonly trials: readonly ThresholdTrial[];
}

/** Which of the two has less treble in this trial. */
export const dullerOf = ({ seed, trials }: ThresholdRunNow): Which =>
  hashOf(`threshold ${seed} ${trials.length}`) % 2 === 0 ? 'first' : 'second';

/** The voice that sounds as the first or the second. */
export const thresholdVoice = (which: Which, run: ThresholdRunNow): 'less' | 'whole' =>
  which === dullerOf(run) ? 'less' : 'whole';

/** A run with one more answer; as it was where it is over. */
export function thresholdAnswered(run: ThresholdRunNow, said: Which): ThresholdRunNow {
  const lossDb = nextLoss(run.trials);
  if (lossDb === null) return run;
  return { ...run, trials: [...run.trials, { lossDb, isRight: said === dullerOf(run) }] };
}

/** A run that is over, or broken off, as it is kept. */
export const keptThreshold = (
  { seed, trials }: ThresholdRunNow,
  listener: string,
): SentHearing => ({
  ...{ listener, kind: 'threshold', rig: null, one: 'straight in', other: 'with less treble' },
  ...{ seed, planned: THRESHOLD_TRIALS, trials, isFinished: trials.length >= THRESHOLD_TRIALS },
  ...{ expected: '', model: '', note: '' },
});
