import { DRAW_GRID, LEVEL_FREQUENCY_HZ, POINTS_PER_OCTAVE } from '../circuit';

export type Resonance =
  /** Height above the mean level of 200–600 Hz. */
  | { readonly kind: 'resonance'; readonly frequencyHz: number; readonly heightDb: number }
  | { readonly kind: 'noResonance' };

const LEAST_HEIGHT_DB = 0.3;
const BASE_FROM_HZ = 200;
const BASE_TO_HZ = 600;

/**
 * The highest interior maximum of a response above 600 Hz, its place refined by a parabola in log f.
 *
 * @param db levels at the points of `DRAW_GRID`
 */
export function resonanceOf(db: Float64Array): Resonance {
  const { frequencyHz } = DRAW_GRID;
  const base = baseLevel(db);
  let peak = -1;
  for (let i = 1; i < db.length - 1; i++) {
    const higher = frequencyHz[i]! > BASE_TO_HZ && db[i]! > db[i - 1]! && db[i]! >= db[i + 1]!;
    if (higher && (peak < 0 || db[i]! > db[peak]!)) peak = i;
  }
  if (peak < 0) return { kind: 'noResonance' };
  const [left, top, right] = [db[peak - 1]!, db[peak]!, db[peak + 1]!];
  const offset = (left - right) / (2 * (left - 2 * top + right));
  const heightDb = top - ((left - right) * offset) / 4 - base;
  if (heightDb <= LEAST_HEIGHT_DB) return { kind: 'noResonance' };
  return {
    kind: 'resonance',
    frequencyHz: frequencyHz[peak]! * 2 ** (offset / POINTS_PER_OCTAVE),
    heightDb,
  };
}

function baseLevel(db: Float64Array): number {
  let sum = 0;
  let count = 0;
  DRAW_GRID.frequencyHz.forEach((f, i) => {
    if (f < BASE_FROM_HZ || f > BASE_TO_HZ) return;
    sum += db[i]!;
    count++;
  });
  return sum / count;
}

export type Corner =
  { readonly kind: 'corner'; readonly frequencyHz: number } | { readonly kind: 'beyondGrid' };

const CORNER_DB = 3;

/**
 * The highest frequency within 3 dB of the level at 400 Hz, between points by a straight line in log f.
 *
 * @param db levels at the points of `DRAW_GRID`; @param levelDb the same response at exactly 400 Hz
 */
export function cornerOf(db: Float64Array, levelDb: number): Corner {
  const floor = levelDb - CORNER_DB;
  const last = db.length - 1;
  if (db[last]! >= floor) return { kind: 'beyondGrid' };
  let i = last;
  while (i > 0 && db[i]! < floor) i--;
  const share = db[i]! < floor ? 0 : (db[i]! - floor) / (db[i]! - db[i + 1]!);
  const at = Math.max(
    DRAW_GRID.frequencyHz[i]! * 2 ** (share / POINTS_PER_OCTAVE),
    LEVEL_FREQUENCY_HZ,
  );
  return { kind: 'corner', frequencyHz: at };
}

export const semitonesBetween = (fromHz: number, toHz: number): number =>
  12 * Math.log2(toHz / fromHz);
