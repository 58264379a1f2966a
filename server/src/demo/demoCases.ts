import { assumed, resized, typicalBody, type Body, type Device } from '@gullwind/core';
import { measured, sheet } from './demoValues';

/// How large the pedals of the workshop are: mm, and grams. Those with a rule held to them are measured.

type Size = readonly [width: number, depth: number, height: number, grams: number];

const SIZES: Readonly<Record<string, Size>> = {
  'plumb-line': [72, 118, 46, 340],
  'plumb-line-b': [72, 118, 46, 350],
  'wee-ferry': [40, 92, 31, 140],
  'old-sluice': [60, 111, 34, 260],
  'kelp-stage': [118, 112, 48, 510],
  ballast: [66, 112, 48, 330],
  mudlark: [100, 240, 76, 1450],
  'mudlark-t': [100, 240, 76, 1450],
  cinder: [94, 94, 42, 420],
  brine: [118, 88, 46, 480],
  heave: [42, 92, 46, 190],
  gristle: [70, 115, 52, 360],
  'rope-burn': [70, 115, 52, 370],
  'soft-lantern': [66, 112, 48, 320],
  'seven-weirs': [72, 128, 54, 420],
  'low-tide': [118, 88, 46, 460],
  'lock-gate': [70, 115, 50, 350],
  eddy: [70, 115, 52, 380],
  swell: [118, 112, 50, 500],
  'slow-wheel': [118, 112, 50, 520],
  'far-bank': [98, 118, 50, 470],
  'echo-weir': [118, 112, 50, 510],
  undercroft: [118, 112, 50, 520],
  nave: [118, 112, 50, 530],
  treadle: [92, 250, 72, 1200],
  millrace: [92, 250, 72, 1150],
  'cross-wind': [96, 92, 40, 380],
  'side-rill': [60, 60, 31, 140],
  fork: [60, 110, 31, 190],
  delta: [60, 110, 31, 210],
  points: [110, 70, 44, 310],
  'four-locks': [260, 84, 48, 1100],
  'eight-locks': [420, 84, 48, 1700],
  'lock-gate-four': [70, 115, 50, 370],
  'deep-ferry': [40, 92, 31, 150],
};

/** The pedals on the workshop's own boards had a rule held to them; of the others the sheet says it. */
const MEASURED = new Set(
  'plumb-line ballast mudlark gristle rope-burn swell far-bank undercroft points deep-ferry'.split(
    ' ',
  ),
);

/** V, up to V, mA; where a pedal has its plus in the middle, or its ground at the plus. */
type Wants = readonly [volts: number, upTo: number, mA: number, more?: Partial<Body>];

/** What the sheets say of what they want; the others are as usual for their class. */
const WANTS: Readonly<Record<string, Wants>> = {
  'plumb-line': [9, 9, 35],
  'wee-ferry': [9, 18, 6],
  'deep-ferry': [9, 18, 8],
  'kelp-stage': [9, 12, 75],
  ballast: [9, 18, 6],
  mudlark: [9, 9, 4],
  'mudlark-t': [9, 9, 4],
  cinder: [9, 9, 2, { polarity: 'centrePositive', ground: 'positive' }],
  brine: [9, 9, 6],
  heave: [9, 18, 8],
  gristle: [9, 9, 12],
  'rope-burn': [9, 18, 16, { powerNote: 'At 18 V cleaner and louder.' }],
  'soft-lantern': [9, 9, 7],
  'seven-weirs': [9, 18, 45],
  'low-tide': [9, 9, 55],
  eddy: [9, 9, 28],
  swell: [9, 9, 65],
  'slow-wheel': [12, 12, 150],
  'far-bank': [9, 9, 85],
  'echo-weir': [9, 9, 120],
  undercroft: [9, 9, 280],
  nave: [9, 9, 310],
  treadle: [9, 9, 12],
  'cross-wind': [9, 12, 260],
  'four-locks': [9, 12, 90],
  'eight-locks': [9, 12, 160],
};

function wantsOf(id: string): Partial<Body> {
  const wants = WANTS[id];
  if (!wants) return {};
  const [volts, upTo, mA, more] = wants;
  return {
    supplyV: sheet(volts),
    supplyMaxV: sheet(upTo),
    supplyA: sheet(mA / 1000),
    idleA: assumed((mA * 0.8) / 1000),
    ...more,
  };
}

/** The case of a pedal of the demo. @throws Error where nobody has said how large it is */
export function demoBody(id: string, device: Device): Body {
  const size = SIZES[id];
  if (!size) throw new Error(`the demo pedal “${id}” has no case`);
  const of = MEASURED.has(id)
    ? (value: number) => ({ ...measured(value), by: 'steel rule' })
    : sheet;
  const [width, depth, height, grams] = size;
  const sized = resized(typicalBody(device), {
    widthM: of(width / 1000),
    depthM: of(depth / 1000),
  });
  return { ...sized, ...wantsOf(id), heightM: of(height / 1000), massKg: of(grams / 1000) };
}
