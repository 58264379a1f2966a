/** Where 90 in 100 draws lie, and the middle. */
export interface Bounds {
  readonly low: number;
  readonly median: number;
  readonly high: number;
}

/** The value below which this share of sorted values lies, between neighbours by proportion. */
function quantile(sorted: Float64Array, share: number): number {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const above = Math.min(sorted.length - 1, below + 1);
  return sorted[below]! + (at - below) * (sorted[above]! - sorted[below]!);
}

/** The 5–95 % band of values; `values` is left as it is. */
export function boundsOf(values: Float64Array): Bounds {
  const sorted = Float64Array.from(values).sort();
  return {
    low: quantile(sorted, 0.05),
    median: quantile(sorted, 0.5),
    high: quantile(sorted, 0.95),
  };
}

/** A difference whose band reaches across nought is not established. */
export const isEstablished = ({ low, high }: Bounds): boolean => low > 0 || high < 0;
