import { WEIGHT_NAMES, type Weights } from '../rig';
import type { RankedPlan } from './plan';

/** A plan that is worth showing. */
export interface Proposal {
  readonly plan: RankedPlan;
  /** What this approach would do first. */
  readonly isAdvised: boolean;
  /** It is fine as it is: nothing is to be done. */
  readonly isFine: boolean;
}

/** What else is known of a rig and of its plans. */
export interface Known {
  /** Plans whose gain lies inside the tolerance band: shown, but not advised. */
  readonly isUnsure?: (plan: RankedPlan) => boolean;
  /** The rig is fine as it is: leaving it alone is advised, whatever plans would win. */
  readonly isFine?: boolean;
}

/** How much nearer to its goal a rig has to come for one more move, and for one more box. */
const WORTH_A_MOVE = 0.1;
const WORTH_A_BOX = 0.4;
/** How much less a move is advised whose condition nobody has confirmed, and one against a rule or usual order. */
const UNCERTAIN = 0.3;
const OBJECTED = 0.75;
/** What is left to gain below this is left alone, dB. */
export const WORTH_TOUCHING = 0.5;
const MOST_PROPOSALS = 6;

/** Work and money as one, to lay plans out by: a unit of money like a minute. */
const burdenOf = ({ effort }: RankedPlan): number => effort.minutes + effort.cost;

/**
 * The few plans of a front worth showing, from leaving it alone upwards: each costs more than the one before
 * and brings the rig nearer by what its moves and boxes have to be worth. One of them is advised: leaving it
 * alone where it is fine, and where less than half a decibel is left, or can be gained.
 */
export function choosePlans(
  front: readonly RankedPlan[],
  asItIs: RankedPlan,
  { isUnsure = () => false, isFine = false }: Known = {},
): readonly Proposal[] {
  const kept: RankedPlan[] = [asItIs];
  const rising = [...front].sort((a, b) => burdenOf(a) - burdenOf(b));
  for (const plan of rising) {
    const last = kept.at(-1)!;
    if (plan.moves.length > 0 && likelyGoal(last) - likelyGoal(plan) >= neededFor(plan, last))
      kept.push(plan);
  }
  while (kept.length > MOST_PROPOSALS) kept.splice(leastStep(kept), 1);
  const sure = kept.filter((plan) => plan === asItIs || !isUnsure(plan));
  const advised = isFine ? asItIs : advise(sure, asItIs);
  return kept.map((plan) => ({
    plan,
    isAdvised: plan === advised,
    isFine: isFine && plan === asItIs,
  }));
}

/** The goal of a plan, less well reached where it rests on what nobody has confirmed or goes against a rule. */
const likelyGoal = ({ score, moves }: RankedPlan): number =>
  score.goal +
  UNCERTAIN * moves.filter(({ condition }) => condition !== null).length +
  OBJECTED * moves.filter(({ against }) => against !== null).length;

const gainOf = (from: RankedPlan, to: RankedPlan): number => from.score.goal - to.score.goal;

function neededFor(plan: RankedPlan, last: RankedPlan): number {
  const moves = Math.max(1, plan.moves.length - last.moves.length);
  const boxes = Math.max(0, plan.effort.boxes - last.effort.boxes);
  return WORTH_A_MOVE * moves + WORTH_A_BOX * boxes;
}

/** The proposal, neither first nor last, that adds least to the one before it. */
function leastStep(kept: readonly RankedPlan[]): number {
  let least = 1;
  for (let i = 2; i < kept.length - 1; i++) {
    if (gainOf(kept[i - 1]!, kept[i]!) < gainOf(kept[least - 1]!, kept[least]!)) least = i;
  }
  return least;
}

function advise(kept: readonly RankedPlan[], asItIs: RankedPlan): RankedPlan {
  const price = (plan: RankedPlan) =>
    likelyGoal(plan) + (plan === asItIs ? 0 : neededFor(plan, asItIs));
  const best = kept.reduce((a, b) => (price(b) < price(a) ? b : a));
  // Where less than that is left, no more can be gained: the goal is never below nought.
  return gainOf(asItIs, best) < WORTH_TOUCHING ? asItIs : best;
}

/** The terms that made a plan's goal another, the largest share first: what changed, and by how much in J. */
export function sharesOf(
  from: RankedPlan,
  to: RankedPlan,
  weights: Weights,
): readonly { readonly term: keyof Weights; readonly from: number; readonly to: number }[] {
  return WEIGHT_NAMES.map((term) => ({
    term,
    from: from.score.terms[term],
    to: to.score.terms[term],
    share: Math.abs(weights[term] * (from.score.terms[term] - to.score.terms[term])),
  }))
    .filter(({ share }) => share >= 0.005)
    .sort((a, b) => b.share - a.share)
    .map(({ term, from: before, to: after }) => ({ term, from: before, to: after }));
}
