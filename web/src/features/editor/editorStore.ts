import { useCallback } from 'react';
import { useSelector, useStore } from 'react-redux';
import { bring } from '../../app/store';
import { startAutosave } from './autosave';
import { editorSlice, type EditorState, type OpenRig } from './model/editorSlice';

bring({
  reducerPath: editorSlice.reducerPath,
  reducer: editorSlice.reducer,
  listen: startAutosave,
});

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
