import { spectrumOf } from './fourier';

/// Third-octave bands with base-ten exact mid-band frequencies (IEC 61260-1).

const LOWEST = -13;
const HIGHEST = 12;

/** 50 Hz … 16 kHz: 26 bands. */
export const THIRD_OCTAVES_HZ: readonly number[] = Array.from(
  { length: HIGHEST - LOWEST + 1 },
  (_, i) => 1000 * 10 ** ((i + LOWEST) / 10),
);

const HALF = 10 ** (1 / 20);
/** As many samples as a spectrum is made of at the least. */
export const SPECTRUM_SAMPLES = 8192;
const SIZE = SPECTRUM_SAMPLES;
/** Hann's. */
const WINDOW = Float64Array.from(
  { length: SIZE },
  (_, i) => Math.sin((Math.PI * (i + 0.5)) / SIZE) ** 2,
);

/** Levels of samples by band, dB re full scale (mean square of a full sine is −3 dB); −∞ of silence. */
export function thirdOctavesOf(samples: Float32Array, rate: number): Float64Array {
  const power = new Float64Array(THIRD_OCTAVES_HZ.length);
  const step = SIZE / 2;
  const blocks = Math.max(1, Math.floor((samples.length - SIZE) / step) + 1);
  const block = new Float64Array(SIZE);
  for (let b = 0; b < blocks; b++) {
    for (let i = 0; i < SIZE; i++) block[i] = (samples[b * step + i] ?? 0) * WINDOW[i]!;
    addPowers(power, spectrumOf(block), rate);
  }
  // A Hann window leaves 3/8 of the mean square; both halves of the spectrum count.
  const scale = 2 / (SIZE * SIZE * 0.375 * blocks);
  return power.map((value) => 10 * Math.log10(value * scale));
}

function addPowers(power: Float64Array, spectrum: Float64Array, rate: number): void {
  for (const [band, hz] of THIRD_OCTAVES_HZ.entries()) {
    const [from, to] = [(hz / HALF) * (SIZE / rate), hz * HALF * (SIZE / rate)];
    for (let k = Math.ceil(from - 0.5); k <= Math.floor(to + 0.5) && k <= SIZE / 2; k++) {
      // A bin on an edge counts for both bands by how much of it lies in each.
      const share = Math.min(k + 0.5, to) - Math.max(k - 0.5, from);
      if (share > 0) power[band]! += share * (spectrum[2 * k]! ** 2 + spectrum[2 * k + 1]! ** 2);
    }
  }
}
