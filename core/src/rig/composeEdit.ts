import { deviceOfClass, entered, patchLead } from '../gear';
import type { Device, Lead } from '../gear';
import { addTo, group, hangsOn, removeRows, rowsFor } from './composeBranch';
import type { Edit } from './edit';
import {
  allDevices,
  findDevice,
  freshId,
  mainRow,
  rowOf,
  switchesOfDevice,
  type Rig,
  type Row,
  type Scene,
} from './rig';

/// Edits for the things people do to a rig: put in, take out, stand a buffer, plug in a second guitar.

/** Puts a device as it is into gap `gap` of a row, with a patch to its neighbour. */
export function insertDevice(
  rig: Rig,
  gap: number,
  device: Omit<Device, 'id'>,
  rowId = mainRow(rig).id,
): Edit {
  const row = rig.rows.find(({ id }) => id === rowId)!;
  const placed: Device = { ...device, id: freshId(rig, 'd') };
  const leads = newLeads(rig, row, gap);
  const splice: Edit = {
    kind: 'splice',
    row: rowId,
    at: gap,
    remove: 0,
    devices: [placed],
    leads,
    positions: {},
  };
  return group(
    splice,
    ...rowsFor(
      rig,
      placed,
      leads.map(({ id }) => id),
    ),
  );
}

/**
 * The long lead at either end of a row stays whole. With nothing on the board yet, the one lead becomes
 * the lead in and a like one leads out; a hop without a lead gets two patches.
 */
function newLeads(rig: Rig, row: Row, gap: number): readonly Lead[] {
  const existing = row.leads[gap]!;
  const patch = patchLead(freshId(rig, 'l'));
  if (existing === null) return [patch, patchLead(freshId(rig, 'l', [patch.id]))];
  if (row.devices.length === 0 && row.at.kind !== 'loop')
    return [existing, { ...existing, id: patch.id }];
  return gap === row.devices.length ? [patch, existing] : [existing, patch];
}

export function insertBuffer(rig: Rig, gap: number, rowId?: string): Edit {
  return insertDevice(rig, gap, deviceOfClass('buffer', '', 'buffer'), rowId);
}

/**
 * Takes a device out, with the rows and ends that hang on it. Of the two leads at it, the longer one
 * stays: a patch goes, a lead in or out does not.
 */
export function removeDevice(rig: Rig, id: string): Edit {
  const row = rowOf(rig, id)!;
  const index = row.devices.findIndex((device) => device.id === id);
  const [before, behind] = [row.leads[index]!, row.leads[index + 1]!];
  const length = (lead: Lead | null) => lead?.lengthM.value ?? -1;
  const kept = length(before) >= length(behind) ? before : behind;
  const hanging = rig.rows.filter((other) => hangsOn(rig, other, id));
  return group(...removeRows(rig, hanging), {
    kind: 'splice',
    row: row.id,
    at: index,
    remove: 1,
    devices: [],
    leads: [kept],
    positions: {},
  });
}

/** A lead at a length set by hand. */
export function setLeadLength(leadId: string, lengthM: number): Edit {
  return {
    kind: 'set',
    target: { of: 'lead', id: leadId },
    field: 'lengthM',
    to: entered(lengthM),
  };
}

export function stampSwitch(rig: Rig, switchId: string): Edit {
  const linked = rig.links.find((link) => link.includes(switchId)) ?? [switchId];
  const on = !(rig.standing.positions[switchId] ?? false);
  const known = linked.filter((id) => findDevice(rig, id.split('.')[0]!));
  return { kind: 'stamp', positions: Object.fromEntries(known.map((id) => [id, on])) };
}

/** Stands the rig in a scene: every switch it has, on or off; what the scene names and the rig lacks is left out. */
export function standIn(rig: Rig, { standing }: Scene): Edit {
  const ids = allDevices(rig).flatMap(switchesOfDevice);
  const known = rig.guitars.some(({ id }) => id === standing.playing);
  return {
    kind: 'stamp',
    positions: Object.fromEntries(ids.map((id) => [id, standing.positions[id] === true])),
    playing: known || standing.playing === null ? standing.playing : rig.standing.playing,
    powered: standing.powered,
  };
}

/** Lets a switch act together with another one and all that this is linked to; or by itself again. */
export function linkSwitch(rig: Rig, id: string, other: string | null): Edit {
  const rest = rig.links
    .map((link) => link.filter((linked) => linked !== id))
    .filter((link) => link.length > 1);
  if (other === null) return { kind: 'assign', field: 'links', to: rest };
  const existing = rest.find((link) => link.includes(other)) ?? [other];
  const joined = [...existing, id];
  const on = rig.standing.positions[other] ?? false;
  return group(
    { kind: 'assign', field: 'links', to: [...rest.filter((link) => link !== existing), joined] },
    { kind: 'stamp', positions: { [id]: on } },
  );
}

/** Keeps the switches as they stand under a name. */
export function keepScene(rig: Rig, name: string): Edit {
  const scene: Scene = { id: freshId(rig, 's'), name, standing: rig.standing };
  return addTo(rig, 'scenes', [scene]);
}

/** Keeps the rig as it is to compare with. */
export function pinRig(rig: Rig, name: string): Edit {
  const { pins: _, ...pinned } = rig;
  return addTo(rig, 'pins', [{ id: freshId(rig, 'p'), name, rig: pinned }]);
}

export function removeFrom(rig: Rig, of: 'scenes' | 'situations' | 'pins', id: string): Edit {
  const at = rig[of].findIndex((thing) => thing.id === id);
  return { kind: 'list', of, at, remove: 1, insert: [] };
}
