/// What packages without types of their own are used for here.

declare module 'fft.js' {
  export default class FFT {
    /** @param size a power of two */
    constructor(size: number);
    /** Interleaved re, im in and out. */
    transform(out: ArrayLike<number>, data: ArrayLike<number>): void;
    inverseTransform(out: ArrayLike<number>, data: ArrayLike<number>): void;
    /** Real samples in; the lower half of the spectrum out. */
    realTransform(out: ArrayLike<number>, data: ArrayLike<number>): void;
    completeSpectrum(spectrum: ArrayLike<number>): void;
  }
}

declare module 'jstat' {
  const jstat: {
    readonly beta: { inv(p: number, alpha: number, beta: number): number };
    readonly binomial: { cdf(k: number, n: number, p: number): number };
  };
  export default jstat;
}

// Its build for every loader; the other one is of a kind that Node does not take for what it is.
declare module 'wavefile/dist/wavefile.js' {
  import type { WaveFile } from 'wavefile';
  const wavefile: { readonly WaveFile: typeof WaveFile };
  export default wavefile;
}
