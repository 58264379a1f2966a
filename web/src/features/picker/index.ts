export { bestFirst, meantBy } from './model/gearChoices';
export { useGearChoices } from './useGearChoices';
export type { GearChoice, PickerKind } from './model/gearChoices';
export { GearPicker } from './GearPicker';
export { PluggedInto } from './PluggedInto';
