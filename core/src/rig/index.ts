export * from './rig';
export * from './edit';
export { applyEdit, applyEdits } from './applyEdit';
export { findPart, withPart } from './parts';
export { checkField, readField } from './checkField';
export type { FieldInput, FieldProblem } from './checkField';
export { checkName, checkRig, readNumber, writeAt } from './checkRig';
export type { RigProblem } from './checkRig';
export {
  addAmpLoop,
  addGuitar,
  aimSide,
  removeGuitar,
  removeRows,
  reshapeDevice,
} from './composeBranch';
export * from './composeEdit';
export { CHOICE_RULES, FIELD_RULES, fieldRule } from './fields';
export type { FieldRule, PartKind } from './fields';
export { sayDifferences } from './differences';
export { newRig } from './newRig';
export { upgradeRig, upgradeThing } from './upgradeRig';
