import type { Rect } from '../rect';
import { LAYERS, type RouteEnd, type Terrain } from './terrain';

/// The lines on which a least way must lie: all edges of obstacles, openings and of the area, lanes, both ends, and beside
/// these where a cable goes that has to turn round. Coordinates are whole hundredths of a unit, so that sums are exact.

const STEPS = 100;

export const toSteps = (length: number): number => Math.round(length * STEPS);
export const fromSteps = (steps: number): number => steps / STEPS;

export interface Grid {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
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

const sorted = (values: Iterable<number>, least: number, most: number): readonly number[] =>
  [...new Set(values)].filter((v) => v >= least && v <= most).sort((a, b) => a - b);

/** The index of a value on a line; of one that is not on it, of the first behind it. */
export function indexOn(line: readonly number[], value: number): number {
  let [low, high] = [0, line.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (line[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** @param ends of the one cable that is laid on it */
export function gridOf(terrain: Terrain, ends: readonly RouteEnd[]): Grid {
  const loop = toSteps(terrain.loop);
  const beside = (at: number) => [toSteps(at) - loop, toSteps(at), toSteps(at) + loop];
  const area = inSteps(terrain.area);
  const obstacles = LAYERS.map((layer) => terrain.obstacles[layer].map(inSteps));
  const openings = terrain.openings.map(inSteps);
  const rects = [area, ...obstacles.flat(), ...openings];
  const lanes = terrain.lanes;
  const xs = sorted(
    [
      ...rects.flatMap(({ x0, x1 }) => [x0, x1]),
      ...ends.flatMap(({ x }) => beside(x)),
      ...lanes.flatMap(({ x0, x1 }) => [toSteps(x0), toSteps(x1)]),
    ],
    area.x0,
    area.x1,
  );
  const ys = sorted(
    [
      ...rects.flatMap(({ y0, y1 }) => [y0, y1]),
      ...ends.flatMap(({ y }) => beside(y)),
      ...lanes.map(({ y }) => toSteps(y)),
    ],
    area.y0,
    area.y1,
  );
  const size = xs.length * ys.length;
  const stretches = () => LAYERS.map(() => new Uint8Array(size).fill(OPEN));
  const grid = { xs, ys, right: stretches(), back: stretches(), opens: new Uint8Array(size) };
  for (const opening of openings) openAt(grid, opening);
  for (const [layer, all] of obstacles.entries()) {
    for (const lane of lanes) if (LAYERS[layer] === lane.layer) layLane(grid, layer, lane);
    for (const rect of all) close(grid, layer, rect);
  }
  return grid;
}

function openAt({ xs, ys, opens }: Grid, { x0, y0, x1, y1 }: Rect): void {
  for (let j = indexOn(ys, y0); j < ys.length && ys[j]! <= y1; j++)
    for (let i = indexOn(xs, x0); i < xs.length && xs[i]! <= x1; i++) opens[j * xs.length + i] = 1;
}

function layLane({ xs, ys, right }: Grid, layer: number, lane: Terrain['lanes'][number]): void {
  const row = indexOn(ys, toSteps(lane.y));
  if (ys[row] !== toSteps(lane.y)) return;
  const last = toSteps(lane.x1);
  for (let i = indexOn(xs, toSteps(lane.x0)); i + 1 < xs.length && xs[i + 1]! <= last; i++)
    right[layer]![row * xs.length + i] = ALONG_LANE;
}

/** Nothing passes through the inside of an obstacle, and nothing changes its layer there. */
function close({ xs, ys, right, back, opens }: Grid, layer: number, rect: Rect): void {
  const [i0, i1] = [indexOn(xs, rect.x0), indexOn(xs, rect.x1)];
  const [j0, j1] = [indexOn(ys, rect.y0), indexOn(ys, rect.y1)];
  const isInX = (i: number) => xs[i]! > rect.x0 && xs[i]! < rect.x1;
  const isInY = (j: number) => ys[j]! > rect.y0 && ys[j]! < rect.y1;
  for (let j = j0; j <= j1 && j < ys.length; j++)
    for (let i = i0; i <= i1 && i < xs.length; i++) {
      const node = j * xs.length + i;
      if (isInY(j) && i < i1 && xs[i]! < rect.x1) right[layer]![node] = CLOSED;
      if (isInX(i) && j < j1 && ys[j]! < rect.y1) back[layer]![node] = CLOSED;
      if (isInX(i) && isInY(j)) opens[node] = 0;
    }
}
