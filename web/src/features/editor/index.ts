export { sendLeftBehind, startAutosave } from './autosave';
export { editorActions, editorSlice, shownRig } from './editorSlice';
export type { OpenRig, SaveState } from './editorSlice';
export { useOpenRig } from './useOpenRig';
