import { over, type Complex } from '../circuit';

/// What a component meter shows of an impedance: it knows |Z| and phase at one frequency and reads them as two parts
/// in series or side by side. Which of the two it takes for granted decides whether an inductance is right.

export const METER_QUANTITIES = ['Cp', 'Ls', 'Lp', 'R'] as const;
/** C side by side with a loss; L in series with R; L side by side with R; resistance at DC. */
export type MeterQuantity = (typeof METER_QUANTITIES)[number];

export const METER_FREQUENCIES_HZ = [100, 120, 1000, 10000] as const;

/** Resistance is read with direct current; the model does it at so low a frequency that nothing else counts. */
export const DC_HZ = 0.01;

/** @param z Ω at the frequency; @returns F, H or Ω; ±∞ where there is nothing of it */
export function readingOf(z: Complex, quantity: MeterQuantity, frequencyHz: number): number {
  const omega = 2 * Math.PI * frequencyHz;
  switch (quantity) {
    case 'Cp':
      return over([1, 0], z)[1] / omega;
    case 'Ls':
      return z[1] / omega;
    case 'Lp':
      return -1 / (omega * over([1, 0], z)[1]);
    case 'R':
      return z[0];
  }
}
