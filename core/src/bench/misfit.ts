/**
 * Whether residuals have a shape that noise has not: their correlation with the next points, over all runs. Of
 * white noise each lag has about 0 ± 1/√n, so that the sum of four has ± 2/√n.
 *
 * @param residuals run by run, in the order of frequency
 */
export function misfitOf(residuals: readonly (readonly number[])[]): boolean {
  let [together, square, count] = [0, 0, 0];
  for (const run of residuals) {
    for (const [i, value] of run.entries()) {
      square += value * value;
      for (let lag = 1; lag <= Math.min(LAGS, i); lag++) together += value * run[i - lag]!;
      count++;
    }
  }
  return square > 0 && (together / square) * Math.sqrt(count / LAGS) > MOST_SIGMAS;
}

const LAGS = 4;
const MOST_SIGMAS = 3.5;
