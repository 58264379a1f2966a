import type { Quantity } from '../quantity';

/** What a number in a rig may be. Bounds are inclusive SI values. */
export interface FieldRule {
  readonly label: string;
  readonly quantity: Quantity;
  readonly min: number;
  readonly max: number;
}

const field = (label: string, quantity: Quantity, min: number, max: number): FieldRule => ({
  label,
  quantity,
  min,
  max,
});

const side = (which: string) => ({
  rInOhm: field(`Input resistance, ${which}`, 'resistance', 1e3, 1e8),
  cInF: field(`Input capacitance, ${which}`, 'capacitance', 0, 1e-8),
  rOutOhm: field(`Output resistance, ${which}`, 'resistance', 0, 1e6),
  gainDb: field(`Gain, ${which}`, 'level', -40, 40),
});

const pot = (which: string) => ({
  potOhm: field(`${which} pot`, 'resistance', 1e3, 1e7),
  travel: field(`${which} setting`, 'fraction', 0, 1),
  midFraction: field(`${which} taper at half travel`, 'fraction', 0.02, 0.5),
});

const prefixed = <P extends string, T extends Record<string, FieldRule>>(prefix: P, rules: T) =>
  Object.fromEntries(Object.entries(rules).map(([key, rule]) => [`${prefix}.${key}`, rule])) as {
    [K in keyof T & string as `${P}.${K}`]: FieldRule;
  };

/** Every number a person can set, by the part of the rig it belongs to and its path within that part. */
export const FIELD_RULES = {
  guitar: {
    lH: field('Pickup inductance', 'inductance', 0.01, 100),
    rDcOhm: field('Pickup resistance', 'resistance', 10, 1e5),
    cWindingF: field('Winding capacitance', 'capacitance', 0, 5e-9),
    rEddyOhm: field('Eddy resistance', 'resistance', 1e3, 1e9),
    toneF: field('Tone capacitor', 'capacitance', 1e-11, 1e-6),
    bleedF: field('Bleed capacitor', 'capacitance', 1e-12, 1e-7),
    bleedOhm: field('Bleed resistor', 'resistance', 1e2, 1e7),
    ...prefixed('volume', pot('Volume')),
    ...prefixed('tone', pot('Tone')),
  },
  device: {
    strayF: field('Stray capacitance, off', 'capacitance', 0, 1e-9),
    contactOhm: field('Contact resistance, off', 'resistance', 0, 1000),
    ...prefixed('on', side('on')),
    ...prefixed('off', side('off')),
  },
  lead: {
    lengthM: field('Lead length', 'length', 0, 100),
    cPerMF: field('Lead capacitance', 'capacitancePerLength', 0, 1e-9),
    rPerMOhm: field('Lead resistance', 'resistancePerLength', 0, 10),
    lPerMH: field('Lead inductance', 'inductancePerLength', 0, 1e-5),
    plugF: field('Capacitance of a plug', 'capacitance', 0, 5e-10),
  },
  amp: {
    rInOhm: field('Amp input resistance', 'resistance', 1e3, 1e8),
    stopperOhm: field('Grid stopper', 'resistance', 0, 1e6),
    millerF: field('Miller capacitance', 'capacitance', 0, 1e-9),
    cInF: field('Amp input capacitance', 'capacitance', 0, 1e-8),
  },
  reference: {
    lengthM: field('Reference lead length', 'length', 0, 100),
    cPerMF: field('Reference lead capacitance', 'capacitancePerLength', 0, 1e-9),
  },
} as const satisfies Record<string, Record<string, FieldRule>>;

export type PartKind = keyof typeof FIELD_RULES;

/** The rule of one field, or undefined where there is no such field. */
export function fieldRule(part: PartKind, path: string): FieldRule | undefined {
  const rules: Readonly<Record<string, FieldRule>> = FIELD_RULES[part];
  return Object.hasOwn(rules, path) ? rules[path] : undefined;
}

/** The words a person may choose from, by part and field. */
export const CHOICE_RULES = {
  guitar: {
    pickupClass: [
      'brightSingle',
      'woundUpSingle',
      'wideSingle',
      'coveredTwin',
      'hotTwin',
      'bassSingle',
      'bassSplit',
    ],
    wiring: ['modern', 'fifties'],
    bleed: ['none', 'capacitor', 'parallel', 'series'],
    noLoad: [true, false],
  },
  device: {
    bypass: ['true', 'buffered', 'loaded', 'switchable', 'alwaysOn'],
    bypassChoice: ['true', 'buffered'],
    mutes: [true, false],
  },
  lead: { leadClass: ['veryLow', 'low', 'ordinary', 'high'] },
  amp: { input: ['gridStopper', 'plain'] },
  reference: {},
} as const satisfies Record<PartKind, Record<string, readonly (string | boolean)[]>>;
