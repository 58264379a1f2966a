import type { BoardPlan, Deck, Point, Rect } from '@gullwind/core';

/// Where a case that is dragged comes to rest: at edges of slats, boards and neighbours, else on whole millimetres.

/** Beside a neighbour, m. */
interface Room {
  readonly gapM: number;
}

const MILLIMETRE = 0.001;

/** Edges that a case may rest at, by axis. */
export interface Edges {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

function slatEdges({ board, rect }: Deck): readonly number[] {
  return board.surface === 'rows'
    ? board.slats.flatMap(({ frontM, backM }) => [rect.y0 + frontM, rect.y0 + backM])
    : [];
}

/** Everything that stays where it is has edges to rest at: its own, and a gap beside them. */
export function edgesOf(plan: BoardPlan, moving: ReadonlySet<string>, { gapM }: Room): Edges {
  const standing = plan.standings.filter(({ thing }) => !moving.has(thing.id));
  const decks = plan.decks.map(({ rect }) => rect);
  const beside = (a: number, b: number) => [a, b, a - gapM, b + gapM];
  return {
    x: [
      ...decks.flatMap(({ x0, x1 }) => [x0, x1]),
      ...standing.flatMap(({ rect }) => beside(rect.x0, rect.x1)),
    ],
    y: [
      ...decks.flatMap(({ y0, y1 }) => [y0, y1]),
      ...plan.decks.flatMap(slatEdges),
      ...standing.flatMap(({ rect }) => beside(rect.y0, rect.y1)),
    ],
  };
}

/** The least change to a way that brings one of two edges onto one that is there; on the grid where none is near. */
function alongOne(
  edges: readonly number[],
  [low, high]: readonly [number, number],
  by: number,
  within: number,
): number {
  let best: number | null = null;
  for (const edge of edges)
    for (const own of [low, high]) {
      const change = edge - (own + by);
      if (Math.abs(change) <= within && (best === null || Math.abs(change) < Math.abs(best)))
        best = change;
    }
  if (best !== null) return by + best;
  return Math.round((low + by) / MILLIMETRE) * MILLIMETRE - low;
}

/** How far a case really goes that a hand drags so far. @param within how near an edge draws it, m; 0 is none */
export function snapped(rect: Rect, by: Point, edges: Edges, within: number): Point {
  return {
    x: alongOne(edges.x, [rect.x0, rect.x1], by.x, within),
    y: alongOne(edges.y, [rect.y0, rect.y1], by.y, within),
  };
}
