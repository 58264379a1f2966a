/// The least treble loss that somebody hears: an adaptive forced choice, two right answers in a row make it harder and
/// one wrong one easier, which settles where 70.7 % are right (Levitt, J. Acoust. Soc. Am. 49, 1971). The threshold is
/// fitted by maximum likelihood to all answers, not taken from the reversals.

export interface ThresholdTrial {
  readonly lossDb: number;
  readonly isRight: boolean;
}

export const THRESHOLD_TRIALS = 50;
export const FIRST_LOSS_DB = 6;
const LEAST_LOSS_DB = 0.1;
const MOST_LOSS_DB = 16;
/** Steps as factors: large until the first reversals, then small. */
const LARGE_STEP = 1.6;
const SMALL_STEP = 1.25;
const LARGE_UNTIL = 2;

/** The loss to try next, dB; null where all trials are done. */
export function nextLoss(trials: readonly ThresholdTrial[]): number | null {
  if (trials.length >= THRESHOLD_TRIALS) return null;
  let [loss, rightInRow, reversals, direction] = [FIRST_LOSS_DB, 0, 0, 0];
  for (const { isRight } of trials) {
    rightInRow = isRight ? rightInRow + 1 : 0;
    const turn = !isRight ? 1 : rightInRow === 2 ? -1 : 0;
    if (turn === 0) continue;
    if (direction !== 0 && turn !== direction) reversals++;
    direction = turn;
    rightInRow = 0;
    const step = reversals < LARGE_UNTIL ? LARGE_STEP : SMALL_STEP;
    loss = Math.min(MOST_LOSS_DB, Math.max(LEAST_LOSS_DB, loss * step ** turn));
  }
  return loss;
}

export interface Threshold {
  /** The loss of which 70.7 % are heard, dB. */
  readonly thresholdDb: number;
  /** 95 % interval from the profile of the likelihood; an end of the range where it is not closed. */
  readonly lowDb: number;
  readonly highDb: number;
}

/** Where the run settles: √½. */
const TARGET = Math.SQRT1_2;
/** A slip of the finger now and then, share. */
const LAPSES = 0.02;
/**
 * How far below the best logarithm of the likelihood the interval goes. χ² would say 1.92, which so few answers do not
 * follow yet; with this, found by simulating listeners, it holds 95 %.
 */
const WITHIN = 2.6;
const PLACES = 161;
const LOWEST = Math.log(0.03);
const HIGHEST = Math.log(40);
const SLOPES = Array.from({ length: 10 }, (_, i) => 0.12 * 1.28 ** i);

/** How probable a right answer is: half by guessing, the rest by a logistic in ln loss. */
export function chanceOfRight(lossDb: number, thresholdDb: number, slope: number): number {
  const share = (TARGET - 0.5) / (0.5 - LAPSES);
  const middle = Math.log(thresholdDb) + slope * Math.log(1 / share - 1);
  const heard = 1 / (1 + Math.exp(-(Math.log(lossDb) - middle) / slope));
  return 0.5 + (0.5 - LAPSES) * heard;
}

/** @param trials at least one */
export function fitThreshold(trials: readonly ThresholdTrial[]): Threshold {
  const tallies = tallyOf(trials);
  const places = Array.from(
    { length: PLACES },
    (_, i) => LOWEST + ((HIGHEST - LOWEST) * i) / (PLACES - 1),
  );
  const profile = places.map((place) =>
    Math.max(...SLOPES.map((slope) => likelihood(tallies, Math.exp(place), slope))),
  );
  const best = profile.reduce((at, value, i) => (value > profile[at]! ? i : at), 0);
  const isIn = (i: number) => profile[i]! >= profile[best]! - WITHIN;
  let [low, high] = [best, best];
  while (low > 0 && isIn(low - 1)) low--;
  while (high < PLACES - 1 && isIn(high + 1)) high++;
  return {
    thresholdDb: Math.exp(places[best]!),
    lowDb: Math.exp(places[low]!),
    highDb: Math.exp(places[high]!),
  };
}

interface Tally {
  readonly lossDb: number;
  right: number;
  wrong: number;
}

function tallyOf(trials: readonly ThresholdTrial[]): readonly Tally[] {
  const tallies = new Map<number, Tally>();
  for (const { lossDb, isRight } of trials) {
    const tally = tallies.get(lossDb) ?? { lossDb, right: 0, wrong: 0 };
    tally[isRight ? 'right' : 'wrong']++;
    tallies.set(lossDb, tally);
  }
  return [...tallies.values()];
}

const likelihood = (tallies: readonly Tally[], thresholdDb: number, slope: number): number =>
  tallies.reduce((sum, { lossDb, right, wrong }) => {
    const chance = chanceOfRight(lossDb, thresholdDb, slope);
    return sum + right * Math.log(chance) + wrong * Math.log(1 - chance);
  }, 0);
