import type { Cable, Guitar, PartKind } from '../gear';
import { readNumber, writeAt } from '../rig';
import { hashOf, looseValues, mix, NamedNormals } from '../tolerance';
import { impedanceOf, type CableFault, type Connected } from './connected';
import { DC_HZ, readingOf, type MeterQuantity } from './meter';

/// The hidden truth behind simulated instruments, and how far their readings are from it. Everything here is drawn
/// from a seed and names: the same thing has the same truth whenever it is measured.

/** A share in 0 … 1 by name. */
const shareOf = (seed: number, name: string): number => mix(hashOf(`${seed} ${name}`)) / 2 ** 32;

/** A thing as it truly is: every value off by its tolerance (model §12). @param id what it is known by */
export function truthOf<T extends Cable | Guitar>(
  of: Extract<PartKind, 'cable' | 'guitar'>,
  thing: T,
  id: string,
  seed: number,
): T {
  const normals = new NamedNormals(seed);
  return looseValues(of, thing, (path) => `${id} ${path}`).reduce((now, loose) => {
    const before = readNumber(now, loose.path)!;
    const value = before.value * Math.exp(loose.sigma * normals.normal(loose.name, 0));
    const within = Math.min(loose.max, Math.max(loose.min, value));
    return writeAt(now, loose.path, { ...before, value: within });
  }, thing);
}

/** One made-up cable in six is not what it seems. */
const FAULTY = 1 / 6;
const FAULTS: readonly HiddenFaultOfCable[] = ['shorted', 'open', 'swapped'];

/** "swapped": of another kind than its label says. */
export type HiddenFaultOfCable = CableFault | 'swapped';

/** What is wrong with a made-up cable, if anything is. */
export function faultOf(id: string, seed: number): HiddenFaultOfCable | null {
  const share = shareOf(seed, `fault of ${id}`) / FAULTY;
  return share < 1 ? FAULTS[Math.floor(share * FAULTS.length)]! : null;
}

/** What a swapped cable has of what its label says. */
const SWAPPED_TIMES = 1.6;

/** A cable of another kind than its label says. */
export const swapped = (cable: Cable): Cable => ({
  ...cable,
  cPerMF: { ...cable.cPerMF, value: SWAPPED_TIMES * cable.cPerMF.value },
});

/** How a meter differs from an ideal one. */
export interface MeterErrors {
  /** Strays of clips and their wires, F; an open correction takes them off. */
  readonly strayF: number;
  /** Gain, as a share. */
  readonly share: number;
  /** In the last place shown. */
  readonly counts: number;
  /** From reading to reading (1σ), as a share. */
  readonly noise: number;
}

export const SIMULATED_METER: MeterErrors = {
  strayF: 2e-12,
  share: 0.003,
  counts: 2,
  noise: 0.001,
};

/** A display of so many counts. */
const FULL_SCALE = 20_000;
/** The least it can show: 0.01 pF, 10 nH, 1 mΩ. */
const LEAST_PLACE: Readonly<Record<MeterQuantity, number>> = {
  Cp: 1e-14,
  Ls: 1e-8,
  Lp: 1e-8,
  R: 1e-3,
};
/** It shows no more than this of anything. */
const BEYOND = 9.9e37;

export interface MeterSetting {
  readonly quantity: MeterQuantity;
  readonly frequencyHz: number;
  readonly isOpenCorrected: boolean;
}

/** What the simulated meter shows. @param draw 0, 1, 2 …: which reading it is */
export function simulatedReading(
  truth: Connected,
  { quantity, frequencyHz, isOpenCorrected }: MeterSetting,
  seed: number,
  draw: number,
): number {
  const { strayF, share, counts, noise } = SIMULATED_METER;
  const hz = quantity === 'R' ? DC_HZ : frequencyHz;
  const [re, im] = impedanceOf(truth, hz);
  const strayS = 2 * Math.PI * hz * (isOpenCorrected ? 0 : strayF);
  // Z beside the stray: Z / (1 + jωC·Z).
  const [one, other] = [1 - im * strayS, re * strayS];
  const square = one * one + other * other;
  const beside = [(re * one + im * other) / square, (im * one - re * other) / square] as const;
  const ideal = readingOf(beside, quantity, hz);
  if (!Number.isFinite(ideal) || Math.abs(ideal) > BEYOND) return BEYOND;
  const normals = new NamedNormals(seed);
  const gain = 1 + share * (2 * shareOf(seed, `gain ${quantity}`) - 1);
  const shown = ideal * gain * (1 + noise * normals.normal(`reading ${quantity} ${hz}`, draw));
  const place = Math.max(
    LEAST_PLACE[quantity],
    10 ** Math.ceil(Math.log10(Math.abs(shown) / FULL_SCALE)),
  );
  const off = Math.round((counts / 2) * normals.normal(`count ${quantity} ${hz}`, draw));
  return Number((Math.round(shown / place + off) * place).toPrecision(12));
}

/** Noise of a sweep, dB (1σ). */
export const SWEEP_NOISE_DB = 0.1;

/** Levels as a sweep shows them. */
export function withNoise(levelDb: readonly number[], seed: number, noiseDb = SWEEP_NOISE_DB) {
  const normals = new NamedNormals(seed);
  return levelDb.map((db, i) => db + noiseDb * normals.normal('sweep', i));
}
