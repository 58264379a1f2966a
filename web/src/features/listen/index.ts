export { ListenPage } from './ListenPage';
