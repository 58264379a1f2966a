import fc from 'fast-check';
import type { Point, Rect } from '../../src/board/rect';
import { DirectRouter, passagesOf } from '../../src/board/routing/direct';
import type { RouteEnd, Terrain } from '../../src/board/routing/terrain';

/// Direct ways against all pairs of places that see each other, by slow, obvious code.

const W = 200;
const D = 120;

/** A line is cut where it meets an edge; no piece of it may have its middle inside a rectangle. */
function sees(rects: readonly Rect[], a: Point, b: Point): boolean {
  const cuts = new Set([0, 1]);
  for (const { x0, y0, x1, y1 } of rects) {
    for (const x of [x0, x1]) if (a.x !== b.x) cuts.add((x - a.x) / (b.x - a.x));
    for (const y of [y0, y1]) if (a.y !== b.y) cuts.add((y - a.y) / (b.y - a.y));
  }
  const along = [...cuts].filter((t) => t >= 0 && t <= 1).sort((p, q) => p - q);
  return along.every((t, i) => {
    const next = along[i + 1];
    if (next === undefined || (next - t) * Math.hypot(b.x - a.x, b.y - a.y) < 1e-6) return true;
    const [x, y] = [a.x + ((t + next) / 2) * (b.x - a.x), a.y + ((t + next) / 2) * (b.y - a.y)];
    return !rects.some((r) => x > r.x0 && x < r.x1 && y > r.y0 && y < r.y1);
  });
}

function slowCost(terrain: Terrain, from: RouteEnd, to: RouteEnd): number | null {
  const { obstacles, area, passage } = terrain;
  const inArea = (p: Point) => p.x >= area.x0 && p.x <= area.x1 && p.y >= area.y0 && p.y <= area.y1;
  const corners = (layer: 'top' | 'under') =>
    obstacles[layer]
      .flatMap(({ x0, y0, x1, y1 }) =>
        [x0, x1].flatMap((x) => [y0, y1].map((y) => ({ x, y, layer }))),
      )
      .filter(inArea);
  const passages = terrain.openings.flatMap((o) => passagesOf(o, terrain, [from, to]));
  const nodes = [
    from,
    to,
    ...corners('top'),
    ...corners('under'),
    ...passages.flatMap(({ x, y }) =>
      (['top', 'under'] as const).map((layer) => ({ x, y, layer })),
    ),
  ];
  const isPassage = (p: Point) => passages.some(({ x, y }) => x === p.x && y === p.y);
  const costs = nodes.map((_, i) => (i === 0 ? 0 : Infinity));
  for (let round = 0, changed = true; changed; round++) {
    changed = false;
    for (const [i, a] of nodes.entries()) {
      if (costs[i] === Infinity) continue;
      for (const [j, b] of nodes.entries()) {
        if (i === j) continue;
        const isThrough = a.layer !== b.layer && a.x === b.x && a.y === b.y && isPassage(a);
        const step = isThrough
          ? passage
          : a.layer === b.layer && sees(obstacles[a.layer], a, b)
            ? Math.hypot(a.x - b.x, a.y - b.y)
            : Infinity;
        if (costs[i]! + step < costs[j]! - 1e-9) {
          costs[j] = costs[i]! + step;
          changed = true;
        }
      }
    }
  }
  return costs[1] === Infinity ? null : costs[1]!;
}

const at = (most: number) => fc.integer({ min: 0, max: most });
const rect = fc
  .tuple(at(W - 10), at(D - 10), at(70), at(50))
  .map(([x0, y0, w, d]) => ({ x0, y0, x1: x0 + 5 + w, y1: y0 + 5 + d }));
const end: fc.Arbitrary<RouteEnd> = fc.record({
  x: at(W),
  y: at(D),
  leaves: fc.constant('left' as const),
  layer: fc.constantFrom('top', 'under'),
});
const terrain: fc.Arbitrary<Terrain> = fc.record({
  area: fc.constant({ x0: 0, y0: 0, x1: W, y1: D }),
  obstacles: fc.record({
    top: fc.array(rect, { maxLength: 5 }),
    under: fc.array(rect, { maxLength: 3 }),
  }),
  openings: fc.array(rect, { maxLength: 2 }),
  lanes: fc.constant([]),
  loop: fc.constant(5),
  bend: fc.constant(10),
  passage: fc.constantFrom(0, 5, 30),
  laneShare: fc.constant(1),
});

test('as short as all pairs that see each other, the same both ways, whatever the order of what is in the way', () => {
  let through = 0;
  fc.assert(
    fc.property(terrain, end, end, (ground, from, to) => {
      const route = new DirectRouter(ground).route(from, to);
      const slow = slowCost(ground, from, to);
      if (route === null) return expect(slow).toBeNull();
      expect(route.cost).toBeCloseTo(slow!, 6);
      if (route.passages > 0) through++;
      const turned = { ...ground.obstacles, top: ground.obstacles.top.toReversed() };
      const back = new DirectRouter({ ...ground, obstacles: turned }).route(to, from)!;
      expect(back.cost).toBeCloseTo(route.cost, 9);
    }),
    { seed: 8, numRuns: 250 },
  );
  expect(through).toBeGreaterThan(30);
});

test('one more obstacle never lowers a cost', () => {
  fc.assert(
    fc.property(terrain, end, end, rect, (ground, from, to, more) => {
      // Where it may pass through does not depend on the new one.
      const plain = { ...ground, openings: [] };
      const cost = new DirectRouter(plain).route(from, to)?.cost ?? Infinity;
      const top = [...plain.obstacles.top, more];
      const crowded = { ...plain, obstacles: { ...plain.obstacles, top } };
      const after = new DirectRouter(crowded).route(from, to)?.cost ?? Infinity;
      expect(after).toBeGreaterThanOrEqual(cost - 1e-9);
    }),
    { seed: 9, numRuns: 200 },
  );
});

test('straight where nothing is in the way, round a corner where something is, by hand', () => {
  const empty: Terrain = {
    area: { x0: 0, y0: 0, x1: 100, y1: 100 },
    obstacles: { top: [], under: [] },
    openings: [],
    lanes: [],
    loop: 5,
    bend: 0,
    passage: 5,
    laneShare: 1,
  };
  const from = { x: 0, y: 0, leaves: 'right', layer: 'top' } as const;
  const to = { x: 30, y: 40, leaves: 'left', layer: 'top' } as const;
  expect(new DirectRouter(empty).route(from, to)).toMatchObject({ cost: 50, bends: 0 });
  const wall = { x0: 10, y0: -10, x1: 20, y1: 60 };
  const walled = { ...empty, obstacles: { top: [wall], under: [] } };
  const round = Math.hypot(10, 60) + 10 + Math.hypot(10, 20);
  expect(new DirectRouter(walled).route(from, to)!.cost).toBeCloseTo(round, 9);
  // Below it, through two slots that lie on the straight line.
  const slots = [
    { x0: 2, y0: 0, x1: 8, y1: 100 },
    { x0: 22, y0: 0, x1: 28, y1: 100 },
  ];
  const below = new DirectRouter({ ...walled, openings: slots }).route(from, to)!;
  expect(below).toMatchObject({ passages: 2, bends: 2 });
  expect(below.cost).toBeCloseTo(60, 9);
});
