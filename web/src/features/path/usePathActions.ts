import {
  applyEdit,
  entered,
  hasSwitch,
  insertBuffer,
  insertDevice,
  nameLead,
  removeDevice,
  setLeadLength,
  stampDevice,
  type Edit,
  type GearItem,
  type Rig,
} from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useAppDispatch, useAppStore } from '../../app/store';
import { editorActions, shownRig } from '../editor';
import type { PickerKind } from './GearPicker';
import { gapBehind, readSelection, writeSelection, type Selection } from './selection';

export type PathActions = ReturnType<typeof usePathActions>;

/** Everything that can be done on the path page, by pointer or by key. */
export function usePathActions(rig: Rig, openDialog: (kind: PickerKind | 'keys' | null) => void) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const { enqueueSnackbar } = useSnackbar();
  const [search, setSearch] = useSearchParams();
  const selection = readSelection(rig, search.get('at'));

  return useMemo(() => {
    /** Keys can follow each other faster than the page is drawn: what counts is the rig as it is by now. */
    const open = () => store.getState().editor.open!;
    const rigNow = () => open().rig;
    const edit = (change: Edit) => dispatch(editorActions.edited(change));
    const preview = (change: Edit | null) => dispatch(editorActions.previewed(change));
    // At once: the next key already acts on what this one selects.
    const select = (stop: Selection, of: Rig = shownRig(open())) =>
      setSearch({ at: writeSelection(of, stop) }, { replace: true, flushSync: true });
    /** Makes an edit and selects what now stands at a place. */
    const editThenSelect = (change: Edit, stop: Selection) => {
      const result = applyEdit(rigNow(), change);
      edit(change);
      if (result.kind === 'ok') select(stop, result.rig);
    };
    const insert = (change: Edit, gap: number) =>
      editThenSelect(change, { kind: 'device', index: gap });

    return {
      selection,
      edit,
      select,
      stamp: (index: number) => {
        const device = rigNow().devices[index];
        if (!device) return;
        if (hasSwitch(device)) edit(stampDevice(rigNow(), device.id));
        else
          enqueueSnackbar(`${device.name} has no foot-switch: it is always on.`, {
            variant: 'info',
          });
      },
      dragLead: (index: number, lengthM: number, done: boolean) => {
        const change = setLeadLength(rigNow().leads[index]!.id, lengthM);
        if (done) edit(change);
        else preview(change);
      },
      dragPost: (from: number, to: number, done: boolean) => {
        const change: Edit = { kind: 'move', from, to };
        if (done) editThenSelect(change, { kind: 'device', index: to });
        else preview(change);
      },
      giveUpDrag: () => preview(null),
      moveSelected: (by: -1 | 1) => {
        const to = selection.index + by;
        if (selection.kind !== 'device' || to < 0 || to >= rigNow().devices.length) return;
        editThenSelect({ kind: 'move', from: selection.index, to }, { kind: 'device', index: to });
      },
      bufferBehind: () => {
        const gap = gapBehind(rigNow(), selection);
        insert(insertBuffer(rigNow(), gap), gap);
      },
      takeOut: () => {
        if (selection.kind !== 'device') {
          const what =
            selection.kind === 'lead'
              ? nameLead(rigNow(), selection.index)
              : `the ${selection.kind}`;
          enqueueSnackbar(`Only a pedal can be taken out; ${what} stays.`, { variant: 'info' });
          return;
        }
        editThenSelect(removeDevice(rigNow(), selection.index), {
          kind: 'lead',
          index: selection.index,
        });
      },
      add: () => openDialog('device'),
      showKeys: () => openDialog('keys'),
      pick: (item: GearItem) => {
        openDialog(null);
        if (item.kind === 'device') {
          const gap = gapBehind(rigNow(), selection);
          insert(insertDevice(rigNow(), gap, item.thing), gap);
        } else edit(replacement(rigNow(), selection, item));
      },
      /** Stands the board in a state, all its switches in one edit. */
      stand: (positions: Readonly<Record<string, boolean>>) => edit({ kind: 'stamp', positions }),
      allOff: () => {
        const positions = Object.fromEntries(rigNow().devices.map(({ id }) => [id, false]));
        edit({ kind: 'stamp', positions });
      },
      rename: (to: string) => edit({ kind: 'rename', target: { of: 'rig' }, to }),
      namePlayer: (to: string) => edit({ kind: 'describe', field: 'player', to }),
      undo: () => dispatch(editorActions.undone()),
      redo: () => dispatch(editorActions.redone()),
    };
    // Nothing here depends on the rig, so that an edit redraws only what shows it.
  }, [selection.kind, selection.index, store, dispatch, setSearch, enqueueSnackbar, openDialog]);
}

/** A thing of the list in the place of the one in the rig. A lead keeps the length it was laid at. */
function replacement(
  rig: Rig,
  selection: Selection,
  item: Exclude<GearItem, { kind: 'device' }>,
): Edit {
  if (item.kind === 'guitar') return { kind: 'replace', part: { of: 'guitar', to: item.thing } };
  if (item.kind === 'amp') return { kind: 'replace', part: { of: 'amp', to: item.thing } };
  const lead = rig.leads[selection.kind === 'lead' ? selection.index : 0]!;
  const lengthM =
    lead.lengthM.from === 'assumed' ? entered(item.thing.lengthM.value) : lead.lengthM;
  return { kind: 'replace', part: { of: 'lead', to: { ...item.thing, id: lead.id, lengthM } } };
}
