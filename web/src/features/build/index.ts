export { BuildPage } from './BuildPage';
export { DueList } from './DueList';
