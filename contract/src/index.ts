export { ERROR_CATALOGUE } from './errorCatalogue';
export type { ErrorCode } from './errorCatalogue';
export { readItem } from './gearSchema';
export * from './messages';
export type { Read, ValueProblem } from './read';
export { readRig } from './rigSchema';
export { DEFAULT_SETTINGS } from './settings';
export type { Settings, ThemeChoice } from './settings';
export { readSettings } from './settingsSchema';
