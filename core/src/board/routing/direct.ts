import { contains, type Point, type Rect } from '../rect';
import { Heap } from './heap';
import {
  isBehind,
  LAYERS,
  type Route,
  type RouteEnd,
  type RoutePoint,
  type Terrain,
} from './terrain';

/// Direct ways: the shortest without passing through what stands there. On one layer a shortest way is straight from
/// corner to corner of what is in the way. It changes its layer in openings, along the middle of a slot: at its ends and
/// where an edge, or an end of the cable, or the straight line between both, meets it. Over these places the way is exact.

interface Node extends Point {
  readonly layer: number;
}

/** How deep a line has to go into a rectangle to pass through it. */
const DEPTH = 1e-6;

/** Whether a straight line passes through the inside of a rectangle. */
export function passesThrough({ x0, y0, x1, y1 }: Rect, a: Point, b: Point): boolean {
  if (Math.max(a.x, b.x) <= x0 || Math.min(a.x, b.x) >= x1) return false;
  if (Math.max(a.y, b.y) <= y0 || Math.min(a.y, b.y) >= y1) return false;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  let [enters, leaves] = [0, 1];
  for (const [at, step, least, most] of [
    [a.x, dx, x0, x1],
    [a.y, dy, y0, y1],
  ] as const) {
    if (step === 0) continue;
    const [t0, t1] = [(least - at) / step, (most - at) / step];
    enters = Math.max(enters, Math.min(t0, t1));
    leaves = Math.min(leaves, Math.max(t0, t1));
  }
  return (leaves - enters) * Math.hypot(dx, dy) > DEPTH;
}

const isInside = ({ x0, y0, x1, y1 }: Rect, { x, y }: Point): boolean =>
  x > x0 + DEPTH && x < x1 - DEPTH && y > y0 + DEPTH && y < y1 - DEPTH;

const cornersOf = ({ x0, y0, x1, y1 }: Rect): readonly Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x0, y: y1 },
  { x: x1, y: y1 },
];

/** Where a cable may go through an opening: along the middle of its long side. */
export function passagesOf(
  opening: Rect,
  terrain: Terrain,
  ends: readonly Point[],
): readonly Point[] {
  const { x0, y0, x1, y1 } = opening;
  const isWide = x1 - x0 >= y1 - y0;
  const [least, most, middle] = isWide ? [x0, x1, (y0 + y1) / 2] : [y0, y1, (x0 + x1) / 2];
  const edges = [...terrain.obstacles.top, ...terrain.obstacles.under].flatMap((r) =>
    isWide ? [r.x0, r.x1] : [r.y0, r.y1],
  );
  const [from, to] = ends;
  const along = [
    least,
    (least + most) / 2,
    most,
    ...edges,
    ...ends.map(({ x, y }) => (isWide ? x : y)),
  ];
  if (from && to) {
    const [across, other] = isWide
      ? [to.y - from.y, to.x - from.x]
      : [to.x - from.x, to.y - from.y];
    if (across !== 0)
      along.push(
        (isWide ? from.x : from.y) + (other * (middle - (isWide ? from.y : from.x))) / across,
      );
  }
  const all = [...terrain.obstacles.top, ...terrain.obstacles.under];
  return [...new Set(along)]
    .filter((at) => at >= least && at <= most)
    .map((at) => (isWide ? { x: at, y: middle } : { x: middle, y: at }))
    .filter((point) => contains(terrain.area, point) && !all.some((rect) => isInside(rect, point)));
}

const inOrder = (a: Node, b: Node): number => a.layer - b.layer || a.x - b.x || a.y - b.y;

/** Ways through one terrain. */
export class DirectRouter {
  readonly #terrain: Terrain;
  readonly #corners: readonly Node[];

  constructor(terrain: Terrain) {
    this.#terrain = terrain;
    this.#corners = LAYERS.flatMap((layer, at) => {
      const rects = terrain.obstacles[layer];
      return rects
        .flatMap(cornersOf)
        .filter((p) => contains(terrain.area, p) && !rects.some((rect) => isInside(rect, p)))
        .map((p) => ({ ...p, layer: at }));
    });
  }

  /** The shortest way from one end to the other, or null where there is none. Exchanged ends have the same way. */
  route(from: RouteEnd, to: RouteEnd): Route | null {
    if (isBehind(from, to)) {
      const found = this.route(to, from);
      return found && { ...found, points: found.points.toReversed() };
    }
    const [start, goal] = [from, to].map(({ x, y, layer }) => ({
      x,
      y,
      layer: LAYERS.indexOf(layer),
    }));
    const passages = this.#terrain.openings.flatMap((o) =>
      passagesOf(o, this.#terrain, [from, to]),
    );
    const nodes = [
      start!,
      goal!,
      ...[
        ...this.#corners,
        ...passages.flatMap((p) => [
          { ...p, layer: 0 },
          { ...p, layer: 1 },
        ]),
      ].sort(inOrder),
    ];
    return this.#search(nodes, passages);
  }

  #search(nodes: readonly Node[], passages: readonly Point[]): Route | null {
    const opens = new Set(passages.map(keyOf));
    const goal = nodes[1]!;
    const costs = new Float64Array(nodes.length).fill(Infinity);
    const before = new Int32Array(nodes.length).fill(-1);
    const isDone = new Uint8Array(nodes.length);
    const heap = new Heap();
    costs[0] = 0;
    heap.push(0, distance(nodes[0]!, goal), 0, 0);
    while (heap.size > 0) {
      const at = heap.pop();
      if (at === 1) return this.#routeTo(nodes, before, costs[1]!);
      if (isDone[at]) continue;
      isDone[at] = 1;
      for (const [next, step] of this.#stepsFrom(nodes, at, isDone, opens)) {
        const cost = costs[at]! + step;
        if (cost >= costs[next]!) continue;
        costs[next] = cost;
        before[next] = at;
        heap.push(next, cost + distance(nodes[next]!, goal), 0, 0);
      }
    }
    return null;
  }

  *#stepsFrom(
    nodes: readonly Node[],
    at: number,
    isDone: Uint8Array,
    opens: ReadonlySet<string>,
  ): Generator<readonly [number, number]> {
    const here = nodes[at]!;
    const rects = this.#terrain.obstacles[LAYERS[here.layer]!];
    const isOpen = opens.has(keyOf(here));
    for (const [next, there] of nodes.entries()) {
      if (isDone[next] || next === at) continue;
      if (there.layer !== here.layer) {
        if (isOpen && there.x === here.x && there.y === here.y) yield [next, this.#terrain.passage];
      } else if (!rects.some((rect) => passesThrough(rect, here, there)))
        yield [next, distance(here, there)];
    }
  }

  #routeTo(nodes: readonly Node[], before: Int32Array, cost: number): Route {
    const points: RoutePoint[] = [];
    for (let at = 1; at >= 0; at = before[at]!) {
      const { x, y, layer } = nodes[at]!;
      points.push({ x, y, layer: LAYERS[layer]! });
    }
    points.reverse();
    const passages = points.filter((p, i) => i > 0 && points[i - 1]!.layer !== p.layer).length;
    return {
      cost,
      length: cost - passages * this.#terrain.passage,
      passages,
      bends: Math.max(0, points.length - 2 - passages),
      points,
    };
  }
}

const keyOf = ({ x, y }: Point): string => `${x} ${y}`;
const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
