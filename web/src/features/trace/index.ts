export { FreeTracePage } from './FreeTracePage';
export { TracePage } from './TracePage';
