export { analyseRig, isSilent, measureRig, measureWay } from './analyseRig';
export type {
  Analysis,
  Measurement,
  SectionSummary,
  SoundingAnalysis,
  StopSummary,
} from './analyseRig';
export { figuresOf } from './figures';
export type { Figures } from './figures';
export { lengthBudgets } from './lengthBudget';
export type { BudgetBaseline, LengthBudget } from './lengthBudget';
export { cornerOf, resonanceOf, semitonesBetween } from './resonance';
export type { Corner, Resonance } from './resonance';
export { toneEquivalent } from './toneEquivalent';
export { DIRECTION_WORDS, SIZE_WORDS, saysWhose, sizeHeard, sizeOf, verdictOf } from './verdict';
export type { ListenerScale, Verdict } from './verdict';
export { nameConnection, nameCable, nameSpot, nameRow, nameSwitch, namePartLoss } from './names';
export { nameSwitches, sayOn } from './sayOn';
export { sayMuted, sayStraightIn, sayWhatIsGoingOn } from './words';
export { analyseStates, ENVELOPE_EVERY, switchesOf, switchesOn } from './analyseStates';
export type { ExtremeState, StatesAnalysis, StatesSounding } from './analyseStates';
export { measureScenes, measurePlaces } from './scenes';
export type { SideFigures } from './scenes';
