import type { SentAnswer, SentHunt } from '@gullwind/contract';
import type { HuntEnding } from '@gullwind/core';

/// A hunt without a rig, one answer of it, and how it ends.

export const HUNTED: SentHunt = {
  rig: null,
  revision: null,
  symptom: 'hum',
  comesAndGoes: false,
  order: 'best',
  weights: {},
  note: '',
};
export const ANSWERED: SentAnswer = {
  test: 'ampAlone:e1',
  outcome: 'no',
  says: 'The amp alone.',
  minutes: 0.5,
  by: '',
};
export const ENDED: HuntEnding = {
  kind: 'goodEnough',
  suspect: null,
  finding: '',
  remedy: '',
  caution: '',
  proof: '',
  task: null,
  taskMinutes: 0,
  note: 'quiet enough',
};
