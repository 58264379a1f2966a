export { OPERATIONS, problem as problemShape } from './api';
export type { Operation } from './api';
export { boardFile, boardFileSchema } from './boardFile';
export { readSentOffCut, readSentTicks, readSentTest } from './buildRecords';
export type { RigBuild, SentDone, SentTest, SentTicks } from './buildRecords';
export { readChangesQuery } from './changes';
export { OPERATION_HEADER, WINDOW_HEADER } from './headers';
export type { Change, Changes } from './changes';
export { ERROR_CATALOGUE } from './errorCatalogue';
export type { ErrorCode } from './errorCatalogue';
export {
  ALL_TARGETS,
  decodeText,
  guardCell,
  guessColumn,
  sayTarget,
  readGearRows,
  readPlaces,
  readResponse,
  readTable,
  targetKey,
  toCsv,
  writeGearCsv,
  MEASUREMENTS_CSV_HEADER,
  writeMeasurementCsv,
  writePlaces,
} from './csv';
export type { ColumnTarget, DecimalMark, GearReading, GearReport, Table } from './csv';
export { readItem } from './gearSchema';
export {
  DAYS_REMOVED,
  LONGEST_REVISION_NAME,
  MOST_ITEMS,
  MOST_LISTED,
  MOST_USES,
  MOST_MEASUREMENTS,
  MOST_REVISIONS,
  MOST_EXERCISE,
  MOST_SENT_BYTES,
  PICTURE_TYPES,
  RIG_SORTS,
} from './limits';
export type { RigSort } from './limits';
export {
  readCreateRig,
  readIds,
  readItems,
  readOverwrite,
  readRevision,
  readRevisionName,
  readRigId,
  readRigQuery,
  readUseQuery,
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
  RevisionDifference,
  RevisionPage,
  RigListing,
  RigPage,
  RigQuery,
  RigUse,
  UseCounts,
  UseQuery,
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
  endLine,
  HEADER_LINE,
  readWorkspace,
  rereadWorkspace,
  sortJson,
  WORKSPACE_FORMAT,
  WORKSPACE_KIND,
  WorkspaceRefused,
} from './workspace';
export type {
  KeptItem,
  KeptRevision,
  KeptPhoto,
  KeptRig,
  Restored,
  WorkspaceCounts,
  WorkspacePart,
} from './workspace';
export { readSettings } from './settingsSchema';
export { boardPhotoShape, MOST_KEPT_BYTES, MOST_PIXELS_ACROSS, readPhotoLie } from './photo';
export type { KeptPicture } from './photo';
export {
  MOST_HUNT_ANSWERS,
  MOST_HUNT_WEIGHTS,
  readHuntSetting,
  readSentAnswer,
  readSentEnding,
  readSentHunt,
  readTakenBack,
} from './hunts';
export type { HuntSetting, SentAnswer, SentHunt } from './hunts';
export { readSentMeasured } from './measured';
export { readMeasurementQuery, readSentHearing, readStruck } from './benchRecords';
export type {
  MeasurementPage,
  MeasurementQuery,
  SentHearing,
  SentMeasurement,
} from './benchRecords';
export {
  readMeterQuestion,
  readSweepQuestion,
  readTruthAnswer,
  readTruthQuestion,
} from './instruments';
export type {
  ConnectedThing,
  Instrument,
  MeterAnswer,
  MeterQuestion,
  SweepAnswer,
  SweepQuestion,
  SweptThing,
  TruthAnswer,
} from './instruments';
