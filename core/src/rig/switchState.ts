import type { Device, Guitar } from '../gear';
import { allDevices, type Chain } from './electrical';

/** Foot-switches, selectors and power as they stand: a small document of its own. */
export interface SwitchState {
  /** By switch id: a device's own, or "d3.2" for the third loop of d3. True is engaged, no entry is off. */
  readonly positions: Readonly<Record<string, boolean>>;
  /** The guitar that is heard; null is a selector on nothing. */
  readonly playing: string | null;
  /** Devices that have no power. */
  readonly unpowered: readonly string[];
}

/** The guitar that plays, or the first one while none does. */
export const playingGuitar = ({ electrical: { guitars }, state }: Chain): Guitar =>
  guitars.find(({ id }) => id === state.playing) ?? guitars[0]!;

/** A scene may name a guitar that is out of the rig by now: the first one plays instead. */
export function knownState({ electrical: { guitars } }: Chain, state: SwitchState): SwitchState {
  const isKnown = state.playing === null || guitars.some(({ id }) => id === state.playing);
  return isKnown ? state : { ...state, playing: guitars[0]!.id };
}

export const isEngaged = ({ state }: Chain, device: Device): boolean =>
  device.bypass === 'alwaysOn' || state.positions[device.id] === true;

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

/** All that the mains feed: what is without power when they fail. */
export const withoutMains = (chain: Chain): readonly string[] =>
  allDevices(chain).map(({ id }) => id);
