export { applyEdit, applyEdits, applyTrusted, touchedBy } from './edit';
export type { Edit, EditResult } from './edit';
export { listOf } from './list';
export { placeEdit } from './place';
export type { Lists } from './list';
export { withPart } from './target';
export type { Target } from './target';
