export { PowerPage } from './PowerPage';
