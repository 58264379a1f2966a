import { wantsPickup, type Device } from '../gear';
import {
  allDevices,
  hasSwitch,
  knownState,
  loopSwitch,
  rowOf,
  switchesOfDevice,
  type Rig,
  type SwitchState,
} from '../rig';

/// In which states of the switches a rig is judged.

/** Which scenes count: those that are kept and not left out, else the sound of the pedals that are left on. */
export function countedScenes(rig: Rig): readonly SwitchState[] {
  const scenes = rig.electrical.scenes.filter(({ id }) => !rig.texts.brief.uncounted.includes(id));
  if (scenes.length > 0)
    return scenes.map(({ state }) => ({ ...knownState(rig, state), unpowered: [] }));
  return [{ positions: leftOnIn(rig), playing: rig.state.playing, unpowered: [] }];
}

/** A state of the switches that the player uses, by its name. */
export interface UsedState {
  readonly name: string;
  readonly state: SwitchState;
}

/**
 * The states that the player uses: the counted scenes, or where there are none all off, as it stands now, and
 * each pedal alone; what is left on is on in all of them.
 */
export function usedStates(rig: Rig): readonly UsedState[] {
  const scenes = rig.electrical.scenes.filter(({ id }) => !rig.texts.brief.uncounted.includes(id));
  if (scenes.length > 0)
    return scenes.map(({ name, state }) => ({
      name,
      state: { ...knownState(rig, state), unpowered: [] },
    }));
  const { playing } = rig.state;
  const still = leftOnIn(rig);
  const used = (name: string, positions: SwitchState['positions']): UsedState => ({
    name,
    state: { positions: { ...still, ...positions }, playing, unpowered: [] },
  });
  return [
    used(Object.keys(still).length > 0 ? 'what is left on' : 'all off', {}),
    used('as it stands', rig.state.positions),
    ...allDevices(rig)
      .filter((device) => hasSwitch(device) && !device.mutes && still[device.id] !== true)
      .map((device) =>
        used(`${device.name} alone`, { [device.id]: true, ...loopAround(rig, device) }),
      ),
  ];
}

/** The loop of a switcher that a device stands in, switched in. */
function loopAround(rig: Rig, { id }: Device): SwitchState['positions'] {
  const at = rowOf(rig, id)?.at;
  return at?.kind === 'loop' ? { [loopSwitch(at.device, at.loop)]: true } : {};
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
