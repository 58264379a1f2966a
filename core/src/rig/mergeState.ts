import { allDevices, type Chain } from './chain';
import { switchesOfDevice, type SwitchState } from './switchState';

/**
 * Foot-switches, selector and power after two hands were at them: what either changed stands, and where both
 * changed the same one, mine. What the rig has not is left out.
 *
 * @param rig whose switches they are, by its electrical part
 * @param before what both started from
 */
export function mergeState(
  rig: Pick<Chain, 'electrical'>,
  before: SwitchState,
  mine: SwitchState,
  theirs: SwitchState,
): SwitchState {
  const devices = allDevices(rig);
  const on = (state: SwitchState, id: string) => state.positions[id] ?? false;
  const isOut = (state: SwitchState, id: string) => state.unpowered.includes(id);
  const merged = <T>(of: (state: SwitchState) => T): T =>
    of(mine) === of(before) ? of(theirs) : of(mine);
  // The position of a switch stays while the device has none for now.
  const switches = new Set(devices.flatMap((device) => [device.id, ...switchesOfDevice(device)]));
  const positions = [...switches]
    .filter((id) => id in mine.positions || id in theirs.positions)
    .map((id) => [id, merged((state) => on(state, id))] as const);
  const playing = merged((state) => state.playing);
  const isThere = playing === null || rig.electrical.guitars.some(({ id }) => id === playing);
  const both = {
    positions: Object.fromEntries(positions),
    playing: isThere ? playing : mine.playing,
    unpowered: devices.map(({ id }) => id).filter((id) => merged((state) => isOut(state, id))),
  };
  return [mine, theirs].find((one) => isSameState(one, both)) ?? both;
}

/** Whether two states are the same in every switch: one that is named and off is as one that is not named. */
export function isSameState(one: SwitchState, other: SwitchState): boolean {
  const engaged = ({ positions }: SwitchState) =>
    Object.keys(positions).filter((id) => positions[id]);
  const isSameSet = (a: readonly string[], b: readonly string[]) =>
    a.length === b.length && a.every((id) => b.includes(id));
  return (
    one.playing === other.playing &&
    isSameSet(engaged(one), engaged(other)) &&
    isSameSet(one.unpowered, other.unpowered)
  );
}
