import { multiplyInto, samplesOf, spectrumOf } from './fourier';
import type { Impulse } from './impulse';

const BLOCKS_OF_TAPS = 4;

/**
 * Convolves samples with an impulse response, its delay taken off: as long as the samples, in time with them.
 * Overlap–add in blocks; yields the share that is done.
 */
export function* convolve(
  samples: Float32Array,
  { taps, delay }: Impulse,
): Generator<number, Float32Array> {
  const size = BLOCKS_OF_TAPS * taps.length;
  const step = size - taps.length;
  const padded = new Float64Array(size);
  padded.set(taps);
  const filter = spectrumOf(padded);
  const out = new Float32Array(samples.length);
  const block = new Float64Array(size);
  for (let from = 0; from < samples.length; from += step) {
    block.fill(0);
    block.set(samples.subarray(from, from + step));
    const spectrum = spectrumOf(block);
    multiplyInto(spectrum, filter);
    const add = samplesOf(spectrum);
    const to = Math.min(samples.length, from + size - delay);
    for (let i = Math.max(0, from - delay); i < to; i++) out[i]! += add[i - from + delay]!;
    yield Math.min(1, (from + step) / samples.length);
  }
  return out;
}
