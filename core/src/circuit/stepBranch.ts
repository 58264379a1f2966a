import { over, plus, scaled, sizeOfComplex, times, type Complex } from './complex';
import type { FrequencyGrid } from './frequencyGrid';
import type { Branch, Ladder } from './ladder';
import { resetLadder, sideStates, type LadderState } from './ladderState';
import { loadAdmittance } from './loadAdmittance';

/** How a ladder is run: the solver's own loop, which comes here for what branches off. */
export type Run = (
  ladder: Ladder,
  from: number,
  to: number,
  grid: FrequencyGrid,
  state: LadderState,
) => void;

const dAt = (rows: Float64Array, i: number): Complex => [rows[4 * i]!, rows[4 * i + 1]!];
const nAt = (rows: Float64Array, i: number): Complex => [rows[4 * i + 2]!, rows[4 * i + 3]!];

function setRow(rows: Float64Array, i: number, d: Complex, n: Complex): void {
  rows[4 * i] = d[0];
  rows[4 * i + 1] = d[1];
  rows[4 * i + 2] = n[0];
  rows[4 * i + 3] = n[1];
}

/**
 * d += Y·n, Y what a branch asks of the line: a row (1, 0) run through its ladder ends as (A, B), a row
 * (0, 1) as (C, D), and Y = (C + D·Y_L) / (A + B·Y_L).
 */
export function stepBranch(
  { ladder, load }: Branch,
  omega: Float64Array,
  state: LadderState,
  run: Run,
): void {
  const [voltage, current] = sideStates(state);
  resetLadder(voltage, 1, 0);
  resetLadder(current, 0, 1);
  const grid = { frequencyHz: omega, omega };
  for (const side of [voltage, current]) run(ladder, 0, ladder.ops.length, grid, side);
  for (let i = 0; i < omega.length; i++) {
    const y = loadAdmittance(load!, omega[i]!);
    const ended = ({ rows }: LadderState) => plus(dAt(rows, i), times(y, nAt(rows, i)));
    const branchY = over(ended(current), ended(voltage));
    const n = nAt(state.rows, i);
    setRow(state.rows, i, plus(dAt(state.rows, i), times(branchY, n)), n);
  }
}

/** Sources that cancel leave this much, so that the row stays a number: −240 dB. */
const NOTHING = 1e-12;

/**
 * Joins two Thévenin sources, each given by its row (d, n): open voltage e/d, impedance n/d.
 * In parallel e = e1·n2 + e2·n1, d = d1·n2 + d2·n1, n = n1·n2; in series e = e1·d2 + e2·d1, d = d1·d2,
 * n = n1·d2 + n2·d1. The row after is divided by e, as if e were 1.
 */
export function stepJoin(
  { ladder }: Branch,
  p: Float64Array,
  omega: Float64Array,
  state: LadderState,
  run: Run,
): void {
  const [inSeries, e1, e2] = [p[1] === 1, p[2]!, p[3]!];
  const [other] = sideStates(state);
  resetLadder(other);
  run(ladder, 0, ladder.ops.length, { frequencyHz: omega, omega }, other);
  for (let i = 0; i < omega.length; i++) {
    const [d1, n1] = [dAt(state.rows, i), nAt(state.rows, i)];
    const [d2, n2] = [dAt(other.rows, i), nAt(other.rows, i)];
    const [a, b] = inSeries ? [d2, d1] : [n2, n1];
    const e = plus(scaled(a, e1), scaled(b, e2));
    const size = sizeOfComplex(a) + sizeOfComplex(b);
    const cancelled = sizeOfComplex(e) < NOTHING * size || size === 0;
    const safe: Complex = cancelled ? [NOTHING * (size || 1), 0] : e;
    const d = inSeries ? times(d1, d2) : plus(times(d1, n2), times(d2, n1));
    const n = inSeries ? plus(times(n1, d2), times(n2, d1)) : times(n1, n2);
    setRow(state.rows, i, over(d, safe), over(n, safe));
  }
}
