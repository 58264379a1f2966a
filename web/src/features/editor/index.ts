export { sendLeftBehind, startAutosave } from './autosave';
export { editorActions, editorSlice, hasUnsaved, shownRig } from './editorSlice';
export type { EditorState, OpenRig, SaveState } from './editorSlice';
export { useOpenRig } from './useOpenRig';
