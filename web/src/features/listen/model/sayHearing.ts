import {
  abxResult,
  binomialResult,
  formatNumber,
  thresholdOf,
  type Hearing,
  type HearingTrial,
} from '@gullwind/core';

/// Results in words.

/** A run in words: how many were right, and what that is worth. */
export function sayResult(trials: readonly HearingTrial[], planned: number): string {
  if (trials.length === 0) return 'Broken off before the first answer. It is kept as that.';
  const right = trials.filter(({ isRight }) => isRight).length;
  const { p, low, high } = binomialResult(right, trials.length);
  const whole = trials.length < planned ? `, of ${planned} meant` : '';
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const says =
    p < 0.05
      ? 'That is more than guessing does.'
      : 'Guessing does as well: a difference is not shown. That is not the same as none.';
  return `${right} of ${trials.length} right${whole}. So many or more come by guessing with probability ${formatNumber(p, 3)}; your share of right answers lies between ${percent(low)} and ${percent(high)} (95 %). ${says}`;
}

/** Kept where nobody says who listens. */
export const UNNAMED = 'nobody named';

/** All runs of one comparison by one listener together, broken off and repeated ones too; nothing of a single one. */
export function sayAllRuns(
  hearings: readonly Hearing[],
  of: Pick<Hearing, 'listener' | 'rig' | 'one' | 'other'>,
): string {
  const listener = of.listener.trim() || UNNAMED;
  const runs = hearings.filter(
    (one) =>
      one.kind === 'abx' &&
      one.listener === listener &&
      one.rig === of.rig &&
      one.one === of.one &&
      one.other === of.other,
  );
  const all = abxResult(runs);
  if (runs.length < 2 || !all) return '';
  return `All ${runs.length} runs of this comparison together: ${all.right} of ${all.of} right; so many or more come by guessing with probability ${formatNumber(all.p, 3)}.`;
}

/** Trials that are enough to speak of a threshold. */
export const ENOUGH_TRIALS = 20;

/** A result in words. */
export function sayHearing(one: Hearing): string {
  switch (one.kind) {
    case 'abx':
      return `${one.other} against ${one.one}, blind: ${sayResult(one.trials, one.planned)}`;
    case 'threshold': {
      const found = one.trials.length >= ENOUGH_TRIALS ? thresholdOf(one) : null;
      return found
        ? `Threshold ${formatNumber(found.thresholdDb, 2)} dB of treble, ${formatNumber(found.lowDb, 2)} to ${formatNumber(found.highDb, 2)} dB.`
        : `A threshold run broken off after ${one.trials.length}.`;
    }
    case 'amp':
      return `At the amp: ${one.expected}. The model: ${one.model}.`;
    case 'said':
      return `${one.other} against ${one.one}. Expected: ${one.expected} ${one.model}`;
  }
}
