export { keysOf, STAGES } from './stages';
export type { KeyGroup, Stage } from './stage';
