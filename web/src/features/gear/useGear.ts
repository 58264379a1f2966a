import type { StoredItem, UpdateItem } from '@gullwind/contract';
import { editItem, type GearItem, type ItemEdit } from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { useMemo, useRef } from 'react';
import {
  api,
  messageOf,
  useAddGearMutation,
  usePutItemMutation,
  useRemoveGearMutation,
} from '../../app/api';
import { useAppStore } from '../../app/storeHooks';

export interface GearActions {
  readonly edit: (id: string, edit: ItemEdit) => void;
  /** Adds entries at once or not at all; true where they are there now. */
  readonly add: (items: readonly GearItem[]) => Promise<boolean>;
  /** An entry with several edits, for a write that takes it along; null where it is not there or one is refused. */
  readonly changed: (id: string, edits: readonly ItemEdit[]) => UpdateItem | null;
  readonly undo: () => void;
}

type Undo = { readonly put: GearItem } | { readonly remove: readonly string[] };

/** Changes to the gear list, one after the other, each with a way back. */
export function useGearActions(): GearActions {
  const store = useAppStore();
  const [put] = usePutItemMutation();
  const [post] = useAddGearMutation();
  const [remove] = useRemoveGearMutation();
  const { enqueueSnackbar } = useSnackbar();
  const undos = useRef<Undo[]>([]);
  /** Each change starts from the revision that the one before it has made. */
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  return useMemo(() => {
    const find = (id: string): StoredItem | undefined =>
      api.endpoints.listGear
        .select()(store.getState())
        .data?.items.find(({ item }) => item.id === id);
    const say = (error: unknown) => enqueueSnackbar(messageOf(error), { variant: 'warning' });
    const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
      const next = queue.current.then(work);
      queue.current = next.catch(() => undefined);
      return next;
    };
    const keep = (id: string, change: (item: GearItem) => GearItem | null, isUndo = false) =>
      inTurn(async () => {
        const stored = find(id);
        const item = stored && change(stored.item);
        if (!item || item === stored.item) return;
        const answer = await put({ basedOn: stored.revision, item });
        if ('error' in answer) say(answer.error);
        else if (!isUndo) undos.current.push({ put: stored.item });
      });
    const edited = (item: GearItem, edits: readonly ItemEdit[]): GearItem | null => {
      const [edit, ...rest] = edits;
      if (!edit) return item;
      const result = editItem(item, edit);
      if (result.kind === 'ok') return edited(result.item, rest);
      enqueueSnackbar(result.message, { variant: 'warning' });
      return null;
    };
    return {
      edit: (id, edit) => void keep(id, (item) => edited(item, [edit])),
      changed: (id, edits) => {
        const stored = find(id);
        const item = stored && edited(stored.item, edits);
        if (!item) return null;
        undos.current.push({ put: stored.item });
        return { basedOn: stored.revision, item };
      },
      add: (items) =>
        inTurn(async () => {
          const answer = await post(items);
          if ('error' in answer) {
            say(answer.error);
            return false;
          }
          undos.current.push({ remove: items.map(({ id }) => id) });
          return true;
        }),
      undo: () => {
        const last = undos.current.pop();
        if (!last) return;
        if ('remove' in last) {
          void inTurn(async () => {
            const answer = await remove(last.remove);
            if ('error' in answer) say(answer.error);
          });
        } else void keep(last.put.id, () => last.put, true);
      },
    };
  }, [store, put, post, remove, enqueueSnackbar]);
}
