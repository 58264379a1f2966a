import fc from 'fast-check';
import {
  flatLie,
  homographyOf,
  lieByTwo,
  mapped,
  unmapped,
  type PhotoPoints,
} from '../../src/board';

/// How a photograph is straightened and scaled, against what is known of it.

const near = (value: number) => fc.double({ min: value - 0.2, max: value + 0.2, noNaN: true });

/** Four corners somewhere near those of a square. */
const corners = fc
  .tuple(near(0), near(1), near(1), near(1), near(1), near(0), near(0), near(0))
  .map(([u0, v0, u1, v1, u2, v2, u3, v3]): PhotoPoints => [
    { u: u0, v: v0, x: 0, y: 0 },
    { u: u1, v: v1, x: 0.72, y: 0 },
    { u: u2, v: v2, x: 0.72, y: 0.34 },
    { u: u3, v: v3, x: 0, y: 0.34 },
  ]);

test('four points come to lie where they belong; lines stay lines; there and back is the same', () => {
  fc.assert(
    fc.property(corners, fc.double({ min: 0, max: 1, noNaN: true }), (points, share) => {
      const map = homographyOf(points)!;
      for (const { u, v, x, y } of points) {
        const at = mapped(map, u, v);
        expect(at.x).toBeCloseTo(x, 8);
        expect(at.y).toBeCloseTo(y, 8);
        const back = unmapped(map, { x, y })!;
        expect(back.u).toBeCloseTo(u, 6);
        expect(back.v).toBeCloseTo(v, 6);
      }
      const [a, b] = points;
      const on = mapped(map, a.u + share * (b.u - a.u), a.v + share * (b.v - a.v));
      expect(on.y).toBeCloseTo(0, 8);
    }),
    { seed: 181, numRuns: 200 },
  );
});

test('three points in a line straighten nothing', () => {
  const [a, b, c, d] = flatLie({ x0: 0, y0: 0, x1: 1 }, { width: 4, height: 3 });
  expect(homographyOf([a, b, { ...c, v: 1, u: 0.5 }, d])).toBeNull();
  expect(homographyOf([a, b, c, d])).not.toBeNull();
  // On a slanted line, too: what was marked at the corners lies in one line of the picture.
  const slanted = [
    { ...a, u: 0.1, v: 0.2 },
    { ...b, u: 0.4, v: 0.35 },
    { ...c, u: 0.9, v: 0.6 },
    { ...d, u: 0.2, v: 0.7 },
  ] as const;
  expect(homographyOf(slanted)).toBeNull();
});

test('two points of known distance scale and level a picture, wherever they are', () => {
  fc.assert(
    fc.property(
      fc.record({
        u: fc.double({ min: 0, max: 1, noNaN: true }),
        v: fc.double({ min: 0, max: 1, noNaN: true }),
        du: fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        dv: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        distance: fc.double({ min: 0.05, max: 1, noNaN: true }),
      }),
      ({ u, v, du, dv, distance }) => {
        const size = { width: 1600, height: 1000 };
        const at = { x: 0.1, y: 0.2 };
        const points = lieByTwo(
          [
            { u, v },
            { u: u + du, v: v + dv },
          ],
          distance,
          at,
          size,
        )!;
        const map = homographyOf(points)!;
        expect(mapped(map, u, v).x).toBeCloseTo(at.x, 8);
        expect(mapped(map, u, v).y).toBeCloseTo(at.y, 8);
        const other = mapped(map, u + du, v + dv);
        expect(other.x).toBeCloseTo(at.x + distance, 8);
        expect(other.y).toBeCloseTo(at.y, 8);
        // Nothing is stretched: a square of pixels stays one.
        const [o, p, q] = [
          mapped(map, 0, 0),
          mapped(map, 100 / 1600, 0),
          mapped(map, 0, 100 / 1000),
        ];
        expect(Math.hypot(p.x - o.x, p.y - o.y)).toBeCloseTo(Math.hypot(q.x - o.x, q.y - o.y), 8);
      },
    ),
    { seed: 182, numRuns: 200 },
  );
  const same = { u: 0.5, v: 0.5 };
  expect(lieByTwo([same, same], 1, { x: 0, y: 0 }, { width: 10, height: 10 })).toBeNull();
});
