import {
  addSource,
  createLadderState,
  LadderBuilder,
  resetLadder,
  runLadder,
  type FrequencyGrid,
  type Ladder,
  type LadderState,
  type CableForm,
  type Source,
} from '../circuit';
import { loadAdmittance } from '../circuit';
import type { NumberedLoad, SectionNode } from './sectionTree';

/** Loads are told apart below this number; meters above it. */
const MOST_LOADS = 1 << 20;

/**
 * Measures nodes of a section tree on one grid and remembers the result at the node. The chain is run on from
 * the deepest node on the way whose state is still there.
 */
export class NodeMeter<Value> {
  private readonly states: LadderState[] = [];
  /** Whose state stands at each depth. */
  private readonly owners: SectionNode[] = [];
  private readonly gains: number[] = [];
  private readonly alone: LadderState;
  private readonly admittances = new Map<number, Float64Array>();
  private readonly sources = new Map<Source, Ladder>();
  private readonly squares: Float64Array;
  /**
   * @param key tells meters of one tree apart
   * @param read makes a value of |1/H|² at every point of the grid; a gain of nought is silence
   */
  constructor(
    private readonly key: number,
    private readonly grid: FrequencyGrid,
    private readonly read: (inverseSquares: Float64Array, gain: number) => Value,
  ) {
    this.alone = createLadderState(grid.omega.length);
    this.squares = new Float64Array(grid.omega.length);
  }

  measure(node: SectionNode, load: NumberedLoad): Value {
    const key = this.key * MOST_LOADS + load.number;
    const known = node.values.get(key);
    if (known !== undefined) return known as Value;
    const value = node.isLong(load.load)
      ? this.measureLong(node, load)
      : this.measureOn(node, load);
    node.values.set(key, value);
    return value;
  }

  private measureOn(node: SectionNode, load: NumberedLoad): Value {
    this.stand(node);
    return this.end(this.states[node.depth]!, this.gains[node.depth]!, load);
  }

  /** Runs on to a node from the nearest one before it that stands. */
  private stand(node: SectionNode): void {
    const { depth, parent, wire } = node;
    if (this.owners[depth] === node) return;
    const state = (this.states[depth] ??= createLadderState(this.grid.omega.length));
    if (!parent || !wire) {
      const ladder = this.sourceLadder(node.source);
      resetLadder(state);
      this.run(ladder, state);
      this.gains[depth] = ladder.gain;
    } else {
      this.stand(parent);
      state.rows.set(this.states[depth - 1]!.rows);
      const ladder = wire.ladder('lumped');
      this.run(ladder, state);
      this.gains[depth] = this.gains[depth - 1]! * ladder.gain;
    }
    this.owners[depth] = node;
  }

  /** All cables of a long section are lines, so nothing of a shorter one can be used for it. */
  private measureLong(node: SectionNode, load: NumberedLoad): Value {
    const form: CableForm = 'line';
    const source = this.sourceLadder(node.source);
    resetLadder(this.alone);
    this.run(source, this.alone);
    let { gain } = source;
    for (const wire of node.wires()) {
      const ladder = wire.ladder(form);
      gain *= ladder.gain;
      this.run(ladder, this.alone);
    }
    return this.end(this.alone, gain, load);
  }

  private run(ladder: Ladder, state: LadderState): void {
    if (ladder.gain !== 0) runLadder(ladder, 0, ladder.ops.length, this.grid, state);
  }

  private sourceLadder(source: Source): Ladder {
    let ladder = this.sources.get(source);
    if (!ladder) {
      const builder = new LadderBuilder();
      addSource(builder, source);
      ladder = builder.build();
      this.sources.set(source, ladder);
    }
    return ladder;
  }

  private end({ rows }: LadderState, gain: number, load: NumberedLoad): Value {
    const y = this.admittanceOf(load);
    const { squares } = this;
    for (let i = 0; i < squares.length; i++) {
      const g = y[2 * i]!;
      const b = y[2 * i + 1]!;
      const n0 = rows[4 * i + 2]!;
      const n1 = rows[4 * i + 3]!;
      const re = rows[4 * i]! + g * n0 - b * n1;
      const im = rows[4 * i + 1]! + g * n1 + b * n0;
      squares[i] = re * re + im * im;
    }
    return this.read(squares, gain);
  }

  private admittanceOf({ number, load }: NumberedLoad): Float64Array {
    let y = this.admittances.get(number);
    if (!y) {
      y = new Float64Array(2 * this.grid.omega.length);
      for (const [i, omega] of this.grid.omega.entries()) y.set(loadAdmittance(load, omega), 2 * i);
      this.admittances.set(number, y);
    }
    return y;
  }
}
