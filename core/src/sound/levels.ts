/** Root mean square; 0 of nothing. */
export function rmsOf(samples: Float32Array): number {
  let square = 0;
  for (const value of samples) square += value * value;
  return Math.sqrt(square / Math.max(1, samples.length));
}

export function peakOf(samples: Float32Array): number {
  let peak = 0;
  for (const value of samples) peak = Math.max(peak, Math.abs(value));
  return peak;
}

export function scale(samples: Float32Array, by: number): void {
  for (let i = 0; i < samples.length; i++) samples[i]! *= by;
}

/** How long a change from one voice to another takes, s: short enough to be at once, long enough not to click. */
export const CROSSFADE_S = 0.01;
