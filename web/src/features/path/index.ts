export { PathPage } from './PathPage';
export { NowMark } from './CurveKey';
export { PinMark } from './PinMark';
export { ResponseChart } from './ResponseChart';
export { RunStrip } from './run/RunStrip';
export { StillRun } from './run/StillRun';
