export { sendLeftBehind, startAutosave } from './autosave';
export { editorActions, editorSlice, shownRig } from './editorSlice';
export type { OpenRig, SaveState } from './editorSlice';
export { RigStage } from './RigStage';
export { RigTools, Tool } from './RigTools';
export { StageHeader } from './StageHeader';
export { StagePage } from './StagePage';
export { useRigEdits } from './useRigEdits';
