import { mean, median } from 'd3-array';
import type { RigKind } from '../gear';
import type { UnitSystem } from '../quantity';
import type { Chain } from '../rig';
import type { MeasuredResponse } from './pickupRun';
import { suspectsOf, type Alternative, type Suspect } from './suspects';
import { RigMeter, SWEEP_FLOOR_DB, sweptChain, type RigSweep } from './wholeRig';

/** A part whose change alone explains some of what was measured. */
export interface Suspicion {
  readonly kind: RigKind;
  readonly id: string;
  readonly name: string;
  /** What it acts like. */
  readonly words: string;
  /** What is left, dB RMS. */
  readonly rmsDb: number;
  /** Share of the mean square that it explains, 0 … 1. */
  readonly explained: number;
  /** The best one, or one whose curve is the same within the noise: it cannot be told from the best one. */
  readonly isTied: boolean;
  /** As far as that may be off anyway: nothing need be wrong. */
  readonly isWithinTolerance: boolean;
}

export type Diagnosis =
  | {
      readonly kind: 'diagnosed';
      /** Measured less model, dB; of an uncalibrated sweep less its mean. */
      readonly residualDb: readonly number[];
      readonly rmsDb: number;
      readonly noiseDb: number;
      /** There is nothing to explain. */
      readonly isWithinNoise: boolean;
      /** The best first; what explains next to nothing is left out. */
      readonly suspicions: readonly Suspicion[];
    }
  /** By its switches the rig is silent, or a cable is missing: there is no curve to hold against. */
  | { readonly kind: 'silent' }
  | { readonly kind: 'tooFew'; readonly points: number; readonly least: number };

export interface DiagnosisQuestion {
  readonly chain: Chain;
  readonly sweep: RigSweep;
  readonly measured: MeasuredResponse;
  readonly units: UnitSystem;
  /** 1σ of a point; taken from the roughness of the curve where it is not known. */
  readonly noiseDb: number | null;
}

export interface DiagnosisProgress {
  readonly done: number;
  readonly of: number;
}

export const LEAST_DIAGNOSIS_POINTS = 12;
/** Two curves are the same where all their differences together are below so many σ. */
const TIED_SIGMAS = 3;
/** In σ of one point: what the model leaves within this is noise. */
const WITHIN_NOISE = 1.4;
const LEAST_EXPLAINED = 0.1;
const LEAST_NOISE_DB = 0.02;
/**
 * Which one part, changed alone, explains most of the difference between a measured rig and its model: every value
 * of every part is fitted by itself. Parts whose best curves are the same within the noise are tied.
 */
export function* diagnoseRig(question: DiagnosisQuestion): Generator<DiagnosisProgress, Diagnosis> {
  const { measured, units } = question;
  const points = measured.frequencyHz.length;
  if (points < LEAST_DIAGNOSIS_POINTS)
    return { kind: 'tooFew', points, least: LEAST_DIAGNOSIS_POINTS };
  const chain = sweptChain(question.chain, question.sweep);
  const search = new Search(new RigMeter(measured.frequencyHz), measured.levelDb, question.sweep);
  const asItIs = search.residualOf(chain);
  if (!asItIs) return { kind: 'silent' };
  const noiseDb = question.noiseDb ?? Math.max(LEAST_NOISE_DB, roughnessOf([...asItIs]));
  const suspects = suspectsOf(chain, units);
  const found: Explained[] = [];
  for (const [done, suspect] of suspects.entries()) {
    yield { done, of: suspects.length };
    const best = search.explain(suspect);
    if (best) found.push(best);
  }
  const rmsDb = rmsOf(asItIs);
  return {
    kind: 'diagnosed',
    residualDb: [...asItIs],
    rmsDb,
    noiseDb,
    isWithinNoise: rmsDb < WITHIN_NOISE * noiseDb,
    suspicions: rank(found, rmsDb, noiseDb),
  };
}

/** Of a curve that bends by itself, or jumps, at some points. */
const MOST_OF_MEDIAN = 4;

/**
 * 1σ of a point from its neighbours, whatever smooth curve they lie on: second differences have √6 of it. What is far
 * beyond most of them is a bend of the curve and counts no further.
 */
export function roughnessOf(levelDb: readonly number[]): number {
  const bends = levelDb.slice(2).map((db, i) => Math.abs(db - 2 * levelDb[i + 1]! + levelDb[i]!));
  const most = MOST_OF_MEDIAN * (median(bends) ?? 0);
  const squares = bends.map((bend) => Math.min(bend, most) ** 2);
  return Math.sqrt((mean(squares) ?? 0) / 6);
}

interface Explained {
  readonly suspect: Suspect;
  readonly alternative: Alternative;
  readonly x: number;
  readonly residual: Float64Array;
  readonly rmsDb: number;
}

function rank(found: readonly Explained[], rmsDb: number, noiseDb: number): readonly Suspicion[] {
  const sorted = found.toSorted((one, other) => one.rmsDb - other.rmsDb);
  const [best] = sorted;
  if (!best) return [];
  const isTied = ({ residual }: Explained) => isSame(residual, best.residual, noiseDb);
  const strainOf = ({ alternative, x }: Explained) => alternative.strain(x);
  const tied = sorted.filter(isTied).toSorted((one, other) => strainOf(one) - strainOf(other));
  const others = sorted.filter((one) => !isTied(one));
  return [...tied, ...others]
    .map((one) => suspicionOf(one, rmsDb, tied.includes(one)))
    .filter((one) => one.isTied || one.explained >= LEAST_EXPLAINED);
}

const suspicionOf = (
  { suspect: { kind, id, name }, alternative, x, rmsDb: left }: Explained,
  rmsDb: number,
  isTied: boolean,
): Suspicion => ({
  kind,
  id,
  name,
  words: alternative.say(x),
  rmsDb: left,
  explained: Math.max(0, 1 - (left / rmsDb) ** 2),
  isTied,
  isWithinTolerance: Math.abs(x) <= alternative.toleranceX && alternative.range !== null,
});

/** Of two residuals of one measurement the difference is that of the curves. */
function isSame(one: Float64Array, other: Float64Array, noiseDb: number): boolean {
  const square = one.reduce((sum, value, i) => sum + (value - other[i]!) ** 2, 0);
  return Math.sqrt(square) <= TIED_SIGMAS * noiseDb;
}

const rmsOf = (residual: Float64Array): number =>
  Math.sqrt(residual.reduce((sum, value) => sum + value * value, 0) / residual.length);

const STEPS = 16;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const NARROWINGS = 18;

class Search {
  constructor(
    private readonly meter: RigMeter,
    private readonly measuredDb: readonly number[],
    private readonly sweep: RigSweep,
  ) {}

  /** Measured less model; without what is the same at every point where the level is not known. */
  residualOf(chain: Chain): Float64Array | null {
    const levels = this.meter.levels(chain);
    if (!levels) return null;
    const residual = levels.map((db, i) => this.measuredDb[i]! - Math.max(SWEEP_FLOOR_DB, db));
    if (this.sweep.isCalibrated) return residual;
    const mean = residual.reduce((sum, value) => sum + value, 0) / residual.length;
    return residual.map((value) => value - mean);
  }

  /** The best of all that may be another about a part. */
  explain(suspect: Suspect): Explained | null {
    let best: Explained | null = null;
    for (const alternative of suspect.alternatives) {
      const x = alternative.range ? this.bestX(alternative, alternative.range) : 0;
      const residual = this.residualOf(alternative.apply(x));
      if (!residual) continue;
      const rmsDb = rmsOf(residual);
      if (best === null || rmsDb < best.rmsDb) best = { suspect, alternative, x, residual, rmsDb };
    }
    return best;
  }

  /** A coarse look over the range, then golden sections around the best place. */
  private bestX(alternative: Alternative, [from, to]: readonly [number, number]): number {
    const step = (to - from) / STEPS;
    const all = Array.from({ length: STEPS + 1 }, (_, k) => from + k * step);
    const at = (x: number) => this.rmsAt(alternative, x);
    const coarse = all.reduce((one, other) => (at(other) < at(one) ? other : one));
    let [low, high] = [Math.max(from, coarse - step), Math.min(to, coarse + step)];
    for (let i = 0; i < NARROWINGS; i++) {
      const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
      if (at(left) < at(right)) high = right;
      else low = left;
    }
    return (low + high) / 2;
  }

  private readonly known = new WeakMap<Alternative, Map<number, number>>();

  private rmsAt(alternative: Alternative, x: number): number {
    let known = this.known.get(alternative);
    if (!known) this.known.set(alternative, (known = new Map()));
    let rms = known.get(x);
    if (rms === undefined) {
      const residual = this.residualOf(alternative.apply(x));
      known.set(x, (rms = residual ? rmsOf(residual) : Infinity));
    }
    return rms;
  }
}
