import { quantileSorted } from 'd3-array';

/** Where 90 in 100 draws lie, and the middle. */
export interface Bounds {
  readonly low: number;
  readonly median: number;
  readonly high: number;
}

/** The 5–95 % band of values; `values` is left as it is. */
export function boundsOf(values: Float64Array): Bounds {
  const sorted = Array.from(Float64Array.from(values).sort());
  return {
    low: quantileSorted(sorted, 0.05)!,
    median: quantileSorted(sorted, 0.5)!,
    high: quantileSorted(sorted, 0.95)!,
  };
}

/** A difference whose band reaches across nought is not established. */
export const isEstablished = ({ low, high }: Bounds): boolean => low > 0 || high < 0;
