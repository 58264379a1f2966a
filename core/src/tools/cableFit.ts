/** One reading of a cable by a meter: how long, and its capacitance with both plugs. */
export interface CableReading {
  readonly lengthM: number;
  readonly totalF: number;
}

export type CableFit =
  /** A straight line through readings of several lengths, with standard errors. */
  | {
      readonly kind: 'line';
      readonly cPerMF: number;
      readonly cPerMErrorF: number;
      /** Both plugs, F; never less than nought. */
      readonly plugsF: number;
      readonly plugsErrorF: number;
    }
  /** One length only: C / ℓ, the plugs in it. */
  | { readonly kind: 'single'; readonly cPerMF: number };

/**
 * What a metre of a kind of cable has, from readings of several lengths of it: the slope of total capacitance
 * over length is C′, the intercept the plugs.
 *
 * @param readings at least one, lengths above 0 m
 * @param leastErrorF what a single reading may be off by at the least (1σ): two readings lie on a line whatever they are
 */
export function fitCable(readings: readonly CableReading[], leastErrorF = 0): CableFit {
  const count = readings.length;
  const meanM = readings.reduce((sum, { lengthM }) => sum + lengthM, 0) / count;
  const meanF = readings.reduce((sum, { totalF }) => sum + totalF, 0) / count;
  const spreadM = readings.reduce((sum, { lengthM }) => sum + (lengthM - meanM) ** 2, 0);
  if (spreadM < 1e-9) return { kind: 'single', cPerMF: meanF / meanM };
  const slope =
    readings.reduce((sum, r) => sum + (r.lengthM - meanM) * (r.totalF - meanF), 0) / spreadM;
  const intercept = meanF - slope * meanM;
  const rest = readings.reduce(
    (sum, { lengthM, totalF }) => sum + (totalF - intercept - slope * lengthM) ** 2,
    0,
  );
  const variance = Math.max(count > 2 ? rest / (count - 2) : 0, leastErrorF ** 2);
  return {
    kind: 'line',
    cPerMF: slope,
    cPerMErrorF: Math.sqrt(variance / spreadM),
    plugsF: Math.max(0, intercept),
    plugsErrorF: Math.sqrt(variance * (1 / count + meanM ** 2 / spreadM)),
  };
}
