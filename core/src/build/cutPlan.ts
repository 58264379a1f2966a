import { valueOf, writeProgram, type Row, type Solve, type Sum } from '../program';

/// Pieces out of what is at hand: reels and off-cuts. All that can be cut is; then as little as can be is thrown away; then as
/// little as can be is begun.

export interface Stock {
  readonly id: string;
  readonly name: string;
  readonly lengthM: number;
  /** Left over from earlier. */
  readonly isOffCut: boolean;
}

export interface Piece {
  readonly id: string;
  readonly label: string;
  readonly lengthM: number;
}

export interface Cut {
  readonly stock: Stock;
  readonly pieces: readonly Piece[];
  readonly leftM: number;
  /** Long enough to be kept in the list of off-cuts. */
  readonly isKept: boolean;
}

export interface CutPlan {
  /** What is cut, the stock that is begun only. */
  readonly cuts: readonly Cut[];
  /** What nothing at hand is long enough for. */
  readonly uncut: readonly Piece[];
  readonly wasteM: number;
  /** Proven to be the best there is. */
  readonly isProven: boolean;
}

/** What is shorter is thrown away, m. */
export const KEPT_FROM_M = 0.15;
const TOLERANCE = 1e-7;

/** @param pieces of one kind of cable @param stock of the same kind */
export function planCuts(
  pieces: readonly Piece[],
  stock: readonly Stock[],
  solve: Solve,
  keptFromM: number = KEPT_FROM_M,
  seconds = 5,
): CutPlan {
  const bins = usefulStock(stock, pieces);
  const program = new CutProgram(pieces, bins, keptFromM);
  if (program.binaries.length === 0) return readPlan(pieces, bins, {}, keptFromM, true);
  let rows = program.rows;
  let values: Readonly<Record<string, number>> = {};
  let isProven = true;
  for (const goal of [program.uncut, program.waste, program.begun]) {
    const { binaries, bounded } = program;
    const found = solve(writeProgram({ rows, binaries, bounded }, goal), seconds / 3);
    if (found.kind !== 'optimal') isProven = false;
    if (found.kind !== 'optimal' && found.kind !== 'feasible') break;
    values = found.values;
    const value = valueOf(goal, values);
    rows = [...rows, { sum: goal, is: '<=', value: value + TOLERANCE }];
  }
  return readPlan(pieces, bins, values, keptFromM, isProven);
}

/** Of many that are as long, no more than there are pieces. */
function usefulStock(stock: readonly Stock[], pieces: readonly Piece[]): readonly Stock[] {
  const met = new Map<number, number>();
  return [...stock]
    .sort((a, b) => a.lengthM - b.lengthM || a.id.localeCompare(b.id))
    .filter(({ lengthM }) => {
      const count = (met.get(lengthM) ?? 0) + 1;
      met.set(lengthM, count);
      return count <= pieces.length && pieces.some((piece) => piece.lengthM <= lengthM);
    });
}

const variable = (piece: number, bin: number): string => `x${piece}s${bin}`;

class CutProgram {
  readonly rows: Row[] = [];
  readonly binaries: string[] = [];
  readonly bounded: (readonly [string, number])[] = [];
  /** Negative: the more are cut the better. */
  readonly uncut: Sum;
  readonly waste: Sum;
  readonly begun: Sum;

  constructor(pieces: readonly Piece[], bins: readonly Stock[], keptFromM: number) {
    const uses = pieces.map((piece, i) =>
      bins.flatMap(({ lengthM }, s) =>
        piece.lengthM <= lengthM + TOLERANCE ? [[1, variable(i, s)] as const] : [],
      ),
    );
    this.binaries.push(...uses.flat().map(([, name]) => name));
    for (const sum of uses) if (sum.length > 0) this.rows.push({ sum, is: '<=', value: 1 });
    const known = new Set(this.binaries);
    for (const [s, { lengthM }] of bins.entries()) {
      const cut = pieces.flatMap(({ lengthM: of }, i): Sum =>
        known.has(variable(i, s)) ? [[of, variable(i, s)]] : [],
      );
      if (cut.length > 0) this.bin(s, lengthM, cut, keptFromM);
    }
    this.uncut = uses.flat().map(([, name]) => [-1, name]);
    this.waste = this.bounded.map(([name]) => [1, name]);
    this.begun = bins.flatMap(({ lengthM }, s): Sum =>
      known.has(`u${s}`) || this.binaries.includes(`u${s}`) ? [[lengthM, `u${s}`]] : [],
    );
  }

  /** What is left of a piece of stock is waste, unless it is long enough to be kept. */
  private bin(s: number, lengthM: number, cut: Sum, keptFromM: number): void {
    const [used, kept, waste] = [`u${s}`, `k${s}`, `t${s}`];
    this.binaries.push(used, kept);
    this.bounded.push([waste, lengthM]);
    this.rows.push({ sum: [...cut, [-lengthM, used]], is: '<=', value: TOLERANCE });
    // Only what is begun is begun.
    for (const [, name] of cut)
      this.rows.push({
        sum: [
          [1, name],
          [-1, used],
        ],
        is: '<=',
        value: 0,
      });
    this.rows.push({
      sum: [[1, used], ...cut.map(([, name]) => [-1, name] as const)],
      is: '<=',
      value: 0,
    });
    const minus = cut.map(([times, name]) => [-times, name] as const);
    // Kept: at least so much is left.
    this.rows.push({
      sum: [[lengthM, used], ...minus, [-keptFromM, kept]],
      is: '>=',
      value: -TOLERANCE,
    });
    // Waste: what is left, where it is not kept.
    this.rows.push({
      sum: [[lengthM, used], ...minus, [-lengthM, kept], [-1, waste]],
      is: '<=',
      value: 0,
    });
  }
}

function readPlan(
  pieces: readonly Piece[],
  bins: readonly Stock[],
  values: Readonly<Record<string, number>>,
  keptFromM: number,
  isProven: boolean,
): CutPlan {
  const isOn = (i: number, s: number): boolean => (values[variable(i, s)] ?? 0) > 0.5;
  const cuts = bins
    .map((stock, s): Cut => {
      const own = pieces.filter((_, i) => isOn(i, s)).sort((a, b) => b.lengthM - a.lengthM);
      const leftM = tidy(stock.lengthM - own.reduce((sum, { lengthM }) => sum + lengthM, 0));
      return { stock, pieces: own, leftM, isKept: leftM >= keptFromM - TOLERANCE };
    })
    .filter((cut) => cut.pieces.length > 0);
  const done = new Set(cuts.flatMap((cut) => cut.pieces));
  return {
    cuts,
    uncut: pieces.filter((piece) => !done.has(piece)),
    wasteM: tidy(cuts.reduce((sum, { leftM, isKept }) => sum + (isKept ? 0 : leftM), 0)),
    isProven,
  };
}

const tidy = (m: number): number => Math.max(0, Math.round(m * 1e6) / 1e6);
