import { deviceOfClass, entered, patchLead, type Device, type Lead } from '../gear';
import type { Edit } from './edit';
import { freshId, type Rig } from './rig';

/// Edits for the things people do to a row: put in, take out, stand a buffer.

/**
 * Puts a device into gap `gap` (the place of `leads[gap]`). The long lead at either end of the row
 * stays whole; a new patch joins the device to its neighbour on the board.
 */
export function insertDevice(rig: Rig, gap: number, device: Omit<Device, 'id'>): Edit {
  const placed: Device = { ...device, id: freshId(rig, 'd') };
  const existing = rig.leads[gap]!;
  const patch = patchLead(freshId(rig, 'l'));
  return {
    kind: 'splice',
    at: gap,
    remove: 0,
    devices: [placed],
    leads: newLeads(rig, gap, existing, patch),
    positions: {},
  };
}

/** With nothing on the board yet, the one lead becomes the lead in and a like one leads out to the amp. */
function newLeads(rig: Rig, gap: number, existing: Lead, patch: Lead): readonly Lead[] {
  if (rig.devices.length === 0) return [existing, { ...existing, id: patch.id }];
  return gap === rig.devices.length ? [patch, existing] : [existing, patch];
}

export function insertBuffer(rig: Rig, gap: number): Edit {
  return insertDevice(rig, gap, deviceOfClass('buffer', '', 'buffer'));
}

/**
 * Takes the device at `index` out. Of the two leads at it, the longer one stays: a patch goes, a lead
 * in or out does not.
 */
export function removeDevice(rig: Rig, index: number): Edit {
  const before = rig.leads[index]!;
  const behind = rig.leads[index + 1]!;
  const kept = before.lengthM.value >= behind.lengthM.value ? before : behind;
  return { kind: 'splice', at: index, remove: 1, devices: [], leads: [kept], positions: {} };
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

export function stampDevice(rig: Rig, deviceId: string): Edit {
  return { kind: 'stamp', positions: { [deviceId]: !(rig.positions[deviceId] ?? false) } };
}
