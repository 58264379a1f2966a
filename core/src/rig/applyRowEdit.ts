import type { Device } from '../gear';
import type { Edit, EditResult } from './edit';
import {
  allDevices,
  MOST_DEVICES,
  switchesOfDevice,
  type Rig,
  type Row,
  type Standing,
} from './rig';

type EditOf<K extends Edit['kind']> = Extract<Edit, { kind: K }>;

const refused = (message: string): EditResult => ({ kind: 'refused', message });
const noRow = (id: string) => refused(`There is no row “${id}” in this rig.`);

const withRow = (rig: Rig, row: Row): Rig => ({
  ...rig,
  rows: rig.rows.map((other) => (other.id === row.id ? row : other)),
});

export function applySplice(rig: Rig, edit: EditOf<'splice'>): EditResult {
  const { at, remove, devices, leads } = edit;
  const row = rig.rows.find(({ id }) => id === edit.row);
  if (!row) return noRow(edit.row);
  const problem = spliceProblem(rig, row, edit);
  if (problem) return refused(problem);
  const gone = row.devices.slice(at, at + remove);
  const { positions } = rig.standing;
  const next = withRow(rig, {
    ...row,
    devices: row.devices.toSpliced(at, remove, ...devices),
    leads: row.leads.toSpliced(at, remove + 1, ...leads),
  });
  const inverse: Edit = {
    ...edit,
    remove: devices.length,
    devices: gone,
    leads: row.leads.slice(at, at + remove + 1),
    positions: pick(positions, gone),
  };
  const standing = {
    ...rig.standing,
    positions: { ...without(positions, gone), ...edit.positions },
  };
  return { kind: 'ok', rig: { ...next, standing }, inverse };
}

function spliceProblem(
  rig: Rig,
  row: Row,
  { at, remove, devices, leads }: EditOf<'splice'>,
): string | null {
  if (
    !Number.isInteger(at) ||
    !Number.isInteger(remove) ||
    at < 0 ||
    remove < 0 ||
    at + remove > row.devices.length
  ) {
    return `Places ${at} to ${at + remove} are not in this row of ${row.devices.length} devices.`;
  }
  if (leads.length !== devices.length + 1)
    return `Leads: ${leads.length} for ${devices.length} devices; every hop needs one.`;
  const total = allDevices(rig).length - remove + devices.length;
  return total > MOST_DEVICES ? `Devices: ${total} is above the most, ${MOST_DEVICES}.` : null;
}

export function applyMove(rig: Rig, edit: EditOf<'move'>): EditResult {
  const { from, to } = edit;
  const row = rig.rows.find(({ id }) => id === edit.row);
  if (!row) return noRow(edit.row);
  const inside = (i: number) => Number.isInteger(i) && i >= 0 && i < row.devices.length;
  if (!inside(from) || !inside(to)) {
    return refused(
      `Place ${inside(from) ? to : from} is not in this row of ${row.devices.length} devices.`,
    );
  }
  const inverse: Edit = { ...edit, from: to, to: from };
  if (from === to) return { kind: 'ok', rig, inverse };
  const devices = row.devices.toSpliced(from, 1).toSpliced(to, 0, row.devices[from]!);
  return { kind: 'ok', rig: withRow(rig, { ...row, devices }), inverse };
}

export function applyHop(rig: Rig, edit: EditOf<'hop'>): EditResult {
  const row = rig.rows.find(({ id }) => id === edit.row);
  if (!row) return noRow(edit.row);
  if (!Number.isInteger(edit.at) || edit.at < 0 || edit.at >= row.leads.length)
    return refused(`Place ${edit.at} is not in this row of ${row.leads.length} hops.`);
  const inverse: Edit = { ...edit, lead: row.leads[edit.at]! };
  if (row.leads[edit.at] === edit.lead) return { kind: 'ok', rig, inverse };
  const next = withRow(rig, { ...row, leads: row.leads.with(edit.at, edit.lead) });
  return { kind: 'ok', rig: next, inverse };
}

type Positions = Standing['positions'];

/** One that has no foot-switch any more may still stand somewhere from when it had one. */
const positionsOf = (device: Device): readonly string[] => [
  ...new Set([device.id, ...switchesOfDevice(device)]),
];

function without(positions: Positions, devices: readonly Device[]): Positions {
  const gone = new Set(devices.flatMap(positionsOf));
  return Object.fromEntries(Object.entries(positions).filter(([id]) => !gone.has(id)));
}

function pick(positions: Positions, devices: readonly Device[]): Positions {
  const entries = devices
    .flatMap(positionsOf)
    .flatMap((id) => (id in positions ? [[id, positions[id]!] as const] : []));
  return Object.fromEntries(entries);
}
