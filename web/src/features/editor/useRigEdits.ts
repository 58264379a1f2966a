import type { Edit } from '@gullwind/core';
import { useCallback } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useAppDispatch } from '../../app/storeHooks';
import { ignoreKeyIn } from '../../app/showKeys';
import { editorActions } from './model/editorSlice';

/** How a stage changes the open rig. */
export function useRigEdits(): (edit: Edit) => void {
  const dispatch = useAppDispatch();
  return useCallback((edit: Edit) => dispatch(editorActions.edited(edit)), [dispatch]);
}

/** Undo and redo by key, outside of fields and dialogs that have their own. */
export function useUndoKeys(): void {
  const dispatch = useAppDispatch();
  const options = { preventDefault: true, ignoreEventWhen: ignoreKeyIn };
  useHotkeys('mod+z', () => dispatch(editorActions.undone()), options);
  useHotkeys('mod+shift+z, mod+y', () => dispatch(editorActions.redone()), options);
}
