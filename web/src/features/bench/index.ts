export { BenchPage } from './BenchPage';
export { RigBenchPage } from './rig/RigBenchPage';
