import {
  arrangeOffers,
  bestOpening,
  diagnoseRig,
  findComparedTolerance,
  findDifference,
  findWithinTolerance,
  plansOnBoard,
  renderVoices,
  searchPlans,
  whatFitsHere,
  willItFit,
  type ArrangeOffersQuestion,
  type ChainWay,
  type DiagnosisQuestion,
  type FitQuestion,
  type GearItem,
  type OpeningQuestion,
  type PlansOnBoardQuestion,
  type RankedPlan,
  type RenderQuestion,
  type Rig,
  type SearchOptions,
  type WhatFitsQuestion,
} from '@gullwind/core';
import type { SOLVER_JOBS } from './solverJobs';

/// Every kind of long work: what it is asked, and the generator that does it.

interface PlansQuestion {
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly options: SearchOptions;
}

interface WithinToleranceQuestion {
  readonly rig: Rig;
  readonly plans: readonly RankedPlan[];
  readonly asItIs: RankedPlan;
}

interface ToleranceQuestion {
  readonly way: ChainWay;
  /** What it is held against, by name. */
  readonly others: ReadonlyMap<string, ChainWay>;
}

interface DifferenceQuestion {
  readonly before: ChainWay;
  readonly after: ChainWay;
  readonly draws: number;
}

export const JOBS = {
  plans: ({ rig, gear, options }: PlansQuestion) => searchPlans(rig, gear, options),
  withinTolerance: ({ rig, plans, asItIs }: WithinToleranceQuestion) =>
    findWithinTolerance(rig, plans, asItIs),
  tolerance: ({ way, others }: ToleranceQuestion) => findComparedTolerance(way, others),
  difference: ({ before, after, draws }: DifferenceQuestion) =>
    findDifference(before, after, { draws }),
  arrange: (question: ArrangeOffersQuestion) => arrangeOffers(question),
  whatFits: (question: WhatFitsQuestion) => whatFitsHere(question),
  willFit: (question: FitQuestion) => willItFit(question),
  opening: (question: OpeningQuestion) => bestOpening(question),
  plansOnBoard: (question: PlansOnBoardQuestion) => plansOnBoard(question),
  diagnose: (question: DiagnosisQuestion) => diagnoseRig(question),
  render: (question: RenderQuestion) => renderVoices(question),
};

type AllJobs = typeof JOBS & typeof SOLVER_JOBS;

export type JobName = keyof AllJobs;
export type Question<J extends JobName> = Parameters<AllJobs[J]>[0];
export type Progress<J extends JobName> =
  Awaited<ReturnType<AllJobs[J]>> extends Generator<infer P, unknown> ? P : never;
export type Answer<J extends JobName> =
  Awaited<ReturnType<AllJobs[J]>> extends Generator<unknown, infer A> ? A : never;
