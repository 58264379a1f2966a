import { deviceOfClass, endOfKind, entered, leadOfClass, patchLead, type Device } from '../gear';
import type { Guitar, Lead } from '../gear';
import type { Edit, Lists } from './edit';
import {
  allDevices,
  findDevice,
  freshId,
  mainRow,
  rowOf,
  switchesOfDevice,
  type Rig,
  type Row,
  type RowPlace,
  type Scene,
} from './rig';

/// Edits for the things people do to a rig: put in, take out, stand a buffer, plug in a second guitar.

const group = (...edits: readonly (Edit | null)[]): Edit => {
  const some = edits.filter((edit) => edit !== null);
  return some.length === 1 ? some[0]! : { kind: 'group', edits: some };
};

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

/** The rows a device needs: one for each loop, and one from its side jack to a tuner or a second amp. */
function rowsFor(rig: Rig, device: Device, leadIds: readonly string[] = []): readonly Edit[] {
  const ids: string[] = [];
  const rows = Array.from({ length: device.loops }, (_, loop): Row => {
    const id = freshId(rig, 'r', ids);
    ids.push(id);
    return { id, at: { kind: 'loop', device: device.id, loop }, devices: [], leads: [null] };
  });
  const edits = rows.length > 0 ? [addTo(rig, 'rows', rows)] : [];
  if (device.sideJack === 'none') return edits;
  return [...edits, ...sideRow(rig, device, ids, leadIds)];
}

function sideRow(
  rig: Rig,
  device: Device,
  rowIds: readonly string[],
  leadIds: readonly string[],
): readonly Edit[] {
  const isSplitter = device.deviceClass.endsWith('Splitter');
  const end = isSplitter
    ? endOfKind('amp', 'second amp', freshId(rig, 'e'))
    : endOfKind('tuner', 'tuner', freshId(rig, 'e'));
  const leadId = freshId(rig, 'l', leadIds);
  const lead = isSplitter ? leadOfClass('ordinary', leadId, entered(6), 'lead') : patchLead(leadId);
  const row: Row = {
    id: freshId(rig, 'r', rowIds),
    at: { kind: 'side', device: device.id, to: { kind: 'end', end: end.id } },
    devices: [],
    leads: [lead],
  };
  return [
    addTo(rig, 'ends', [end]),
    { ...addTo(rig, 'rows', [row]), at: rig.rows.length + rowIds.length },
  ];
}

const addTo = <K extends keyof Lists>(rig: Rig, of: K, insert: Rig[K]) =>
  ({ kind: 'list', of, at: rig[of].length, remove: 0, insert }) as Extract<Edit, { kind: 'list' }>;

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

function hangsOn(rig: Rig, { at }: Row, deviceId: string): boolean {
  switch (at.kind) {
    case 'guitar':
      return at.selector === deviceId;
    case 'side':
    case 'loop': {
      if (at.device === deviceId || (at.kind === 'side' && keyOf(at) === deviceId)) return true;
      const parent = rowOf(rig, at.device);
      return parent !== undefined && hangsOn(rig, parent, deviceId);
    }
    default:
      return false;
  }
}

const keyOf = (at: Extract<RowPlace, { kind: 'side' }>): string | null =>
  at.to.kind === 'key' ? at.to.device : null;

/** Takes rows out, and the ends that only they reach. */
export function removeRows(rig: Rig, rows: readonly Row[]): readonly Edit[] {
  const goals = rows.flatMap(({ at }) =>
    at.kind === 'side' && at.to.kind === 'end' ? [at.to.end] : [],
  );
  const takeFrom = (of: 'rows' | 'ends', ids: readonly string[]) =>
    rig[of]
      .map(({ id }, at) => ({ id, at }))
      .filter(({ id }) => ids.includes(id))
      .reverse()
      .map(({ at }): Edit => ({ kind: 'list', of, at, remove: 1, insert: [] }));
  const devices = rows.flatMap((row) => row.devices);
  const off: Edit = {
    kind: 'stamp',
    positions: Object.fromEntries(
      Object.keys(rig.standing.positions)
        .filter((key) => devices.some(({ id }) => key === id || key.startsWith(`${id}.`)))
        .map((key) => [key, false]),
    ),
  };
  return [
    off,
    ...takeFrom(
      'rows',
      rows.map(({ id }) => id),
    ),
    ...takeFrom('ends', goals),
  ];
}

/** Gives a device another shape (its jacks, its loops), with the rows that this adds or takes. */
export function reshapeDevice(rig: Rig, to: Device): Edit {
  const gone = rig.rows.filter(
    ({ at }) =>
      (at.kind === 'loop' && at.device === to.id && at.loop >= to.loops) ||
      (at.kind === 'side' && at.device === to.id && to.sideJack === 'none') ||
      (at.kind === 'side' && keyOf(at) === to.id && to.insert !== 'own'),
  );
  const kept = rig.rows.filter((row) => !gone.includes(row));
  const shrunk = { ...rig, rows: kept };
  const had = kept.filter(({ at }) => at.kind === 'loop' && at.device === to.id).length;
  const hasSide = kept.some(({ at }) => at.kind === 'side' && at.device === to.id);
  const wanted = { ...to, sideJack: hasSide ? ('none' as const) : to.sideJack };
  const extra = rowsFor(shrunk, wanted).map((edit) =>
    edit.kind === 'list' && edit.of === 'rows' && had > 0
      ? { ...edit, insert: edit.insert.filter(({ at }) => at.kind !== 'loop' || at.loop >= had) }
      : edit,
  );
  const positions = Object.fromEntries(
    Object.keys(rig.standing.positions)
      .filter((key) => key.startsWith(`${to.id}.`) && Number(key.split('.')[1]) >= to.loops)
      .map((key) => [key, false]),
  );
  return group(
    { kind: 'stamp', positions },
    ...removeRows(rig, gone),
    { kind: 'replace', part: { of: 'device', to } },
    ...extra,
  );
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

/** Another guitar: into a selector by a lead of its own where one is named, else by the first one's lead. */
export function addGuitar(rig: Rig, guitar: Guitar, selectorId?: string): Edit {
  const id = freshId(rig, 'g');
  const placed: Edit = addTo(rig, 'guitars', [{ ...guitar, id }]);
  if (!selectorId) return group(placed, { kind: 'stamp', playing: id });
  const row: Row = {
    id: freshId(rig, 'r'),
    at: { kind: 'guitar', guitar: id, selector: selectorId },
    devices: [],
    leads: [leadOfClass('ordinary', freshId(rig, 'l'), entered(6), 'lead')],
  };
  return group(placed, addTo(rig, 'rows', [row]), { kind: 'stamp', playing: id });
}

/** Takes a guitar out, with its row; the first one stays. */
export function removeGuitar(rig: Rig, id: string): Edit {
  const at = rig.guitars.findIndex((guitar) => guitar.id === id);
  const rows = rig.rows.filter((row) => row.at.kind === 'guitar' && row.at.guitar === id);
  const playing = rig.standing.playing === id ? rig.guitars[0]!.id : rig.standing.playing;
  return group({ kind: 'stamp', playing }, ...removeRows(rig, rows), {
    kind: 'list',
    of: 'guitars',
    at,
    remove: 1,
    insert: [],
  });
}

/** A lead from an amp's effects send to its return, for pedals to go in. */
export function addAmpLoop(rig: Rig, endId: string): Edit {
  const row: Row = {
    id: freshId(rig, 'r'),
    at: { kind: 'ampLoop', end: endId },
    devices: [],
    leads: [leadOfClass('ordinary', freshId(rig, 'l'), entered(6), 'loom')],
  };
  return addTo(rig, 'rows', [row]);
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

export function removeFrom(rig: Rig, of: 'scenes' | 'pins', id: string): Edit {
  const at = rig[of].findIndex((thing) => thing.id === id);
  return { kind: 'list', of, at, remove: 1, insert: [] };
}
