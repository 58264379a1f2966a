import { findDifference, isEstablished, type ToleranceProgress } from '../tolerance';
import { mainRow, type Rig } from '../rig';
import { makeMoves } from './editOfMove';
import { weightsOf } from './goal';
import type { RankedPlan } from './plan';

const DRAWS = 300;

/**
 * Which plans bring no more than lies inside the tolerance band, one yes or no for each: most of the gain is in
 * distance and level, and as the switches stand no figure is established to change. A gain in spread or
 * structure is not drawn at. Yields its progress over all of them, so that the caller can show it, or stop.
 */
export function* findWithinTolerance(
  rig: Rig,
  plans: readonly RankedPlan[],
  asItIs: RankedPlan,
): Generator<ToleranceProgress, readonly boolean[]> {
  const found: boolean[] = [];
  for (const plan of plans) {
    const work = drawPlan(rig, plan, asItIs);
    for (let step = work.next(); ; step = work.next()) {
      if (step.done) {
        found.push(step.value);
        break;
      }
      const { done, of } = step.value;
      yield { done: found.length * of + done, of: plans.length * of };
    }
  }
  return found;
}

function* drawPlan(
  rig: Rig,
  plan: RankedPlan,
  asItIs: RankedPlan,
): Generator<ToleranceProgress, boolean> {
  const made = makeMoves(rig, plan.moves);
  if (plan.moves.length === 0 || !made || !restsOnFigures(rig, plan, asItIs)) return false;
  const rowId = mainRow(rig).id;
  const [before, after] = [
    { chain: rig, rowId },
    { chain: made.rig, rowId },
  ];
  const difference = yield* findDifference(before, after, { draws: DRAWS });
  return difference !== null && !Object.values(difference.figures).some(isEstablished);
}

function restsOnFigures(rig: Rig, plan: RankedPlan, asItIs: RankedPlan): boolean {
  const weights = weightsOf(rig);
  const gained = (term: 'distance' | 'level') =>
    weights[term] * (asItIs.score.terms[term] - plan.score.terms[term]);
  return 2 * (gained('distance') + gained('level')) > asItIs.score.goal - plan.score.goal;
}
