import type { Electrical } from '../rig';
import type { NodeMeter } from './nodeMeter';
import { wireAt, type DriverLink, type Link, type OpenWay, type WireLink } from './openWay';
import type { SectionNode } from './sectionTree';

/** Groups of switches that act together, at most: each one doubles the work. Further ones stay off. */
const MOST_LINKS = 8;
/** Sections that are told apart at most; beyond, switches between two wires stay off. */
const MOST_SECTIONS = 20_000;

/**
 * How far apart switching alone gets the treble T, dB: brightest less dullest over all positions of the
 * switches that do not stand still, as a mean over the places the rig is played at. Longest and shortest way
 * through the graph of driven sections, as for all states of a board, with every section's T remembered in the
 * tree. A place where nothing is heard counts as nought.
 */
export function spreadOf(
  meter: NodeMeter<number>,
  way: OpenWay,
  places: readonly number[],
  still: ReadonlyMap<string, boolean>,
  links: Electrical['links'],
): number {
  const groups = links
    .map((link) => link.filter((id) => !still.has(id)))
    .filter((link) => link.length > 1);
  const open = groups.slice(0, MOST_LINKS);
  const left = groups.slice(MOST_LINKS).flat();
  const standing = new Map([...still, ...left.map((id) => [id, false] as const)]);
  const low = new Float64Array(places.length).fill(Infinity);
  const high = new Float64Array(places.length).fill(-Infinity);
  for (let bits = 0; bits < 2 ** open.length; bits++) {
    const fixed = open.length === 0 ? standing : withLinks(standing, open, bits);
    for (const [i, extremes] of new ExtremeWalk(meter, way, places, fixed).run().entries()) {
      low[i] = Math.min(low[i]!, extremes.lowest);
      high[i] = Math.max(high[i]!, extremes.highest);
    }
  }
  return places.reduce((sum, _, i) => sum + Math.max(0, high[i]! - low[i]!), 0) / places.length;
}

function withLinks(
  still: ReadonlyMap<string, boolean>,
  links: Electrical['links'],
  bits: number,
): ReadonlyMap<string, boolean> {
  const fixed = new Map(still);
  for (const [k, link] of links.entries())
    for (const id of link) fixed.set(id, ((bits >> k) & 1) === 1);
  return fixed;
}

/** What the switches can do up to each driver, at one place. */
class Extremes {
  readonly low: Float64Array;
  readonly high: Float64Array;

  constructor(nodes: number) {
    this.low = new Float64Array(nodes).fill(Infinity);
    this.high = new Float64Array(nodes).fill(-Infinity);
    this.low[0] = this.high[0] = 0;
  }

  reach(from: number, to: number, treble: number): void {
    const low = this.low[from]! + treble;
    const high = this.high[from]! + treble;
    if (low < this.low[to]!) this.low[to] = low;
    if (high > this.high[to]!) this.high[to] = high;
  }

  get lowest(): number {
    return this.low.at(-1)!;
  }

  get highest(): number {
    return this.high.at(-1)!;
  }
}

/** Walks all places at once until a cable is another one there. */
class ExtremeWalk {
  private readonly extremes: readonly Extremes[];
  private readonly destination: number;
  private from = 0;
  private arrived = 0;

  constructor(
    private readonly meter: NodeMeter<number>,
    private readonly way: OpenWay,
    private readonly places: readonly number[],
    private readonly fixed: ReadonlyMap<string, boolean>,
  ) {
    this.destination = way.drivers.length + 1;
    this.extremes = places.map(() => new Extremes(this.destination + 1));
  }

  /** Drivers come in the order of the signal: when one is walked from, all ways to it are known. */
  run(): readonly Extremes[] {
    this.visit(this.way.first, this.way.root, null);
    for (const driver of this.way.drivers) this.walkFrom(driver);
    return this.extremes;
  }

  private walkFrom({ number, next, root }: DriverLink): void {
    this.from = number;
    if (this.extremes.some(({ high }) => high[number] !== -Infinity)) this.visit(next, root, null);
  }

  /** @param at the index of one place; null while all of them are the same */
  private visit(start: Link, startNode: SectionNode, at: number | null): void {
    let link = start;
    let node = startNode;
    while (link.kind === 'wire' || link.kind === 'choice') {
      if (link.kind === 'wire') {
        if (link.laid !== null && at === null) return this.part(link, node);
        node = node.then(at === null ? link.wire : wireAt(link, this.places[at]!));
        link = link.next;
        continue;
      }
      const fixed = this.fixed.get(link.switchId);
      if (fixed === undefined && this.mayBranch(link.on)) this.visit(link.on, node, at);
      link = fixed === true ? link.on : link.off;
    }
    if (link.kind !== 'silence') this.arrive(link, node, at);
  }

  /** From here on each place by itself. */
  private part(link: WireLink, node: SectionNode): void {
    for (const at of this.places.keys()) this.visit(link, node, at);
  }

  private mayBranch({ kind }: Link): boolean {
    return (kind !== 'wire' && kind !== 'choice') || this.arrived < MOST_SECTIONS;
  }

  private arrive(
    link: Extract<Link, { kind: 'driver' | 'destination' }>,
    node: SectionNode,
    at: number | null,
  ): void {
    this.arrived++;
    const treble = this.meter.measure(node, link.load);
    if (Number.isNaN(treble)) return;
    const to = link.kind === 'destination' ? this.destination : link.number;
    if (at !== null) this.extremes[at]!.reach(this.from, to, treble);
    else for (const one of this.extremes) one.reach(this.from, to, treble);
  }
}
