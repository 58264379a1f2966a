import { WEIGHT_NAMES, type ApproachKind, type Rig, type Weights } from '../rig';

/**
 * What the goal of a rig is made of: means over its counted scenes and all its places, in dB (semitones for
 * `resonance`), and how many cases there are of the rest.
 */
export type Terms = Weights;

const weights = (
  distance: number,
  spread: number,
  level: number,
  resonance: number,
  structure: Partial<Weights> = {},
): Weights => ({ distance, spread, level, resonance, ends: 0, buffers: 0, rules: 1, ...structure });

/** What each approach wants, until a brief says otherwise. */
export const DEFAULT_WEIGHTS: Readonly<Record<ApproachKind, Weights>> = {
  clear: weights(1, 0.25, 0.5, 0),
  bookends: weights(0.7, 0.5, 0.5, 0, { ends: 1 }),
  oneBuffer: weights(1, 0.25, 0.5, 0, { buffers: 0.5 }),
  steady: weights(0.4, 1, 0.5, 0),
  shaped: weights(0.2, 0.1, 0.3, 0.3),
};

export const weightsOf = ({
  electrical: { approach },
  texts: { brief },
}: Pick<Rig, 'electrical' | 'texts'>): Weights => brief.weights ?? DEFAULT_WEIGHTS[approach.kind];

/** J: the smaller, the nearer to what the approach wants; dB-like. */
export const goalOf = (terms: Terms, by: Weights): number =>
  WEIGHT_NAMES.reduce((sum, name) => sum + by[name] * terms[name], 0);
