import {
  cutText,
  isReel,
  addAmpLoop,
  addGuitar,
  allDevices,
  applyEdit,
  findDevice,
  findCable,
  freshId,
  hasSwitch,
  insertBuffer,
  insertDevice,
  nameConnection,
  usualPatch,
  removeDevice,
  removeGuitar,
  removeRows,
  replaceDestination,
  rowOf,
  setCableLength,
  toggleSwitch,
  switchesOfDevice,
  type Edit,
  type RigItem,
  type Rig,
  withoutMains,
  splitIntoLoop,
  switchNumbers,
} from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { useSearchParams } from 'react-router';
import { useAppDispatch } from '../../app/storeHooks';
import { editorActions, shownRig, useOpenNow } from '../editor';
import type { PickerKind } from '../picker';
import {
  firstSelection,
  gapAfter,
  isSame,
  readSelection,
  selectConnection,
  writeSelection,
  type Selection,
} from './selection';

/** What the gear list is asked for. */
export type Asked = PickerKind | 'anotherGuitar';

export type PathActions = ReturnType<typeof usePathActions>;

/** Everything that can be done on the path page, by pointer or by key. */
export function usePathActions(rig: Rig, openDialog: (asked: Asked | null) => void) {
  const dispatch = useAppDispatch();
  const openNow = useOpenNow();
  const { enqueueSnackbar } = useSnackbar();
  const [, setSearch] = useSearchParams();
  const [wanted, setWanted] = useSelected();
  const selection = useSameSelection(rig, wanted);

  return useMemo(() => {
    /** Keys can follow each other faster than the page is drawn: what counts is the rig as it is by now. */
    const open = () => openNow()!;
    const rigNow = () => open().rig;
    const edit = (change: Edit) => dispatch(editorActions.edited(change));
    const preview = (change: Edit | null) => dispatch(editorActions.previewed(change));
    const say = (message: string) => enqueueSnackbar(message, { variant: 'info' });
    const select = (stop: Selection) => setWanted(writeSelection(stop));
    /** Makes an edit and selects what is there then. */
    const editThenSelect = (change: Edit, find: (after: Rig) => Selection) => {
      const result = applyEdit(rigNow(), change);
      edit(change);
      if (result.kind === 'ok') select(find(result.rig));
    };
    /** A device that an edit puts into the rig is the one that was not there before. */
    const insert = (change: Edit) => {
      const before = new Set(allDevices(shownRig(open())).map(({ id }) => id));
      editThenSelect(change, (after) => {
        const added = allDevices(after).find(({ id }) => !before.has(id));
        return added ? { kind: 'device', id: added.id } : selection;
      });
    };
    const toggle = (switchId: string) => {
      const device = findDevice(rigNow(), switchId.split('.')[0]!);
      if (!device) return;
      if (switchId !== device.id || hasSwitch(device)) edit(toggleSwitch(rigNow(), switchId));
      else say(`${device.name} has no foot-switch.`);
    };
    const remove = () => {
      const now = rigNow();
      switch (selection.kind) {
        case 'device': {
          const row = rowOf(now, selection.id)!;
          const connection = row.devices.findIndex(({ id }) => id === selection.id);
          return editThenSelect(removeDevice(now, selection.id), (after) =>
            selectConnection(
              after.electrical.rows.find(({ id }) => id === row.id)!,
              connection,
            ),
          );
        }
        case 'cable': {
          const gap = gapAfter(now, selection);
          const change: Edit = { kind: 'connect', row: gap.row, at: gap.gap, cable: null };
          return editThenSelect(change, () => ({
            kind: 'connection',
            row: gap.row,
            connection: gap.gap,
          }));
        }
        case 'guitar':
          if (selection.id === now.electrical.guitars[0]!.id)
            return say('A rig needs a guitar; swap it.');
          return editThenSelect(removeGuitar(now, selection.id), firstSelection);
        case 'destination':
          return say('A destination goes with what arrives at it; this one can be swapped.');
        case 'connection':
          return say('There is no cable here to delete.');
      }
    };

    return {
      selection,
      edit,
      select,
      remove,
      toggle,
      /** Which end the figures speak of: the row that arrives there, null for the main one. */
      lookAtWay: (rowId: string | null) => setSearch(withParam('to', rowId), { replace: true }),
      toggleByNumber: (number: number) => {
        for (const [id, n] of switchNumbers(rigNow())) if (n === number) toggle(id);
      },
      dragCable: (id: string, lengthM: number, done: boolean) => {
        const change = setCableLength(id, lengthM);
        if (done) edit(change);
        else preview(change);
      },
      dragPost: (id: string, to: number, done: boolean) => {
        const row = rowOf(rigNow(), id)!;
        const from = row.devices.findIndex((device) => device.id === id);
        const change: Edit = { kind: 'move', row: row.id, from, to };
        if (done) editThenSelect(change, () => ({ kind: 'device', id }));
        else preview(change);
      },
      giveUpDrag: () => preview(null),
      moveSelected: (by: -1 | 1) => {
        if (selection.kind !== 'device') return;
        const row = rowOf(rigNow(), selection.id)!;
        const from = row.devices.findIndex(({ id }) => id === selection.id);
        const to = from + by;
        if (to >= 0 && to < row.devices.length) edit({ kind: 'move', row: row.id, from, to });
      },
      bufferAfter: () => {
        const { row, gap } = gapAfter(rigNow(), selection);
        insert(insertBuffer(rigNow(), gap, row));
      },
      /** A patch, or in an empty loop a jumper, where a cable is missing. */
      giveCable: (row: string, connection: number) => {
        const id = freshId(rigNow(), 'l');
        const name = nameConnection(
          rigNow(),
          rigNow().electrical.rows.find((other) => other.id === row)!,
          connection,
        );
        const cable = {
          ...usualPatch(rigNow(), id),
          name: cutText(name.replace(/^the /u, ''), 60),
        };
        editThenSelect({ kind: 'connect', row, at: connection, cable }, () => ({
          kind: 'cable',
          id,
        }));
      },
      askGuitar: () => openDialog('anotherGuitar'),
      addAmpLoop: (destination: string) =>
        editThenSelect(addAmpLoop(rigNow(), destination), (after) =>
          selectConnection(after.electrical.rows.at(-1)!, 0),
        ),
      removeRow: (rowId: string) => {
        const row = rigNow().electrical.rows.find(({ id }) => id === rowId)!;
        edit({ kind: 'group', edits: removeRows(rigNow(), [row]) });
      },
      add: () => openDialog('device'),
      pick: (item: RigItem, asked: Asked) => {
        openDialog(null);
        if (asked === 'anotherGuitar' && item.kind === 'guitar')
          return editThenSelect(addGuitar(rigNow(), item.thing, 'cable'), (after) => ({
            kind: 'guitar',
            id: after.electrical.guitars.at(-1)!.id,
          }));
        if (item.kind === 'device') {
          const { row, gap } = gapAfter(rigNow(), selection);
          insert(insertDevice(rigNow(), gap, item.thing, row));
        } else edit(replacement(rigNow(), selection, item));
      },
      /** The second half of a pedal goes into the amp's loop. */
      splitIntoLoop: (deviceId: string) => edit(splitIntoLoop(rigNow(), deviceId)),
      /** Recalls a switch state, all its switches in one edit. */
      recall: (positions: Readonly<Record<string, boolean>>) => edit({ kind: 'switch', positions }),
      play: (guitar: string | null) => edit({ kind: 'switch', playing: guitar }),
      power: (isThere: boolean) =>
        edit({ kind: 'switch', unpowered: isThere ? [] : withoutMains(rigNow()) }),
      allOff: () => {
        const ids = allDevices(rigNow()).flatMap(switchesOfDevice);
        edit({ kind: 'switch', positions: Object.fromEntries(ids.map((id) => [id, false])) });
      },
    };
    // Nothing here depends on the rig, so that an edit redraws only what shows it.
  }, [selection, openNow, dispatch, setSearch, setWanted, enqueueSnackbar, openDialog]);
}

/** The same object as long as the same thing is selected, whatever else becomes of the rig. */
function useSameSelection(rig: Rig, wanted: string | null): Selection {
  const kept = useRef<Selection | null>(null);
  const selection = readSelection(rig, wanted);
  if (kept.current === null || !isSame(kept.current, selection)) kept.current = selection;
  return kept.current;
}

const withParam = (name: string, value: string | null) => (params: URLSearchParams) => {
  if (value === null) params.delete(name);
  else params.set(name, value);
  return params;
};

/**
 * What is selected, as the address says it. The address follows a little later than the selection: keys
 * can come faster than it changes, and the next one already acts on what this one selects.
 */
function useSelected(): readonly [string | null, (at: string) => void] {
  const [search, setSearch] = useSearchParams();
  const inAddress = search.get('at');
  const [at, setAt] = useState(inAddress);
  const onTheWay = useRef<string[]>([]);
  useEffect(() => {
    const arrived = onTheWay.current.indexOf(inAddress ?? '');
    if (arrived >= 0) onTheWay.current.splice(0, arrived + 1);
    else setAt(inAddress);
  }, [inAddress]);
  const select = useCallback(
    (to: string) => {
      flushSync(() => setAt(to));
      onTheWay.current.push(to);
      setSearch(withParam('at', to), { replace: true });
    },
    [setSearch],
  );
  return [at, select];
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
