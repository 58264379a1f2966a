import {
  CABLE_CLASSES,
  PICKUP_CLASSES,
  cableOfClass,
  guitarOfClass,
  type CableClass,
  type Guitar,
  type PickupClass,
} from '../gear';
import { measureRig, type Resonance } from '../figures';
import { findCable, playingGuitar, withElectrical, withElectricalPart, type Chain } from '../rig';

/** The same chain from one source. */
export interface SweptSource {
  readonly name: string;
  /** A guitar of the rig, or typical of its class. */
  readonly isOwn: boolean;
  readonly trebleDb: number;
  readonly levelDb: number;
  readonly resonance: Resonance;
  /** Against the same source by the reference cable. */
  readonly referenceResonance: Resonance;
}

/** The same chain driven by each guitar of the rig and by each pickup class, side by side. */
export function sweepSources(rig: Chain): readonly SweptSource[] {
  const own = rig.electrical.guitars.map((guitar) => ({ guitar, isOwn: true }));
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
function drivenBy(rig: Chain, guitar: Guitar): Chain {
  const id = rig.state.playing ?? rig.electrical.guitars[0]!.id;
  return withElectrical(rig, {
    guitars: rig.electrical.guitars.map((other) => (other.id === id ? { ...guitar, id } : other)),
  });
}

/** What one change would do to the sound at the end, against what is there now. */
export interface WhatIf {
  readonly kind: 'pickup' | 'cable';
  readonly name: string;
  readonly resonanceHz: number | null;
  /** Change of the absolute treble (mean of 2–8 kHz over the level at 400 Hz), dB. */
  readonly trebleDb: number;
}

/**
 * A changed pickup beside a changed cable, each as it would sound at the end: the pickups against each other
 * by their absolute response, since each of them has another straight-in.
 */
export function pickupOrCable(rig: Chain, cableId: string): readonly WhatIf[] {
  const cable = findCable(rig, cableId);
  const now = absolute(rig);
  if (!cable || !now) return [];
  const guitar = playingGuitar(rig);
  const pickups = (Object.keys(PICKUP_CLASSES) as PickupClass[])
    .filter((name) => name !== guitar.pickupClass)
    .map((name) => ({
      kind: 'pickup' as const,
      name: PICKUP_CLASSES[name].label,
      rig: drivenBy(rig, guitarOfClass(name, name)),
    }));
  const withCable = (change: object) =>
    withElectricalPart(rig, { of: 'cable', id: cableId }, { ...cable, ...change });
  const halved = { ...cable.lengthM, value: cable.lengthM.value / 2 };
  const cables = [
    { kind: 'cable' as const, name: 'half as long', rig: withCable({ lengthM: halved }) },
    ...(Object.keys(CABLE_CLASSES) as CableClass[])
      .filter((name) => name !== cable.cableClass && name !== 'coiled')
      .map((name) => ({
        kind: 'cable' as const,
        name: CABLE_CLASSES[name].label,
        rig: withCable({ cPerMF: cableOfClass(name, '', cable.lengthM).cPerMF }),
      })),
  ];
  return [...pickups, ...cables].flatMap(({ kind, name, rig: changed }): WhatIf[] => {
    const then = absolute(changed);
    if (!then) return [];
    return [{ kind, name, resonanceHz: then.hz, trebleDb: then.trebleDb - now.trebleDb }];
  });
}

function absolute(rig: Chain): { readonly trebleDb: number; readonly hz: number | null } | null {
  const measured = measureRig(rig);
  if (measured.kind !== 'sounding') return null;
  const { resonance, absoluteTrebleDb } = measured;
  return {
    trebleDb: absoluteTrebleDb,
    hz: resonance.kind === 'resonance' ? resonance.frequencyHz : null,
  };
}
