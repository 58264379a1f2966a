import type { Device, End, Guitar, Lead, ReferenceLead, Sourced } from '../gear';
import type { Brief } from './brief';
import { remember } from './remember';

export const RIG_FORMAT = 3;
export const MOST_DEVICES = 64;
export const MOST_LOOPS = 12;
export const MOST_PINS = 4;
export const LONGEST_NAME = 80;
export const LONGEST_NOTE = 2000;

/** How many of each list a rig may have. */
export const MOST = {
  guitars: 8,
  rows: 40,
  ends: 8,
  scenes: 24,
  situations: 12,
  pins: MOST_PINS,
} as const;

/** Where a row begins and ends. */
export type RowPlace =
  /** From the first guitar to the first end. */
  | { readonly kind: 'main' }
  /** From another guitar into a selector on the main row. */
  | { readonly kind: 'guitar'; readonly guitar: string; readonly selector: string }
  /** From the side jack of a device to an end, or to the key input of a device. */
  | { readonly kind: 'side'; readonly device: string; readonly to: SideGoal }
  /** From the send of one loop of a device back to its return. */
  | { readonly kind: 'loop'; readonly device: string; readonly loop: number }
  /** From an amp's effects send to its return. */
  | { readonly kind: 'ampLoop'; readonly end: string };

export type SideGoal =
  | { readonly kind: 'end'; readonly end: string }
  | { readonly kind: 'key'; readonly device: string };

/**
 * Devices one behind the other. `leads[i]` arrives at `devices[i]`, the last one where the row ends, so
 * there is always one lead more than devices. Null is a lead that still has to be made.
 */
export interface Row {
  readonly id: string;
  readonly at: RowPlace;
  readonly devices: readonly Device[];
  readonly leads: readonly (Lead | null)[];
}

/** Foot-switches, selectors and power as they stand. */
export interface Standing {
  /** By switch id: a device's own, or "d3.2" for the third loop of d3. True is engaged, no entry is off. */
  readonly positions: Readonly<Record<string, boolean>>;
  /** The guitar that is heard; null is a selector on nothing. */
  readonly playing: string | null;
  readonly powered: boolean;
}

/** A named set of engaged pedals. It may name a pedal that is out of the rig for now. */
export interface Scene {
  readonly id: string;
  readonly name: string;
  readonly standing: Standing;
}

/** Where a rig is played, and how long its leads are there. A lead that it does not name stays as it is. */
export interface Situation {
  readonly id: string;
  readonly name: string;
  /** By lead. */
  readonly lengths: Readonly<Record<string, Sourced>>;
}

/** How a practitioner thinks about buffers and loss; judgements are made against it. */
export type ApproachKind = 'clear' | 'bookends' | 'oneBuffer' | 'steady' | 'shaped';

export interface Approach {
  readonly kind: ApproachKind;
  /** Where "shaped" wants the resonance, Hz. */
  readonly wantedHz: Sourced;
}

/** A state of the rig kept to compare with. */
export interface Pin {
  readonly id: string;
  readonly name: string;
  readonly rig: PinnedRig;
}

export type PinnedRig = Omit<Rig, 'pins'>;

/** A rig: guitars, rows of devices and leads, and what the rows end in. */
export interface Rig {
  readonly format: typeof RIG_FORMAT;
  readonly name: string;
  readonly player: string;
  readonly note: string;
  /** The first one plays into the main row; one without a row of its own takes the first one's lead. */
  readonly guitars: readonly Guitar[];
  /** The first one is the main row. */
  readonly rows: readonly Row[];
  /** The first one ends the main row. */
  readonly ends: readonly End[];
  readonly reference: ReferenceLead;
  readonly approach: Approach;
  readonly standing: Standing;
  readonly scenes: readonly Scene[];
  readonly situations: readonly Situation[];
  /** Switch ids that act together. */
  readonly links: readonly (readonly string[])[];
  /** Judgements that are not to be said again. */
  readonly silenced: readonly string[];
  readonly brief: Brief;
  readonly pins: readonly Pin[];
}

export const mainRow = (rig: Rig): Row => rig.rows[0]!;

const devicesOf = remember((rows: Rig['rows']) => rows.flatMap(({ devices }) => devices));
const leadsOf = remember((rows: Rig['rows']) =>
  rows.flatMap(({ leads }) => leads.filter((lead) => lead !== null)),
);

export const allDevices = ({ rows }: Pick<Rig, 'rows'>): readonly Device[] => devicesOf(rows);
export const allLeads = ({ rows }: Pick<Rig, 'rows'>): readonly Lead[] => leadsOf(rows);

export const findDevice = (rig: Rig, id: string): Device | undefined =>
  allDevices(rig).find((device) => device.id === id);

export const findLead = (rig: Rig, id: string): Lead | undefined =>
  allLeads(rig).find((lead) => lead.id === id);

/** The row a device stands in. */
export const rowOf = (rig: Rig, deviceId: string): Row | undefined =>
  rig.rows.find(({ devices }) => devices.some(({ id }) => id === deviceId));

/** The guitar that plays, or the first one while none does. */
export const playingGuitar = ({ guitars, standing }: Rig): Guitar =>
  guitars.find(({ id }) => id === standing.playing) ?? guitars[0]!;

/** A scene may name a guitar that is out of the rig by now: the first one plays instead. */
export function knownStanding(rig: Rig, standing: Standing): Standing {
  const isKnown =
    standing.playing === null || rig.guitars.some(({ id }) => id === standing.playing);
  return isKnown ? standing : { ...standing, playing: rig.guitars[0]!.id };
}

export const isEngaged = ({ standing }: Rig, device: Device): boolean =>
  device.bypass === 'alwaysOn' || standing.positions[device.id] === true;

/** A foot-switch that changes anything: an always-on or passive device has none. */
export const hasSwitch = ({ bypass }: Device): boolean =>
  bypass !== 'alwaysOn' && bypass !== 'passive';

export const loopSwitch = (deviceId: string, loop: number): string => `${deviceId}.${loop}`;

/** Every switch id of a device: its own, or one for each loop of a switcher. */
export function switchesOfDevice(device: Device): readonly string[] {
  const own = hasSwitch(device) ? [device.id] : [];
  if (device.insert !== 'switched') return own;
  return [...own, ...Array.from({ length: device.loops }, (_, k) => loopSwitch(device.id, k))];
}

type IdPrefix = 'g' | 'd' | 'l' | 'r' | 'e' | 's' | 'w' | 'p';

/** The first unused id with this prefix: "d1", "d2", … */
export function freshId(rig: Rig, prefix: IdPrefix, taken: readonly string[] = []): string {
  let most = 0;
  const parts = [
    ...rig.guitars,
    ...rig.rows,
    ...rig.ends,
    ...rig.scenes,
    ...rig.situations,
    ...rig.pins,
    ...allDevices(rig),
    ...allLeads(rig),
  ];
  const look = (id: string): void => {
    const number = id.startsWith(prefix) ? Number(id.slice(prefix.length)) : NaN;
    if (number > most) most = number;
  };
  for (const { id } of parts) look(id);
  taken.forEach(look);
  return `${prefix}${most + 1}`;
}
