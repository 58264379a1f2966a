import type { FrequencyGrid } from './frequencyGrid';
import { Op, PARAMETERS_PER_OP, type Ladder } from './ladder';
import { stepLine } from './line';
import type { Load } from './section';

/** The row vector (d, n) at every frequency; owned by the caller and used again for every solve. */
export interface LadderState {
  readonly dRe: Float64Array;
  readonly dIm: Float64Array;
  readonly nRe: Float64Array;
  readonly nIm: Float64Array;
}

export function createLadderState(points: number): LadderState {
  return {
    dRe: new Float64Array(points),
    dIm: new Float64Array(points),
    nRe: new Float64Array(points),
    nIm: new Float64Array(points),
  };
}

/** Stands the state at an ideal source: d = 1, n = 0. */
export function resetLadder(state: LadderState): void {
  state.dRe.fill(1);
  state.dIm.fill(0);
  state.nRe.fill(0);
  state.nIm.fill(0);
}

/**
 * Solves a ladder ended in a load over a grid.
 *
 * @param out interleaved re, im of V_load / e; phasors e^{+jωt}; length 2 × the grid's points
 * @param state scratch of at least the grid's points; nothing else is allocated
 * @throws RangeError when a length does not fit
 */
export function solveLadder(
  ladder: Ladder,
  load: Load,
  grid: FrequencyGrid,
  out: Float64Array,
  state: LadderState,
): void {
  resetLadder(state);
  runLadder(ladder, 0, ladder.ops.length, grid, state);
  endLadder(ladder.gain, load, grid, out, state);
}

/** Runs operations `from` … `to` − 1 over every frequency, so that a walk can stop on the way. */
export function runLadder(
  ladder: Ladder,
  from: number,
  to: number,
  { omega }: FrequencyGrid,
  state: LadderState,
): void {
  if (state.dRe.length < omega.length) {
    throw new RangeError(`state holds ${state.dRe.length} points, the grid has ${omega.length}`);
  }
  const p = ladder.parameters;
  for (let k = from; k < to; k++) {
    const at = k * PARAMETERS_PER_OP;
    const p0 = p[at]!,
      p1 = p[at + 1]!,
      p2 = p[at + 2]!;
    switch (ladder.ops[k]) {
      case Op.ShuntRC:
        stepShuntRC(p0, p1, omega, state);
        break;
      case Op.ShuntLossyC:
        stepShuntLossyC(p0, p1, omega, state);
        break;
      case Op.ShuntSeriesRC:
        stepShuntSeriesRC(p0, p1, omega, state);
        break;
      case Op.SeriesR:
        stepSeriesR(p0, omega, state);
        break;
      case Op.SeriesWinding:
        stepSeriesWinding(p0, p1, p2, omega, state);
        break;
      case Op.SeriesParallelRC:
        stepSeriesParallelRC(p0, p1, omega, state);
        break;
      case Op.SeriesBleed:
        stepSeriesBleed(p0, p1, p2, omega, state);
        break;
      case Op.Line:
        stepLine(
          { lengthM: p0, rPerM: p1, lPerM: p2, cPerM: p[at + 3]!, lossTangent: p[at + 4]! },
          omega,
          state,
        );
        break;
      default:
        throw new RangeError(`operation ${ladder.ops[k]} at ${k} is not known`);
    }
  }
}

/** Ends the chain in a load: out = gain / (d + Y_L·n). */
export function endLadder(
  gain: number,
  load: Load,
  { omega }: FrequencyGrid,
  out: Float64Array,
  { dRe, dIm, nRe, nIm }: LadderState,
): void {
  if (out.length !== 2 * omega.length) {
    throw new RangeError(`out holds ${out.length} numbers, expected ${2 * omega.length}`);
  }
  const conductance = 1 / load.rOhm;
  const stopper = load.grid?.stopperOhm ?? 0;
  const miller = load.grid?.millerF ?? 0;
  for (let i = 0; i < omega.length; i++) {
    const w = omega[i]!;
    const x = w * miller;
    const scale = x / (1 + x * x * stopper * stopper);
    const g = conductance + scale * x * stopper;
    const b = w * load.cF + scale;
    const re = dRe[i]! + g * nRe[i]! - b * nIm[i]!;
    const im = dIm[i]! + g * nIm[i]! + b * nRe[i]!;
    const inverse = gain / (re * re + im * im);
    out[2 * i] = re * inverse;
    out[2 * i + 1] = -im * inverse;
  }
}

function stepShuntRC(g: number, c: number, omega: Float64Array, s: LadderState): void {
  const { dRe, dIm, nRe, nIm } = s;
  if (g === 0) {
    for (let i = 0; i < omega.length; i++) {
      const b = omega[i]! * c;
      dRe[i]! -= b * nIm[i]!;
      dIm[i]! += b * nRe[i]!;
    }
    return;
  }
  for (let i = 0; i < omega.length; i++) {
    const b = omega[i]! * c;
    dRe[i]! += g * nRe[i]! - b * nIm[i]!;
    dIm[i]! += g * nIm[i]! + b * nRe[i]!;
  }
}

function stepShuntLossyC(c: number, tangent: number, omega: Float64Array, s: LadderState): void {
  const { dRe, dIm, nRe, nIm } = s;
  for (let i = 0; i < omega.length; i++) {
    const b = omega[i]! * c;
    const g = b * tangent;
    dRe[i]! += g * nRe[i]! - b * nIm[i]!;
    dIm[i]! += g * nIm[i]! + b * nRe[i]!;
  }
}

function stepShuntSeriesRC(r: number, c: number, omega: Float64Array, s: LadderState): void {
  const { dRe, dIm, nRe, nIm } = s;
  for (let i = 0; i < omega.length; i++) {
    const x = omega[i]! * c;
    const b = x / (1 + x * x * r * r);
    const g = b * x * r;
    dRe[i]! += g * nRe[i]! - b * nIm[i]!;
    dIm[i]! += g * nIm[i]! + b * nRe[i]!;
  }
}

function stepSeriesR(r: number, omega: Float64Array, s: LadderState): void {
  const { dRe, dIm, nRe, nIm } = s;
  for (let i = 0; i < omega.length; i++) {
    nRe[i]! += r * dRe[i]!;
    nIm[i]! += r * dIm[i]!;
  }
}

function stepSeriesWinding(
  r: number,
  l: number,
  eddySiemens: number,
  omega: Float64Array,
  s: LadderState,
): void {
  for (let i = 0; i < omega.length; i++) {
    const x = omega[i]! * l;
    const q = x * eddySiemens;
    const scale = x / (1 + q * q);
    addSeries(s, i, r + scale * q, scale);
  }
}

function stepSeriesParallelRC(g: number, c: number, omega: Float64Array, s: LadderState): void {
  for (let i = 0; i < omega.length; i++) {
    const b = omega[i]! * c;
    const inverse = 1 / (g * g + b * b);
    addSeries(s, i, g * inverse, -b * inverse);
  }
}

function stepSeriesBleed(
  g: number,
  c: number,
  r: number,
  omega: Float64Array,
  s: LadderState,
): void {
  for (let i = 0; i < omega.length; i++) {
    const x = omega[i]! * c;
    const scale = x / (1 + x * x * r * r);
    const gAll = g + scale * x * r;
    const inverse = 1 / (gAll * gAll + scale * scale);
    addSeries(s, i, gAll * inverse, -scale * inverse);
  }
}

function addSeries(s: LadderState, i: number, zRe: number, zIm: number): void {
  const { dRe, dIm, nRe, nIm } = s;
  nRe[i]! += zRe * dRe[i]! - zIm * dIm[i]!;
  nIm[i]! += zRe * dIm[i]! + zIm * dRe[i]!;
}
