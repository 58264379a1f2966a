export * from './frequencyGrid';
export * from './section';
export { LadderBuilder, Op, PARAMETERS_PER_OP } from './ladder';
export type { Branch, Ladder } from './ladder';
export {
  addElement,
  addSource,
  chooseCableForm,
  compilePath,
  compileSection,
  lumpedLimitM,
  pathCableM,
} from './compileSection';
export type { CableForm } from './compileSection';
export { loadAdmittance } from './loadAdmittance';
export { createLadderState, resetLadder } from './ladderState';
export type { LadderState } from './ladderState';
export { endLadder, runLadder, solveLadder } from './solveLadder';
export { bisect } from './bisect';
export { over, plus, sizeOfComplex } from './complex';
export type { Complex } from './complex';
