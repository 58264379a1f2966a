export { fitPickup, LEAST_FIT_POINTS, resonanceAndQ } from './fitPickup';
export type { OutlyingPoint, PickupFit } from './fitPickup';
export { pickupLevelDb } from './pickupRun';
export type { KnownLoad, MeasuredResponse, PickupRun, PickupValues } from './pickupRun';
export { summariseReadings, USUAL_READINGS } from './readings';
export type { ReadingSummary } from './readings';
export { compareCables, fitLengths, lengthByCapacitance, METER_SHARE } from './cables';
export type { CableComparison, ComparedCable, MeasuredCable } from './cables';
export { bestResistor, fallBySeriesDb, fitInput, fitOutput } from './impedance';
export type { InputFit, LevelChange, OutputFit } from './impedance';
export { METER_FREQUENCIES_HZ, METER_QUANTITIES } from './meter';
export type { MeterQuantity } from './meter';
export { expectedReading } from './connected';
export type { CableFault, Connected } from './connected';
export { plausibilityOf } from './plausible';
export type { Plausibility } from './plausible';
export {
  faultOf,
  simulatedReading,
  SIMULATED_METER,
  swapped,
  SWEEP_NOISE_DB,
  truthOf,
  withNoise,
} from './simulation';
export type { HiddenFaultOfCable, MeterSetting } from './simulation';
export { JOB_WORDS, MEASUREMENT_JOBS } from './records';
export type {
  Measurement,
  MeasurementHead,
  MeasuredFigure,
  MeasurementJob,
  RawReadings,
  RawResponse,
} from './records';
export { diagnoseRig, LEAST_DIAGNOSIS_POINTS, roughnessOf } from './diagnose';
export type { Diagnosis, DiagnosisProgress, DiagnosisQuestion, Suspicion } from './diagnose';
export { RigMeter, SWEEP_FLOOR_DB, sweptChain } from './wholeRig';
export type { RigSweep } from './wholeRig';
export { suspectsOf } from './suspects';
export { breakOne, exerciseOf, HIDDEN_FAULTS } from './exercise';
export type { Exercise, HiddenFault } from './exercise';
export { noiseOf } from './noise';
export type { Exposure, RigNoise, SectionNoise } from './noise';
