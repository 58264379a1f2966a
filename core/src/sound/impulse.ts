import { gridOf, type FrequencyGrid } from '../circuit';
import { powerOfTwo, samplesOf } from './fourier';

/// From a response at the bins of a Fourier transform to an impulse response that can be convolved with.

/** An impulse response: what it does is late by `delay` samples. */
export interface Impulse {
  readonly taps: Float64Array;
  readonly delay: number;
  readonly rate: number;
}

/** What a band-limited response does before its time has this long, s. */
const DELAY_S = 0.01;
/** How long a response may ring, s; at the least `LEAST_TAPS`. */
const LENGTH_S = 0.17;
const LEAST_TAPS = 4096;
/** Its end is faded out over this share of it. */
const FADED = 0.125;
/** In the place of 0 Hz, where a piezo lets nothing through. */
const LOWEST_HZ = 1e-3;

/** How many taps impulse responses have at a sample rate. */
export const tapsAt = (rate: number): number => powerOfTwo(Math.max(LEAST_TAPS, LENGTH_S * rate));

const grids = new Map<number, FrequencyGrid>();

/** The frequencies at which a response has to be known to become an impulse response at a sample rate. */
export function binsAt(rate: number): FrequencyGrid {
  let known = grids.get(rate);
  if (!known) {
    const size = 2 * tapsAt(rate);
    const hz = Float64Array.from({ length: size / 2 + 1 }, (_, k) => (k * rate) / size);
    hz[0] = LOWEST_HZ;
    grids.set(rate, (known = gridOf(hz)));
  }
  return known;
}

/**
 * The impulse response of a response at `binsAt(rate)`. It is computed over twice its length, so that what wraps
 * around is let go of; what comes before its time is kept by the delay.
 *
 * @param response interleaved re, im; it is not changed
 */
export function impulseOf(response: Float64Array, rate: number): Impulse {
  const count = tapsAt(rate);
  const size = 2 * count;
  if (response.length !== size + 2)
    throw new Error(`a response of ${response.length / 2} bins, not of ${size / 2 + 1}`);
  const delay = Math.round(DELAY_S * rate);
  const taps = samplesOf(delayed(response, delay)).subarray(0, count);
  const faded = Math.round(FADED * count);
  for (let i = 0; i < faded; i++)
    taps[count - faded + i]! *= 0.5 * (1 + Math.cos((Math.PI * (i + 1)) / faded));
  return { taps, delay, rate };
}

/**
 * e^{−jωτ} at every bin: later by the delay, and by up to half a sample more or less, so that half the sample rate has
 * a real response. Cutting its imaginary part off instead would be a step, and ring at all times.
 */
function delayed(response: Float64Array, delay: number): Float64Array {
  const out = new Float64Array(response.length);
  const size = response.length - 2;
  const phase = Math.atan2(response[size + 1]!, response[size]!) / Math.PI;
  const late = delay + phase - Math.round(phase);
  for (let k = 0; k <= size / 2; k++) {
    const angle = (-2 * Math.PI * k * late) / size;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const [re, im] = [response[2 * k]!, response[2 * k + 1]!];
    out[2 * k] = re * c - im * s;
    out[2 * k + 1] = re * s + im * c;
  }
  return out;
}
