/// A step ticked off and a test of a cable, as they are sent.

export const DONE = {
  step: 'cut l1',
  fingerprint: 'a|b|170',
  lengthM: 0.19,
  revision: 1,
  by: 'Mate',
  isDone: true,
};
export const TEST = {
  cable: 'l1',
  label: 'A1',
  revision: 1,
  fingerprint: 'a|b|170',
  lengthM: 0.17,
  tipThrough: true,
  sleeveThrough: true,
  ringThrough: null,
  leakOhm: 1e8,
  silentPlugs: null,
  pull: true,
  wiggle: true,
  capacitanceF: 48e-12,
  by: 'Mate',
  note: '',
};
