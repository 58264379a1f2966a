export {
  DRAW_GRID,
  FIGURE_BANDS,
  FIGURE_GRID,
  gridOf,
  LEVEL_FREQUENCY_HZ,
  POINTS_PER_OCTAVE,
  TREBLE_BAND,
  TREBLE_GRID,
} from './frequencyGrid';
export type { Band, FrequencyGrid } from './frequencyGrid';
export { NO_CONTROLS } from './section';
export type {
  CableElement,
  Controls,
  Load,
  PairSource,
  PathElement,
  PickupSource,
  Section,
  Source,
} from './section';
export { LadderBuilder } from './ladder';
export type { Ladder } from './ladder';
export { addElement, addSource, compilePath, compileSection } from './compileSection';
export { chooseCableForm, equivalentM, lumpedLimitM } from './cableForm';
export type { CableForm } from './cableForm';
export { loadAdmittance } from './loadAdmittance';
export { createLadderState, resetLadder } from './ladderState';
export type { LadderState } from './ladderState';
export { endLadder, runLadder, solveLadder } from './solveLadder';
export { bisect } from './bisect';
export { over, plus, sizeOfComplex } from './complex';
export type { Complex } from './complex';
