import { median } from 'd3-array';
import { correlationOf, leastSquares, type LeastSquares } from './leastSquares';
import { misfitOf } from './misfit';
import {
  pickupDivider,
  pickupLevelDb,
  type KnownLoad,
  type PickupRun,
  type PickupValues,
} from './pickupRun';

/** A point that was left aside: far from where all others agree. */
export interface OutlyingPoint {
  readonly run: number;
  readonly point: number;
}

interface Fitted {
  readonly rmsDb: number;
  /** Measured less model, run by run, dB; points left aside have theirs too. */
  readonly residualDb: readonly (readonly number[])[];
  readonly outliers: readonly OutlyingPoint[];
  /** The residuals have a shape of their own: something that was entered is not so. */
  readonly isMisfit: boolean;
  readonly values: PickupValues;
  readonly gainDb: number;
}

export type PickupFit =
  | (Fitted & {
      readonly kind: 'fitted';
      /** Standard errors of the logarithms: shares of the values. */
      readonly relativeSd: PickupValues;
      /** ρ of ln L and ln C_w. */
      readonly correlationLC: number;
    })
  /** One response, or responses that say the same: L and C_w cannot be told apart, only what they do together. */
  | (Fitted & {
      readonly kind: 'undetermined';
      readonly correlationLC: number;
      /** Where the phase passes −90° with the load of the first run; null where it does not. */
      readonly resonanceHz: number | null;
      /** |H| there over |H| at low frequencies: 20·log10 of it is the height of a sharp peak. */
      readonly q: number | null;
    })
  | { readonly kind: 'tooFew'; readonly points: number; readonly least: number };

export const LEAST_FIT_POINTS = 12;
/** At this correlation of L and C_w the one is the other's mirror. */
const MOST_CORRELATION = 0.99;
/** A share by which nothing is known. */
const MOST_SHARE = 0.15;
/** No coil has so little loss: the load is smaller than was entered. */
const MOST_EDDY_OHM = 50e6;
/** In robust standard deviations. */
const OUTLYING = 5;
const MOST_ROUNDS = 5;

/** Starts from weak to strong coils: L, C_w, R_eddy. */
const STARTS: readonly PickupValues[] = [
  { lH: 2, cWindingF: 100e-12, rEddyOhm: 1e6 },
  { lH: 5, cWindingF: 150e-12, rEddyOhm: 300e3 },
  { lH: 10, cWindingF: 80e-12, rEddyOhm: 2e6 },
];

/**
 * L, C_w, R_eddy and gain of a pickup from responses into known loads: unweighted least squares in dB over their
 * logarithms, all runs together; standard errors from the residual variance and the Jacobian. Points more than
 * five robust standard deviations off are left aside and named.
 *
 * @param starts where to begin beside the usual places
 */
export function fitPickup(
  runs: readonly PickupRun[],
  starts: readonly PickupValues[] = STARTS,
): PickupFit {
  const points = runs.flatMap(({ frequencyHz, levelDb, ...load }, run) =>
    frequencyHz.map((hz, point) => ({ run, point, hz, db: levelDb[point]!, load })),
  );
  if (points.length < LEAST_FIT_POINTS)
    return { kind: 'tooFew', points: points.length, least: LEAST_FIT_POINTS };
  const { fit, outliers } = fitRobustly(points, starts);
  const [, , , gainDb] = fit.parameters;
  const values = valuesOf(fit.parameters);
  const residualDb = runs.map(({ frequencyHz, levelDb, ...load }) =>
    frequencyHz.map((hz, i) => levelDb[i]! - gainDb! - pickupLevelDb(values, load, hz)),
  );
  const kept = residualDb.map((run, r) =>
    run.filter((_, p) => !outliers.some((one) => one.run === r && one.point === p)),
  );
  const isMisfit = misfitOf(kept) || values.rEddyOhm > MOST_EDDY_OHM;
  const fitted = { rmsDb: fit.rms, residualDb, outliers, isMisfit, values };
  return tellApart({ ...fitted, gainDb: gainDb! }, fit.covariance, runs[0]!);
}

function tellApart(
  fitted: Fitted,
  covariance: LeastSquares['covariance'],
  load: KnownLoad,
): PickupFit {
  const correlationLC = covariance ? correlationOf(covariance, 0, 1) : -1;
  const sd = (k: number) => Math.sqrt(covariance?.[k]?.[k] ?? Infinity);
  const isKnown = Math.abs(correlationLC) < MOST_CORRELATION && sd(0) < MOST_SHARE;
  if (!isKnown)
    return {
      kind: 'undetermined',
      ...fitted,
      correlationLC,
      ...resonanceAndQ(fitted.values, load),
    };
  const relativeSd = { lH: sd(0), cWindingF: sd(1), rEddyOhm: sd(2) };
  return { kind: 'fitted', ...fitted, relativeSd, correlationLC };
}

interface Point {
  readonly run: number;
  readonly point: number;
  readonly hz: number;
  readonly db: number;
  readonly load: KnownLoad;
}

function fitRobustly(points: readonly Point[], starts: readonly PickupValues[]) {
  let kept = points;
  let fit = fitPoints(kept, starts);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { parameters } = fit;
    const at = modelOf(points)(parameters);
    const off = points.map(({ db }, i) => Math.abs(db - at[i]!));
    const limit = OUTLYING * 1.4826 * (median(off) ?? 0);
    const next = points.filter((_, i) => off[i]! <= limit);
    if (next.length === kept.length || next.length < LEAST_FIT_POINTS) break;
    kept = next;
    fit = fitPoints(kept, [valuesOf(parameters), ...starts]);
  }
  const outliers = points.filter((point) => !kept.includes(point));
  return { fit, outliers: outliers.map(({ run, point }) => ({ run, point })) };
}

function fitPoints(points: readonly Point[], starts: readonly PickupValues[]): LeastSquares {
  const gain = (values: PickupValues) =>
    median(points, ({ db, load, hz }) => db - pickupLevelDb(values, load, hz)) ?? 0;
  return leastSquares(
    modelOf(points),
    points.map(({ db }) => db),
    starts.map((values) => [
      Math.log(values.lH),
      Math.log(values.cWindingF),
      Math.log(values.rEddyOhm),
      gain(values),
    ]),
  );
}

const modelOf =
  (points: readonly Point[]) =>
  (parameters: readonly number[]): Float64Array => {
    const values = valuesOf(parameters);
    return Float64Array.from(
      points,
      ({ load, hz }) => parameters[3]! + pickupLevelDb(values, load, hz),
    );
  };

const valuesOf = ([l, c, r]: readonly number[]): PickupValues => ({
  lH: Math.exp(l!),
  cWindingF: Math.exp(c!),
  rEddyOhm: Math.exp(r!),
});

const LOW_HZ = 20;
const HIGH_HZ = 100e3;
const STEPS = 60;

/** What L and C do together: where the phase passes −90°, and the rise there; null where it does not pass it. */
export function resonanceAndQ(
  values: PickupValues,
  load: KnownLoad,
): { readonly resonanceHz: number | null; readonly q: number | null } {
  const re = (hz: number) => pickupDivider(values, load, hz)[0];
  if (re(HIGH_HZ) >= 0) return { resonanceHz: null, q: null };
  let [low, high] = [LOW_HZ, HIGH_HZ];
  for (let i = 0; i < STEPS; i++) {
    const middle = Math.sqrt(low * high);
    if (re(middle) > 0) low = middle;
    else high = middle;
  }
  const rise = pickupLevelDb(values, load, low) - pickupLevelDb(values, load, LOW_HZ);
  return { resonanceHz: low, q: 10 ** (rise / 20) };
}
