import FFT from 'fft.js';

/// Fourier transforms of real signals. Spectra are interleaved re, im of bins 0 … size/2.

const prepared = new Map<number, FFT>();

function fftOf(size: number): FFT {
  let known = prepared.get(size);
  if (!known) prepared.set(size, (known = new FFT(size)));
  return known;
}

/** @param samples as many as the size, a power of two */
export function spectrumOf(samples: Float64Array): Float64Array {
  const size = samples.length;
  const out = new Float64Array(2 * size);
  fftOf(size).realTransform(out, samples);
  return out.subarray(0, size + 2);
}

/** @param spectrum size/2 + 1 bins; imaginary parts of the first and the last one do not count */
export function samplesOf(spectrum: Float64Array): Float64Array {
  const size = spectrum.length - 2;
  const whole = new Float64Array(2 * size);
  whole.set(spectrum);
  whole[1] = 0;
  whole[size + 1] = 0;
  for (let k = 1; k < size / 2; k++) {
    whole[2 * (size - k)] = spectrum[2 * k]!;
    whole[2 * (size - k) + 1] = -spectrum[2 * k + 1]!;
  }
  const out = new Float64Array(2 * size);
  fftOf(size).inverseTransform(out, whole);
  return Float64Array.from({ length: size }, (_, i) => out[2 * i]!);
}

/** One spectrum times another, bin by bin, into the first. */
export function multiplyInto(out: Float64Array, by: Float64Array): void {
  for (let i = 0; i < out.length; i += 2) {
    const [re, im] = [out[i]!, out[i + 1]!];
    out[i] = re * by[i]! - im * by[i + 1]!;
    out[i + 1] = re * by[i + 1]! + im * by[i]!;
  }
}

/** The least power of two that is not below. */
export const powerOfTwo = (least: number): number => 2 ** Math.ceil(Math.log2(Math.max(2, least)));
