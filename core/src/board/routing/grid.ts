import type { Rect } from '../rect';
import { LAYERS, type LaneLine, type RouteEnd, type Terrain } from './terrain';

/// The lines on which a least way must lie: all edges of obstacles, openings and of the area, lanes, both ends, and beside
/// these where a cable goes that has to turn round. Coordinates are whole hundredths of a unit, so that sums are exact.

const STEPS = 100;

export const toSteps = (length: number): number => Math.round(length * STEPS);
export const fromSteps = (steps: number): number => steps / STEPS;

export interface Grid {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  /** By layer, and within it by node (row by row): what lies from there to the next on the right, to the next behind. */
  readonly right: readonly Uint8Array[];
  readonly back: readonly Uint8Array[];
  /** By node: whether a cable can change its layer there. */
  readonly opens: Uint8Array;
}

/** A stretch of the grid: closed, open, or open along a lane. */
export const CLOSED = 0;
export const OPEN = 1;
export const ALONG_LANE = 2;

const inSteps = ({ x0, y0, x1, y1 }: Rect): Rect => ({
  x0: toSteps(x0),
  y0: toSteps(y0),
  x1: toSteps(x1),
  y1: toSteps(y1),
});

/** Sorted, each once. */
const lineOf = (values: Iterable<number>): Float64Array =>
  Float64Array.from(new Set(values)).sort();

/** The index of a value on a line; of one that is not on it, of the first behind it. */
export function indexOn(line: Float64Array, value: number): number {
  let [low, high] = [0, line.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (line[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The lines of one terrain, counted once for all of its cables. */
export class Ground {
  readonly #area: Rect;
  readonly #obstacles: readonly (readonly Rect[])[];
  readonly #openings: readonly Rect[];
  readonly #lanes: readonly (readonly LaneLine[])[];
  readonly #loop: number;
  readonly #xs: readonly number[];
  readonly #ys: readonly number[];

  constructor(terrain: Terrain) {
    const { lanes } = terrain;
    this.#area = inSteps(terrain.area);
    this.#obstacles = LAYERS.map((layer) => terrain.obstacles[layer].map(inSteps));
    this.#openings = terrain.openings.map(inSteps);
    this.#lanes = LAYERS.map((layer) => lanes.filter((lane) => lane.layer === layer));
    this.#loop = toSteps(terrain.loop);
    const rects = [this.#area, ...this.#obstacles.flat(), ...this.#openings];
    this.#xs = [
      ...rects.flatMap(({ x0, x1 }) => [x0, x1]),
      ...lanes.flatMap(({ x0, x1 }) => [toSteps(x0), toSteps(x1)]),
    ].filter((x) => x >= this.#area.x0 && x <= this.#area.x1);
    this.#ys = [
      ...rects.flatMap(({ y0, y1 }) => [y0, y1]),
      ...lanes.map(({ y }) => toSteps(y)),
    ].filter((y) => y >= this.#area.y0 && y <= this.#area.y1);
  }

  /** @param ends of the one cable that is laid on it */
  gridFor(ends: readonly RouteEnd[]): Grid {
    const { x0, x1, y0, y1 } = this.#area;
    const beside = (at: number) => [
      toSteps(at) - this.#loop,
      toSteps(at),
      toSteps(at) + this.#loop,
    ];
    const within = (least: number, most: number) => (v: number) => v >= least && v <= most;
    const xs = lineOf([...this.#xs, ...ends.flatMap(({ x }) => beside(x)).filter(within(x0, x1))]);
    const ys = lineOf([...this.#ys, ...ends.flatMap(({ y }) => beside(y)).filter(within(y0, y1))]);
    const size = xs.length * ys.length;
    const stretches = () => LAYERS.map(() => new Uint8Array(size).fill(OPEN));
    const grid = { xs, ys, right: stretches(), back: stretches(), opens: new Uint8Array(size) };
    for (const opening of this.#openings) openAt(grid, opening);
    for (const layer of LAYERS.keys()) {
      for (const lane of this.#lanes[layer]!) layLane(grid, layer, lane);
      for (const rect of this.#obstacles[layer]!) close(grid, layer, rect);
    }
    return grid;
  }
}

function openAt({ xs, ys, opens }: Grid, { x0, y0, x1, y1 }: Rect): void {
  const width = xs.length;
  const [from, to] = [indexOn(xs, x0), indexOn(xs, x1)];
  const behind = xs[to] === x1 ? to + 1 : to;
  for (let j = indexOn(ys, y0); j < ys.length && ys[j]! <= y1; j++)
    opens.fill(1, j * width + from, j * width + behind);
}

function layLane({ xs, ys, right }: Grid, layer: number, lane: LaneLine): void {
  const row = indexOn(ys, toSteps(lane.y));
  if (ys[row] !== toSteps(lane.y)) return;
  const last = toSteps(lane.x1);
  for (let i = indexOn(xs, toSteps(lane.x0)); i + 1 < xs.length && xs[i + 1]! <= last; i++)
    right[layer]![row * xs.length + i] = ALONG_LANE;
}

/** Nothing passes through the inside of an obstacle, and nothing changes its layer there. */
function close({ xs, ys, right, back, opens }: Grid, layer: number, rect: Rect): void {
  const width = xs.length;
  const [i0, i1] = [indexOn(xs, rect.x0), indexOn(xs, rect.x1)];
  const [j0, j1] = [indexOn(ys, rect.y0), indexOn(ys, rect.y1)];
  // The first line within, where the edge itself is one.
  const [inI, inJ] = [xs[i0] === rect.x0 ? i0 + 1 : i0, ys[j0] === rect.y0 ? j0 + 1 : j0];
  const [fromI, fromJ] = [Math.max(0, inI - 1), Math.max(0, inJ - 1)];
  for (let j = inJ; j < j1; j++) {
    right[layer]!.fill(CLOSED, j * width + fromI, j * width + i1);
    opens.fill(0, j * width + inI, j * width + i1);
  }
  for (let j = fromJ; j < j1; j++) back[layer]!.fill(CLOSED, j * width + inI, j * width + i1);
}
