export { BoardPage } from './BoardPage';
