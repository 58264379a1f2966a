export { GearPage } from './GearPage';
