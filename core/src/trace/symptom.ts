/// What is heard, or not heard.

export const SYMPTOMS = [
  'noSignal',
  'weak',
  'dull',
  'hum',
  'buzz',
  'hiss',
  'radio',
  'crackle',
  'pops',
  'squeal',
  'dropouts',
] as const;
export type Symptom = (typeof SYMPTOMS)[number];

interface SymptomWords {
  readonly label: string;
  readonly explained: string;
  /** What is asked after every test: whether it is still there. */
  readonly asks: string;
  /** Heard without anybody playing. */
  readonly isNoise: boolean;
}

export const SYMPTOM_WORDS: Readonly<Record<Symptom, SymptomWords>> = {
  noSignal: {
    label: 'No signal',
    explained: 'Nothing comes out, or next to nothing.',
    asks: 'Is it still silent?',
    isNoise: false,
  },
  weak: {
    label: 'Weak',
    explained: 'It plays, far quieter than it should.',
    asks: 'Is it still weak?',
    isNoise: false,
  },
  dull: {
    label: 'Dull',
    explained: 'The top end is gone, and it was there before.',
    asks: 'Is it still dull?',
    isNoise: false,
  },
  hum: {
    label: 'Hum',
    explained: 'A low, steady tone at the mains frequency or twice that.',
    asks: 'Does it still hum?',
    isNoise: true,
  },
  buzz: {
    label: 'Buzz or whine',
    explained: 'A rasp from dimmers and adaptors, or a whine from clocked pedals.',
    asks: 'Does it still buzz?',
    isNoise: true,
  },
  hiss: {
    label: 'Hiss',
    explained: 'A wide rush, without a tone.',
    asks: 'Does it still hiss?',
    isNoise: true,
  },
  radio: {
    label: 'Radio',
    explained: 'Voices, music or data ticks that nobody here makes.',
    asks: 'Is the radio still there?',
    isNoise: true,
  },
  crackle: {
    label: 'Crackle when moved',
    explained: 'It scratches or breaks up as something is touched or moved.',
    asks: 'Does it still crackle when all that is connected is moved?',
    isNoise: true,
  },
  pops: {
    label: 'Pops when switched',
    explained: 'A thump or click with a foot-switch.',
    asks: 'Does it still pop?',
    isNoise: false,
  },
  squeal: {
    label: 'Squeal',
    explained: 'It whistles by itself, often a wah into a fuzz, or much gain.',
    asks: 'Does it still squeal?',
    isNoise: false,
  },
  dropouts: {
    label: 'Comes and goes',
    explained: 'The signal drops out and comes back.',
    asks: 'Does it still drop out?',
    isNoise: false,
  },
};
