import type { Load } from './section';

/// A section compiled to a row of two-port operations that a tight loop can run through.

/**
 * Operations on the row vector (d, n) = (1, Zs)·M of the chain so far, M being its ABCD matrix:
 * shunt Y: d += Y·n; series Z: n += Z·d. The voltage across a load Y_L is e / (d + Y_L·n) and the
 * Thévenin source impedance at that point n / d.
 */
export enum Op {
  /** Y = p0 + jω·p1 (S, F) */
  ShuntRC,
  /** Y = ω·p0·(p1 + j): a capacitance p0 with loss tangent p1 */
  ShuntLossyC,
  /** Y = p0 + jω·p1 + 1 / (p2 + 1/(jω·p3)) (S, F, Ω, F): a tone control with what else hangs there */
  ShuntTone,
  /** Z = p0 (Ω) */
  SeriesR,
  /** Z = p0 + 1/(p2 + 1/(jω·p1)) (Ω, H, S): a winding with eddy losses */
  SeriesWinding,
  /** Z = 1 / (p0 + jω·p1) (S, F) */
  SeriesParallelRC,
  /** Z = 1 / (p0 + jω·p1/(1 + jω·p1·p2)) (S, F, Ω): a track beside a series RC bleed */
  SeriesBleed,
  /** Y = input admittance of `branches[p0]` ended in its load */
  Branch,
  /**
   * Joins the Thévenin source so far, of e = p2, with the one of `branches[p0]`, of e = p3: in parallel
   * (p1 = 0) or in series (p1 = 1). What follows is driven by e = 1.
   */
  Join,
  /** Uniform line: p0 length, p1 R', p2 L', p3 C', p4 tan δ (m, Ω/m, H/m, F/m, –) */
  Line,
}

export const PARAMETERS_PER_OP = 5;

/** A ladder beside the line: a second source, or a way that ends in a load of its own. */
export interface Branch {
  readonly ladder: Ladder;
  readonly load: Load | null;
}

export interface Ladder {
  /** Driver's voltage; 0 is silence. */
  readonly gain: number;
  readonly branches: readonly Branch[];
  readonly ops: Uint8Array;
  /** `PARAMETERS_PER_OP` per operation. */
  readonly parameters: Float64Array;
}

/** Collects operations; neighbouring shunts are merged unless a mark stands between them. */
export class LadderBuilder {
  private readonly ops: Op[] = [];
  private readonly parameters: number[] = [];
  private readonly branches: Branch[] = [];
  private mergeFrom = 0;
  gain = 1;

  /** Hangs a way with its own load on the line. */
  branch(ladder: Ladder, load: Load): void {
    this.push(Op.Branch, this.branches.push({ ladder, load }) - 1);
  }

  /** Joins a second source to the one so far. */
  join(ladder: Ladder, joint: 'parallel' | 'series', sign: 1 | -1): void {
    const index = this.branches.push({ ladder, load: null }) - 1;
    this.push(Op.Join, index, joint === 'series' ? 1 : 0, this.gain, sign * ladder.gain);
    this.gain = 1;
  }

  /** How many operations lie before this point; nothing after is merged into them. */
  mark(): number {
    this.mergeFrom = this.ops.length;
    return this.ops.length;
  }

  push(op: Op, p0 = 0, p1 = 0, p2 = 0, p3 = 0, p4 = 0): void {
    this.ops.push(op);
    this.parameters.push(p0, p1, p2, p3, p4);
  }

  shunt(conductance: number, cF: number): void {
    if (conductance === 0 && cF === 0) return;
    const last = this.lastShunt();
    if (last === null) {
      this.push(Op.ShuntRC, conductance, cF);
      return;
    }
    this.parameters[last * PARAMETERS_PER_OP]! += conductance;
    this.parameters[last * PARAMETERS_PER_OP + 1]! += cF;
  }

  /** A resistance and a capacitance in series to ground. */
  shuntSeriesRC(rOhm: number, cF: number): void {
    const last = this.lastShunt();
    if (last === null || this.ops[last] !== Op.ShuntRC) {
      this.push(Op.ShuntTone, 0, 0, rOhm, cF);
      return;
    }
    this.ops[last] = Op.ShuntTone;
    this.parameters[last * PARAMETERS_PER_OP + 2] = rOhm;
    this.parameters[last * PARAMETERS_PER_OP + 3] = cF;
  }

  /** The operation that another shunt may be merged into. */
  private lastShunt(): number | null {
    const last = this.ops.length - 1;
    const isShunt = this.ops[last] === Op.ShuntRC || this.ops[last] === Op.ShuntTone;
    return last >= this.mergeFrom && isShunt ? last : null;
  }

  series(rOhm: number): void {
    if (rOhm > 0) this.push(Op.SeriesR, rOhm);
  }

  build(): Ladder {
    return {
      gain: this.gain,
      branches: this.branches,
      ops: Uint8Array.from(this.ops),
      parameters: Float64Array.from(this.parameters),
    };
  }
}
