import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix, solve } from 'ml-matrix';

/** Where a least-squares fit ended. */
export interface LeastSquares {
  readonly parameters: readonly number[];
  /** Measured less model, one for each point. */
  readonly residuals: Float64Array;
  /** √(mean square of the residuals). */
  readonly rms: number;
  /** s²(JᵀJ)⁻¹, s² the residual variance; null where the data do not fix the parameters at all. */
  readonly covariance: readonly (readonly number[])[] | null;
}

/** Values of a model at every point. */
export type Model = (parameters: readonly number[]) => Float64Array;

const STEP = 1e-5;
const ITERATIONS = 14;
const POLISHINGS = 12;
const SETTLED = 1e-9;

/**
 * Plain least squares by Levenberg–Marquardt from several starts, the best one polished by Gauss–Newton steps
 * that are taken only while they help. Every parameter should be of order one (a logarithm, dB).
 *
 * @param starts at least one; @param measured more points than parameters
 */
export function leastSquares(
  model: Model,
  measured: ArrayLike<number>,
  starts: readonly (readonly number[])[],
): LeastSquares {
  const x = Array.from({ length: measured.length }, (_, i) => i);
  const y = Array.from(measured);
  const ends = starts.map((start) => polish(model, y, descend(model, x, y, start)));
  const best = ends.reduce((one, other) =>
    sumOf(model, y, other) < sumOf(model, y, one) ? other : one,
  );
  const residuals = residualsOf(model, y, best);
  const square = residuals.reduce((sum, value) => sum + value * value, 0);
  return {
    parameters: best,
    residuals,
    rms: Math.sqrt(square / y.length),
    covariance: covarianceOf(jacobian(model, best), square / Math.max(1, y.length - best.length)),
  };
}

function descend(
  model: Model,
  x: number[],
  y: number[],
  start: readonly number[],
): readonly number[] {
  try {
    const { parameterValues } = levenbergMarquardt(
      { x, y },
      (parameters) => {
        const values = model(parameters);
        return (i) => values[i]!;
      },
      {
        initialValues: [...start],
        damping: 0.1,
        dampingStepUp: 4,
        dampingStepDown: 6,
        maxIterations: ITERATIONS,
        gradientDifference: STEP,
        centralDifference: true,
        errorTolerance: 1e-12,
      },
    );
    return parameterValues.every(Number.isFinite) ? parameterValues : start;
  } catch {
    // It has run to where the model is no number any more: this start leads nowhere.
    return start;
  }
}

function polish(model: Model, y: readonly number[], start: readonly number[]): readonly number[] {
  let now = start;
  let sum = sumOf(model, y, now);
  for (let i = 0; i < POLISHINGS; i++) {
    const step = gaussNewton(jacobian(model, now), residualsOf(model, y, now));
    if (!step) return now;
    const [next, after] = shortened(model, y, now, step, sum);
    if (!(after < sum)) return now;
    const isSettled = sum - after < SETTLED * sum;
    [now, sum] = [next, after];
    if (isSettled) return now;
  }
  return now;
}

/** A step, or half of it, a quarter … of it, as far as it makes the sum smaller. */
function shortened(
  model: Model,
  y: readonly number[],
  from: readonly number[],
  step: readonly number[],
  sum: number,
): readonly [readonly number[], number] {
  let next = from;
  let after = Infinity;
  for (let share = 1; share > 1e-3 && !(after < sum); share /= 2) {
    next = from.map((value, k) => value + share * step[k]!);
    after = sumOf(model, y, next);
  }
  return [next, after];
}

function gaussNewton(j: Matrix, residuals: Float64Array): readonly number[] | null {
  const normal = j.transpose().mmul(j);
  const right = j.transpose().mmul(Matrix.columnVector(Array.from(residuals)));
  try {
    const step = solve(normal, right).getColumn(0);
    return step.every(Number.isFinite) ? step : null;
  } catch {
    return null;
  }
}

/** ∂model/∂parameter by central differences: points × parameters. */
function jacobian(model: Model, at: readonly number[]): Matrix {
  const columns = at.map((value, k) => {
    const [up, down] = [at.with(k, value + STEP), at.with(k, value - STEP)].map(model);
    return Array.from(up!, (high, i) => (high - down![i]!) / (2 * STEP));
  });
  return new Matrix(columns).transpose();
}

function covarianceOf(j: Matrix, variance: number): LeastSquares['covariance'] {
  try {
    const matrix = inverse(j.transpose().mmul(j)).mul(variance).to2DArray();
    return matrix.every((row, i) => row.every(Number.isFinite) && row[i]! >= 0) ? matrix : null;
  } catch {
    return null;
  }
}

const residualsOf = (model: Model, y: readonly number[], at: readonly number[]): Float64Array => {
  const values = model(at);
  return Float64Array.from(y, (value, i) => value - values[i]!);
};

function sumOf(model: Model, y: readonly number[], at: readonly number[]): number {
  const sum = residualsOf(model, y, at).reduce((total, value) => total + value * value, 0);
  return Number.isFinite(sum) ? sum : Infinity;
}

/** ρ of two parameters. */
export const correlationOf = (
  covariance: readonly (readonly number[])[],
  i: number,
  k: number,
): number => covariance[i]![k]! / Math.sqrt(covariance[i]![i]! * covariance[k]![k]!);
