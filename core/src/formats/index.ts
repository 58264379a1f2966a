export { writeNetlist } from './netlist';
export { slug } from './netlistBuilder';
export { writeResponseCsv } from './responseCsv';
