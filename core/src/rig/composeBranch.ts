import { destinationOfKind } from '../gear';
import type { Device, Destination } from '../gear';
import { listOf, type Edit, type Lists } from './edits';
import { findDevice, rowOf, withElectrical } from './chain';
import type { Row, RowPlace, SideGoal } from './electrical';
import { freshId } from './ids';
import type { Rig } from './rig';
import { usualCable, usualPatch } from './usualLengths';

/// Edits for what branches off: the rows and ends that hang on a device, and effects loops.

export const group = (...edits: readonly (Edit | null)[]): Edit => {
  const some = edits.filter((edit) => edit !== null);
  return some.length === 1 ? some[0]! : { kind: 'group', edits: some };
};

/** The rows a device needs: one for each loop, and one from its side jack to a tuner or a second amp. */
export function rowsFor(
  rig: Rig,
  device: Device,
  cableIds: readonly string[] = [],
): readonly Edit[] {
  const ids: string[] = [];
  const rows = Array.from({ length: device.loops }, (_, loop): Row => {
    const id = freshId(rig, 'r', ids.length);
    ids.push(id);
    return { id, at: { kind: 'loop', device: device.id, loop }, devices: [], cables: [null] };
  });
  const edits = rows.length > 0 ? [addTo(rig, 'rows', rows)] : [];
  if (device.sideJack === 'none') return edits;
  return [...edits, ...sideRow(rig, device, ids, cableIds)];
}

const isSplitter = ({ deviceClass }: Device): boolean => deviceClass.endsWith('Splitter');

const sideDestination = (rig: Rig, device: Device): Destination =>
  isSplitter(device)
    ? destinationOfKind('amp', 'second amp', freshId(rig, 'e'))
    : destinationOfKind('tuner', 'tuner', freshId(rig, 'e'));

function sideRow(
  rig: Rig,
  device: Device,
  rowIds: readonly string[],
  cableIds: readonly string[],
): readonly Edit[] {
  const destination = sideDestination(rig, device);
  const cableId = freshId(rig, 'l', cableIds.length);
  const cable = isSplitter(device)
    ? usualCable(rig, cableId, 6, 'cable')
    : usualPatch(rig, cableId);
  const row: Row = {
    id: freshId(rig, 'r', rowIds.length),
    at: {
      kind: 'side',
      device: device.id,
      to: { kind: 'destination', destination: destination.id },
    },
    devices: [],
    cables: [cable],
  };
  return [
    addTo(rig, 'destinations', [destination]),
    { ...addTo(rig, 'rows', [row]), at: rig.electrical.rows.length + rowIds.length },
  ];
}

export const addTo = <K extends keyof Lists>(rig: Rig, of: K, insert: readonly Lists[K][]) =>
  ({ kind: 'list', of, at: listOf(rig, of).length, remove: 0, insert }) as Extract<
    Edit,
    { kind: 'list' }
  >;

export function hangsOn(rig: Rig, { at }: Row, deviceId: string): boolean {
  switch (at.kind) {
    case 'guitar':
      return at.selector === deviceId;
    case 'side':
    case 'loop': {
      if (at.device === deviceId || (at.kind === 'side' && keyOf(at) === deviceId)) return true;
      const parent = rowOf(rig, at.device);
      return parent !== undefined && hangsOn(rig, parent, deviceId);
    }
    case 'ampLoop': {
      const arriving = rig.electrical.rows.find((row) => destinationOf(row.at) === at.destination);
      return arriving !== undefined && hangsOn(rig, arriving, deviceId);
    }
    case 'main':
      return false;
  }
}

/** The amp, DI or input that a side row arrives at. */
const destinationOf = (at: RowPlace): string | null =>
  at.kind === 'side' && at.to.kind === 'destination' ? at.to.destination : null;

const keyOf = (at: Extract<RowPlace, { kind: 'side' }>): string | null =>
  at.to.kind === 'key' ? at.to.device : null;

/** Takes rows out, and the ends that only they reach. */
export function removeRows(rig: Rig, rows: readonly Row[]): readonly Edit[] {
  const devices = rows.flatMap((row) => row.devices);
  const off: Edit = {
    kind: 'switch',
    positions: Object.fromEntries(
      Object.keys(rig.state.positions)
        .filter((key) => devices.some(({ id }) => key === id || key.startsWith(`${id}.`)))
        .map((key) => [key, false]),
    ),
  };
  return [
    off,
    ...takeFrom(
      rig,
      'rows',
      rows.map(({ id }) => id),
    ),
    ...removeDestinationsOf(rig, rows),
  ];
}

/** Gives a device another shape (its jacks, its loops), with the rows that this adds or takes. */
export function reshapeDevice(rig: Rig, to: Device): Edit {
  const gone = rig.electrical.rows.filter(
    ({ at }) =>
      (at.kind === 'loop' && at.device === to.id && at.loop >= to.loops) ||
      (at.kind === 'side' && at.device === to.id && to.sideJack === 'none') ||
      (at.kind === 'side' && keyOf(at) === to.id && to.insert !== 'own'),
  );
  const kept = rig.electrical.rows.filter((row) => !gone.includes(row));
  const shrunk = withElectrical(rig, { rows: kept });
  const had = kept.filter(({ at }) => at.kind === 'loop' && at.device === to.id).length;
  const hasSide = kept.some(({ at }) => at.kind === 'side' && at.device === to.id);
  const wanted = { ...to, sideJack: hasSide ? ('none' as const) : to.sideJack };
  const extra = rowsFor(shrunk, wanted).map((edit) =>
    edit.kind === 'list' && edit.of === 'rows' && had > 0
      ? { ...edit, insert: edit.insert.filter(({ at }) => at.kind !== 'loop' || at.loop >= had) }
      : edit,
  );
  const positions = Object.fromEntries(
    Object.keys(rig.state.positions)
      .filter((key) => key.startsWith(`${to.id}.`) && Number(key.split('.')[1]) >= to.loops)
      .map((key) => [key, false]),
  );
  return group(
    { kind: 'switch', positions },
    ...removeRows(rig, gone),
    { kind: 'replace', part: { of: 'device', to } },
    ...extra,
  );
}

/** Last ones first, so that the places of the others hold. */
const takeFrom = (rig: Rig, of: 'rows' | 'destinations', ids: readonly string[]): readonly Edit[] =>
  rig.electrical[of]
    .map(({ id }, at) => ({ id, at }))
    .filter(({ id }) => ids.includes(id))
    .reverse()
    .map(({ at }): Edit => ({ kind: 'list', of, at, remove: 1, insert: [] }));

const removeDestinationsOf = (rig: Rig, rows: readonly Row[]): readonly Edit[] =>
  takeFrom(
    rig,
    'destinations',
    rows.flatMap(({ at }) =>
      at.kind === 'side' && at.to.kind === 'destination' ? [at.to.destination] : [],
    ),
  );

/** A cable from an amp's effects send to its return, for pedals to go in. */
export function addAmpLoop(rig: Rig, destinationId: string): Edit {
  const row: Row = {
    id: freshId(rig, 'r'),
    at: { kind: 'ampLoop', destination: destinationId },
    devices: [],
    cables: [usualCable(rig, freshId(rig, 'l'), 6, 'loom')],
  };
  return addTo(rig, 'rows', [row]);
}

/** Another amp, DI or input in the place of one; what has no effects loop takes the pedals of that loop out with it. */
export function replaceDestination(rig: Rig, id: string, thing: Omit<Destination, 'id'>): Edit {
  const loops = rig.electrical.rows.filter(
    ({ at }) => at.kind === 'ampLoop' && at.destination === id,
  );
  return group(...(thing.kind === 'amp' || loops.length === 0 ? [] : removeRows(rig, loops)), {
    kind: 'replace',
    part: { of: 'destination', to: { ...thing, id } },
  });
}

/** Where the side cable of a device goes instead: to the key input of a gate, or to an end of its own again. */
export function aimSide(rig: Rig, row: Row, key: string | null): Edit {
  if (row.at.kind !== 'side') throw new Error(`row ${row.id} is no side row`);
  const device = findDevice(rig, row.at.device)!;
  const destination = key === null ? sideDestination(rig, device) : null;
  const to: SideGoal = destination
    ? { kind: 'destination', destination: destination.id }
    : { kind: 'key', device: key! };
  const at = rig.electrical.rows.indexOf(row);
  const turned: Edit = {
    kind: 'list',
    of: 'rows',
    at,
    remove: 1,
    insert: [{ ...row, at: { ...row.at, to } }],
  };
  return group(
    ...(destination ? [addTo(rig, 'destinations', [destination])] : []),
    turned,
    ...removeDestinationsOf(rig, [row]),
  );
}
