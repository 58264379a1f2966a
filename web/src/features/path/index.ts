export { PathPage } from './PathPage';
export { ResponseChart } from './ResponseChart';
export { Run } from './run/Run';
