import { NO_RECORDS } from '../../src/build';
import type { Rig } from '../../src/rig';
import {
  isRuledOut,
  Likelihoods,
  runHunt,
  startShares,
  suspectsFor,
  SYMPTOMS,
  testsFor,
  wayOf,
  type Answerer,
  type Order,
  type Symptom,
} from '../../src/trace';
import { numbers, randomStage, trueAnswer } from './world';

/// One hunt after the other on rigs with one thing wrong.

export interface HuntCase {
  readonly seed: number;
  readonly rig: Rig;
  readonly symptom: Symptom;
  readonly likelihoods: Likelihoods;
  /** Which of the suspects it is. */
  readonly cause: number;
}

const stages = new Map<number, Rig>();
function stageOf(seed: number): Rig {
  const rig = stages.get(seed) ?? randomStage(seed);
  stages.set(seed, rig);
  return rig;
}

/** @param priorsOff how much more or less often a fault may be than the weights say, as a factor */
export function huntCase(seed: number, priorsOff = 1): HuntCase {
  const next = numbers(seed * 7919 + 13);
  const rig = stageOf(seed);
  const symptom = SYMPTOMS[seed % SYMPTOMS.length]!;
  const comesAndGoes = symptom === 'dropouts' || next() < 0.1;
  const suspects = suspectsFor({ rig, symptom, comesAndGoes, records: NO_RECORDS, weights: {} });
  const likelihoods = new Likelihoods(suspects, testsFor(wayOf(rig), symptom), comesAndGoes);
  const often = [...startShares(suspects)].map((share) => share * priorsOff ** (2 * next() - 1));
  let left = next() * often.reduce((sum, one) => sum + one, 0);
  const cause = often.findIndex((share) => (left -= share) <= 0);
  return { seed, rig, symptom, likelihoods, cause: cause < 0 ? often.length - 1 : cause };
}

/**
 * Answers of somebody on that stage.
 *
 * @param wrong how often an answer is the wrong one
 */
export function onStage({ seed, rig, likelihoods, cause }: HuntCase, wrong = 0): Answerer {
  const { suspects, tests, comesAndGoes } = likelihoods;
  const truth = suspects[cause]!;
  const draw = (test: number, nth: number, of: number): number =>
    numbers(seed * 65_537 + test * 257 + nth * 7 + of)();
  const isWrong = (test: number, nth: number): boolean => draw(test, nth, 3) < wrong;
  return {
    yes: (test, nth) => {
      const said = trueAnswer(rig, truth, tests[test]!);
      const really = said === 'either' ? draw(test, nth, 1) < 0.6 : said;
      const heard = really && (!comesAndGoes || draw(test, nth, 2) < 0.5);
      return heard !== isWrong(test, nth);
    },
    cured: (suspect) => (suspect === cause) !== isWrong(suspect + tests.length, 0),
  };
}

export interface Hunted {
  readonly minutes: Readonly<Record<Order, number>>;
  /** The cause was ruled out by what was answered. */
  readonly isExcluded: boolean;
  readonly isRight: boolean;
}

/** The same fault by both orders. */
export function hunted(one: HuntCase, wrong = 0): Hunted {
  const [best, usual] = (['best', 'usual'] as const).map((order) =>
    runHunt(one.likelihoods, onStage(one, wrong), order),
  );
  return {
    minutes: { best: best!.minutes, usual: usual!.minutes },
    isExcluded: [best!, usual!].some(({ answers }) =>
      isRuledOut(one.likelihoods, one.cause, answers),
    ),
    isRight: best!.found === one.cause,
  };
}

export interface Paired {
  readonly best: number;
  readonly usual: number;
  /** Of the difference, 95 %, min. */
  readonly interval: readonly [number, number];
}

export function paired(hunts: readonly Hunted[]): Paired {
  const mean = (of: readonly number[]): number => of.reduce((sum, one) => sum + one, 0) / of.length;
  const differences = hunts.map(({ minutes }) => minutes.usual - minutes.best);
  const middle = mean(differences);
  const variance = mean(differences.map((one) => (one - middle) ** 2));
  const half = 1.96 * Math.sqrt(variance / (hunts.length - 1));
  return {
    best: mean(hunts.map(({ minutes }) => minutes.best)),
    usual: mean(hunts.map(({ minutes }) => minutes.usual)),
    interval: [middle - half, middle + half],
  };
}
