export { addSong, changeSong, moveSong, setCaseMass, walk } from './bookEdits';
export { CASE_MASS, LONGEST_TUNING } from './checkBook';
export type { Book, Song } from './book';
export {
  LARGEST_WEIGHT,
  MOST_ADDED_BOXES,
  MOST_HOURS_A_DAY,
  MOST_MONEY,
  NO_BRIEF,
  PEDAL_USES,
  WEIGHT_NAMES,
} from './brief';
export type { Brief, PedalUse, Weights } from './brief';
export { BUILD_WORDS, LONGEST_PART_KEY, MOST_OF_A_PART, USUAL_WAYS } from './build';
export type { Build, BuildWays, PartAtHand } from './build';
export { checkField, checkSourced, readField } from './checkField';
export { checkName } from './checkName';
export { checkNumbers } from './checkNumbers';
export { checkRig } from './checkRig';
export {
  addAmpLoop,
  aimSide,
  replaceDestination,
  removeRows,
  reshapeDevice,
} from './composeBranch';
export { editBrief, setLengthAt, switchInScene } from './composeBrief';
export {
  insertBuffer,
  insertDevice,
  keepScene,
  linkSwitch,
  pinRig,
  recallScene,
  removeDevice,
  removeFrom,
  setCableLength,
  toggleSwitch,
} from './composeEdit';
export { daysBetween, isDay } from './day';
export { sayDifferences } from './differences';
export {
  applyEdit,
  applyEdits,
  placeEdit,
  applyTrusted,
  listOf,
  touchedBy,
  withPart,
} from './edits';
export type { Edit, EditResult, Target } from './edits';
export {
  allCables,
  allDevices,
  chainOf,
  findCable,
  findDevice,
  isEngaged,
  knownState,
  mainRow,
  playingGuitar,
  rowOf,
  laidOf,
  withElectrical,
  withoutMains,
} from './chain';
export type { Chain } from './chain';
export type {
  Approach,
  ApproachKind,
  Electrical,
  Place,
  Row,
  RowPlace,
  Scene,
  SideGoal,
} from './electrical';
export { withElectricalPart } from './electricalParts';
export { freshId, keepCounters, nextIdsOf } from './ids';
export {
  BESIDE_PLACES,
  CONTROL_KINDS,
  NO_END,
  NO_LAYOUT,
  onDeck,
  TURNS,
  USUAL_LAYING,
} from './layout';
export type {
  Beside,
  BesidePlace,
  CableEnd,
  CableEnds,
  ControlCable,
  ControlKind,
  Lane,
  Layer,
  Laying,
  Layout,
  Loom,
  OnDeck,
  Placement,
  Turn,
} from './layout';
export { PLACEMENT_RULES } from './checkLayout';
export { mergeRigs } from './mergeRigs';
export { isSameState, mergeState } from './mergeState';
export { newRig } from './newRig';
export { planningOf } from './planning';
export { chooseInPart, setInPart } from './partEdits';
export { readNumber, writeAt } from './partValues';
export {
  atPlace,
  cableAt,
  destinationAt,
  goToPlace,
  isPatch,
  keepPlace,
  measureOutPlace,
  placeNow,
  plugInAtPlace,
} from './places';
export { feedOf, NO_POWER, USUAL_DC_M } from './power';
export type { Feeding, FeedVia, Power, PowerFeed } from './power';
export { reachOf } from './reach';
export { remember, rememberPair } from './remember';
export { MOST_DEVICES, MOST_PINS, partsOf, RIG_FORMAT } from './rig';
export type { Pin, Rig, RigParts } from './rig';
export type { RigProblem } from './rigProblem';
export { hasSwitch, loopSwitch, switchesOfDevice } from './switchState';
export type { SwitchState } from './switchState';
export { cutText } from './cutText';
export type { Texts } from './texts';
export { kindNow, upgradeRig, upgradeThing } from './upgrades';
export { switchNumbers } from './switchNumbers';
export {
  addGuitar,
  arrivalOf,
  arriveBy,
  inputsOf,
  placeReceiver,
  receiverAt,
  removeGuitar,
  selectorOf,
  wirelessOf,
} from './guitars';
export type { Arrival, ReceiverPlace } from './guitars';
export { canSplit, secondHalfOf, splitIntoLoop } from './fourCables';
export { isLaidInFeet, usualPatch, usualReference } from './usualLengths';
