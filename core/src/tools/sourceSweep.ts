import { PICKUP_CLASSES, guitarOfClass, type Guitar, type PickupClass } from '../gear';
import { measureRig, type Resonance } from '../figures';
import { LEAD_CLASSES, leadOfClass, type LeadClass } from '../gear';
import { findLead, withPart, type Rig } from '../rig';

/** The same chain from one source. */
export interface SweptSource {
  readonly name: string;
  /** A guitar of the rig, or typical of its class. */
  readonly isOwn: boolean;
  readonly trebleDb: number;
  readonly levelDb: number;
  readonly resonance: Resonance;
  /** Against the same source by the reference lead. */
  readonly referenceResonance: Resonance;
}

/** The same chain driven by each guitar of the rig and by each pickup class, side by side. */
export function sweepSources(rig: Rig): readonly SweptSource[] {
  const own = rig.guitars.map((guitar) => ({ guitar, isOwn: true }));
  const typical = (Object.keys(PICKUP_CLASSES) as PickupClass[]).map((name) => ({
    guitar: guitarOfClass(name, PICKUP_CLASSES[name].label),
    isOwn: false,
  }));
  return [...own, ...typical].flatMap(({ guitar, isOwn }): SweptSource[] => {
    const measured = measureRig(drivenBy(rig, guitar));
    if (measured.kind !== 'sounding') return [];
    const { figures, resonance, referenceResonance } = measured;
    const { trebleDb, levelDb } = figures;
    return [{ name: guitar.name, isOwn, trebleDb, levelDb, resonance, referenceResonance }];
  });
}

/** The rig with another guitar in the hands of whoever plays. */
function drivenBy(rig: Rig, guitar: Guitar): Rig {
  const id = rig.standing.playing ?? rig.guitars[0]!.id;
  return {
    ...rig,
    guitars: rig.guitars.map((other) => (other.id === id ? { ...guitar, id } : other)),
  };
}

/** What one change would do to the sound at the end, against what is there now. */
export interface WhatIf {
  readonly kind: 'pickup' | 'lead';
  readonly name: string;
  readonly resonanceHz: number | null;
  /** Change of the absolute treble (mean of 2–8 kHz over the level at 400 Hz), dB. */
  readonly trebleDb: number;
}

/**
 * A changed pickup beside a changed lead, each as it would sound at the end: the pickups against each other
 * by their absolute response, since each of them has another straight-in.
 */
export function pickupOrLead(rig: Rig, leadId: string): readonly WhatIf[] {
  const lead = findLead(rig, leadId);
  const now = absolute(rig);
  if (!lead || !now) return [];
  const guitar = rig.guitars.find(({ id }) => id === rig.standing.playing) ?? rig.guitars[0]!;
  const pickups = (Object.keys(PICKUP_CLASSES) as PickupClass[])
    .filter((name) => name !== guitar.pickupClass)
    .map((name) => ({
      kind: 'pickup' as const,
      name: PICKUP_CLASSES[name].label,
      rig: drivenBy(rig, guitarOfClass(name, name)),
    }));
  const withLead = (change: object) =>
    withPart(rig, { of: 'lead', id: leadId }, { ...lead, ...change });
  const halved = { ...lead.lengthM, value: lead.lengthM.value / 2 };
  const leads = [
    { kind: 'lead' as const, name: 'half as long', rig: withLead({ lengthM: halved }) },
    ...(Object.keys(LEAD_CLASSES) as LeadClass[])
      .filter((name) => name !== lead.leadClass && name !== 'coiled')
      .map((name) => ({
        kind: 'lead' as const,
        name: LEAD_CLASSES[name].label,
        rig: withLead({ cPerMF: leadOfClass(name, '', lead.lengthM).cPerMF }),
      })),
  ];
  return [...pickups, ...leads].flatMap(({ kind, name, rig: changed }): WhatIf[] => {
    const then = absolute(changed);
    if (!then) return [];
    return [{ kind, name, resonanceHz: then.hz, trebleDb: then.trebleDb - now.trebleDb }];
  });
}

function absolute(rig: Rig): { readonly trebleDb: number; readonly hz: number | null } | null {
  const measured = measureRig(rig);
  if (measured.kind !== 'sounding') return null;
  const { resonance, absoluteTrebleDb } = measured;
  return {
    trebleDb: absoluteTrebleDb,
    hz: resonance.kind === 'resonance' ? resonance.frequencyHz : null,
  };
}
