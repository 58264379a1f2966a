import { cableOfClass, entered, flatLie, guitarOfClass } from '@gullwind/core';

/// What instruments are asked, what was measured and heard, and how a photograph lies, as they are sent.

export const METERED = {
  quantity: 'Cp',
  frequencyHz: 1000,
  isOpenCorrected: true,
  readings: 1,
  connected: {
    kind: 'cable',
    id: 'reel',
    piece: '',
    cable: cableOfClass('low', 'l1', entered(3)),
    mayBeFaulty: true,
  },
};
export const SWEPT = {
  fromHz: 50,
  toHz: 20_000,
  points: 12,
  connected: {
    kind: 'pickup',
    id: 'guitar',
    guitar: guitarOfClass('brightSingle', 'guitar'),
    rLoadOhm: 1e6,
    addedF: 0,
  },
};
export const MEASURED = {
  job: 'cable',
  rig: null,
  gear: null,
  subject: 'Reel',
  instrument: '',
  isSimulated: false,
  readings: [{ label: '', quantity: 'capacitance', values: [1e-10], conditions: { lengthM: 1 } }],
  responses: [{ label: '', frequencyHz: [100], levelDb: [0], conditions: {} }],
  figures: [{ label: 'C', quantity: 'capacitance', value: 1e-10, error: null }],
  words: '',
  by: '',
  note: '',
};
export const HEARD = {
  listener: 'Mate',
  kind: 'abx',
  rig: null,
  one: 'a',
  other: 'b',
  seed: 1,
  planned: 5,
  trials: [{ isRight: true, lossDb: null }],
  isFinished: true,
  expected: '',
  model: '',
  note: '',
};
export const LIE = {
  points: flatLie({ x0: 0, y0: 0, x1: 0.6 }, { width: 4, height: 3 }),
  brightness: 1,
};
