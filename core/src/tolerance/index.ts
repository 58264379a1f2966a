export { assumptionsThatMatter } from './assumptions';
export type { Assumption } from './assumptions';
export { boundsOf, isEstablished } from './band';
export { toleranceOf } from './tolerances';
export type { Bounds } from './band';
export { DEFAULT_DRAWS, findDifference, findTolerance, finish } from './tolerance';
export type { ChainWay, Difference, FigureBands, Tolerance, ToleranceProgress } from './tolerance';
export { findComparedTolerance } from './comparedTolerance';
export type { ComparedTolerance } from './comparedTolerance';
