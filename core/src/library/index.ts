export { checkItem } from './checkItem';
export { editItem } from './editItem';
export type { ItemEdit, ItemResult } from './editItem';
export { refreshFromGear, usesOfGear } from './usesOfGear';
export type { GearUse } from './usesOfGear';
