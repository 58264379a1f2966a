export * from './frequencyGrid';
export * from './section';
export { LadderBuilder, Op, PARAMETERS_PER_OP } from './ladder';
export type { Ladder } from './ladder';
export { addElement, addSource, chooseLeadForm, compileSection } from './compileSection';
export type { LeadForm } from './compileSection';
export { createLadderState, endLadder, resetLadder, runLadder, solveLadder } from './solveLadder';
export type { LadderState } from './solveLadder';
