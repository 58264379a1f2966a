import type { Amp, Device, Guitar, Lead, ReferenceLead } from '../gear';

export const RIG_FORMAT = 1;
export const MOST_DEVICES = 64;
export const LONGEST_NAME = 80;
export const LONGEST_NOTE = 2000;

/**
 * A rig: guitar, a row of devices, an amplifier, and the leads between them.
 * `leads[i]` arrives at `devices[i]`; the last one arrives at the amplifier, so there is always one
 * lead more than devices.
 */
export interface Rig {
  readonly format: typeof RIG_FORMAT;
  readonly name: string;
  readonly player: string;
  readonly note: string;
  readonly guitar: Guitar;
  readonly devices: readonly Device[];
  readonly leads: readonly Lead[];
  readonly amp: Amp;
  readonly reference: ReferenceLead;
  /** Foot-switch positions by device id; true is engaged, no entry is off. */
  readonly positions: Readonly<Record<string, boolean>>;
}

export const isEngaged = (rig: Rig, device: Device): boolean =>
  device.bypass === 'alwaysOn' || rig.positions[device.id] === true;

/** A foot-switch that changes anything: an always-on device has none. */
export const hasSwitch = (device: Device): boolean => device.bypass !== 'alwaysOn';

/** The first unused id with this prefix: "d1", "d2", … */
export function freshId(rig: Rig, prefix: 'd' | 'l', taken: readonly string[] = []): string {
  let most = 0;
  const ids = [...rig.devices, ...rig.leads].map((thing) => thing.id).concat(taken);
  for (const id of ids) {
    const match = /^([a-z]+)(\d+)$/u.exec(id);
    if (match?.[1] === prefix) most = Math.max(most, Number(match[2]));
  }
  return `${prefix}${most + 1}`;
}
