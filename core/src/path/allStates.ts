import {
  addSource,
  createLadderState,
  endLadder,
  LadderBuilder,
  lumpedLimitM,
  resetLadder,
  runLadder,
  type FrequencyGrid,
  type LadderState,
  type CableForm,
  type Load,
  type Source,
} from '../circuit';
import type { Route } from './route';
import { linkCells, type Cell, type WireCell } from './stateCells';

/// All 2ⁿ foot-switch combinations as paths through a graph of driven sections.
///
/// Between two neighbouring drivers every device is passive, so a section is fixed by its two ends and by
/// the switches that choose between wires on the way. In a straight row that is O(n²) sections for n
/// devices, and every state of the board is one path from source to end. Levels in dB add up along a path,
/// so whatever is linear in dB is found exactly by dynamic programming.

/** Switches set on the way through a section, the last one first. */
export interface SwitchList {
  readonly switchId: string;
  readonly on: boolean;
  readonly before: SwitchList | null;
}

/** A section from one node to another, with its levels in dB over the grid it was solved on. */
export interface SectionEdge {
  readonly from: number;
  readonly to: number;
  readonly switches: SwitchList | null;
  readonly levelsDb: Float64Array;
}

/** Node 0 is the source, the last one the end, drivers between; edges sorted by where they end. */
export interface StateGraph {
  readonly nodes: number;
  readonly edges: readonly SectionEdge[];
  /** Too many passive alternatives: some of them were left as "off". */
  readonly isCapped: boolean;
}

/** Sections that are told apart at most; beyond, switches between two wires stay off. */
export const MOST_SECTIONS = 20_000;

/** Solves every section that any combination of the switches a route leaves open can make. */
export function buildStateGraph(
  route: Route,
  grid: FrequencyGrid,
  mostSections = MOST_SECTIONS,
): StateGraph {
  const { first, drivers } = linkCells(route);
  const numbers = new Map<Cell, number>(drivers.map((cell, i) => [cell, i + 1]));
  const nodes = drivers.length + 2;
  const walker = new SectionWalker(grid, mostSections, (cell) => numbers.get(cell) ?? nodes - 1);
  walker.walkFrom(0, route.source.circuit, first);
  for (const cell of drivers) walker.walkFrom(numbers.get(cell)!, cell.source, cell.next);
  const edges = walker.edges.sort((a, b) => a.to - b.to || a.from - b.from);
  return { nodes, edges, isCapped: walker.isCapped };
}

interface Walk {
  readonly from: number;
  readonly source: Source;
  readonly form: CableForm;
  readonly limitM: number;
}

class SectionWalker {
  readonly edges: SectionEdge[] = [];
  isCapped = false;
  private readonly state: LadderState;
  private readonly out: Float64Array;
  private readonly saved: Float64Array[] = [];
  /** A section of this walk is too long for cables as capacitances. */
  private needsLines = false;

  constructor(
    private readonly grid: FrequencyGrid,
    private readonly mostSections: number,
    private readonly numberOf: (cell: Cell) => number,
  ) {
    this.state = createLadderState(grid.omega.length);
    this.out = new Float64Array(2 * grid.omega.length);
  }

  /**
   * Walks on from a driver while there are wires ahead, ending a section at every input on the way. Where
   * longer sections need their cables as lines, those are walked a second time.
   */
  walkFrom(from: number, source: Source, first: Cell): void {
    const limitM = lumpedLimitM(source);
    this.needsLines = false;
    this.walk({ from, source, limitM, form: 'lumped' }, first);
    if (this.needsLines) this.walk({ from, source, limitM, form: 'line' }, first);
  }

  private walk(walk: Walk, first: Cell): void {
    const builder = new LadderBuilder();
    addSource(builder, walk.source);
    const ladder = builder.build();
    if (ladder.gain === 0) return;
    resetLadder(this.state);
    runLadder(ladder, 0, ladder.ops.length, this.grid, this.state);
    this.visit(walk, first, ladder.gain, 0, null, 0);
  }

  private visit(
    walk: Walk,
    cell: Cell,
    gain: number,
    equivalentM: number,
    switches: SwitchList | null,
    depth: number,
  ): void {
    switch (cell.kind) {
      case 'silence':
        return;
      case 'wire':
        return this.pass(walk, cell, gain, equivalentM, switches, depth);
      case 'choice':
        return this.choose(walk, cell, gain, equivalentM, switches, depth);
      default:
        if (!this.isForm(walk, equivalentM, cell.load)) return;
        this.edges.push({
          from: walk.from,
          to: this.numberOf(cell),
          switches,
          levelsDb: this.levels(gain, cell.load),
        });
    }
  }

  /** Whether a section that ends here is to be walked in this form; where it needs lines, that is remembered. */
  private isForm({ form, source }: Walk, equivalentM: number, load: Load): boolean {
    const isLong = equivalentM > lumpedLimitM(source, load);
    if (isLong && form === 'lumped') this.needsLines = true;
    return isLong === (form === 'line');
  }

  private pass(
    walk: Walk,
    cell: WireCell,
    gain: number,
    equivalentM: number,
    switches: SwitchList | null,
    depth: number,
  ): void {
    const total = equivalentM + cell.equivalentM;
    if (walk.form === 'lumped' && total > walk.limitM) {
      this.needsLines = true;
      return;
    }
    const ladder = cell.ladder(walk.form);
    if (ladder.gain === 0) return;
    runLadder(ladder, 0, ladder.ops.length, this.grid, this.state);
    this.visit(walk, cell.next, gain * ladder.gain, total, switches, depth);
  }

  private choose(
    walk: Walk,
    { switchId, off, on }: Extract<Cell, { kind: 'choice' }>,
    gain: number,
    equivalentM: number,
    before: SwitchList | null,
    depth: number,
  ): void {
    // A way that goes on through wires changes the row: the other one goes first, or the row is kept.
    const ways = [
      { cell: on, on: true },
      { cell: off, on: false },
    ].sort((a, b) => Number(changesRow(a.cell)) - Number(changesRow(b.cell)));
    const mustKeep = changesRow(ways[0]!.cell);
    if (mustKeep && this.edges.length > this.mostSections) {
      this.isCapped = true;
      this.visit(walk, off, gain, equivalentM, { switchId, on: false, before }, depth);
      return;
    }
    if (mustKeep) this.keep(depth);
    for (const [i, way] of ways.entries()) {
      if (mustKeep && i === 1) this.state.rows.set(this.saved[depth]!);
      const switches = { switchId, on: way.on, before };
      this.visit(walk, way.cell, gain, equivalentM, switches, depth + 1);
    }
  }

  private keep(depth: number): void {
    this.saved[depth] ??= new Float64Array(this.state.rows.length);
    this.saved[depth].set(this.state.rows);
  }

  private levels(gain: number, load: Load): Float64Array {
    const { out, grid, state } = this;
    endLadder(gain, load, grid, out, state);
    return Float64Array.from(
      grid.omega,
      (_, i) => 10 * Math.log10(out[2 * i]! ** 2 + out[2 * i + 1]! ** 2),
    );
  }
}

const changesRow = ({ kind }: Cell): boolean => kind === 'wire' || kind === 'choice';

/** Switch positions along a path of sections. */
export function switchesAlong(sections: readonly SectionEdge[]): Record<string, boolean> {
  const positions: Record<string, boolean> = {};
  for (const { switches } of sections)
    for (let at = switches; at !== null; at = at.before) positions[at.switchId] = at.on;
  return positions;
}
