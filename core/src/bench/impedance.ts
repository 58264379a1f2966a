import { leastSquares } from './leastSquares';

/// Impedance of an input by a known resistor in series, of an output by one across it (model §11).

/** How much the level falls by a known resistor at one frequency. */
export interface LevelChange {
  readonly frequencyHz: number;
  /** With the resistor less without it, dB (below nought). */
  readonly changeDb: number;
}

export type InputFit =
  | {
      readonly kind: 'fitted';
      readonly rInOhm: number;
      readonly cInF: number;
      /** Standard errors as shares; of C_in null where the highest frequency does not reach it. */
      readonly rShare: number;
      readonly cShare: number | null;
      readonly rmsDb: number;
    }
  /** The level does not fall by the resistor: it is too small for this input. */
  | { readonly kind: 'tooLittle' }
  | { readonly kind: 'tooFew' };

/** Less than this is not told from a reading that wanders, dB. */
const LEAST_FALL_DB = 0.3;
const LEAST_POINTS = 3;

/**
 * R_in ∥ C_in from the fall by a series resistor: |Z + R_s| / |Z + R_s + R| over what drives it.
 *
 * @param sourceOhm what drives the input without the resistor; @param seriesOhm the resistor
 */
export function fitInput(
  changes: readonly LevelChange[],
  sourceOhm: number,
  seriesOhm: number,
): InputFit {
  if (changes.length < LEAST_POINTS) return { kind: 'tooFew' };
  if (changes.every(({ changeDb }) => changeDb > -LEAST_FALL_DB)) return { kind: 'tooLittle' };
  const model = ([r, c]: readonly number[]): Float64Array =>
    Float64Array.from(changes, ({ frequencyHz }) =>
      fallBySeriesDb(Math.exp(r!), Math.exp(c!), sourceOhm, seriesOhm, frequencyHz),
    );
  const lowest = changes.reduce((a, b) => (b.frequencyHz < a.frequencyHz ? b : a));
  const left = Math.min(0.99, 10 ** (lowest.changeDb / 20));
  const guess = Math.log(Math.max(1e3, (left * seriesOhm) / (1 - left)));
  const fit = leastSquares(
    model,
    changes.map(({ changeDb }) => changeDb),
    [20e-12, 100e-12].map((c) => [guess, Math.log(c)]),
  );
  const [r, c] = fit.parameters;
  const sd = (k: number) => Math.sqrt(fit.covariance?.[k]?.[k] ?? Infinity);
  return {
    kind: 'fitted',
    rInOhm: Math.exp(r!),
    cInF: Math.exp(c!),
    rShare: sd(0),
    cShare: sd(1) < 1 ? sd(1) : null,
    rmsDb: fit.rms,
  };
}

/** @returns dB, at most 0 */
export function fallBySeriesDb(
  rInOhm: number,
  cInF: number,
  sourceOhm: number,
  seriesOhm: number,
  frequencyHz: number,
): number {
  const b = 2 * Math.PI * frequencyHz * cInF;
  const square = 1 / rInOhm ** 2 + b * b;
  const [re, im] = [1 / rInOhm / square, -b / square];
  return (
    20 * Math.log10(Math.hypot(re + sourceOhm, im) / Math.hypot(re + sourceOhm + seriesOhm, im))
  );
}

export type OutputFit =
  | { readonly kind: 'fitted'; readonly rOutOhm: number; readonly rShare: number | null }
  | { readonly kind: 'tooLittle' }
  | { readonly kind: 'tooFew' };

/** R_out from the fall by a resistor across the output: R / (R + R_out), the mean of all frequencies. */
export function fitOutput(changes: readonly LevelChange[], shuntOhm: number): OutputFit {
  if (changes.length === 0) return { kind: 'tooFew' };
  const found = changes.map(({ changeDb }) => shuntOhm * (10 ** (-changeDb / 20) - 1));
  const mean = found.reduce((sum, value) => sum + value, 0) / found.length;
  const fallDb = changes.reduce((sum, { changeDb }) => sum + changeDb, 0) / changes.length;
  if (fallDb > -LEAST_FALL_DB) return { kind: 'tooLittle' };
  const square = found.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const count = found.length;
  const rShare = count > 1 ? Math.sqrt(square / (count - 1) / count) / mean : null;
  return { kind: 'fitted', rOutOhm: mean, rShare };
}

/** Preferred values of the E6 series (IEC 60063). */
const E6 = [1, 1.5, 2.2, 3.3, 4.7, 6.8];
/** What nothing is to be loaded with. */
const LEAST_SHUNT_OHM = 1e3;

/**
 * The resistor that tells most of an impedance of about this size: as large as it is, so that the level falls by
 * half; nearest of the E6 series. Across an output not below 1 kΩ, which many are not made to drive.
 */
export function bestResistor(guessOhm: number, where: 'series' | 'shunt'): number {
  const wanted = where === 'shunt' ? Math.max(LEAST_SHUNT_OHM, guessOhm) : guessOhm;
  const decade = 10 ** Math.floor(Math.log10(wanted));
  const offered = [...E6.map((value) => value * decade), 10 * decade];
  return offered.reduce((one, other) =>
    Math.abs(Math.log(other / wanted)) < Math.abs(Math.log(one / wanted)) ? other : one,
  );
}
