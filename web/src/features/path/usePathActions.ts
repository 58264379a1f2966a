import {
  applyEdit,
  setCableLength,
  splitIntoLoop,
  type Edit,
  type Rig,
  type RigItem,
} from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { useSearchParams } from 'react-router';
import { useAppDispatch } from '../../app/storeHooks';
import { editorActions, shownRig, useOpenNow } from '../editor';
import type { PickerKind } from '../picker';
import {
  addingAmpLoop,
  addingBuffer,
  givingCable,
  movingBy,
  movingTo,
  picking,
  powering,
  removing,
  removingRow,
  stepping,
  steppingOn,
  switchingAllOff,
  type PathStep,
} from './model/pathSteps';
import { isSame, readSelection, writeSelection, type Selection } from './model/selection';

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
    const select = (stop: Selection) => setWanted(writeSelection(stop));
    const take = (step: PathStep) => {
      if (step === null) return;
      if ('says' in step) return void enqueueSnackbar(step.says, { variant: 'info' });
      const result = applyEdit(rigNow(), step.edit);
      edit(step.edit);
      if (result.kind === 'ok' && step.selects) select(step.selects(result.rig));
    };
    return {
      selection,
      edit,
      select,
      remove: () => take(removing(rigNow(), selection)),
      toggle: (switchId: string) => take(stepping(rigNow(), switchId)),
      /** Which end the figures speak of: the row that arrives there, null for the main one. */
      lookAtWay: (rowId: string | null) => setSearch(withParam('to', rowId), { replace: true }),
      toggleByNumber: (number: number) => take(steppingOn(rigNow(), number)),
      dragCable: (id: string, lengthM: number, done: boolean) => {
        const change = setCableLength(id, lengthM);
        if (done) edit(change);
        else preview(change);
      },
      dragPost: (id: string, to: number, done: boolean) => {
        const step = movingTo(rigNow(), id, to);
        if (done) take(step);
        else preview(step.edit);
      },
      giveUpDrag: () => preview(null),
      moveSelected: (by: -1 | 1) => take(movingBy(rigNow(), selection, by)),
      bufferAfter: () => take(addingBuffer(rigNow(), shownRig(open()), selection)),
      giveCable: (row: string, connection: number) => take(givingCable(rigNow(), row, connection)),
      askGuitar: () => openDialog('anotherGuitar'),
      addAmpLoop: (destination: string) => take(addingAmpLoop(rigNow(), destination)),
      removeRow: (rowId: string) => take(removingRow(rigNow(), rowId)),
      add: () => openDialog('device'),
      pick: (item: RigItem, asked: Asked) => {
        openDialog(null);
        const shown = shownRig(open());
        take(picking(rigNow(), shown, selection, item, asked === 'anotherGuitar'));
      },
      /** The second half of a pedal goes into the amp's loop. */
      splitIntoLoop: (deviceId: string) => edit(splitIntoLoop(rigNow(), deviceId)),
      /** Recalls a switch state, all its switches in one edit. */
      recall: (positions: Readonly<Record<string, boolean>>) => edit({ kind: 'switch', positions }),
      play: (guitar: string | null) => edit({ kind: 'switch', playing: guitar }),
      power: (isThere: boolean) => edit(powering(rigNow(), isThere)),
      allOff: () => edit(switchingAllOff(rigNow())),
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
