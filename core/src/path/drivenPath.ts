import type { LeadElement, Load, PathElement, Section, Source } from '../circuit';
import type { Amp, Device, Guitar, Lead, Pot, ReferenceLead, Side } from '../gear';
import { isEngaged, type Rig } from '../rig';

/** What a device is in the path, as its switch stands. */
export type DeviceRole = 'driver' | 'wire' | 'loadedWire' | 'mute';

/** A thing a section runs through, by its index in the rig. */
export interface Hop {
  readonly kind: 'lead' | 'device';
  readonly index: number;
}

/** One driver and everything passive up to the next one. */
export interface DrivenSection {
  /** Index of the driving device; −1 is the guitar. */
  readonly driver: number;
  /** Index of the device whose input ends the section; `devices.length` is the amp. */
  readonly endsAt: number;
  readonly hops: readonly Hop[];
  readonly circuit: Section;
  readonly leadM: number;
}

/** Driven sections from the guitar on. A muting device ends the last one early. */
export interface DrivenPath {
  readonly sections: readonly DrivenSection[];
  /** Index of the engaged device that lets nothing through, if there is one. */
  readonly mutedBy: number | null;
}

export const GUITAR = -1;

export function roleOf(rig: Rig, device: Device): DeviceRole {
  if (isEngaged(rig, device)) return device.mutes ? 'mute' : 'driver';
  return offRole(device);
}

/** What a device is while it is off. */
export function offRole(device: Device): Exclude<DeviceRole, 'mute'> {
  const bypass = device.bypass === 'switchable' ? device.bypassChoice : device.bypass;
  if (bypass === 'buffered') return 'driver';
  return bypass === 'loaded' ? 'loadedWire' : 'wire';
}

/** The side of a driving device that acts now. */
export const actingSide = (rig: Rig, device: Device): Side =>
  isEngaged(rig, device) ? device.on : device.off;

/** Cuts a rig, as its switches stand, into driven sections. */
export function drivePath(rig: Rig): DrivenPath {
  const sections: DrivenSection[] = [];
  let driver = GUITAR;
  let hops: Hop[] = [{ kind: 'lead', index: 0 }];
  for (const [index, device] of rig.devices.entries()) {
    const role = roleOf(rig, device);
    if (role === 'driver' || role === 'mute') {
      sections.push(closeSection(rig, driver, index, hops));
      if (role === 'mute') return { sections, mutedBy: index };
      driver = index;
      hops = [];
    } else hops.push({ kind: 'device', index });
    hops.push({ kind: 'lead', index: index + 1 });
  }
  sections.push(closeSection(rig, driver, rig.devices.length, hops));
  return { sections, mutedBy: null };
}

function closeSection(
  rig: Rig,
  driver: number,
  endsAt: number,
  hops: readonly Hop[],
): DrivenSection {
  const end = rig.devices[endsAt];
  const load = end ? inputLoad(actingSide(rig, end)) : ampLoad(rig.amp);
  const path = hops.flatMap((hop) => hopElements(rig, hop));
  let leadM = 0;
  for (const hop of hops) if (hop.kind === 'lead') leadM += rig.leads[hop.index]!.lengthM.value;
  return {
    driver,
    endsAt,
    hops,
    leadM,
    circuit: { source: driverSource(rig, driver), path, load },
  };
}

export function driverSource(rig: Rig, driver: number): Source {
  if (driver === GUITAR) return guitarSource(rig.guitar);
  return sideSource(actingSide(rig, rig.devices[driver]!));
}

/** The output of a driving device. */
export function sideSource({ rOutOhm, gainDb }: Side): Source {
  return { kind: 'voltage', rOutOhm: rOutOhm.value, gain: 10 ** (gainDb.value / 20) };
}

export function hopElements(rig: Rig, hop: Hop): readonly PathElement[] {
  if (hop.kind === 'lead') return [leadElement(rig.leads[hop.index]!)];
  const device = rig.devices[hop.index]!;
  return bypassElements(device, roleOf(rig, device) === 'loadedWire');
}

/** A bypassed device as a wire: its contacts, its strays, and its input where that stays on the line. */
export function bypassElements(device: Device, loaded: boolean): readonly PathElement[] {
  const wire: PathElement[] = [
    { kind: 'series', rOhm: device.contactOhm.value },
    { kind: 'shunt', rOhm: null, cF: device.strayF.value },
  ];
  if (!loaded) return wire;
  return [{ kind: 'shunt', rOhm: device.off.rInOhm.value, cF: device.off.cInF.value }, ...wire];
}

/** A lead with both its plugs. */
export function leadElement(lead: Lead): LeadElement {
  return {
    kind: 'lead',
    lengthM: lead.lengthM.value,
    cPerMF: lead.cPerMF.value,
    rPerMOhm: lead.rPerMOhm.value,
    lPerMH: lead.lPerMH.value,
    lossTangent: 0,
    plugsF: 2 * lead.plugF.value,
  };
}

export function inputLoad(side: Side): Load {
  return { rOhm: side.rInOhm.value, cF: side.cInF.value, grid: null };
}

export function ampLoad(amp: Amp): Load {
  if (amp.input === 'plain') return { rOhm: amp.rInOhm.value, cF: amp.cInF.value, grid: null };
  return {
    rOhm: amp.rInOhm.value,
    cF: 0,
    grid: { stopperOhm: amp.stopperOhm.value, millerF: amp.millerF.value },
  };
}

export function guitarSource(guitar: Guitar): Source {
  return {
    kind: 'pickup',
    lH: guitar.lH.value,
    rDcOhm: guitar.rDcOhm.value,
    cWindingF: guitar.cWindingF.value,
    rEddyOhm: guitar.rEddyOhm.value,
    controls: {
      wiring: guitar.wiring,
      volume: { potOhm: guitar.volume.potOhm.value, wiper: wiperFraction(guitar.volume) },
      tone: {
        potOhm: guitar.tone.potOhm.value,
        cF: guitar.toneF.value,
        remaining: wiperFraction(guitar.tone),
        noLoad: guitar.noLoad,
      },
      bleed: bleedOf(guitar),
    },
  };
}

function bleedOf({ bleed, bleedF, bleedOhm }: Guitar) {
  switch (bleed) {
    case 'none':
      return null;
    case 'capacitor':
      return { topology: bleed, cF: bleedF.value };
    default:
      return { topology: bleed, cF: bleedF.value, rOhm: bleedOhm.value };
  }
}

/**
 * Fraction of the track left at a pot's travel x: a = (β^x − 1)/(β − 1), β = (1/m − 1)², m what is left
 * at half travel; m = 0.5 is a linear taper, where the formula's limit is a = x.
 */
export function wiperFraction({ travel, midFraction }: Pot): number {
  const beta = (1 / midFraction.value - 1) ** 2;
  if (Math.abs(beta - 1) < 1e-9) return travel.value;
  return (beta ** travel.value - 1) / (beta - 1);
}

/** The same guitar by the reference lead straight into the same amp. */
export function referenceCircuit(rig: Rig): Section {
  return {
    source: guitarSource(rig.guitar),
    path: [referenceElement(rig.reference)],
    load: ampLoad(rig.amp),
  };
}

function referenceElement({ lengthM, cPerMF }: ReferenceLead): PathElement {
  return {
    kind: 'lead',
    lengthM: lengthM.value,
    cPerMF: cPerMF.value,
    rPerMOhm: 0.1,
    lPerMH: 0.5e-6,
    lossTangent: 0,
    plugsF: 0,
  };
}
