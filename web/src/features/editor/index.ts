export { fetchRig } from './rigClient';
export { editorActions, shownRig } from './model/editorSlice';
export { useEditor, useOpenNow } from './editorStore';
export type { OpenRig } from './model/editorSlice';
export { RigStage } from './RigStage';
export { StageHeader } from './StageHeader';
export { StagePage } from './StagePage';
export { useRigEdits } from './useRigEdits';
export { useGoBack } from './useGoBack';
