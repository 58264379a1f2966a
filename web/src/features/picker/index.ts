export { bestFirst, meantBy, useGearChoices } from './gearChoices';
export type { GearChoice, PickerKind } from './gearChoices';
export { GearPicker } from './GearPicker';
export { PluggedInto } from './PluggedInto';
