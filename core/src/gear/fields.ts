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

const pickup = (which: string, volume: string, tone: string) => ({
  lH: field(`${which} inductance`, 'inductance', 0.01, 100),
  rDcOhm: field(`${which} resistance`, 'resistance', 10, 1e5),
  cWindingF: field(
    which === 'Pickup' ? 'Winding capacitance' : `${which} winding capacitance`,
    'capacitance',
    0,
    5e-9,
  ),
  rEddyOhm: field(
    which === 'Pickup' ? 'Eddy resistance' : `${which} eddy resistance`,
    'resistance',
    1e3,
    1e9,
  ),
  toneF: field(`${tone} capacitor`, 'capacitance', 1e-11, 1e-6),
  ...prefixed('volume', pot(volume)),
  ...prefixed('tone', pot(tone)),
});

const body = {
  widthM: field('Width of the case', 'size', 0.01, 2),
  depthM: field('Depth of the case', 'size', 0.01, 2),
  heightM: field('Height of the case', 'size', 0.005, 1),
  massKg: field('Mass', 'mass', 0.005, 50),
};

const need = {
  supplyV: field('Supply voltage', 'voltage', 0, 60),
  supplyMaxV: field('Highest supply voltage', 'voltage', 0, 60),
  supplyA: field('Supply current', 'current', 0, 10),
  idleA: field('Current at rest', 'current', 0, 10),
};

/** Every number a person can set, by the part of the rig it belongs to and its path within that part. */
export const FIELD_RULES = {
  guitar: {
    ...pickup('Pickup', 'Volume', 'Tone'),
    ...prefixed('second', pickup('Second pickup', 'Second volume', 'Second tone')),
    bleedF: field('Bleed capacitor', 'capacitance', 1e-12, 1e-7),
    bleedOhm: field('Bleed resistor', 'resistance', 1e2, 1e7),
    piezoF: field('Piezo capacitance', 'capacitance', 1e-11, 1e-7),
    outputOhm: field('Output resistance', 'resistance', 0, 1e6),
  },
  device: {
    strayF: field('Stray capacitance, off', 'capacitance', 0, 1e-9),
    contactOhm: field('Contact resistance, off', 'resistance', 0, 1000),
    ...prefixed('on', side('on')),
    ...prefixed('off', side('off')),
    ...prefixed('pot', pot('Pedal volume')),
    ...prefixed('pickupSimulator', {
      lH: field('Pickup simulator coil', 'inductance', 0.01, 100),
      rOhm: field('Pickup simulator resistor', 'resistance', 0, 1e6),
    }),
    ...prefixed('body', { ...body, ...need }),
  },
  cable: {
    lengthM: field('Cable length', 'length', 0, 100),
    cPerMF: field('Cable capacitance', 'capacitancePerLength', 0, 1e-9),
    rPerMOhm: field('Cable resistance', 'resistancePerLength', 0, 10),
    lPerMH: field('Cable inductance', 'inductancePerLength', 0, 1e-5),
    plugF: field('Capacitance of a plug', 'capacitance', 0, 5e-10),
    coil: field('Conductor per metre of reach', 'ratio', 1, 10),
    addedF: field('Added capacitance', 'capacitance', 0, 1e-7),
  },
  destination: {
    rInOhm: field('Input resistance', 'resistance', 1e3, 1e8),
    stopperOhm: field('Grid stopper', 'resistance', 0, 1e6),
    millerF: field('Miller capacitance', 'capacitance', 0, 1e-9),
    cInF: field('Input capacitance', 'capacitance', 0, 1e-8),
    sendOhm: field('Send, output resistance', 'resistance', 0, 1e6),
    returnOhm: field('Return, input resistance', 'resistance', 1e3, 1e8),
    returnF: field('Return, input capacitance', 'capacitance', 0, 1e-8),
  },
  reference: {
    lengthM: field('Reference cable length', 'length', 0, 100),
    cPerMF: field('Reference cable capacitance', 'capacitancePerLength', 0, 1e-9),
  },
  plug: {
    beyondM: field('Length beyond the jack', 'size', 0, 0.3),
    acrossM: field('Width of a plug', 'size', 0.002, 0.1),
    reachM: field('Reach along the case', 'size', 0, 0.1),
    plugF: field('Capacitance of a plug', 'capacitance', 0, 5e-10),
  },
  supply: {
    totalW: field('Power of all outlets', 'power', 0, 1000),
    chargeC: field('Charge of a battery', 'charge', 0, 1e6),
    ...prefixed('body', body),
  },
  adaptor: {
    efficiency: field('Efficiency', 'share', 0.3, 1),
    mostA: field('Current it lets through', 'current', 0, 10),
  },
  board: {
    widthM: field('Width of the board', 'size', 0.05, 5),
    depthM: field('Depth of the board', 'size', 0.05, 5),
    belowM: field('Height below the board', 'size', 0, 1),
    thicknessM: field('Thickness of the board', 'size', 0, 0.1),
    riseM: field('Rise to the back', 'size', 0, 0.5),
    lipM: field('Lip at the front', 'size', 0, 0.1),
  },
  fixture: prefixed('body', { ...body, ...need }),
  mount: {
    footM: field('Width of a mount', 'size', 0.003, 0.1),
    holdsM: field('Bundle it holds', 'size', 0.002, 0.1),
  },
  laying: {
    gapM: field('Gap between cases', 'size', 0, 0.1),
    clearanceM: field('Cable to what stands beside it', 'size', 0, 0.02),
    bendM: field('A bend counts as', 'size', 0, 1),
    passageM: field('A passage counts as', 'size', 0, 1),
    laneShare: field('A metre along a lane counts as', 'ratio', 0.1, 1),
    slackM: field('Slack at each end', 'size', 0, 0.2),
    stepM: field('Lengths in steps of', 'size', 0.001, 0.1),
    shoeM: field('Width of the shoe', 'size', 0.05, 0.25),
    freeM: field('Free: beside the shoe', 'size', 0, 0.3),
    carefulM: field('Careful: beside the shoe', 'size', 0, 0.3),
    pitchM: field('From mount to mount', 'size', 0.01, 1),
  },
  power: {
    fill: field('Fill an outlet up to', 'share', 0.1, 1),
    rPerMOhm: field('DC cable, there and back', 'resistancePerLength', 0, 5),
  },
  approach: { wantedHz: field('Wanted resonance', 'frequency', 200, 20000) },
} as const satisfies Record<string, Record<string, FieldRule>>;

export type PartKind = keyof typeof FIELD_RULES;

/** The rule of one field, or undefined where there is no such field. */
export function fieldRule(part: PartKind, path: string): FieldRule | undefined {
  const rules: Readonly<Record<string, FieldRule>> = FIELD_RULES[part];
  return Object.hasOwn(rules, path) ? rules[path] : undefined;
}

/** Nobody lays out where a jack is. */
const PLACES_FROM = ['assumed', 'entered', 'sheet', 'measured'] as const;

const NEED_CHOICES = {
  'body.polarity': ['centreNegative', 'centrePositive', 'ac', 'none'],
  'body.ground': ['negative', 'positive', 'floating'],
} as const;

/** The words a person may choose from, by part and field. */
export const CHOICE_RULES = {
  guitar: {
    pickupClass: [
      'brightSingle',
      'woundUpSingle',
      'wideSingle',
      'coveredHumbucker',
      'hotHumbucker',
      'bassSingle',
      'bassSplit',
    ],
    wiring: ['modern', 'fifties'],
    bleed: ['none', 'capacitor', 'parallel', 'series'],
    noLoad: [true, false],
    kind: ['magnetic', 'piezo', 'active'],
    pickupSwitch: ['first', 'second', 'both'],
    joint: ['parallel', 'series'],
    outOfPhase: [true, false],
    sharing: ['shared', 'individual'],
    potWiring: ['dependent', 'independent'],
  },
  device: {
    bypass: ['true', 'buffered', 'hardwired', 'switchable', 'alwaysOn', 'passive'],
    bypassChoice: ['true', 'buffered'],
    mutes: [true, false],
    powerLost: ['bypass', 'silence'],
    bufferIn: [true, false],
    bufferOut: [true, false],
    ...NEED_CHOICES,
    'body.placesFrom': PLACES_FROM,
  },
  cable: { cableClass: ['veryLow', 'low', 'ordinary', 'high', 'coiled'], added: [true, false] },
  destination: {
    input: ['gridStopper', 'plain'],
    kind: ['amp', 'activeDi', 'passiveDi', 'mixer', 'tuner'],
  },
  reference: {},
  plug: { shape: ['straight', 'angled', 'pancake', 'coupler'], joint: ['soldered', 'screwOn'] },
  supply: {
    supplyClass: ['brick', 'diWithOutlets', 'mainsAdaptor', 'battery'],
    groupsFrom: PLACES_FROM,
    'body.placesFrom': PLACES_FROM,
  },
  board: { surface: ['rows', 'plate', 'mesh'], placesFrom: PLACES_FROM },
  fixture: {
    fixtureClass: ['strip', 'controller', 'channelSwitch', 'junction', 'tin', 'reserved'],
    ...NEED_CHOICES,
    'body.placesFrom': PLACES_FROM,
  },
  mount: {},
  adaptor: { adaptorClass: ['reverser', 'doubler', 'seriesCable', 'chainCable'] },
  power: { feeding: ['isolated', 'quietShare', 'chain'] },
  laying: {
    manner: ['tidy', 'direct'],
    allowsOverhang: [true, false],
    changesOften: [true, false],
    usualPlug: ['straight', 'angled', 'pancake'],
  },
  approach: { kind: ['clear', 'bookends', 'oneBuffer', 'steady', 'shaped'] },
} as const satisfies Record<PartKind, Record<string, readonly (string | boolean)[]>>;
