import { findDifference, finish, isEstablished } from '../tolerance';
import { mainRow, type Rig } from '../rig';
import { makeMoves } from './editOfMove';
import { weightsOf } from './goal';
import type { RankedPlan } from './plan';

const DRAWS = 300;

/**
 * Whether what a plan brings lies inside the tolerance band: most of its gain is in distance and level, and as
 * the switches stand no figure is established to change. A gain in spread or structure is not drawn at.
 */
export function isWithinTolerance(rig: Rig, plan: RankedPlan, asItIs: RankedPlan): boolean {
  const made = makeMoves(rig, plan.moves);
  if (plan.moves.length === 0 || !made || !restsOnFigures(rig, plan, asItIs)) return false;
  const rowId = mainRow(rig).id;
  const difference = finish(
    findDifference({ rig, rowId }, { rig: made.rig, rowId }, { draws: DRAWS }),
  );
  if (!difference) return false;
  return !Object.values(difference.figures).some(isEstablished);
}

function restsOnFigures(rig: Rig, plan: RankedPlan, asItIs: RankedPlan): boolean {
  const weights = weightsOf(rig);
  const gained = (term: 'distance' | 'level') =>
    weights[term] * (asItIs.score.terms[term] - plan.score.terms[term]);
  return 2 * (gained('distance') + gained('level')) > asItIs.score.goal - plan.score.goal;
}
