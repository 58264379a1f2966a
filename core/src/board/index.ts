export { firstArrangement, isHung } from './arrange';
export type { Arrangement } from './arrange';
export {
  addBoard,
  addFixture,
  addLanes,
  copyBoard,
  removeBoard,
  removeFixture,
  standSomewhere,
} from './begin';
export type { Copied } from './begin';
export { layBoard } from './board';
export { BRIGHTNESS, flatLie, homographyOf, lieByTwo, mapped, unmapped } from './photo';
export type { BoardPhoto, Homography, PhotoLie, PhotoPoint, PhotoPoints } from './photo';
export type { Boarded, BoardPlan } from './board';
export { thingsIn } from './conflict';
export type { Conflict, Weight } from './conflict';
export { caseOf, connectionsOf, nameFeed } from './connections';
export type { Connection } from './connections';
export { curesOf, moveBy } from './cures';
export type { Cure } from './cures';
export { endEdit } from './endEdit';
export { applyFollowing, followAgain } from './follow';
export type { Foot, Freedom } from './foot';
export { openingsOn } from './ground';
export {
  bundleDiameter,
  chooseMount,
  DIAMETERS_M,
  isInLaneAt,
  lanesAt,
  laneUses,
  mixingOf,
  tiedAt,
  tiesToCut,
} from './lanes';
export type { LaneUse, MountChoice } from './lanes';
export { loomsAt, sayLoom } from './looms';
export type { Breakout, LoomAt } from './looms';
export { plugNameOf } from './plugs';
export type { PlugAt } from './plugs';
export type { Point, Rect } from './rect';
export type { Route, RoutePoint } from './routing/terrain';
export { decksOf, standingAt, turnedSize } from './standing';
export type { Deck, Standing } from './standing';
export { halvesOf, thingsOf } from './things';
export type { BoardThing } from './things';
export { sayConflict, sayThing, sayWire } from './words';
export type { Wire } from './wires';
export { COIL_FROM_M } from './wireConflicts';
export { drawnBeside } from './sideBySide';
export { DRAWING_KINDS, DRAWING_WORDS, drawBoard, drawingsFor } from './drawing';
export type { Drawing, DrawingKind, DrawnShape, Stroke } from './drawing';
export { PAPER_FOOT, PAPER_MARGIN, PAPERS, tilesOf } from './paper';
export type { Paper, Tile } from './paper';
export {
  bestArrangement,
  editOf as arrangedEdit,
  movingIn,
  USUAL_BUDGET,
} from './searching/bestArrangement';
export type { ArrangeProgress, ArrangeQuestion } from './searching/bestArrangement';
export { USUAL_WISHES } from './searching/wishes';
export type { Judged, Wishes } from './searching/wishes';
export { bestOpening } from './searching/opening';
export type { OpeningFound, OpeningProgress, OpeningQuestion } from './searching/opening';
export { SWAP_KINDS, swapEdit, swapsOf } from './searching/swap';
export type { SwapKind } from './searching/swap';
export { whatFitsHere } from './searching/whatFits';
export type { FitsHere, WhatFitsProgress, WhatFitsQuestion } from './searching/whatFits';
export { willItFit } from './searching/willFit';
export type { FitAnswer, FitProgress, FitQuestion, MovedThing } from './searching/willFit';
