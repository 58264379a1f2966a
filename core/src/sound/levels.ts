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

/** One voice up to a sample, then the other, with a straight crossfade: what the player does by two gains. */
export function switchedAt(
  one: Float32Array,
  other: Float32Array,
  at: number,
  rate: number,
): Float32Array {
  const fade = CROSSFADE_S * rate;
  return one.map((value, i) => {
    const share = Math.min(1, Math.max(0, (i - at) / fade));
    return (1 - share) * value + share * other[i]!;
  });
}
