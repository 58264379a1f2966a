import {
  addAmpLoop,
  addGuitar,
  allDevices,
  cutText,
  findCable,
  findDevice,
  freshId,
  hasSwitch,
  insertBuffer,
  insertDevice,
  isReel,
  nameConnection,
  removeDevice,
  removeGuitar,
  removeRows,
  replaceDestination,
  rowOf,
  switchesOfDevice,
  switchNumbers,
  toggleSwitch,
  usualPatch,
  withoutMains,
  type Edit,
  type Rig,
  type RigItem,
} from '@gullwind/core';
import { firstSelection, gapAfter, selectConnection, type Selection } from './selection';

/// What a press or a key on the path means for the rig.

/** An edit, with what is selected once it is made; or what is said instead; null where it means nothing. */
export type PathStep =
  | { readonly edit: Edit; readonly selects?: (after: Rig) => Selection }
  | { readonly says: string }
  | null;

/** A device that an edit puts into the rig is the one that was not there before. */
function inserting(shown: Rig, edit: Edit, otherwise: Selection): PathStep {
  const before = new Set(allDevices(shown).map(({ id }) => id));
  return {
    edit,
    selects: (after) => {
      const added = allDevices(after).find(({ id }) => !before.has(id));
      return added ? { kind: 'device', id: added.id } : otherwise;
    },
  };
}

/** Takes what is selected away; what is in its place is selected then. */
export function removing(rig: Rig, selection: Selection): PathStep {
  switch (selection.kind) {
    case 'device': {
      const row = rowOf(rig, selection.id)!;
      const at = row.devices.findIndex(({ id }) => id === selection.id);
      return {
        edit: removeDevice(rig, selection.id),
        selects: (after) =>
          selectConnection(
            after.electrical.rows.find(({ id }) => id === row.id)!,
            at,
          ),
      };
    }
    case 'cable': {
      const { row, gap } = gapAfter(rig, selection);
      return {
        edit: { kind: 'connect', row, at: gap, cable: null },
        selects: () => ({ kind: 'connection', row, connection: gap }),
      };
    }
    case 'guitar':
      if (selection.id === rig.electrical.guitars[0]!.id)
        return { says: 'A rig needs a guitar; swap it.' };
      return { edit: removeGuitar(rig, selection.id), selects: firstSelection };
    case 'destination':
      return { says: 'A destination goes with what arrives at it; this one can be swapped.' };
    case 'connection':
      return { says: 'There is no cable here to delete.' };
  }
}

/** Steps on a foot-switch. */
export function stepping(rig: Rig, switchId: string): PathStep {
  const device = findDevice(rig, switchId.split('.')[0]!);
  if (!device) return null;
  return switchId !== device.id || hasSwitch(device)
    ? { edit: toggleSwitch(rig, switchId) }
    : { says: `${device.name} has no foot-switch.` };
}

/** The same by the number that is written beside it. */
export function steppingOn(rig: Rig, number: number): PathStep {
  const found = [...switchNumbers(rig)].find(([, n]) => n === number);
  return found ? stepping(rig, found[0]) : null;
}

/** A device at another place of its row. */
export function movingTo(rig: Rig, id: string, to: number): NonNullable<PathStep> & { edit: Edit } {
  const row = rowOf(rig, id)!;
  const from = row.devices.findIndex((device) => device.id === id);
  return {
    edit: { kind: 'move', row: row.id, from, to },
    selects: () => ({ kind: 'device', id }),
  };
}

/** The selected device one place on or back; at the end of its row it stays. */
export function movingBy(rig: Rig, selection: Selection, by: -1 | 1): PathStep {
  if (selection.kind !== 'device') return null;
  const { devices } = rowOf(rig, selection.id)!;
  const to = devices.findIndex(({ id }) => id === selection.id) + by;
  return to >= 0 && to < devices.length ? { edit: movingTo(rig, selection.id, to).edit } : null;
}

/** @param shown the rig as it is seen, with what is being dragged */
export function addingBuffer(rig: Rig, shown: Rig, selection: Selection): PathStep {
  const { row, gap } = gapAfter(rig, selection);
  return inserting(shown, insertBuffer(rig, gap, row), selection);
}

/** A patch, or in an empty loop a jumper, where a cable is missing. */
export function givingCable(rig: Rig, row: string, connection: number): PathStep {
  const id = freshId(rig, 'l');
  const of = rig.electrical.rows.find((other) => other.id === row)!;
  const name = nameConnection(rig, of, connection).replace(/^the /u, '');
  const cable = { ...usualPatch(rig, id), name: cutText(name, 60) };
  return {
    edit: { kind: 'connect', row, at: connection, cable },
    selects: () => ({ kind: 'cable', id }),
  };
}

export const addingAmpLoop = (rig: Rig, destination: string): PathStep => ({
  edit: addAmpLoop(rig, destination),
  selects: (after) => selectConnection(after.electrical.rows.at(-1)!, 0),
});

export function removingRow(rig: Rig, rowId: string): PathStep {
  const row = rig.electrical.rows.find(({ id }) => id === rowId)!;
  return { edit: { kind: 'group', edits: removeRows(rig, [row]) } };
}

/**
 * What was picked from the list: a pedal comes after what is selected, another guitar beside those there are, and
 * anything else in the place of its kind.
 */
export function picking(
  rig: Rig,
  shown: Rig,
  selection: Selection,
  item: RigItem,
  isAnotherGuitar: boolean,
): PathStep {
  if (isAnotherGuitar && item.kind === 'guitar')
    return {
      edit: addGuitar(rig, item.thing, 'cable'),
      selects: (after) => ({ kind: 'guitar', id: after.electrical.guitars.at(-1)!.id }),
    };
  if (item.kind !== 'device') return { edit: replacement(rig, selection, item) };
  const { row, gap } = gapAfter(rig, selection);
  return inserting(shown, insertDevice(rig, gap, item.thing, row), selection);
}

/** Whether what needs the mains has it. */
export const powering = (rig: Rig, isThere: boolean): Edit => ({
  kind: 'switch',
  unpowered: isThere ? [] : withoutMains(rig),
});

export function switchingAllOff(rig: Rig): Edit {
  const ids = allDevices(rig).flatMap(switchesOfDevice);
  return { kind: 'switch', positions: Object.fromEntries(ids.map((id) => [id, false])) };
}

/** A thing of the list in the place of the one in the rig. A cable keeps the length it was laid at. */
function replacement(
  rig: Rig,
  selection: Selection,
  item: Exclude<RigItem, { kind: 'device' }>,
): Edit {
  switch (item.kind) {
    case 'guitar': {
      const id = selection.kind === 'guitar' ? selection.id : rig.electrical.guitars[0]!.id;
      return { kind: 'replace', part: { of: 'guitar', to: { ...item.thing, id } } };
    }
    case 'destination': {
      const id =
        selection.kind === 'destination' ? selection.id : rig.electrical.destinations[0]!.id;
      return replaceDestination(rig, id, item.thing);
    }
    case 'cable': {
      if (selection.kind === 'connection') {
        const id = freshId(rig, 'l');
        const { lengthM } = isReel(item) ? usualPatch(rig, id) : item.thing;
        const cable = { ...item.thing, id, lengthM };
        return { kind: 'connect', row: selection.row, at: selection.connection, cable };
      }
      const cable = findCable(rig, selection.kind === 'cable' ? selection.id : '')!;
      const { lengthM } = isReel(item) ? cable : item.thing;
      return {
        kind: 'replace',
        part: { of: 'cable', to: { ...item.thing, id: cable.id, lengthM } },
      };
    }
  }
}
