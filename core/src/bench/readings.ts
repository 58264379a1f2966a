import { max, mean, median, min } from 'd3-array';

/** What several readings of one thing come to. */
export interface ReadingSummary {
  readonly count: number;
  readonly median: number;
  /** From the least to the most of them. */
  readonly spread: number;
  /** Standard error of their mean; null of a single one. */
  readonly standardError: number | null;
}

/** Three readings of one thing are the least that tells a slip from a value. */
export const USUAL_READINGS = 3;

/** @returns null of none */
export function summariseReadings(values: readonly number[]): ReadingSummary | null {
  const count = values.length;
  const middle = median(values);
  if (middle === undefined) return null;
  const average = mean(values)!;
  const square = values.reduce((sum, value) => sum + (value - average) ** 2, 0);
  return {
    count,
    median: middle,
    spread: max(values)! - min(values)!,
    standardError: count > 1 ? Math.sqrt(square / (count - 1) / count) : null,
  };
}
