import type { Point } from './rect';

/// A photograph under a board: where its points are on the stage, and how it is straightened.

/** A place in the picture, as shares of its width and height from its top left, and where that is on the stage, m. */
export interface PhotoPoint {
  readonly u: number;
  readonly v: number;
  readonly x: number;
  readonly y: number;
}

/** How a picture lies: four of its points, no three of them in line. */
export type PhotoPoints = readonly [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint];

/** How a photograph lies under a board. */
export interface PhotoLie {
  readonly points: PhotoPoints;
  /** 1 is as it was taken. */
  readonly brightness: number;
}

export interface BoardPhoto extends PhotoLie {
  /** Of the picture, pixels. */
  readonly width: number;
  readonly height: number;
  /** Another one for another picture. */
  readonly version: string;
}

export const BRIGHTNESS = { min: 0.2, max: 3 } as const;

/** Eight numbers that take (u, v) to ((a u + b v + c) / w, (d u + e v + f) / w) with w = g u + h v + 1. */
export type Homography = readonly [
  a: number,
  b: number,
  c: number,
  d: number,
  e: number,
  f: number,
  g: number,
  h: number,
];

/**
 * The one projective map that takes four points to four others (Hartley & Zisserman, Multiple View Geometry, §4.1, with
 * the ninth entry 1). Null where three of them are in line.
 */
export function homographyOf(points: PhotoPoints): Homography | null {
  const rows = points.flatMap(({ u, v, x, y }) => [
    [u, v, 1, 0, 0, 0, -u * x, -v * x, x],
    [0, 0, 0, u, v, 1, -u * y, -v * y, y],
  ]);
  const map = eliminate(rows);
  return map && Math.abs(determinant(map)) > 1e-9 ? map : null;
}

/** Of the map as a matrix of nine: 0 where it takes the plane to a line. */
const determinant = ([a, b, c, d, e, f, g, h]: Homography): number =>
  a * (e - f * h) - b * (d - f * g) + c * (d * h - e * g);

/** Gauss with the largest pivot. @param rows eight of nine, the last is the right side */
function eliminate(rows: number[][]): Homography | null {
  const n = rows.length;
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let r = i + 1; r < n; r++)
      if (Math.abs(rows[r]![i]!) > Math.abs(rows[pivot]![i]!)) pivot = r;
    if (Math.abs(rows[pivot]![i]!) < 1e-9) return null;
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let r = 0; r < n; r++) {
      if (r === i) continue;
      const by = rows[r]![i]! / rows[i]![i]!;
      for (let c = i; c <= n; c++) rows[r]![c]! -= by * rows[i]![c]!;
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!) as unknown as Homography;
}

/** Where a place of the picture is. */
export function mapped([a, b, c, d, e, f, g, h]: Homography, u: number, v: number): Point {
  const w = g * u + h * v + 1;
  return { x: (a * u + b * v + c) / w, y: (d * u + e * v + f) / w };
}

/** A place on the stage in the picture. Null on the line that nothing is taken to. */
export function unmapped(
  [a, b, c, d, e, f, g, h]: Homography,
  { x, y }: Point,
): { readonly u: number; readonly v: number } | null {
  // (a - g x) u + (b - h x) v = x - c, and the same for y.
  const [p, q, r, s] = [a - g * x, b - h * x, d - g * y, e - h * y];
  const det = p * s - q * r;
  if (Math.abs(det) < 1e-12) return null;
  const [m, n] = [x - c, y - f];
  return { u: (m * s - q * n) / det, v: (p * n - m * r) / det };
}

/** A picture that lies over a rectangle as it is: its front edge below. */
export function flatLie(
  { x0, y0, x1 }: { readonly x0: number; readonly y0: number; readonly x1: number },
  size: { readonly width: number; readonly height: number },
): PhotoPoints {
  const y1 = y0 + ((x1 - x0) * size.height) / size.width;
  return [
    { u: 0, v: 1, x: x0, y: y0 },
    { u: 1, v: 1, x: x1, y: y0 },
    { u: 1, v: 0, x: x1, y: y1 },
    { u: 0, v: 0, x: x0, y: y1 },
  ];
}

/**
 * A picture scaled by two of its points: the first lies at a place, the second so far to the right of it. It is turned
 * so that both lie level.
 *
 * @returns null where both are the same point
 */
export function lieByTwo(
  [one, other]: readonly [{ u: number; v: number }, { u: number; v: number }],
  distanceM: number,
  at: Point,
  { width, height }: { readonly width: number; readonly height: number },
): PhotoPoints | null {
  const [dx, dy] = [(other.u - one.u) * width, -(other.v - one.v) * height];
  const length2 = dx * dx + dy * dy;
  if (length2 < 1) return null;
  const scale = distanceM / length2;
  const place = (u: number, v: number): PhotoPoint => {
    const [px, py] = [(u - one.u) * width, -(v - one.v) * height];
    return {
      u,
      v,
      x: at.x + scale * (px * dx + py * dy),
      y: at.y + scale * (py * dx - px * dy),
    };
  };
  return [place(0, 1), place(1, 1), place(1, 0), place(0, 0)];
}
