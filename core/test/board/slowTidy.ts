import type { Rect } from '../../src/board/rect';
import type { RouteEnd, Terrain } from '../../src/board/routing/terrain';

/// The least cost of a tidy way by slow, obvious code: every point of a fine grid, every heading, relaxed until nothing
/// changes any more. Everything in the terrain has to lie on the grid.

const WAYS = [
  ['right', 1, 0],
  ['back', 0, 1],
  ['left', -1, 0],
  ['front', 0, -1],
] as const;

export function slowCost(
  { area, obstacles, openings, lanes, bend, passage, laneShare }: Terrain,
  from: RouteEnd,
  to: RouteEnd,
  step: number,
): number | null {
  const inside = (r: Rect, x: number, y: number) => x > r.x0 && x < r.x1 && y > r.y0 && y < r.y1;
  const isFree = (layer: 'top' | 'under', x: number, y: number) =>
    !obstacles[layer].some((r) => inside(r, x, y));
  const opens = (x: number, y: number) =>
    openings.some((o) => x >= o.x0 && x <= o.x1 && y >= o.y0 && y <= o.y1) &&
    isFree('top', x, y) &&
    isFree('under', x, y);
  const costs = new Map<string, number>();
  const key = (x: number, y: number, layer: string, heading: string) =>
    `${x} ${y} ${layer} ${heading}`;
  let front: { x: number; y: number; layer: 'top' | 'under'; heading: string; cost: number }[] = [];
  const reach = (one: (typeof front)[number]) => {
    const at = key(one.x, one.y, one.layer, one.heading);
    if ((costs.get(at) ?? Infinity) <= one.cost + 1e-12) return;
    costs.set(at, one.cost);
    front.push(one);
  };
  reach({ x: from.x, y: from.y, layer: from.layer, heading: from.leaves, cost: 0 });
  while (front.length > 0) {
    const now = front;
    front = [];
    for (const { x, y, layer, heading, cost } of now) {
      if (costs.get(key(x, y, layer, heading))! < cost) continue;
      const back = WAYS.findIndex(([name]) => name === heading);
      for (const [i, [way, dx, dy]] of WAYS.entries()) {
        if (back >= 0 && i === (back + 2) % 4) continue;
        const [nx, ny] = [x + dx * step, y + dy * step];
        if (nx < area.x0 || nx > area.x1 || ny < area.y0 || ny > area.y1) continue;
        if (!isFree(layer, (x + nx) / 2, (y + ny) / 2)) continue;
        const onLane =
          dy === 0 &&
          lanes.some(
            (l) =>
              l.layer === layer && l.y === y && Math.min(x, nx) >= l.x0 && Math.max(x, nx) <= l.x1,
          );
        const turn = back >= 0 && way !== heading ? bend : 0;
        reach({
          x: nx,
          y: ny,
          layer,
          heading: way,
          cost: cost + turn + step * (onLane ? laneShare : 1),
        });
      }
      const other = layer === 'top' ? 'under' : 'top';
      if (opens(x, y)) reach({ x, y, layer: other, heading: 'free', cost: cost + passage });
    }
  }
  const leaves = WAYS.findIndex(([name]) => name === to.leaves);
  let best = Infinity;
  for (const heading of [...WAYS.map(([name]) => name as string), 'free']) {
    const cost = costs.get(key(to.x, to.y, to.layer, heading));
    if (cost === undefined || heading === to.leaves) continue;
    const straight = heading === 'free' || heading === WAYS[(leaves + 2) % 4]![0];
    best = Math.min(best, cost + (straight ? 0 : bend));
  }
  return best === Infinity ? null : best;
}
