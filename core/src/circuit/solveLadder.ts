import type { FrequencyGrid } from './frequencyGrid';
import { Op, PARAMETERS_PER_OP, type Ladder } from './ladder';
import { CASCADE_CELLS, resetLadder, type LadderState } from './ladderState';
import { stepLine } from './line';
import { stepBranch, stepJoin } from './stepBranch';
import { loadAdmittance } from './loadAdmittance';
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
  if (state.rows.length < 4 * omega.length) {
    throw new RangeError(
      `state holds ${state.rows.length / 4} points, the grid has ${omega.length}`,
    );
  }
  const { parameters: p } = ladder;
  let k = from;
  while (k < to) {
    const [next, length] = gatherCascade(ladder, k, to, state.cascade);
    if (length > 0) {
      stepCascade(state, length, omega);
      k = next;
    } else {
      const at = k++ * PARAMETERS_PER_OP;
      stepAlone(ladder, k - 1, p.subarray(at, at + PARAMETERS_PER_OP), omega, state);
    }
  }
}

const SHUNT_RC = Op.ShuntRC;
const SERIES_R = Op.SeriesR;

/**
 * Writes the run of shunt capacitances and series resistances from `from` on into `cells`: pairs of a
 * capacitance and the resistance after it, zero where there is none.
 *
 * @returns the operation after the run, and how many numbers were written
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
function stepCascade({ rows, cascade }: LadderState, length: number, omega: Float64Array): void {
  const last = omega.length - 1;
  for (let i = 0; i <= last; i += 2) {
    const j = i < last ? i + 1 : i;
    const wi = omega[i]!;
    const wj = omega[j]!;
    const a = 4 * i;
    const b = 4 * j;
    let d0 = rows[a]!;
    let d1 = rows[a + 1]!;
    let n0 = rows[a + 2]!;
    let n1 = rows[a + 3]!;
    let d2 = rows[b]!;
    let d3 = rows[b + 1]!;
    let n2 = rows[b + 2]!;
    let n3 = rows[b + 3]!;
    for (let k = 0; k < length; k += 2) {
      const c = cascade[k]!;
      const r = cascade[k + 1]!;
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
    rows[a] = d0;
    rows[a + 1] = d1;
    rows[a + 2] = n0;
    rows[a + 3] = n1;
    rows[b] = d2;
    rows[b + 1] = d3;
    rows[b + 2] = n2;
    rows[b + 3] = n3;
  }
}

function stepAlone(
  { ops, branches }: Ladder,
  k: number,
  p: Float64Array,
  omega: Float64Array,
  state: LadderState,
): void {
  switch (ops[k]) {
    case Op.Branch:
      return stepBranch(branches[p[0]!]!, omega, state, runLadder);
    case Op.Join:
      return stepJoin(branches[p[0]!]!, p, omega, state, runLadder);
    case Op.ShuntRC:
      return stepShuntRC(p[0]!, p[1]!, omega, state);
    case Op.ShuntLossyC:
      return stepShuntLossyC(p[0]!, p[1]!, omega, state);
    case Op.ShuntTone:
      return stepShuntTone(p, omega, state);
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
      throw new RangeError(`operation ${ops[k]} is not known`);
  }
}

/** Ends the chain in a load: out = gain / (d + Y_L·n). */
export function endLadder(
  gain: number,
  load: Load,
  { omega }: FrequencyGrid,
  out: Float64Array,
  { rows }: LadderState,
): void {
  if (out.length !== 2 * omega.length) {
    throw new RangeError(`out holds ${out.length} numbers, expected ${2 * omega.length}`);
  }
  for (let i = 0; i < omega.length; i++) {
    const [g, b] = loadAdmittance(load, omega[i]!);
    const n0 = rows[4 * i + 2]!;
    const n1 = rows[4 * i + 3]!;
    const re = rows[4 * i]! + g * n0 - b * n1;
    const im = rows[4 * i + 1]! + g * n1 + b * n0;
    const inverse = gain / (re * re + im * im);
    out[2 * i] = re * inverse;
    out[2 * i + 1] = -im * inverse;
  }
}

function stepShuntRC(g: number, c: number, omega: Float64Array, { rows }: LadderState): void {
  for (let i = 0; i < omega.length; i++) addShunt(rows, i, g, omega[i]! * c);
}

function stepShuntLossyC(
  c: number,
  tangent: number,
  omega: Float64Array,
  { rows }: LadderState,
): void {
  for (let i = 0; i < omega.length; i++) {
    const b = omega[i]! * c;
    addShunt(rows, i, b * tangent, b);
  }
}

function stepShuntTone(p: Float64Array, omega: Float64Array, { rows }: LadderState): void {
  const g = p[0]!;
  const c = p[1]!;
  const r = p[2]!;
  const toneC = p[3]!;
  for (let i = 0; i < omega.length; i++) {
    const w = omega[i]!;
    const x = w * toneC;
    const b = x / (1 + x * x * r * r);
    addShunt(rows, i, g + b * x * r, w * c + b);
  }
}

function stepSeriesWinding(
  r: number,
  l: number,
  eddySiemens: number,
  omega: Float64Array,
  { rows }: LadderState,
): void {
  for (let i = 0; i < omega.length; i++) {
    const x = omega[i]! * l;
    const q = x * eddySiemens;
    const scale = x / (1 + q * q);
    addSeries(rows, i, r + scale * q, scale);
  }
}

function stepSeriesParallelRC(
  g: number,
  c: number,
  omega: Float64Array,
  { rows }: LadderState,
): void {
  for (let i = 0; i < omega.length; i++) {
    const b = omega[i]! * c;
    const inverse = 1 / (g * g + b * b);
    addSeries(rows, i, g * inverse, -b * inverse);
  }
}

function stepSeriesBleed(
  g: number,
  c: number,
  r: number,
  omega: Float64Array,
  { rows }: LadderState,
): void {
  for (let i = 0; i < omega.length; i++) {
    const x = omega[i]! * c;
    const scale = x / (1 + x * x * r * r);
    const gAll = g + scale * x * r;
    const inverse = 1 / (gAll * gAll + scale * scale);
    addSeries(rows, i, gAll * inverse, -scale * inverse);
  }
}

/** n += Z·d at one frequency. */
function addSeries(rows: Float64Array, i: number, zRe: number, zIm: number): void {
  const d0 = rows[4 * i]!;
  const d1 = rows[4 * i + 1]!;
  rows[4 * i + 2]! += zRe * d0 - zIm * d1;
  rows[4 * i + 3]! += zRe * d1 + zIm * d0;
}

/** d += Y·n at one frequency. */
function addShunt(rows: Float64Array, i: number, g: number, b: number): void {
  const n0 = rows[4 * i + 2]!;
  const n1 = rows[4 * i + 3]!;
  rows[4 * i]! += g * n0 - b * n1;
  rows[4 * i + 1]! += g * n1 + b * n0;
}
