import { assumed, type Sourced } from './sourced';

export type PickupClass =
  | 'brightSingle'
  | 'woundUpSingle'
  | 'wideSingle'
  | 'coveredHumbucker'
  | 'hotHumbucker'
  | 'bassSingle'
  | 'bassSplit';

export type BleedTopology = 'none' | 'capacitor' | 'parallel' | 'series';
export type Wiring = 'modern' | 'fifties';

/** A pot as a person sets it. Travel runs 0–1; `midFraction` is what is left of the track at half travel. */
export interface Pot {
  readonly potOhm: Sourced;
  readonly travel: Sourced;
  /** 0.10–0.15 for an audio taper, 0.5 for a linear one. */
  readonly midFraction: Sourced;
}

/** One winding: its coil, and a volume and tone that are its own where the controls are individual. */
export interface Pickup {
  readonly pickupClass: PickupClass;
  readonly lH: Sourced;
  readonly rDcOhm: Sourced;
  readonly cWindingF: Sourced;
  readonly rEddyOhm: Sourced;
  readonly volume: Pot;
  readonly tone: Pot;
  readonly toneF: Sourced;
}

/** What makes the voltage: windings, a piezo, or electronics with an output of their own. */
export type GuitarKind = 'magnetic' | 'piezo' | 'active';
export type PickupSwitch = 'first' | 'second' | 'both';
export type PickupJoint = 'parallel' | 'series';
/** One volume and tone for all pickups, or one each that join after them. */
export type ControlSharing = 'shared' | 'individual';
/**
 * Which end of a volume's track the pickup has. "dependent": the pickup on the track, the output on the
 * wiper, so that one volume closed shorts both; "independent": the other way about.
 */
export type PotWiring = 'dependent' | 'independent';

export interface Guitar extends Pickup {
  readonly id: string;
  readonly name: string;
  readonly kind: GuitarKind;
  readonly wiring: Wiring;
  /** The tone pot opens at full up. */
  readonly noLoad: boolean;
  readonly bleed: BleedTopology;
  readonly bleedF: Sourced;
  readonly bleedOhm: Sourced;
  /** The other pickup, where there are two; the fields above are the first one's. */
  readonly second: Pickup | null;
  readonly pickupSwitch: PickupSwitch;
  readonly joint: PickupJoint;
  readonly outOfPhase: boolean;
  readonly sharing: ControlSharing;
  readonly potWiring: PotWiring;
  /** Of a piezo. */
  readonly piezoF: Sourced;
  /** Of active electronics. */
  readonly outputOhm: Sourced;
  /** The entry of the gear list it was taken from. */
  readonly gear?: string;
}

interface PickupDefaults {
  readonly label: string;
  readonly lH: number;
  readonly rDcKOhm: number;
  readonly cWindingPF: number;
  readonly rEddyMOhm: number;
  readonly potKOhm: number;
  readonly toneNF: number;
}

const row = (
  label: string,
  lH: number,
  rDcKOhm: number,
  cWindingPF: number,
  rEddyMOhm: number,
  potKOhm: number,
  toneNF: number,
): PickupDefaults => ({ label, lH, rDcKOhm, cWindingPF, rEddyMOhm, potKOhm, toneNF });

/** Typical values of each class (model, class defaults); every one is editable in a rig. */
export const PICKUP_CLASSES: Readonly<Record<PickupClass, PickupDefaults>> = {
  brightSingle: row('bright single coil', 2.2, 5.8, 110, 1.0, 250, 22),
  woundUpSingle: row('wound-up single coil', 3.3, 7.5, 140, 0.8, 250, 22),
  wideSingle: row('wide single coil', 6.0, 8.0, 120, 0.7, 500, 22),
  coveredHumbucker: row('covered humbucker', 4.4, 7.8, 130, 0.25, 500, 22),
  hotHumbucker: row('hot humbucker', 8.0, 14.5, 170, 0.5, 500, 22),
  bassSingle: row('bass single coil', 3.4, 7.6, 150, 0.8, 250, 47),
  bassSplit: row('bass split coil', 5.6, 10.8, 170, 0.6, 250, 47),
};

/** What an audio taper leaves of its track at half travel. */
export const AUDIO_MID_FRACTION = 0.12;

export function pickupOfClass(pickupClass: PickupClass): Pickup {
  const defaults = PICKUP_CLASSES[pickupClass];
  const pot: Pot = {
    potOhm: assumed(defaults.potKOhm * 1e3),
    travel: assumed(1),
    midFraction: assumed(AUDIO_MID_FRACTION),
  };
  return {
    pickupClass,
    lH: assumed(defaults.lH),
    rDcOhm: assumed(Math.round(defaults.rDcKOhm * 1e3)),
    cWindingF: assumed(picofarad(defaults.cWindingPF)),
    rEddyOhm: assumed(defaults.rEddyMOhm * 1e6),
    volume: pot,
    tone: pot,
    toneF: assumed(picofarad(defaults.toneNF * 1e3)),
  };
}

export function guitarOfClass(pickupClass: PickupClass, name: string, id = 'g1'): Guitar {
  return {
    id,
    name,
    kind: 'magnetic',
    ...pickupOfClass(pickupClass),
    wiring: 'modern',
    noLoad: false,
    bleed: 'none',
    bleedF: assumed(1e-9),
    bleedOhm: assumed(150e3),
    second: null,
    pickupSwitch: 'both',
    joint: 'parallel',
    outOfPhase: false,
    sharing: 'shared',
    potWiring: 'dependent',
    piezoF: assumed(picofarad(500)),
    outputOhm: assumed(1e3),
  };
}

/** Written so that 110 pF is the double nearest to 1.1e-10. */
export function picofarad(pF: number): number {
  return Number(`${pF}e-12`);
}
