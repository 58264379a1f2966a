import { useCallback } from 'react';
import { useSelector, useStore } from 'react-redux';
import type { FeatureState } from '../../app/store';
import { startAutosave } from './autosave';
import { editorSlice, type EditorState, type OpenRig } from './editorSlice';

/** What the editor brings to the store. */
export const editorFeature: FeatureState = {
  reducerPath: editorSlice.reducerPath,
  reducer: editorSlice.reducer,
  listen: startAutosave,
};

interface State {
  readonly editor: EditorState;
}

export const useEditor = <T>(select: (editor: EditorState) => T): T =>
  useSelector(({ editor }: State) => select(editor));

/** The rig under the user's hands as it is at the moment of asking, without being drawn anew for it. */
export function useOpenNow(): () => OpenRig | null {
  const store = useStore<State>();
  return useCallback(() => store.getState().editor.open, [store]);
}
