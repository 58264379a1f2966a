/** How long the work takes, minutes: a practised hand, with everything laid out. */
export const MINUTES = {
  photo: 3,
  clean: 10,
  clips: 4,
  tapeEach: 2,
  mountEach: 0.5,
  standEach: 2,
  cut: 1,
  solderPlug: 6,
  screwPlug: 3,
  test: 3,
  lay: 3,
  powerCheck: 8,
  play: 15,
  tieEach: 0.5,
  labelEach: 1,
  spares: 5,
} as const;

/** How long changes of a chain take that is not laid out on a board, minutes: the same hand, by the same times. */
export const CHANGE_MINUTES = {
  placeBox: 15,
  shiftBox: 10,
  flipBypass: 1,
  swapCable: 2,
  swapPatch: 5,
  makeCable: MINUTES.cut + 2 * MINUTES.solderPlug + MINUTES.test + MINUTES.lay,
  convertBypass: 45,
  loopOut: 20,
  changePot: 40,
  activateVolume: 60,
  fitCapacitor: 15,
  fitPickupSimulator: 30,
  removeBox: 5,
} as const;
