import { deviceOfClass, entered } from '../gear';
import type { Device, Cable } from '../gear';
import { addTo, group, hangsOn, removeRows, rowsFor } from './composeBranch';
import { listOf, type Edit } from './edits';
import { allDevices, findDevice, mainRow, rowOf } from './chain';
import type { Row, Scene } from './electrical';
import { freshId } from './ids';
import { partsOf, type Rig } from './rig';
import { switchesOfDevice } from './switchState';
import { usualPatch } from './usualLengths';

/// Edits for the things people do to a rig: put in, take out, stand a buffer, plug in a second guitar.

/** Puts a device as it is into gap `gap` of a row, with a patch to its neighbour. */
export function insertDevice(
  rig: Rig,
  gap: number,
  device: Omit<Device, 'id'>,
  rowId = mainRow(rig).id,
): Edit {
  const row = rig.electrical.rows.find(({ id }) => id === rowId)!;
  const placed: Device = { ...device, id: freshId(rig, 'd') };
  const cables = newCables(rig, row, gap);
  const splice: Edit = {
    kind: 'splice',
    row: rowId,
    at: gap,
    remove: 0,
    devices: [placed],
    cables,
    positions: {},
    // Where the mains are off, they are off for what comes in too.
    ...(rig.state.unpowered.length > 0 && { unpowered: [placed.id] }),
  };
  return group(
    splice,
    ...rowsFor(
      rig,
      placed,
      cables.map(({ id }) => id),
    ),
  );
}

/**
 * The long cable at either end of a row stays whole. With nothing on the board yet, the one cable becomes
 * the cable in and a like one leads out; a connection without a cable gets two patches.
 */
function newCables(rig: Rig, row: Row, gap: number): readonly Cable[] {
  const existing = row.cables[gap]!;
  const patch = usualPatch(rig, freshId(rig, 'l'));
  if (existing === null) return [patch, usualPatch(rig, freshId(rig, 'l', 1))];
  if (row.devices.length === 0 && row.at.kind !== 'loop')
    return [existing, { ...existing, id: patch.id }];
  return gap === row.devices.length ? [patch, existing] : [existing, patch];
}

export function insertBuffer(rig: Rig, gap: number, rowId?: string): Edit {
  return insertDevice(rig, gap, deviceOfClass('buffer', '', 'buffer'), rowId);
}

/**
 * Takes a device out, with the rows and ends that hang on it. Of the two cables at it, the longer one
 * stays: a patch goes, a cable in or out does not.
 */
export function removeDevice(rig: Rig, id: string): Edit {
  const row = rowOf(rig, id)!;
  const index = row.devices.findIndex((device) => device.id === id);
  const [before, after] = [row.cables[index]!, row.cables[index + 1]!];
  const length = (cable: Cable | null) => cable?.lengthM.value ?? -1;
  const kept = length(before) >= length(after) ? before : after;
  const hanging = rig.electrical.rows.filter((other) => hangsOn(rig, other, id));
  return group(...removeRows(rig, hanging), {
    kind: 'splice',
    row: row.id,
    at: index,
    remove: 1,
    devices: [],
    cables: [kept],
    positions: {},
  });
}

/** A cable at a length set by hand. */
export function setCableLength(cableId: string, lengthM: number): Edit {
  return {
    kind: 'set',
    target: { of: 'cable', id: cableId },
    field: 'lengthM',
    to: entered(lengthM),
  };
}

export function toggleSwitch(rig: Rig, switchId: string): Edit {
  const linked = rig.electrical.links.find((link) => link.includes(switchId)) ?? [switchId];
  const on = !(rig.state.positions[switchId] ?? false);
  const known = linked.filter((id) => findDevice(rig, id.split('.')[0]!));
  return { kind: 'switch', positions: Object.fromEntries(known.map((id) => [id, on])) };
}

/** Stands the rig in a scene: every switch it has, on or off; what the scene names and the rig lacks is left out. */
export function recallScene(rig: Rig, { state }: Scene): Edit {
  const ids = allDevices(rig).flatMap(switchesOfDevice);
  const known = rig.electrical.guitars.some(({ id }) => id === state.playing);
  return {
    kind: 'switch',
    positions: Object.fromEntries(ids.map((id) => [id, state.positions[id] === true])),
    playing: known || state.playing === null ? state.playing : rig.state.playing,
    unpowered: state.unpowered.filter((id) => findDevice(rig, id)),
  };
}

/** Lets a switch act together with another one and all that this is linked to; or by itself again. */
export function linkSwitch(rig: Rig, id: string, other: string | null): Edit {
  const rest = rig.electrical.links
    .map((link) => link.filter((linked) => linked !== id))
    .filter((link) => link.length > 1);
  if (other === null) return { kind: 'assign', field: 'links', to: rest };
  const existing = rest.find((link) => link.includes(other)) ?? [other];
  const joined = [...existing, id];
  const on = rig.state.positions[other] ?? false;
  return group(
    { kind: 'assign', field: 'links', to: [...rest.filter((link) => link !== existing), joined] },
    { kind: 'switch', positions: { [id]: on } },
  );
}

/** Keeps the switches as they stand under a name. */
export function keepScene(rig: Rig, name: string): Edit {
  const scene: Scene = { id: freshId(rig, 's'), name, state: rig.state };
  return addTo(rig, 'scenes', [scene]);
}

/** Keeps the rig as it is to compare with. */
export function pinRig(rig: Rig, name: string): Edit {
  return addTo(rig, 'pins', [{ id: freshId(rig, 'p'), name, rig: partsOf(rig) }]);
}

export function removeFrom(rig: Rig, of: 'scenes' | 'places' | 'pins', id: string): Edit {
  const at = listOf(rig, of).findIndex((thing) => thing.id === id);
  return { kind: 'list', of, at, remove: 1, insert: [] };
}
