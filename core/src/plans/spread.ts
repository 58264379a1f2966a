import type { Cell, CellChain, DriverCell, Route } from '../path';
import type { Rig } from '../rig';
import type { NodeMeter } from './nodeMeter';
import type { SectionNode, SectionTree } from './sectionTree';

/** Groups of switches that act together, at most: each one doubles the work. */
const MOST_LINKS = 6;

/**
 * How far apart switching alone gets the treble T, dB: brightest less dullest over all positions of the
 * switches that do not stand still. Longest and shortest way through the graph of driven sections, as for all
 * states of a board, with every section's T remembered in the tree. Nought where nothing is heard.
 */
export function spreadOf(
  tree: SectionTree,
  meter: NodeMeter<number>,
  route: Route,
  chain: CellChain,
  still: ReadonlyMap<string, boolean>,
  links: Rig['links'],
): number {
  const open = links
    .map((link) => link.filter((id) => !still.has(id)))
    .filter((link) => link.length > 1)
    .slice(0, MOST_LINKS);
  let [low, high] = [Infinity, -Infinity];
  for (let bits = 0; bits < 2 ** open.length; bits++) {
    const fixed = new Map(still);
    for (const [k, link] of open.entries())
      for (const id of link) fixed.set(id, ((bits >> k) & 1) === 1);
    const found = new ExtremeWalk(tree, meter, chain, fixed).run(route);
    low = Math.min(low, found.low);
    high = Math.max(high, found.high);
  }
  return high >= low ? high - low : 0;
}

class ExtremeWalk {
  private readonly low: Float64Array;
  private readonly high: Float64Array;
  private readonly numbers = new Map<Cell, number>();
  private from = 0;

  constructor(
    private readonly tree: SectionTree,
    private readonly meter: NodeMeter<number>,
    private readonly chain: CellChain,
    private readonly fixed: ReadonlyMap<string, boolean>,
  ) {
    const nodes = chain.drivers.length + 2;
    this.low = new Float64Array(nodes).fill(Infinity);
    this.high = new Float64Array(nodes).fill(-Infinity);
    for (const [i, cell] of chain.drivers.entries()) this.numbers.set(cell, i + 1);
  }

  /** Drivers come in the order of the signal: when one is walked from, all ways to it are known. */
  run(route: Route): { readonly low: number; readonly high: number } {
    this.low[0] = this.high[0] = 0;
    this.visit(this.chain.first, this.tree.rootOf(route.source.circuit));
    for (const cell of this.chain.drivers) this.walkFrom(cell);
    return { low: this.low.at(-1)!, high: this.high.at(-1)! };
  }

  private walkFrom(cell: DriverCell): void {
    this.from = this.numbers.get(cell)!;
    if (this.high[this.from] === -Infinity) return;
    this.visit(cell.next, this.tree.rootOf(cell.source));
  }

  private visit(start: Cell, startNode: SectionNode): void {
    let [cell, node] = [start, startNode];
    while (cell.kind === 'wire' || cell.kind === 'choice') {
      if (cell.kind === 'wire') {
        if (cell.elements.length > 0) node = node.then(this.tree.wireOf(cell.elements));
        cell = cell.next;
        continue;
      }
      const fixed = this.fixed.get(cell.switchId);
      if (fixed === undefined) this.visit(cell.on, node);
      cell = fixed === true ? cell.on : cell.off;
    }
    if (cell.kind !== 'silence') this.arrive(cell, node);
  }

  private arrive(cell: Extract<Cell, { kind: 'driver' | 'end' }>, node: SectionNode): void {
    const treble = this.meter.measure(node, this.tree.loadOf(cell.load));
    if (Number.isNaN(treble)) return;
    const to = cell.kind === 'end' ? this.low.length - 1 : this.numbers.get(cell)!;
    this.low[to] = Math.min(this.low[to]!, this.low[this.from]! + treble);
    this.high[to] = Math.max(this.high[to]!, this.high[this.from]! + treble);
  }
}
