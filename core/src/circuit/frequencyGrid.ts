/// The frequencies everything is computed at. Drawing and judging use different points on purpose:
/// figures are means over exact points, so that they do not depend on how finely a curve is drawn.

export interface FrequencyGrid {
  /** Ascending within each band, Hz. */
  readonly frequencyHz: Float64Array;
  /** 2π·frequencyHz, rad/s. */
  readonly omega: Float64Array;
}

export const POINTS_PER_OCTAVE = 48;
export const LEVEL_FREQUENCY_HZ = 400;

export function gridOf(frequencyHz: Float64Array): FrequencyGrid {
  return { frequencyHz, omega: frequencyHz.map((f) => 2 * Math.PI * f) };
}

/** `startHz`·2^(k/48) for k = 0 … `count` − 1. */
export function octaveSteps(startHz: number, count: number): Float64Array {
  return Float64Array.from({ length: count }, (_, k) => startHz * 2 ** (k / POINTS_PER_OCTAVE));
}

/** A half-open range of indices into a grid. */
export interface Band {
  readonly start: number;
  readonly end: number;
}

const DRAW_START_HZ = 20;
const DRAW_END_HZ = 20000;
const DRAW_COUNT = Math.floor(Math.log2(DRAW_END_HZ / DRAW_START_HZ) * POINTS_PER_OCTAVE) + 1;

/** 20 Hz … just under 20 kHz, 48 points an octave (479 points). */
export const DRAW_GRID: FrequencyGrid = gridOf(octaveSteps(DRAW_START_HZ, DRAW_COUNT));

const bands = {
  level: [LEVEL_FREQUENCY_HZ, 1],
  treble: [2000, 97],
  air: [8000, 49],
  bottom: [40, 97],
  distance: [200, 256],
} as const;

function layBands(names: readonly (keyof typeof bands)[]): {
  grid: FrequencyGrid;
  band: Record<string, Band>;
} {
  const parts: number[] = [];
  const band: Record<string, Band> = {};
  for (const name of names) {
    const [startHz, count] = bands[name];
    band[name] = { start: parts.length, end: parts.length + count };
    parts.push(...octaveSteps(startHz, count));
  }
  return { grid: gridOf(Float64Array.from(parts)), band };
}

const figureLayout = layBands(['level', 'treble', 'air', 'bottom', 'distance']);
const trebleLayout = layBands(['level', 'treble']);

/** 400 Hz, then the points of treble, air, bottom and distance: 500 points in the order of `FIGURE_BANDS`. */
export const FIGURE_GRID: FrequencyGrid = figureLayout.grid;
export const FIGURE_BANDS = figureLayout.band as Readonly<Record<keyof typeof bands, Band>>;

/** Only what treble T and level need: 400 Hz and 2–8 kHz, 98 points. */
export const TREBLE_GRID: FrequencyGrid = trebleLayout.grid;
export const TREBLE_BAND: Band = trebleLayout.band.treble!;
