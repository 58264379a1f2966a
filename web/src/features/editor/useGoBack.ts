import type { Rig } from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { ask, sayFailed } from '../../app/http';
import { useAppDispatch } from '../../app/storeHooks';
import { editorActions } from './model/editorSlice';
import { useEditor } from './editorStore';

/** Puts the open rig back as it was at a revision: a new one, which undo takes back. Gives whether it could. */
export function useGoBack(): (revision: number) => Promise<boolean> {
  const id = useEditor(({ open }) => open?.id ?? null);
  const dispatch = useAppDispatch();
  const { enqueueSnackbar } = useSnackbar();
  return async (revision) => {
    const answer = await ask<{ readonly rig: Rig }>({ path: `/rigs/${id}/revisions/${revision}` });
    if (answer.kind !== 'ok') {
      enqueueSnackbar(sayFailed(answer), { variant: 'warning' });
      return false;
    }
    dispatch(editorActions.replaced(answer.data.rig));
    enqueueSnackbar(`The rig is as it was at revision ${revision}; undo takes that back.`);
    return true;
  };
}
