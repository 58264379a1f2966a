import FFT from 'fft.js';

/// Fourier transforms. Complex values are interleaved re, im; spectra of real signals hold bins 0 … size/2.

const prepared = new Map<number, FFT>();

function fftOf(size: number): FFT {
  let known = prepared.get(size);
  if (!known) prepared.set(size, (known = new FFT(size)));
  return known;
}

/** Complex transforms of one size, a power of two. */
export class Fourier {
  private readonly fft: FFT;

  constructor(size: number) {
    this.fft = fftOf(size);
  }

  forward(out: Float64Array, data: Float64Array): void {
    this.fft.transform(out, data);
  }

  back(out: Float64Array, data: Float64Array): void {
    this.fft.inverseTransform(out, data);
  }
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

/** The least power of two that is not below. */
export const powerOfTwo = (least: number): number => 2 ** Math.ceil(Math.log2(Math.max(2, least)));
