export { abxOrder, binomialResult, LEAST_TRIALS, MOST_TRIALS, USUAL_TRIALS } from './blind';
export type { BinomialResult } from './blind';
export { CROSSFADE_S } from './levels';
export {
  differenceOf,
  MOST_BOOST_DB,
  responseOf,
  speakerResponse,
  trebleLossResponse,
} from './response';
export { binsAt, impulseOf } from './impulse';
export type { Impulse } from './impulse';
export { convolve } from './convolve';
export {
  impulseOfVoice,
  MOST_PEAK,
  renderVoices,
  SIMULATED_RATE,
  SIMULATED_SECONDS,
} from './render';
export type {
  Rendered,
  RenderedVoice,
  RenderOptions,
  RenderQuestion,
  SoundSource,
  Voice,
} from './render';
export { pluck, SOURCE_WORDS, SOURCES } from './strings';
export type { SourceKind } from './strings';
export { SPECTRUM_SAMPLES, THIRD_OCTAVES_HZ, thirdOctavesOf } from './thirdOctaves';
export { chanceOfRight, fitThreshold, nextLoss, THRESHOLD_TRIALS } from './threshold';
export type { Threshold, ThresholdTrial } from './threshold';
export { LONGEST_SOUND_S, readWav, writeWav } from './wav';
export type { ReadSound, Sound } from './wav';
export { abxResult, HEARING_KINDS, thresholdOf } from './hearing';
export type { Hearing, HearingKind, HearingTrial } from './hearing';
export { AS_IT_IS, STRAIGHT_IN, voicesOf } from './voices';
export type { AdvisedStep, RigVoice, ShopCable, VoiceGroup } from './voices';
