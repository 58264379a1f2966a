export { DEFAULT_WEIGHTS, goalOf, weightsOf } from './goal';
export type { Terms } from './goal';
export { bufferMoves } from './bufferMoves';
export { countedScenes, stillSwitches, usedStates } from './countedStates';
export { Evaluator } from './evaluate';
export type { Score } from './evaluate';
export { findMoves } from './findMoves';
export { makeMoves } from './editOfMove';
export type { Effort, Move, MoveAction, MoveKind } from './move';
export { effortOf, keyOfPlan } from './plan';
export type { RankedPlan } from './plan';
export { searchPlans, searchToEnd } from './searchPlans';
export type { PlanSearch, SearchOptions, SearchProgress } from './searchPlans';
export { orderEdit, proposeOrder, USUAL_CONVENTIONS } from './order';
export type { Conventions } from './order';
export { findWithinTolerance } from './withinTolerance';
export { choosePlans } from './choosePlans';
export type { Proposal } from './choosePlans';
export { sayMove } from './sayMove';
export {
  FINE,
  sayAgainst,
  sayGains,
  sayLeaveAlone,
  sayMoves,
  sayWhyBetter,
  sayWorse,
  TERM_WORDS,
} from './sayPlan';
export { detailOfPlan } from './planDetail';
export type { PlanCase, PlanDetail } from './planDetail';
