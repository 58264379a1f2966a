export { PathPage } from './PathPage';
