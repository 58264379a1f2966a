import type { DeviceClass } from './deviceClass';
import { assumed, type Sourced } from './sourced';

/// What a thing wants of its power jack.

/** What a plug has in its middle, or that it gives AC. "none": nothing is plugged in. */
export type Polarity = 'centreNegative' | 'centrePositive' | 'ac' | 'none';

/** Which pole of its supply is its audio ground; "floating" where the two are apart. */
export type GroundPole = 'negative' | 'positive' | 'floating';

export interface PowerNeed {
  /** The least voltage that it is made for. */
  readonly supplyV: Sourced;
  /** The highest that it stands; the same where it wants one voltage. */
  readonly supplyMaxV: Sourced;
  /** The most that it draws. */
  readonly supplyA: Sourced;
  /** What it draws while it does nothing. */
  readonly idleA: Sourced;
  readonly polarity: Polarity;
  readonly ground: GroundPole;
  /** What is otherwise at another voltage, in anybody's words. */
  readonly powerNote: string;
}

/** What the devices of a class draw where nobody has said, A. */
const USUAL_CURRENT: Readonly<Record<DeviceClass, number>> = {
  tuner: 0.03,
  buffer: 0.005,
  preamp: 0.06,
  compressor: 0.01,
  wah: 0.01,
  lowImpedanceFuzz: 0.003,
  fuzz: 0.005,
  boost: 0.01,
  drive: 0.015,
  equaliser: 0.02,
  octave: 0.06,
  gate: 0.02,
  modulation: 0.05,
  delay: 0.1,
  reverb: 0.15,
  poweredVolume: 0.01,
  passiveVolume: 0,
  wireless: 0.25,
  tap: 0,
  passiveSplitter: 0,
  bufferedSplitter: 0.01,
  selector: 0.01,
  switcher: 0.1,
};

const needOf = (amps: number, polarity: Polarity): PowerNeed => ({
  supplyV: assumed(9),
  supplyMaxV: assumed(9),
  supplyA: assumed(amps),
  idleA: assumed(amps),
  polarity,
  ground: 'negative',
  powerNote: '',
});

/** What is usual for a device of this class. @param isFed whether it needs a supply at all */
export const typicalNeed = (deviceClass: DeviceClass, isFed: boolean): PowerNeed =>
  needOf(USUAL_CURRENT[deviceClass], isFed ? 'centreNegative' : 'none');

/** What is usual for a thing without audio. */
export const fixtureNeed = (isFed: boolean): PowerNeed =>
  needOf(isFed ? 0.1 : 0, isFed ? 'centreNegative' : 'none');

/** Clocked circuits, radios and computers, which others on the same outlet may hear. */
const CLOCKED: readonly DeviceClass[] = [
  'tuner',
  'octave',
  'modulation',
  'delay',
  'reverb',
  'wireless',
  'switcher',
];

/** Whether a device of this class usually leaves others on its outlet in peace. */
export const isQuietClass = (deviceClass: DeviceClass): boolean => !CLOCKED.includes(deviceClass);
