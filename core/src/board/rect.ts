/** A rectangle in the plane of the boards, x to the right and y to the back; x0 < x1, y0 < y1. */
export interface Rect {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

export const grown = ({ x0, y0, x1, y1 }: Rect, by: number): Rect => ({
  x0: x0 - by,
  y0: y0 - by,
  x1: x1 + by,
  y1: y1 + by,
});

export const moved = ({ x0, y0, x1, y1 }: Rect, dx: number, dy: number): Rect => ({
  x0: x0 + dx,
  y0: y0 + dy,
  x1: x1 + dx,
  y1: y1 + dy,
});

/** Less than this is the noise of sums, m. */
const NOISE = 1e-7;

/** How far two rectangles reach into each other on both axes; 0 where they do not, or only touch. */
export function overlapOf(a: Rect, b: Rect): number {
  const x = Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0);
  const y = Math.min(a.y1, b.y1) - Math.max(a.y0, b.y0);
  return x > NOISE && y > NOISE ? Math.min(x, y) : 0;
}

export const contains = (rect: Rect, { x, y }: Point): boolean =>
  x >= rect.x0 - NOISE && x <= rect.x1 + NOISE && y >= rect.y0 - NOISE && y <= rect.y1 + NOISE;

/** Whether the first lies wholly within the second. */
export const isWithin = (inner: Rect, outer: Rect): boolean =>
  inner.x0 >= outer.x0 - NOISE &&
  inner.x1 <= outer.x1 + NOISE &&
  inner.y0 >= outer.y0 - NOISE &&
  inner.y1 <= outer.y1 + NOISE;

export const boundsOf = (rects: readonly Rect[]): Rect => ({
  x0: Math.min(...rects.map(({ x0 }) => x0)),
  y0: Math.min(...rects.map(({ y0 }) => y0)),
  x1: Math.max(...rects.map(({ x1 }) => x1)),
  y1: Math.max(...rects.map(({ y1 }) => y1)),
});
