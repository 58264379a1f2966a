export { GearPage } from './GearPage';
export { UsesPanel } from './UsesPanel';
export { useGearActions } from './useGear';
