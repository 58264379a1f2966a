export { checkItem } from './checkItem';
export { editItem } from './editItem';
export type { ItemEdit } from './editItem';
export { actingValues, countOrigins } from './origins';
export { refreshFromGear, usesOfGear } from './usesOfGear';
export type { GearUse } from './usesOfGear';
