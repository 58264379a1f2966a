import { picofarad } from './guitar';
import { assumed, entered, type Sourced } from './sourced';

export type LeadClass = 'veryLow' | 'low' | 'ordinary' | 'high' | 'coiled';

export interface Lead {
  readonly id: string;
  readonly name: string;
  readonly leadClass: LeadClass;
  readonly lengthM: Sourced;
  readonly cPerMF: Sourced;
  readonly rPerMOhm: Sourced;
  readonly lPerMH: Sourced;
  /** One plug; a lead has two. */
  readonly plugF: Sourced;
  /** Conductor per metre of reach: 1 for a straight lead, about 5 for a coiled one. */
  readonly coil: Sourced;
  /** A capacitor in the plug, for those who want one. */
  readonly addedF: Sourced;
  /** Whether its switch stands at "in". */
  readonly added: boolean;
  /** The entry of the gear list it was taken from. */
  readonly gear?: string;
}

/** Conductor from plug to plug, m: what the electricity sees of a lead. */
export const conductorM = ({ lengthM, coil }: Lead): number => lengthM.value * coil.value;

export const LEAD_CLASSES: Readonly<Record<LeadClass, { label: string; cPerMPF: number }>> = {
  veryLow: { label: 'very low capacitance', cPerMPF: 60 },
  low: { label: 'low capacitance', cPerMPF: 85 },
  ordinary: { label: 'ordinary', cPerMPF: 110 },
  high: { label: 'high capacitance', cPerMPF: 160 },
  coiled: { label: 'coiled', cPerMPF: 120 },
};

const COIL = 5;

export const PATCH_LENGTH_M = 0.3;

export function leadOfClass(
  leadClass: LeadClass,
  id: string,
  lengthM: Sourced,
  name?: string,
): Lead {
  return {
    id,
    name: name ?? `${LEAD_CLASSES[leadClass].label} lead`,
    leadClass,
    lengthM,
    cPerMF: assumed(picofarad(LEAD_CLASSES[leadClass].cPerMPF)),
    rPerMOhm: assumed(0.1),
    lPerMH: assumed(0.5e-6),
    plugF: assumed(picofarad(15)),
    coil: assumed(leadClass === 'coiled' ? COIL : 1),
    addedF: assumed(picofarad(470)),
    added: false,
  };
}

/** A patch of the usual length and kind, as it is added with a pedal. */
export function patchLead(id: string): Lead {
  return leadOfClass('ordinary', id, assumed(PATCH_LENGTH_M), 'patch');
}

/** The lead a rig is compared with until the user sets another: 3 m of 100 pF/m, no plugs. */
export interface ReferenceLead {
  readonly lengthM: Sourced;
  readonly cPerMF: Sourced;
}

export const DEFAULT_REFERENCE_LEAD: ReferenceLead = {
  lengthM: entered(3),
  cPerMF: entered(picofarad(100)),
};
