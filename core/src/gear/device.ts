import { picofarad } from './guitar';
import { assumed, type Sourced } from './sourced';

/** What stands between input and output when a pedal is off; "switchable" leaves the choice to the user. */
export type BypassKind = 'true' | 'buffered' | 'loaded' | 'switchable' | 'alwaysOn';
export type BypassChoice = 'true' | 'buffered';

export type DeviceClass =
  | 'tuner'
  | 'buffer'
  | 'preamp'
  | 'compressor'
  | 'wah'
  | 'lowImpedanceFuzz'
  | 'fuzz'
  | 'boost'
  | 'drive'
  | 'equaliser'
  | 'octave'
  | 'gate'
  | 'modulation'
  | 'delay'
  | 'reverb'
  | 'poweredVolume';

/** A pedal as a driver: what it asks of the one before and offers to the one behind. */
export interface Side {
  readonly rInOhm: Sourced;
  readonly cInF: Sourced;
  readonly rOutOhm: Sourced;
  readonly gainDb: Sourced;
}

export interface Device {
  readonly id: string;
  readonly name: string;
  readonly deviceClass: DeviceClass;
  readonly bypass: BypassKind;
  /** Acts only where `bypass` is "switchable". */
  readonly bypassChoice: BypassChoice;
  readonly on: Side;
  /** As a buffered bypass; the input side also hangs on the line of a loaded one. */
  readonly off: Side;
  /** As a wire: stray capacitance with jacks, and contacts. */
  readonly strayF: Sourced;
  readonly contactOhm: Sourced;
  /** Engaged, nothing comes out (a tuner). */
  readonly mutes: boolean;
}

export interface DeviceClassRule {
  readonly label: string;
  readonly bypass: BypassKind;
  readonly mutes: boolean;
  readonly on: readonly [rInKOhm: number, cInPF: number, rOutOhm: number, gainDb: number];
}

const rule = (
  label: string,
  bypass: BypassKind,
  on: DeviceClassRule['on'],
  mutes = false,
): DeviceClassRule => ({ label, bypass, mutes, on });

const DRIVE_ON = [500, 20, 5000, 0] as const;
const EFFECT_ON = [1000, 20, 1000, 0] as const;

export const DEVICE_CLASSES: Readonly<Record<DeviceClass, DeviceClassRule>> = {
  tuner: rule('tuner', 'true', [1000, 20, 100, 0], true),
  buffer: rule('buffer', 'alwaysOn', [1000, 15, 150, 0]),
  preamp: rule('preamp', 'alwaysOn', [1000, 20, 600, 0]),
  compressor: rule('compressor', 'true', DRIVE_ON),
  wah: rule('wah', 'loaded', [75, 50, 10000, 0]),
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
  const { label, bypass, mutes, on } = DEVICE_CLASSES[deviceClass];
  return {
    id,
    name: name ?? label,
    deviceClass,
    bypass,
    bypassChoice: 'true',
    on: sideOf(on),
    off: bypass === 'loaded' ? sideOf(on) : sideOf(BUFFERED_OFF),
    strayF: assumed(picofarad(STRAY_PF)),
    contactOhm: assumed(CONTACT_OHM),
    mutes,
  };
}

/** A low-impedance fuzz wants the pickup itself in front of it; nothing buffered belongs there. */
export const wantsPickup = (device: Device): boolean => device.deviceClass === 'lowImpedanceFuzz';
