import type { Effort } from './move';
import type { RankedPlan } from './plan';

/** Goals nearer to each other than this are the same. */
export const SAME_GOAL = 1e-6;

const goalStep = ({ score }: RankedPlan): number =>
  Number.isFinite(score.goal) ? Math.round(score.goal / SAME_GOAL) : Infinity;

/**
 * Which of two plans comes first: the better goal, then fewer moves, then less cost, then the order in which
 * their moves were found.
 */
export function comparePlans(a: Placed, b: Placed): number {
  return (
    compare(goalStep(a), goalStep(b)) ||
    a.moves.length - b.moves.length ||
    a.effort.cost - b.effort.cost ||
    comparePlaces(a.places, b.places)
  );
}

const compare = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1);

function comparePlaces(a: readonly number[], b: readonly number[]): number {
  for (const [i, place] of a.entries()) if (place !== b[i]) return place - (b[i] ?? -1);
  return a.length - b.length;
}

/** A plan with the places of its moves among all that were found, ascending. */
export interface Placed extends RankedPlan {
  readonly places: readonly number[];
}

/** A plan is no better in anything than another one, and worse in something or later in the order of ties. */
function isDominated(plan: Placed, by: Placed): boolean {
  const [goal, otherGoal] = [goalStep(plan), goalStep(by)];
  const isNoBetter =
    otherGoal <= goal &&
    by.effort.minutes <= plan.effort.minutes &&
    by.effort.cost <= plan.effort.cost;
  if (!isNoBetter) return false;
  const isSame =
    otherGoal === goal &&
    by.effort.minutes === plan.effort.minutes &&
    by.effort.cost === plan.effort.cost;
  return !isSame || comparePlans(by, plan) < 0;
}

/** The plans that nothing beats in goal, work and cost at once; of equals the first one. */
export class Front {
  private plans: readonly Placed[] = [];

  add(plan: Placed): void {
    if (this.plans.some((other) => isDominated(plan, other))) return;
    this.plans = [...this.plans.filter((other) => !isDominated(other, plan)), plan];
  }

  /** The best goal that no more work and money than this reaches. */
  bestWithin({ minutes, cost }: Effort): number {
    let best = Infinity;
    for (const { effort, score } of this.plans) {
      if (effort.minutes <= minutes && effort.cost <= cost && score.goal < best) best = score.goal;
    }
    return best;
  }

  /** Best goal first. */
  get best(): readonly Placed[] {
    return [...this.plans].sort(comparePlans);
  }
}
