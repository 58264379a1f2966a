export {
  endLine,
  HEADER_LINE,
  revisionName,
  sortJson,
  WORKSPACE_FORMAT,
  WORKSPACE_KIND,
} from './parts';
export type {
  KeptItem,
  KeptPhoto,
  KeptRevision,
  KeptRig,
  Restored,
  WorkspaceCounts,
  WorkspacePart,
} from './parts';
export { readWorkspace, rereadWorkspace, WorkspaceRefused } from './readWorkspace';
