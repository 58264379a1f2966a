export { fetchRig, saveRig, sendLeftBehind } from './rigClient';
export type { SaveAnswer } from './rigClient';
export { editorActions, shownRig } from './editorSlice';
export { editorFeature, useEditor, useOpenNow } from './editorStore';
export type { OpenRig } from './editorSlice';
export { RigStage } from './RigStage';
export { StageHeader } from './StageHeader';
export { StagePage } from './StagePage';
export { useRigEdits } from './useRigEdits';
