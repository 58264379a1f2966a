export { ERROR_CATALOGUE } from './errorCatalogue';
export type { ErrorCode } from './errorCatalogue';
export {
  ALL_TARGETS,
  decodeText,
  guessColumn,
  NUMBER_RULES,
  readGearRows,
  readTable,
  targetKey,
  writeGearCsv,
} from './csv';
export type { ColumnTarget, GearReading, GearReport, Table } from './csv';
export { readItem } from './gearSchema';
export {
  MOST_ITEMS,
  readCreateRig,
  readIds,
  readItems,
  readRigId,
  readSignIn,
  readUpdateItem,
  readUpdateRig,
  readUpdateState,
} from './messages';
export type {
  CreateRig,
  GearList,
  Problem,
  RevisionListing,
  RigListing,
  RigUse,
  SavedRig,
  SessionState,
  StoredItem,
  StoredRig,
  UpdatedRig,
  UpdateItem,
  UpdateRig,
  UpdateState,
} from './messages';
export type { Read, ValueProblem } from './read';
export { readRig } from './rigSchema';
export { thingJsonSchema } from './thingSchema';
export { DEFAULT_SETTINGS } from './settings';
export type { Settings, ThemeChoice } from './settings';
export {
  readRestore,
  readWorkspace,
  sortJson,
  WORKSPACE_FORMAT,
  WORKSPACE_KIND,
} from './workspace';
export type { KeptRig, Restored, RestoreWorkspace, Workspace } from './workspace';
export { readSettings } from './settingsSchema';
