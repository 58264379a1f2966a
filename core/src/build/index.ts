export { cableList, sayCableM } from './cableList';
export type { BuildCable, CableKind } from './cableList';
export { cableCost } from './cost';
export type { CableCost } from './cost';
export { KEPT_FROM_M, planCuts } from './cutPlan';
export type { Cut, CutPlan, Piece, Stock } from './cutPlan';
export { forgottenIn } from './forgotten';
export type { Forgotten } from './forgotten';
export { guideFor, LAYERS } from './guide';
export type { Guide } from './guide';
export { buttonTable, cableTable, cutTable, orderTable, stepTable } from './papers';
export type { PaperTable } from './papers';
export { partsMissing, partsNeeded, withPartAtHand, withSpares } from './parts';
export type { NeededPart } from './parts';
export { asOffCut, cableStates, progressOf, timeLeft } from './progress';
export type { StepState } from './stepState';
export type { CableState, Progress, TimeLeft } from './progress';
export { LEAST_LEAK_OHM, NO_RECORDS } from './records';
export type { BuildRecords, CableTest, OffCut, Repair, WorkDone } from './records';
export { isBegun, reworkOf, reworkSince } from './rework';
export type { Building, Rework } from './rework';
export type { Reuse } from './stepState';
export { CHANGE_MINUTES } from './minutes';
export { inward, workPlan } from './steps';
export type { Step, StepKind } from './step';
export { expectedF, findingOf, takeMeasured, toleranceShare } from './testing';
export type { TestFinding } from './testing';
export { cutGroups, planAllCuts } from './cutGroups';
export type { CutGroup } from './cutGroups';
export { arrangeOffers, offered, swapCost } from './offers';
export type {
  Arranged,
  ArrangementKind,
  ArrangeOffersProgress,
  ArrangeOffersQuestion,
  Offered,
} from './offers';
export { planOnBoard, plansOnBoard, sayFit } from './planOnBoard';
export type { PlanOnBoard, PlansOnBoard, PlansOnBoardQuestion } from './planOnBoard';
export { sayMinutes, sayRework, sayTrebleChange } from './sayRework';
