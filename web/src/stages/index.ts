export { isTaken, keysOf } from './keys';
export { STAGES } from './stages';
export { PAGES } from './pages';
export type { KeyGroup, Stage } from './stage';
