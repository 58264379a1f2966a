import type { Device } from '../gear';

/** Foot-switches, selectors and power as they stand: a small document of its own. */
export interface SwitchState {
  /** By switch id: a device's own, or "d3.2" for the third loop of d3. True is engaged, no entry is off. */
  readonly positions: Readonly<Record<string, boolean>>;
  /** The guitar that is heard; null is a selector on nothing. */
  readonly playing: string | null;
  /** Devices that have no power. */
  readonly unpowered: readonly string[];
}

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
