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
