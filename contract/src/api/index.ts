export { problem } from './answers';
export { OPERATIONS } from './operations';
export type { Operation } from './operation';
