import { Fourier } from './fourier';
import type { Impulse } from './impulse';

const BLOCKS_OF_TAPS = 4;

/**
 * Convolves samples with an impulse response, its delay taken off: as long as the samples, in time with them.
 * Overlap–add in blocks, two at a time: one is the real part of a complex transform, the next one the imaginary part.
 * Yields the share that is done.
 */
export function* convolve(
  samples: Float32Array,
  { taps, delay }: Impulse,
): Generator<number, Float32Array> {
  const size = BLOCKS_OF_TAPS * taps.length;
  const step = size - taps.length;
  const fourier = new Fourier(size);
  const filter = new Float64Array(2 * size);
  taps.forEach((tap, i) => (filter[2 * i] = tap));
  const [response, block, spectrum] = [0, 1, 2].map(() => new Float64Array(2 * size));
  fourier.forward(response!, filter);
  const out = new Float32Array(samples.length);
  for (let from = 0; from < samples.length; from += 2 * step) {
    block!.fill(0);
    layBlock(block!, samples, from, step);
    fourier.forward(spectrum!, block!);
    multiplyInto(spectrum!, response!);
    fourier.back(block!, spectrum!);
    addBlock(out, block!, 0, from - delay);
    addBlock(out, block!, 1, from + step - delay);
    yield Math.min(1, (from + 2 * step) / samples.length);
  }
  return out;
}

function layBlock(block: Float64Array, samples: Float32Array, from: number, step: number): void {
  const [one, other] = [from, from + step];
  for (let i = 0; i < step && one + i < samples.length; i++) {
    block[2 * i] = samples[one + i]!;
    block[2 * i + 1] = samples[other + i] ?? 0;
  }
}

function addBlock(out: Float32Array, block: Float64Array, part: 0 | 1, at: number): void {
  const to = Math.min(block.length / 2, out.length - at);
  for (let i = Math.max(0, -at); i < to; i++) out[at + i]! += block[2 * i + part]!;
}

/** One spectrum times another, bin by bin, into the first. */
export function multiplyInto(out: Float64Array, by: Float64Array): void {
  for (let i = 0; i < out.length; i += 2) {
    const [re, im] = [out[i]!, out[i + 1]!];
    out[i] = re * by[i]! - im * by[i + 1]!;
    out[i + 1] = re * by[i + 1]! + im * by[i]!;
  }
}
