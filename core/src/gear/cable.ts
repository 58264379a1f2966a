import { picofarad } from './guitar';
import { assumed, entered, type Sourced } from './sourced';

export type CableClass = 'veryLow' | 'low' | 'ordinary' | 'high' | 'coiled';

export interface Cable {
  readonly id: string;
  readonly name: string;
  readonly cableClass: CableClass;
  readonly lengthM: Sourced;
  readonly cPerMF: Sourced;
  readonly rPerMOhm: Sourced;
  readonly lPerMH: Sourced;
  /** One plug; a cable has two. */
  readonly plugF: Sourced;
  /** Conductor per metre of reach: 1 for a straight cable, about 5 for a coiled one. */
  readonly coil: Sourced;
  /** A capacitor in the plug, for those who want one. */
  readonly addedF: Sourced;
  /** Whether its switch stands at "in". */
  readonly added: boolean;
  /** The entry of the gear list it was taken from. */
  readonly gear?: string;
  /** Between tip and sleeve of a cable that is broken, Ω: what measurements suspect, never part of a saved rig. */
  readonly leakOhm?: number;
}

/** Conductor from plug to plug, m: what the electricity sees of a cable. */
export const conductorM = ({ lengthM, coil }: Cable): number => lengthM.value * coil.value;

export const CABLE_CLASSES: Readonly<Record<CableClass, { label: string; cPerMPF: number }>> = {
  veryLow: { label: 'very low capacitance', cPerMPF: 60 },
  low: { label: 'low capacitance', cPerMPF: 85 },
  ordinary: { label: 'ordinary', cPerMPF: 110 },
  high: { label: 'high capacitance', cPerMPF: 160 },
  coiled: { label: 'coiled', cPerMPF: 120 },
};

const COIL = 5;

export const PATCH_LENGTH_M = 0.3;

export function cableOfClass(
  cableClass: CableClass,
  id: string,
  lengthM: Sourced,
  name?: string,
): Cable {
  return {
    id,
    name: name ?? `${CABLE_CLASSES[cableClass].label} cable`,
    cableClass,
    lengthM,
    cPerMF: assumed(picofarad(CABLE_CLASSES[cableClass].cPerMPF)),
    rPerMOhm: assumed(0.1),
    lPerMH: assumed(0.5e-6),
    plugF: assumed(picofarad(15)),
    coil: assumed(cableClass === 'coiled' ? COIL : 1),
    addedF: assumed(picofarad(470)),
    added: false,
  };
}

/** A patch of the usual length and kind, as it is added with a pedal. */
export function patchCable(id: string): Cable {
  return cableOfClass('ordinary', id, assumed(PATCH_LENGTH_M), 'patch');
}

/** The cable a rig is compared with until the user sets another: 3 m of 100 pF/m, no plugs. */
export interface ReferenceCable {
  readonly lengthM: Sourced;
  readonly cPerMF: Sourced;
}

export const DEFAULT_REFERENCE_CABLE: ReferenceCable = {
  lengthM: entered(3),
  cPerMF: entered(picofarad(100)),
};
