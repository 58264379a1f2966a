export { ALL_TARGETS, guessColumn } from './guessColumns';
export { NUMBER_RULES, targetKey } from './columns';
export type { ColumnTarget } from './columns';
export { decodeText } from './decodeText';
export { readGearRows } from './readGear';
export type { GearReading, GearReport } from './readGear';
export { readTable } from './readTable';
export type { RowProblem, Table } from './readTable';
export { writeGearCsv } from './writeGear';
