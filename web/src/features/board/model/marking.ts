import {
  bodyOf,
  entered,
  findDevice,
  homographyOf,
  lieByTwo,
  onDeck,
  resized,
  unmapped,
  type BoardPhoto,
  type BoardPlan,
  type Device,
  type Edit,
  type PhotoLie,
  type PhotoPoints,
  type Point,
  type Rig,
} from '@gullwind/core';

/// What points marked on a photograph make of it: its scale, its straightening, a case traced.

/** Corners of a board in the order in which they are marked. */
export const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const;

/** The corners of the first board were marked: the picture is straightened so that they lie on its corners. */
export function straightened(
  photo: BoardPhoto,
  { decks }: BoardPlan,
  marked: readonly Point[],
): PhotoLie | null {
  const map = homographyOf(photo.points);
  const { x0, y0, x1, y1 } = decks[0]!.rect;
  const corners = [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
  const points = marked.flatMap((at, i) => {
    const share = map && unmapped(map, at);
    return share ? [{ ...share, ...corners[i]! }] : [];
  });
  const four = points as unknown as PhotoPoints;
  return points.length === 4 && homographyOf(four)
    ? { points: four, brightness: photo.brightness }
    : null;
}

/** Two points on the front edge were marked, the first at its left corner: the picture is scaled by them. */
export function scaled(
  photo: BoardPhoto,
  { decks }: BoardPlan,
  [one, other]: readonly [Point, Point],
  distanceM: number,
): PhotoLie | null {
  const map = homographyOf(photo.points);
  const [a, b] = [one, other].map((at) => map && unmapped(map, at));
  const { x0, y0 } = decks[0]!.rect;
  const points = a && b ? lieByTwo([a, b], distanceM, { x: x0, y: y0 }, photo) : null;
  return points && homographyOf(points) ? { points, brightness: photo.brightness } : null;
}

const tidy = (m: number): number => Math.round(m * 1000) / 1000;

/**
 * A case where two opposite corners of it were marked. One whose size nobody has measured becomes as large as what was
 * marked; any other stays as large as it is and lies over the middle, turned as it fits better.
 */
export function traced(
  rig: Rig,
  { decks, things }: BoardPlan,
  id: string,
  [a, b]: readonly [Point, Point],
): Edit | null {
  const thing = things.find((one) => one.id === id);
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const deck =
    decks.find(
      ({ rect: r }) => middle.x >= r.x0 && middle.x <= r.x1 && middle.y >= r.y0 && middle.y <= r.y1,
    ) ?? decks[0];
  if (!thing || !deck) return null;
  const [width, depth] = [tidy(Math.abs(a.x - b.x)), tidy(Math.abs(a.y - b.y))];
  const takesSize = thing.isAssumed && findDevice(rig, id) !== undefined && isCase(width, depth);
  const own = [thing.body.widthM.value, thing.body.depthM.value] as const;
  const isTurned =
    !takesSize && misfit(own[1], own[0], width, depth) < misfit(...own, width, depth);
  const [w, d] = takesSize ? [width, depth] : isTurned ? [own[1], own[0]] : own;
  const to = onDeck(
    deck.board.id,
    middle.x - w / 2 - deck.rect.x0,
    middle.y - d / 2 - deck.rect.y0,
    { turn: isTurned ? 90 : 0 },
  );
  const size = takesSize ? [sizedAs(findDevice(rig, id)!, width, depth)] : [];
  return { kind: 'group', edits: [...size, { kind: 'place', id, to }] };
}

const LEAST_CASE_M = 0.02;
const isCase = (width: number, depth: number): boolean =>
  Math.min(width, depth) >= LEAST_CASE_M && Math.max(width, depth) <= 1;

const misfit = (w: number, d: number, width: number, depth: number): number =>
  Math.abs(w - width) + Math.abs(d - depth);

/** A device as large as it was marked; its jacks and switches move with its size. */
const sizedAs = (device: Device, widthM: number, depthM: number): Edit => ({
  kind: 'replace',
  part: {
    of: 'device',
    to: {
      ...device,
      body: resized(bodyOf(device), { widthM: entered(widthM), depthM: entered(depthM) }),
    },
  },
});
