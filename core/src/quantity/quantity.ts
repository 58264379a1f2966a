/// Quantities as people write them ("18 ft", "470k", "22n", "1M") and the SI values behind them.

export type UnitSystem = 'metric' | 'imperial';

export type Quantity =
  | 'length'
  | 'size'
  | 'mass'
  | 'capacitance'
  | 'capacitancePerLength'
  | 'resistance'
  | 'resistancePerLength'
  | 'inductance'
  | 'inductancePerLength'
  | 'frequency'
  | 'level'
  | 'fraction'
  | 'ratio'
  | 'voltage'
  | 'current'
  | 'charge'
  | 'share'
  | 'power'
  | 'area'
  | 'count';

export const METRES_PER_FOOT = 0.3048;

/** A unit a value can be shown in: SI value = shown value × `factor`. */
export interface ShownUnit {
  readonly symbol: string;
  readonly factor: number;
}

interface QuantityRule {
  /** What a person calls it in a message. */
  readonly noun: string;
  /** The unit a bare number takes, per system. */
  readonly bare: Readonly<Record<UnitSystem, ShownUnit>>;
  /** Unit suffixes without prefix → SI factor. The empty suffix is a lone prefix ("470k"). */
  readonly bases: Readonly<Record<string, number>>;
  /** Which SI prefixes may stand before a base. */
  readonly prefixes: Readonly<Record<string, number>>;
  /** Prefix choices for showing, per system, from small to large. */
  readonly shown: Readonly<Record<UnitSystem, readonly ShownUnit[]>>;
}

const same = <T>(value: T): Readonly<Record<UnitSystem, T>> => ({ metric: value, imperial: value });
const unit = (symbol: string, factor: number): ShownUnit => ({ symbol, factor });

const SMALL = { p: 1e-12, n: 1e-9, u: 1e-6, m: 1e-3 } as const;
const LARGE = { k: 1e3, K: 1e3, M: 1e6 } as const;
const INCH = METRES_PER_FOOT / 12;

const POUND = 0.45359237;

const LENGTHS = {
  m: 1,
  metre: 1,
  metres: 1,
  meter: 1,
  meters: 1,
  cm: 0.01,
  mm: 0.001,
  ft: METRES_PER_FOOT,
  feet: METRES_PER_FOOT,
  foot: METRES_PER_FOOT,
  "'": METRES_PER_FOOT,
  '′': METRES_PER_FOOT,
  in: INCH,
  inch: INCH,
  inches: INCH,
  '"': INCH,
  '″': INCH,
} as const;

export const QUANTITY_RULES: Readonly<Record<Quantity, QuantityRule>> = {
  length: {
    noun: 'a length',
    bare: { metric: unit('m', 1), imperial: unit('ft', METRES_PER_FOOT) },
    bases: LENGTHS,
    prefixes: {},
    shown: {
      metric: [unit('cm', 0.01), unit('m', 1)],
      imperial: [unit('″', INCH), unit('ft', METRES_PER_FOOT)],
    },
  },
  size: {
    noun: 'a size',
    bare: { metric: unit('mm', 0.001), imperial: unit('″', INCH) },
    bases: LENGTHS,
    prefixes: {},
    shown: { metric: [unit('mm', 0.001)], imperial: [unit('″', INCH)] },
  },
  mass: {
    noun: 'a mass',
    bare: { metric: unit('kg', 1), imperial: unit('lb', POUND) },
    bases: { kg: 1, g: 0.001, lb: POUND, lbs: POUND, oz: POUND / 16 },
    prefixes: {},
    shown: {
      metric: [unit('g', 0.001), unit('kg', 1)],
      imperial: [unit('oz', POUND / 16), unit('lb', POUND)],
    },
  },
  capacitance: {
    noun: 'a capacitance',
    bare: same(unit('pF', 1e-12)),
    bases: { F: 1, f: 1, '': 1 },
    prefixes: SMALL,
    shown: same([unit('pF', 1e-12), unit('nF', 1e-9), unit('µF', 1e-6)]),
  },
  capacitancePerLength: {
    noun: 'a capacitance per length',
    bare: { metric: unit('pF/m', 1e-12), imperial: unit('pF/ft', 1e-12 / METRES_PER_FOOT) },
    bases: {
      'F/m': 1,
      'f/m': 1,
      'F/ft': 1 / METRES_PER_FOOT,
      'f/ft': 1 / METRES_PER_FOOT,
    },
    prefixes: SMALL,
    shown: {
      metric: [unit('pF/m', 1e-12)],
      imperial: [unit('pF/ft', 1e-12 / METRES_PER_FOOT)],
    },
  },
  resistance: {
    noun: 'a resistance',
    bare: same(unit('kΩ', 1e3)),
    bases: { Ω: 1, '\u2126': 1, ohm: 1, ohms: 1, R: 1, '': 1 },
    prefixes: { m: 1e-3, ...LARGE },
    shown: same([unit('Ω', 1), unit('kΩ', 1e3), unit('MΩ', 1e6)]),
  },
  resistancePerLength: {
    noun: 'a resistance per length',
    bare: { metric: unit('Ω/m', 1), imperial: unit('Ω/ft', 1 / METRES_PER_FOOT) },
    bases: {
      'Ω/m': 1,
      '\u2126/m': 1,
      'ohm/m': 1,
      'Ω/ft': 1 / METRES_PER_FOOT,
      'ohm/ft': 1 / METRES_PER_FOOT,
    },
    prefixes: { m: 1e-3 },
    shown: { metric: [unit('Ω/m', 1)], imperial: [unit('Ω/ft', 1 / METRES_PER_FOOT)] },
  },
  inductance: {
    noun: 'an inductance',
    bare: same(unit('H', 1)),
    bases: { H: 1, h: 1, '': 1 },
    prefixes: { u: 1e-6, m: 1e-3 },
    shown: same([unit('µH', 1e-6), unit('mH', 1e-3), unit('H', 1)]),
  },
  inductancePerLength: {
    noun: 'an inductance per length',
    bare: { metric: unit('µH/m', 1e-6), imperial: unit('µH/ft', 1e-6 / METRES_PER_FOOT) },
    bases: { 'H/m': 1, 'H/ft': 1 / METRES_PER_FOOT },
    prefixes: { n: 1e-9, u: 1e-6 },
    shown: {
      metric: [unit('µH/m', 1e-6)],
      imperial: [unit('µH/ft', 1e-6 / METRES_PER_FOOT)],
    },
  },
  frequency: {
    noun: 'a frequency',
    bare: same(unit('Hz', 1)),
    bases: { Hz: 1, hz: 1, '': 1 },
    prefixes: { k: 1e3, K: 1e3 },
    shown: same([unit('Hz', 1), unit('kHz', 1e3)]),
  },
  level: {
    noun: 'a level',
    bare: same(unit('dB', 1)),
    bases: { dB: 1, db: 1, DB: 1 },
    prefixes: {},
    shown: same([unit('dB', 1)]),
  },
  fraction: {
    noun: 'a setting from 0 to 10',
    bare: same(unit('', 0.1)),
    bases: { '%': 0.01, '/10': 0.1 },
    prefixes: {},
    shown: same([unit('', 0.1)]),
  },
  ratio: {
    noun: 'a ratio',
    bare: same(unit('×', 1)),
    bases: { '×': 1, x: 1 },
    prefixes: {},
    shown: same([unit('×', 1)]),
  },
  voltage: {
    noun: 'a voltage',
    bare: same(unit('V', 1)),
    bases: { V: 1, v: 1, volt: 1, volts: 1 },
    prefixes: { m: 1e-3 },
    shown: same([unit('V', 1)]),
  },
  current: {
    noun: 'a current',
    bare: same(unit('mA', 1e-3)),
    bases: { A: 1, a: 1 },
    prefixes: { u: 1e-6, m: 1e-3 },
    shown: same([unit('mA', 1e-3), unit('A', 1)]),
  },
  charge: {
    noun: 'a charge',
    bare: same(unit('mAh', 3.6)),
    bases: { Ah: 3600, ah: 3600, C: 1 },
    prefixes: { m: 1e-3 },
    shown: same([unit('mAh', 3.6), unit('Ah', 3600)]),
  },
  share: {
    noun: 'a share',
    bare: same(unit('%', 0.01)),
    bases: { '%': 0.01 },
    prefixes: {},
    shown: same([unit('%', 0.01)]),
  },
  power: {
    noun: 'a power',
    bare: same(unit('W', 1)),
    bases: { W: 1, w: 1, watt: 1, watts: 1 },
    prefixes: { m: 1e-3, k: 1e3 },
    shown: same([unit('mW', 1e-3), unit('W', 1)]),
  },
  area: {
    noun: 'an area',
    bare: same(unit('mm²', 1e-6)),
    bases: { 'mm²': 1e-6, mm2: 1e-6 },
    prefixes: {},
    shown: same([unit('mm²', 1e-6)]),
  },
  count: {
    noun: 'a number',
    bare: same(unit('', 1)),
    bases: {},
    prefixes: {},
    shown: same([unit('', 1)]),
  },
};
