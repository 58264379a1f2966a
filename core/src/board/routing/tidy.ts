import { ALONG_LANE, CLOSED, fromSteps, Ground, indexOn, toSteps, type Grid } from './grid';
import { Heap } from './heap';
import { leastBends } from './leastBends';
import {
  HEADINGS,
  isBehind,
  LAYERS,
  type Route,
  type RouteEnd,
  type RoutePoint,
  type Terrain,
} from './terrain';

/// Tidy ways: rectilinear on two layers, with what a bend, a passage and a length along a lane cost. Least cost, then
/// least length, then fewest passages, then fewest bends, then a fixed order: the answer is one. A least way lies on the
/// grid that all edges, lanes and ends span (any stretch beside it can be pushed onto it at no cost), so that a search
/// over (node, layer, heading) is exact; A* only looks at what may still be better.

/** Right, back, left, front; and after a passage, where a cable turns freely. */
const FREE = 4;
const WAYS = 5;
const DX = [1, 0, -1, 0];
const DY = [0, 1, 0, -1];

/** Costs are whole thousandths of a step, so that equals are equal. */
const FINE = 1000;
/** Length, passages and bends as one number: a step of length outweighs any of the others. */
const PER_STEP = 2 ** 20;
const PER_PASSAGE = 2 ** 10;
const LENGTH_LIMIT = 2 ** 32;

interface Search {
  readonly from: number;
  readonly to: number;
  readonly toX: number;
  readonly toY: number;
  readonly layers: readonly [number, number];
  readonly leaves: number;
  /** The heading in which a cable comes straight into the other plug. */
  readonly arrives: number;
}

/** Ways through one terrain. */
export class TidyRouter {
  readonly #ground: Ground;
  readonly #bend: number;
  readonly #passage: number;
  readonly #laneShare: number;
  /** How far behind the front edge there are any. */
  readonly #lanes: readonly number[];
  #grid!: Grid;
  #cost = new Float64Array(0);
  #second = new Float64Array(0);
  #before = new Int32Array(0);
  /** In which search a state was last looked at: nothing is cleared between searches. */
  #seen = new Int32Array(0);
  readonly #heap = new Heap();
  #search = 0;

  constructor(terrain: Terrain) {
    this.#ground = new Ground(terrain);
    this.#bend = toSteps(terrain.bend) * FINE;
    this.#passage = toSteps(terrain.passage) * FINE;
    this.#laneShare = Math.round(terrain.laneShare * FINE);
    this.#lanes = [...new Set(terrain.lanes.map(({ y }) => toSteps(y)))];
  }

  #layGrid(from: RouteEnd, to: RouteEnd): void {
    this.#grid = this.#ground.gridFor([from, to]);
    const states = this.#grid.xs.length * this.#grid.ys.length * LAYERS.length * WAYS;
    if (states <= this.#seen.length) return;
    this.#cost = new Float64Array(states);
    this.#second = new Float64Array(states);
    this.#before = new Int32Array(states);
    this.#seen = new Int32Array(states);
  }

  /** The least way from one end to the other, or null where there is none. Exchanged ends have the same way. */
  route(from: RouteEnd, to: RouteEnd): Route | null {
    const isTurned = isBehind(from, to);
    const [first, last] = isTurned ? [to, from] : [from, to];
    this.#layGrid(first, last);
    const found = this.#find(this.#asked(first, last));
    if (found === null) return null;
    return isTurned ? { ...found, points: found.points.toReversed() } : found;
  }

  #asked(from: RouteEnd, to: RouteEnd): Search | null {
    const [start, end] = [this.#nodeAt(from), this.#nodeAt(to)];
    if (start === null || end === null) return null;
    return {
      from: start,
      to: end,
      toX: toSteps(to.x),
      toY: toSteps(to.y),
      layers: [LAYERS.indexOf(from.layer), LAYERS.indexOf(to.layer)],
      leaves: HEADINGS.indexOf(from.leaves),
      arrives: (HEADINGS.indexOf(to.leaves) + 2) % 4,
    };
  }

  #nodeAt({ x, y }: RouteEnd): number | null {
    const { xs, ys } = this.#grid;
    const [i, j] = [indexOn(xs, toSteps(x)), indexOn(ys, toSteps(y))];
    return xs[i] === toSteps(x) && ys[j] === toSteps(y) ? j * xs.length + i : null;
  }

  #find(search: Search | null): Route | null {
    if (!search) return null;
    this.#search++;
    this.#heap.clear();
    this.#reach(search, this.#state(search.from, search.layers[0], search.leaves), 0, 0, -1);
    let best: { readonly state: number; cost: number; second: number } | null = null;
    while (this.#heap.size > 0) {
      const state = this.#heap.pop();
      if (this.#seen[state] === -this.#search) continue;
      this.#seen[state] = -this.#search;
      const [cost, second] = [this.#cost[state]!, this.#second[state]!];
      if (best && !isLess(this.#heap.lastFirst, this.#heap.lastSecond, best.cost, best.second))
        break;
      const arrival = this.#arrival(search, state);
      if (arrival !== null) {
        const [total, then] = [cost + arrival * this.#bend, second + arrival];
        if (!best || total < best.cost || (total === best.cost && then < best.second))
          best = { state, cost: total, second: then };
      }
      this.#goOn(search, state, cost, second);
    }
    return best && this.#routeTo(best.state, best.cost, best.second);
  }

  #state(node: number, layer: number, heading: number): number {
    return (node * 2 + layer) * WAYS + heading;
  }

  /** How many bends it takes to come into the plug from here; null where this is not the place, or straight back. */
  #arrival({ to, layers, arrives }: Search, state: number): number | null {
    const heading = state % WAYS;
    const at = (state - heading) / WAYS;
    if (at >> 1 !== to || (at & 1) !== layers[1]) return null;
    if (heading === FREE || heading === arrives) return 0;
    return heading === (arrives + 2) % 4 ? null : 1;
  }

  #goOn(search: Search, state: number, cost: number, second: number): void {
    const heading = state % WAYS;
    const at = (state - heading) / WAYS;
    const [node, layer] = [at >> 1, at & 1];
    for (let way = 0; way < 4; way++) {
      if (heading !== FREE && way === (heading + 2) % 4) continue;
      const bends = heading === FREE || way === heading ? 0 : 1;
      this.#step(search, state, node, layer, way, cost + bends * this.#bend, second + bends);
    }
    if (this.#grid.opens[node] === 1)
      this.#reach(
        search,
        this.#state(node, 1 - layer, FREE),
        cost + this.#passage,
        second + PER_PASSAGE,
        state,
      );
  }

  #step(
    search: Search,
    before: number,
    node: number,
    layer: number,
    way: number,
    cost: number,
    second: number,
  ): void {
    const { xs, ys, right, back } = this.#grid;
    const width = xs.length;
    const j = (node / width) | 0;
    const i = node - j * width;
    const [toI, toJ] = [i + DX[way]!, j + DY[way]!];
    if (toI < 0 || toJ < 0 || toI >= width || toJ >= ys.length) return;
    const next = toJ * width + toI;
    const stretch = (way & 1 ? back : right)[layer]![node < next ? node : next]!;
    if (stretch === CLOSED) return;
    const length = way & 1 ? Math.abs(ys[toJ]! - ys[j]!) : Math.abs(xs[toI]! - xs[i]!);
    const share = stretch === ALONG_LANE ? this.#laneShare : FINE;
    this.#reach(
      search,
      (next * 2 + layer) * WAYS + way,
      cost + length * share,
      second + length * PER_STEP,
      before,
    );
  }

  #reach(search: Search, state: number, cost: number, second: number, before: number): void {
    const seen = this.#seen[state]!;
    if (seen === -this.#search) return;
    const isKnown = seen === this.#search;
    if (isKnown && !isLess(cost, second, this.#cost[state]!, this.#second[state]!)) return;
    this.#seen[state] = this.#search;
    this.#cost[state] = cost;
    this.#second[state] = second;
    this.#before[state] = before;
    const { xs, ys } = this.#grid;
    const at = (state / WAYS) | 0;
    const j = ((at >> 1) / xs.length) | 0;
    const toX = search.toX - xs[(at >> 1) - j * xs.length]!;
    const y = ys[j]!;
    const toY = search.toY - y;
    const [dx, dy] = [Math.abs(toX), Math.abs(toY)];
    const turns = this.#leastTurns(search, at & 1, state - at * WAYS, toX, toY);
    const left = this.#leastFrom(search, dx, y, dy) + turns;
    this.#heap.push(state, cost + left, second + (dx + dy) * PER_STEP, left);
  }

  /** On the layer of the goal it takes so many bends, or goes through the board and back; on the other it goes through once. */
  #leastTurns(search: Search, layer: number, heading: number, toX: number, toY: number): number {
    if (layer !== search.layers[1]) return this.#passage;
    const bends = leastBends(Math.sign(toX), Math.sign(toY), heading, search.arrives);
    return Math.min(bends * this.#bend, 2 * this.#passage);
  }

  /**
   * No way from here costs less: straight there without a lane, or by way of the nearest lane, all of it across at the price
   * of a lane. On a lane the second is never more than the first, so that a step never lowers it by more than it costs.
   */
  #leastFrom(search: Search, dx: number, y: number, dy: number): number {
    let least = (dx + dy) * FINE;
    for (const lane of this.#lanes) {
      const upright = Math.abs(y - lane) + Math.abs(lane - search.toY);
      const by = upright * FINE + dx * this.#laneShare;
      if (by < least) least = by;
    }
    return least;
  }

  #routeTo(last: number, cost: number, second: number): Route {
    const { xs, ys } = this.#grid;
    const points: RoutePoint[] = [];
    for (let state = last; state >= 0; state = this.#before[state]!) {
      const at = Math.floor(state / WAYS);
      const node = at >> 1;
      points.push({
        x: fromSteps(xs[node % xs.length]!),
        y: fromSteps(ys[Math.floor(node / xs.length)]!),
        layer: LAYERS[at & 1]!,
      });
    }
    const steps = Math.floor(second / PER_STEP);
    if (steps >= LENGTH_LIMIT) throw new Error(`a way of ${steps} steps is too long to count`);
    const rest = second - steps * PER_STEP;
    return {
      cost: fromSteps(cost) / FINE,
      length: fromSteps(steps),
      passages: Math.floor(rest / PER_PASSAGE),
      bends: rest % PER_PASSAGE,
      points: withoutBetween(points.reverse()),
    };
  }
}

const isLess = (a: number, a2: number, b: number, b2: number): boolean =>
  a < b || (a === b && a2 < b2);

/** Only where it begins, turns, changes its layer, and ends. */
function withoutBetween(points: readonly RoutePoint[]): readonly RoutePoint[] {
  return points.filter((point, i) => {
    const [before, after] = [points[i - 1], points[i + 1]];
    if (!before || !after) return true;
    if (before.layer !== point.layer || after.layer !== point.layer) return true;
    const isStraight =
      (before.x === point.x && after.x === point.x) ||
      (before.y === point.y && after.y === point.y);
    return !isStraight;
  });
}
