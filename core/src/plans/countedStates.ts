import { wantsPickup } from '../gear';
import { allDevices, knownState, switchesOfDevice, type Rig, type SwitchState } from '../rig';

/// In which states of the switches a rig is judged.

/** Which scenes count: those that are kept and not left out, else the sound of the pedals that are left on. */
export function countedScenes(rig: Rig): readonly SwitchState[] {
  const scenes = rig.electrical.scenes.filter(({ id }) => !rig.texts.brief.uncounted.includes(id));
  if (scenes.length > 0)
    return scenes.map(({ state }) => ({ ...knownState(rig, state), unpowered: [] }));
  return [{ positions: leftOnIn(rig), playing: rig.state.playing, unpowered: [] }];
}

/** The switches of pedals that are left on. */
export function leftOnIn(rig: Rig): Record<string, boolean> {
  const on = allDevices(rig).filter(({ id }) => rig.texts.brief.uses[id] === 'leftOn');
  return Object.fromEntries(on.flatMap(switchesOfDevice).map((id) => [id, true]));
}

/**
 * Switches that stand still while the spread is taken: pedals that are left on, and every low-impedance fuzz,
 * which is meant to change the sound.
 */
export function stillSwitches(rig: Rig): ReadonlyMap<string, boolean> {
  const still = new Map(Object.entries(leftOnIn(rig)));
  for (const device of allDevices(rig)) if (wantsPickup(device)) still.set(device.id, false);
  return still;
}
