export { Assumptions } from './Assumptions';
