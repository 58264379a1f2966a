export { RigsPage } from './RigsPage';
