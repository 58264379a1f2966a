export { CASE_SIDES, JACK_KINDS, resized, spaceJacks, spaceSwitches } from './case';
export type { Case, CaseJack, CaseSide, CaseSwitch, JackKind } from './case';
export { checkPlaces } from './checkPlaces';
export { bodyOf, CASE_RULES, typicalBody } from './deviceCase';
export type { Body } from './body';
export { isQuietClass } from './powerNeed';
export type { GroundPole, Polarity, PowerNeed } from './powerNeed';
export {
  ADAPTOR_CLASSES,
  adaptorOfClass,
  groupIndexOf,
  MOST_GROUPS,
  MOST_OUTLETS,
  outletCount,
  outletGroup,
  settingsOf,
  SUPPLY_CLASSES,
  supplyCaseOf,
  supplyOfClass,
  typicalSupplyCase,
  USUAL_EFFICIENCY,
} from './supply';
export type {
  Adaptor,
  AdaptorClass,
  OutletGroup,
  OutletSetting,
  Supply,
  SupplyClass,
} from './supply';
export { DEVICE_CLASSES, deviceOfClass, wantsPickup } from './device';
export type { DeviceClass } from './deviceClass';
export type { BypassChoice, BypassKind, Device, PowerLost, Side } from './device';
export { DESTINATION_KINDS, destinationOfKind } from './destination';
export type { Destination, DestinationKind, InputKind } from './destination';
export {
  MOUNT_SIZES,
  mountOfSize,
  PLUG_SHAPES,
  plugOfShape,
  spaceSlats,
  typicalBoard,
} from './fittings';
export type {
  Board,
  BoardSurface,
  Mount,
  MountSize,
  Opening,
  Plug,
  PlugJoint,
  PlugShape,
  Slat,
} from './fittings';
export { FIXTURE_CLASSES, fixtureOfClass } from './fixture';
export type { Fixture, FixtureBody, FixtureClass } from './fixture';
export { GEAR_ID, gearItem, HIGHEST_PRICE, isReel, MOST_ID, NO_QUALITIES } from './gearItem';
export type { GearItem, GearKind, ItemOf, Qualities, RigItem, RigKind, Things } from './gearItem';
export { guitarOfClass, PICKUP_CLASSES, pickupOfClass, picofarad } from './guitar';
export type { BleedTopology, Guitar, GuitarKind, Pickup, PickupClass, Pot, Wiring } from './guitar';
export {
  CABLE_CLASSES,
  cableOfClass,
  conductorM,
  DEFAULT_REFERENCE_CABLE,
  patchCable,
} from './cable';
export type { Cable, CableClass, ReferenceCable } from './cable';
export { assumed, entered, isSameSourced, LONGEST_SOURCE, PROVENANCES } from './sourced';
export type { Provenance, Sourced } from './sourced';
export { CHOICE_RULES, FIELD_RULES, fieldRule } from './fields';
export type { FieldRule, PartKind } from './fields';
export { GEAR_KINDS, gearOf, isForRigs } from './kinds';
export { LONGEST_NAME, LONGEST_NOTE, MOST_LOOPS } from './limits';
export { shapeOf } from './shape';
export type { Shape, ShapeNode } from './shape';
export type { PlaceList } from './descriptor';
