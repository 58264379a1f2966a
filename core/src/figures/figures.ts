import { FIGURE_BANDS, type Band } from '../circuit';

/** How a rig compares with straight-in, dB. All but `levelDb` are relative to the level at 400 Hz. */
export interface Figures {
  readonly levelDb: number;
  readonly trebleDb: number;
  /** 2–4 kHz and 4–8 kHz. */
  readonly trebleLowDb: number;
  readonly trebleHighDb: number;
  /** 8–16 kHz */
  readonly airDb: number;
  /** 40–160 Hz */
  readonly bottomDb: number;
  /** RMS over 200 Hz–8 kHz: how far the sound is from straight-in, whatever the direction. */
  readonly distanceDb: number;
}

/**
 * Figures of a response against a reference: plain means of dB over the exact points of the bands.
 *
 * @param nowDb @param referenceDb levels at the points of `FIGURE_GRID`, finite
 */
export function figuresOf(nowDb: Float64Array, referenceDb: Float64Array): Figures {
  const difference = nowDb.map((db, i) => db - referenceDb[i]!);
  const { level, treble, air, bottom, distance } = FIGURE_BANDS;
  const levelDb = difference[level.start]!;
  const middle = (treble.start + treble.end - 1) / 2;
  const over = (band: Band) => meanOf(difference, band) - levelDb;
  return {
    levelDb,
    trebleDb: over(treble),
    trebleLowDb: over({ start: treble.start, end: middle + 1 }),
    trebleHighDb: over({ start: middle, end: treble.end }),
    airDb: over(air),
    bottomDb: over(bottom),
    distanceDb: rootMeanSquare(difference, distance, levelDb),
  };
}

/** Plain mean over a band. */
export function meanOf(values: Float64Array, { start, end }: Band): number {
  let sum = 0;
  for (let i = start; i < end; i++) sum += values[i]!;
  return sum / (end - start);
}

function rootMeanSquare(values: Float64Array, { start, end }: Band, from: number): number {
  let sum = 0;
  for (let i = start; i < end; i++) sum += (values[i]! - from) ** 2;
  return Math.sqrt(sum / (end - start));
}
