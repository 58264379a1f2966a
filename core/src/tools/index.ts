export {
  chooseDi,
  headroomDb,
  usualPeakV,
  PIEZO_INPUT_OHM,
  sayUnbalanced,
  USUAL_ENDS,
} from './diChooser';
export type { DiChoice } from './diChooser';
export {
  areaOfGauge,
  checkSpeakerCable,
  gaugeOfArea,
  INSTRUMENT_CABLE_REFUSED,
} from './speakerCable';
export type { SpeakerCable, SpeakerCableFigures } from './speakerCable';
export { fitCable } from './cableFit';
export type { CableFit, CableReading } from './cableFit';
export { capacitanceFor, capacitanceOf, capacitorPositions, keepLikedCable } from './capacitance';
export type { CapacitorPosition } from './capacitance';
export { outputIsFor, sweepOutput } from './outputSweep';
export type { SweptOutput } from './outputSweep';
export type { CapacitanceAnswer, LikedCable, LikedCableAnswer } from './capacitance';
export { pickupOrCable, sweepSources } from './sourceSweep';
export type { SweptSource, WhatIf } from './sourceSweep';
export { fitPickupSimulator, pickupSimulatorFor, removePickupSimulator } from './pickupSimulator';
export type { SimulatorValues } from './pickupSimulator';
export { planReamp, speakerPeakV } from './reamp';
export type { ReampAnswer, ReampQuestion } from './reamp';
