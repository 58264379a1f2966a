import type { FrequencyGrid } from './frequencyGrid';
import { Op, PARAMETERS_PER_OP, type Ladder } from './ladder';
import { CASCADE_CELLS, resetLadder, type LadderState } from './ladderState';
import { stepLine } from './line';
import type { Load } from './section';

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
  const { ops, parameters: p } = ladder;
  let k = from;
  while (k < to) {
    const [next, length] = gatherCascade(ladder, k, to, state.cascade);
    if (length > 0) {
      stepCascade(state, length, omega);
      k = next;
    } else {
      const at = k++ * PARAMETERS_PER_OP;
      stepAlone(ops[k - 1]!, p.subarray(at, at + PARAMETERS_PER_OP), omega, state);
    }
  }
}

const SHUNT_RC = Op.ShuntRC;
const SERIES_R = Op.SeriesR;

/**
 * Writes the run of shunt capacitances and series resistances from `from` on into `cells`: pairs of a
 * capacitance and the resistance behind it, zero where there is none.
 *
 * @returns the operation behind the run, and how many numbers were written
 */
function gatherCascade(
  { ops, parameters: p }: Ladder,
  from: number,
  to: number,
  cells: Float64Array,
): readonly [next: number, length: number] {
  const isShuntC = (k: number) => k < to && ops[k] === SHUNT_RC && p[k * PARAMETERS_PER_OP] === 0;
  const isSeriesR = (k: number) => k < to && ops[k] === SERIES_R;
  let k = from;
  let cell = 0;
  while (cell < 2 * CASCADE_CELLS && (isShuntC(k) || isSeriesR(k))) {
    cells[cell++] = isShuntC(k) ? p[k++ * PARAMETERS_PER_OP + 1]! : 0;
    cells[cell++] = isSeriesR(k) ? p[k++ * PARAMETERS_PER_OP]! : 0;
  }
  return [k, cell];
}

/**
 * Runs through gathered cells, two frequencies at a time: the state stays in registers from one end of
 * the run, most of any pedalboard, to the other, and while one frequency waits for its last product the
 * other one goes on. An odd last frequency is computed in both places. An unrolled kernel, hence long.
 */
function stepCascade(
  { dRe, dIm, nRe, nIm, cascade }: LadderState,
  length: number,
  omega: Float64Array,
): void {
  const last = omega.length - 1;
  for (let i = 0; i <= last; i += 2) {
    const j = i < last ? i + 1 : i;
    const wi = omega[i]!;
    const wj = omega[j]!;
    let d0 = dRe[i]!;
    let d1 = dIm[i]!;
    let n0 = nRe[i]!;
    let n1 = nIm[i]!;
    let d2 = dRe[j]!;
    let d3 = dIm[j]!;
    let n2 = nRe[j]!;
    let n3 = nIm[j]!;
    for (let at = 0; at < length; at += 2) {
      const c = cascade[at]!;
      const r = cascade[at + 1]!;
      const bi = wi * c;
      const bj = wj * c;
      d0 -= bi * n1;
      d1 += bi * n0;
      d2 -= bj * n3;
      d3 += bj * n2;
      n0 += r * d0;
      n1 += r * d1;
      n2 += r * d2;
      n3 += r * d3;
    }
    dRe[i] = d0;
    dIm[i] = d1;
    nRe[i] = n0;
    nIm[i] = n1;
    dRe[j] = d2;
    dIm[j] = d3;
    nRe[j] = n2;
    nIm[j] = n3;
  }
}

function stepAlone(op: Op, p: Float64Array, omega: Float64Array, state: LadderState): void {
  switch (op) {
    case Op.ShuntRC:
      return stepShuntRC(p[0]!, p[1]!, omega, state);
    case Op.ShuntLossyC:
      return stepShuntLossyC(p[0]!, p[1]!, omega, state);
    case Op.ShuntSeriesRC:
      return stepShuntSeriesRC(p[0]!, p[1]!, omega, state);
    case Op.SeriesWinding:
      return stepSeriesWinding(p[0]!, p[1]!, p[2]!, omega, state);
    case Op.SeriesParallelRC:
      return stepSeriesParallelRC(p[0]!, p[1]!, omega, state);
    case Op.SeriesBleed:
      return stepSeriesBleed(p[0]!, p[1]!, p[2]!, omega, state);
    case Op.Line: {
      const [lengthM, rPerM, lPerM, cPerM, lossTangent] = p as unknown as [
        number,
        number,
        number,
        number,
        number,
      ];
      return stepLine({ lengthM, rPerM, lPerM, cPerM, lossTangent }, omega, state);
    }
    default:
      throw new RangeError(`operation ${op} is not known`);
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
