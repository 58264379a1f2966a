export { writeNetlist } from './netlist';
export type { Netlist } from './netlist';
export { slug } from './netlistBuilder';
export { writeResponseCsv } from './responseCsv';
