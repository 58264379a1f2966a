import type { DeviceClass } from './deviceClass';
import type { Body } from './body';
import { AUDIO_MID_FRACTION, picofarad, type Pot } from './guitar';
import { assumed, type Sourced } from './sourced';

/**
 * What stands between input and output when a pedal is off; "switchable" leaves the choice to the user.
 * "alwaysOn" has no foot-switch and drives; "passive" has none either and is a wire, whatever hangs on it.
 */
export type BypassKind = 'true' | 'buffered' | 'hardwired' | 'switchable' | 'alwaysOn' | 'passive';
export type BypassChoice = 'true' | 'buffered';

/** A jack beside the output: on the line itself, or driven by an output of its own. */
export type SideJack = 'none' | 'passive' | 'buffered';

/** Sub-paths of a device: a switcher's, each with a switch; or a pedal's own send and return. */
export type Insert = 'none' | 'switched' | 'own';

/** What comes out when the supply fails. */
export type PowerLost = 'bypass' | 'silence';

/** A pedal as a driver: what it asks of the one before and offers to the one after. */
export interface Side {
  readonly rInOhm: Sourced;
  readonly cInF: Sourced;
  readonly rOutOhm: Sourced;
  readonly gainDb: Sourced;
}

/** A coil and a resistor that stand for a pickup. */
export interface PickupSimulator {
  readonly lH: Sourced;
  readonly rOhm: Sourced;
}

export interface Device {
  readonly id: string;
  readonly name: string;
  readonly deviceClass: DeviceClass;
  readonly bypass: BypassKind;
  /** Acts only where `bypass` is "switchable". */
  readonly bypassChoice: BypassChoice;
  readonly on: Side;
  /** As a buffered bypass; the input side also hangs on the line of a hardwired one. */
  readonly off: Side;
  /** As a wire: stray capacitance with jacks, and contacts. */
  readonly strayF: Sourced;
  readonly contactOhm: Sourced;
  /** Engaged, nothing comes out (a tuner). */
  readonly mutes: boolean;
  readonly powerLost: PowerLost;
  /** The track of a passive volume; null for everything else. */
  readonly pot: Pot | null;
  readonly sideJack: SideJack;
  readonly insert: Insert;
  /** How many loops a switcher has; 1 for a pedal's own send and return, 0 without an insert. */
  readonly loops: number;
  /** Of a switcher: a buffer at its input, a buffer at its output (both as `on`). */
  readonly bufferIn: boolean;
  readonly bufferOut: boolean;
  /** In series ahead of its input while it is on: a fuzz meets this in the place of a pickup. */
  readonly pickupSimulator?: PickupSimulator;
  /** Unknown until somebody has held a rule to it. */
  readonly body?: Body;
  /** The entry of the gear list it was taken from. */
  readonly gear?: string;
}

export interface DeviceClassRule {
  readonly label: string;
  readonly bypass: BypassKind;
  readonly mutes: boolean;
  readonly on: readonly [rInKOhm: number, cInPF: number, rOutOhm: number, gainDb: number];
  readonly sideJack: SideJack;
  readonly loops: number;
  /** Track of a passive volume, Ω. */
  readonly potOhm: number | null;
}

const rule = (
  label: string,
  bypass: BypassKind,
  on: DeviceClassRule['on'],
  more: Partial<Pick<DeviceClassRule, 'mutes' | 'sideJack' | 'loops' | 'potOhm'>> = {},
): DeviceClassRule => ({
  label,
  bypass,
  on,
  mutes: false,
  sideJack: 'none',
  loops: 0,
  potOhm: null,
  ...more,
});

const BUFFER_ON = [1000, 15, 150, 0] as const;
const DRIVE_ON = [500, 20, 5000, 0] as const;
const EFFECT_ON = [1000, 20, 1000, 0] as const;

export const DEVICE_CLASSES: Readonly<Record<DeviceClass, DeviceClassRule>> = {
  tuner: rule('tuner', 'true', [1000, 20, 100, 0], { mutes: true }),
  buffer: rule('buffer', 'alwaysOn', BUFFER_ON),
  preamp: rule('preamp', 'alwaysOn', [1000, 20, 600, 0]),
  compressor: rule('compressor', 'true', DRIVE_ON),
  wah: rule('wah', 'hardwired', [75, 50, 10000, 0]),
  lowImpedanceFuzz: rule('low-impedance fuzz', 'true', [8, 10, 10000, 0]),
  fuzz: rule('fuzz', 'true', DRIVE_ON),
  boost: rule('boost', 'true', DRIVE_ON),
  drive: rule('drive', 'true', DRIVE_ON),
  equaliser: rule('equaliser', 'true', EFFECT_ON),
  octave: rule('octave', 'true', EFFECT_ON),
  gate: rule('gate', 'buffered', EFFECT_ON),
  modulation: rule('modulation', 'true', EFFECT_ON),
  delay: rule('delay', 'buffered', EFFECT_ON),
  reverb: rule('reverb', 'buffered', EFFECT_ON),
  poweredVolume: rule('powered volume', 'alwaysOn', EFFECT_ON),
  passiveVolume: rule('passive volume', 'passive', BUFFER_ON, {
    sideJack: 'passive',
    potOhm: 250e3,
  }),
  wireless: rule('wireless pair', 'alwaysOn', [1000, 20, 1000, 0]),
  tap: rule('tuner tap', 'passive', BUFFER_ON, { sideJack: 'passive' }),
  passiveSplitter: rule('passive splitter', 'passive', BUFFER_ON, { sideJack: 'passive' }),
  bufferedSplitter: rule('buffered splitter', 'alwaysOn', BUFFER_ON, { sideJack: 'buffered' }),
  selector: rule('A/B selector', 'passive', BUFFER_ON),
  switcher: rule('loop switcher', 'passive', BUFFER_ON, { loops: 4 }),
};

const BUFFERED_OFF = [500, 20, 1000, -0.1] as const;
const STRAY_PF = 25;
const CONTACT_OHM = 0.1;

function sideOf([rInKOhm, cInPF, rOutOhm, gainDb]: DeviceClassRule['on']): Side {
  return {
    rInOhm: assumed(rInKOhm * 1e3),
    cInF: assumed(picofarad(cInPF)),
    rOutOhm: assumed(rOutOhm),
    gainDb: assumed(gainDb),
  };
}

export function deviceOfClass(deviceClass: DeviceClass, id: string, name?: string): Device {
  const { label, bypass, mutes, on, sideJack, loops, potOhm } = DEVICE_CLASSES[deviceClass];
  return {
    id,
    name: name ?? label,
    deviceClass,
    bypass,
    bypassChoice: 'true',
    on: sideOf(on),
    off: bypass === 'hardwired' ? sideOf(on) : sideOf(BUFFERED_OFF),
    strayF: assumed(picofarad(STRAY_PF)),
    contactOhm: assumed(CONTACT_OHM),
    mutes,
    powerLost: bypass === 'buffered' || bypass === 'alwaysOn' ? 'silence' : 'bypass',
    pot: potOhm === null ? null : volumeTrack(potOhm),
    sideJack,
    insert: loops > 0 ? 'switched' : 'none',
    loops,
    bufferIn: false,
    bufferOut: false,
  };
}

const volumeTrack = (potOhm: number): Pot => ({
  potOhm: assumed(potOhm),
  travel: assumed(1),
  midFraction: assumed(AUDIO_MID_FRACTION),
});

/** A low-impedance fuzz wants the pickup itself before it; nothing buffered belongs there. */
export const wantsPickup = (device: Device): boolean => device.deviceClass === 'lowImpedanceFuzz';
