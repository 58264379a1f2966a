export * from './brief';
export { remember } from './remember';
export * from './rig';
export * from './edit';
export { applyEdit, applyEdits, applyTrusted } from './applyEdit';
export { findPart, withPart } from './parts';
export { checkField, checkSourced, readField } from './checkField';
export { chooseInPart, setInPart } from './partEdits';
export type { PartChange } from './partEdits';
export type { FieldInput, FieldProblem } from './checkField';
export { checkName, checkNumbers, checkRig, readNumber, writeAt } from './checkRig';
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
export { isPatch, keepSituation, measureOutSituation, situationNow, standAt } from './situations';
export * from './composeBrief';
export { CHOICE_RULES, FIELD_RULES, fieldRule } from './fields';
export type { FieldRule, PartKind } from './fields';
export { sayDifferences } from './differences';
export { newRig } from './newRig';
export { upgradeRig, upgradeThing } from './upgradeRig';
