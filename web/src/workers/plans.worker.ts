import {
  detailOfPlan,
  isWithinTolerance,
  searchPlans,
  type GearItem,
  type Move,
  type PlanDetail,
  type PlanSearch,
  type RankedPlan,
  type Rig,
  type SearchOptions,
  type SearchProgress,
} from '@gullwind/core';
import { expose } from 'comlink';

/// The search for plans, in a worker of its own: it may take seconds, and can be stopped.

/** Between two signs of life, ms. */
const SAY_EVERY_MS = 100;

let running = 0;

/** Lets messages in, so that a stop is heard. */
const breathe = () => new Promise((resolve) => setTimeout(resolve));

const plansApi = {
  /** Null where other work or a stop came in between. */
  search: async (
    rig: Rig,
    gear: readonly GearItem[],
    options: SearchOptions,
    tell: (progress: SearchProgress) => void,
  ): Promise<PlanSearch | null> => {
    const mine = ++running;
    const work = searchPlans(rig, gear, options);
    let said = 0;
    for (let step = work.next(); ; step = work.next()) {
      if (step.done) return step.value;
      if (performance.now() - said < SAY_EVERY_MS) continue;
      tell(step.value);
      said = performance.now();
      await breathe();
      if (mine !== running) return null;
    }
  },
  /** Which plans bring no more than is inside the tolerance band, by their place in the list. */
  withinTolerance: (
    rig: Rig,
    plans: readonly RankedPlan[],
    asItIs: RankedPlan,
  ): readonly boolean[] => plans.map((plan) => isWithinTolerance(rig, plan, asItIs)),
  detail: (rig: Rig, moves: readonly Move[]): PlanDetail | null => detailOfPlan(rig, moves),
  stop: (): void => {
    running++;
  },
};

export type PlansApi = typeof plansApi;

expose(plansApi);
