import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { TidyRouter } from '../../src/board/routing/tidy';
import type { Rect } from '../../src/board/rect';
import type { LaneLine, Route, RouteEnd, Terrain } from '../../src/board/routing/terrain';
import { slowCost } from './slowTidy';

interface Case {
  readonly id: string;
  readonly width: number;
  readonly depth: number;
  readonly top: readonly Rect[];
  readonly under: readonly Rect[];
  readonly openings: readonly Rect[];
  readonly lanes: readonly Omit<LaneLine, 'layer'>[];
  readonly bend: number;
  readonly through: number;
  readonly laneShare: number;
  readonly from: RouteEnd;
  readonly to: RouteEnd;
  readonly expected: { readonly cost: number } | null;
}

const { cases } = JSON.parse(
  readFileSync(new URL('../reference/routes.json', import.meta.url), 'utf8'),
) as { readonly cases: readonly Case[] };

const terrainOf = (one: Omit<Case, 'expected'>): Terrain => ({
  area: { x0: 0, y0: 0, x1: one.width, y1: one.depth },
  obstacles: { top: one.top, under: one.under },
  openings: one.openings,
  lanes: one.lanes.map((lane) => ({ ...lane, layer: 'under' })),
  loop: 5,
  bend: one.bend,
  passage: one.through,
  laneShare: one.laneShare,
});

const routeOf = (terrain: Terrain, from: RouteEnd, to: RouteEnd): Route | null =>
  new TidyRouter(terrain).route(from, to);

/** What a route costs, counted along its points. */
function recount({ points }: Route, terrain: Terrain, from: RouteEnd, to: RouteEnd) {
  const headings = ['right', 'back', 'left', 'front'];
  let [length, cost, passages, bends] = [0, 0, 0, 0];
  let heading: string | null = from.leaves;
  for (const [i, point] of points.entries()) {
    const before = points[i - 1];
    if (!before) continue;
    if (before.layer !== point.layer) {
      expect(terrain.openings.some((o) => isIn(o, point))).toBe(true);
      [passages, heading] = [passages + 1, null];
      continue;
    }
    const [dx, dy] = [point.x - before.x, point.y - before.y];
    const way = dx > 0 ? 'right' : dx < 0 ? 'left' : dy > 0 ? 'back' : 'front';
    if (heading !== null && heading !== way) bends++;
    if (heading !== null)
      expect((headings.indexOf(heading) + 2) % 4).not.toBe(headings.indexOf(way));
    heading = way;
    const along = Math.abs(dx) + Math.abs(dy);
    const onLane = terrain.lanes
      .filter(({ y, layer }) => dy === 0 && y === point.y && layer === point.layer)
      .map(
        ({ x0, x1 }) =>
          Math.min(x1, Math.max(point.x, before.x)) - Math.max(x0, Math.min(point.x, before.x)),
      )
      .reduce((most, one) => Math.max(most, one), 0);
    length += along;
    cost += along - onLane * (1 - terrain.laneShare);
  }
  const arrives = headings[(headings.indexOf(to.leaves) + 2) % 4];
  if (heading !== null && heading !== arrives) bends++;
  return {
    length,
    passages,
    bends,
    cost: cost + bends * terrain.bend + passages * terrain.passage,
  };
}

const isIn = (o: Rect, p: { x: number; y: number }) =>
  p.x >= o.x0 && p.x <= o.x1 && p.y >= o.y0 && p.y <= o.y1;

function expectSound(route: Route, terrain: Terrain, from: RouteEnd, to: RouteEnd): void {
  const counted = recount(route, terrain, from, to);
  expect(counted.cost).toBeCloseTo(route.cost, 6);
  expect(counted).toMatchObject({ passages: route.passages, bends: route.bends });
  expect(counted.length).toBeCloseTo(route.length, 6);
  expect(route.points[0]).toMatchObject({ x: from.x, y: from.y, layer: from.layer });
  expect(route.points.at(-1)).toMatchObject({ x: to.x, y: to.y, layer: to.layer });
}

test.each(cases.map((one) => [one.id, one] as const))(
  'case %s costs what independent methods found',
  (_, one) => {
    const terrain = terrainOf(one);
    const route = routeOf(terrain, one.from, one.to);
    if (one.expected === null) return expect(route).toBeNull();
    const { cost } = one.expected;
    expect(Math.abs(route!.cost - cost)).toBeLessThanOrEqual(1e-6);
    expectSound(route!, terrain, one.from, one.to);
  },
);

const five = (most: number) => fc.integer({ min: 0, max: most / 5 }).map((n) => n * 5);
const rect = (width: number, depth: number) =>
  fc.tuple(five(width - 10), five(depth - 10), five(80), five(80)).map(([x0, y0, w, d]) => ({
    x0,
    y0,
    x1: Math.min(width, x0 + 10 + w),
    y1: Math.min(depth, y0 + 10 + d),
  }));
const end = (width: number, depth: number): fc.Arbitrary<RouteEnd> =>
  fc.record({
    x: five(width),
    y: five(depth),
    leaves: fc.constantFrom('left', 'right', 'front', 'back'),
    layer: fc.constantFrom('top', 'under'),
  });

/** Room around an end for a cable to turn round: what turns between two edges closer than that is beside the grid. */
const hasRoom = ({ area, obstacles }: Terrain, { x, y, layer }: RouteEnd): boolean =>
  isIn({ x0: area.x0 + 10, y0: area.y0 + 10, x1: area.x1 - 10, y1: area.y1 - 10 }, { x, y }) &&
  !obstacles[layer].some((r) =>
    isIn({ x0: r.x0 - 9, y0: r.y0 - 9, x1: r.x1 + 9, y1: r.y1 + 9 }, { x, y }),
  );

const W = 150;
const D = 100;
const terrain: fc.Arbitrary<Terrain> = fc.record({
  area: fc.constant({ x0: 0, y0: 0, x1: W, y1: D }),
  obstacles: fc.record({
    top: fc.array(rect(W, D), { maxLength: 6 }),
    under: fc.array(rect(W, D), { maxLength: 3 }),
  }),
  openings: fc.array(rect(W, D), { maxLength: 3 }),
  lanes: fc.array(
    fc.record({
      layer: fc.constantFrom('top', 'under'),
      y: five(D),
      x0: five(60),
      x1: five(60).map((x) => x + 70),
    }),
    { maxLength: 2 },
  ),
  loop: fc.constant(5),
  bend: fc.constantFrom(5, 12.5),
  passage: fc.constantFrom(5, 20),
  laneShare: fc.constantFrom(0.5, 0.7, 1),
});

test('random boards: the least cost of a fine grid, by slow code; sound; the same both ways; always the same one', () => {
  let found = 0;
  fc.assert(
    fc.property(terrain, end(W, D), end(W, D), (ground, from, to) => {
      const route = routeOf(ground, from, to);
      fc.pre([from, to].every((one) => hasRoom(ground, one)));
      fc.pre(Math.abs(from.x - to.x) + Math.abs(from.y - to.y) > 20);
      const slow = slowCost(ground, from, to, 5);
      if (route === null) return expect(slow).toBeNull();
      found++;
      expect(route.cost).toBeCloseTo(slow!, 6);
      expectSound(route, ground, from, to);
      expect(routeOf(ground, to, from)!.cost).toBe(route.cost);
      // Other ends on the grid, and another order of what is in the way, do not change the answer.
      const { obstacles, openings } = ground;
      const turned = {
        ...ground,
        obstacles: { top: obstacles.top.toReversed(), under: obstacles.under.toReversed() },
        openings: openings.toReversed(),
      };
      expect(routeOf(turned, from, to)).toEqual(route);
    }),
    { seed: 5, numRuns: 150 },
  );
  expect(found).toBeGreaterThan(100);
});

test('one more obstacle never lowers a cost, and one more lane never raises it', () => {
  const lane = fc.record({
    layer: fc.constantFrom('top' as const, 'under' as const),
    y: five(D),
    x0: five(60),
    x1: five(60).map((x) => x + 70),
  });
  fc.assert(
    fc.property(
      terrain,
      end(W, D),
      end(W, D),
      rect(W, D),
      lane,
      (ground, from, to, more, extra) => {
        const cost = routeOf(ground, from, to)?.cost ?? Infinity;
        const { top } = ground.obstacles;
        const crowded = { ...ground, obstacles: { ...ground.obstacles, top: [...top, more] } };
        expect(routeOf(crowded, from, to)?.cost ?? Infinity).toBeGreaterThanOrEqual(cost);
        const laned = { ...ground, lanes: [...ground.lanes, extra] };
        expect(routeOf(laned, from, to)?.cost ?? Infinity).toBeLessThanOrEqual(cost);
      },
    ),
    { seed: 6, numRuns: 300 },
  );
});
