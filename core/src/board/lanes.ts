import { mountOfSize, type Mount } from '../gear';
import type { Lane, Laying } from '../rig';
import type { Connection } from './connections';
import { toMm } from './ground';
import { boundsOf, type Point, type Rect } from './rect';
import type { Deck, Standing } from './standing';
import type { PlugAt } from './plugs';
import type { Laid } from './things';
import type { Wire } from './wires';

/// Lanes: straight lines of tie-downs, what lies along them, which mount holds it, and what has to be cut to get at it.

/** Usual outer diameters of cables, m. */
export const DIAMETERS_M: Readonly<Record<Connection['carries'], number>> = {
  audio: 0.005,
  dc: 0.004,
  mains: 0.008,
  midi: 0.005,
  control: 0.005,
  expression: 0.005,
  usb: 0.004,
};

/** Of cables tied as one, m: one is as thick as it is; several at least the two thickest side by side. */
export function bundleDiameter(diametersM: readonly number[]): number {
  const [first = 0, second = 0] = diametersM.toSorted((a, b) => b - a);
  const round = 1.25 * Math.sqrt(diametersM.reduce((sum, d) => sum + d * d, 0));
  return diametersM.length <= 1 ? first : Math.max(first + second, round);
}

/** Where a lane is on the stage, m. */
export interface LaneAt {
  readonly lane: Lane;
  readonly y: number;
  readonly x0: number;
  readonly x1: number;
}

export const lanesAt = (
  { layout }: Pick<Laid, 'layout'>,
  decks: readonly Deck[],
): readonly LaneAt[] =>
  layout.lanes.flatMap((lane) => {
    const deck = decks.find(({ board }) => board.id === lane.board);
    if (!deck) return [];
    const { x0, y0 } = deck.rect;
    return [{ lane, y: y0 + lane.yM, x0: x0 + lane.fromM, x1: x0 + lane.toM }];
  });

/** How much of a cable lies along a lane, m. */
export function alongLane(wire: Wire, lane: LaneAt): number {
  return stretchesIn(wire, lane).reduce((sum, [a, b]) => sum + b - a, 0);
}

/** The stretches of a lane along which a cable lies, from and to on the stage, m. */
function stretchesIn(
  { route }: Wire,
  { lane, y, x0, x1 }: LaneAt,
): readonly (readonly [number, number])[] {
  return (route?.points ?? []).flatMap((point, i, all) => {
    const before = all[i - 1];
    if (!before || point.layer !== lane.layer || before.layer !== lane.layer) return [];
    if (point.y !== toMm(y) || before.y !== point.y) return [];
    const a = Math.max(Math.min(point.x, before.x), toMm(x0)) / 1000;
    const b = Math.min(Math.max(point.x, before.x), toMm(x1)) / 1000;
    return b > a ? [[a, b] as const] : [];
  });
}

/** Whether a cable lies in a lane at this place, m on the stage. */
export const isInLaneAt = (wire: Wire, lane: LaneAt, x: number): boolean =>
  stretchesIn(wire, lane).some(([a, b]) => x >= a - 1e-6 && x <= b + 1e-6);

const pitchOf = ({ pitchM, changesOften }: Laying): number => pitchM.value * (changesOften ? 2 : 1);

/** Ties over a length of lane, its beginning included. */
const tiesOver = (lengthM: number, laying: Laying): number =>
  lengthM <= 0 ? 0 : Math.floor(lengthM / pitchOf(laying) + 1e-6) + 1;

/** Where a lane is tied, m on the stage, from the left; nowhere where nothing lies in it. */
export const tiedAt = ({ x0, ties }: LaneUse, laying: Laying): readonly number[] =>
  Array.from({ length: ties }, (_, i) => x0 + i * pitchOf(laying));

export type MountChoice =
  /** Not even the smallest one has room: cables are tied to each other. */
  | { readonly kind: 'none' }
  | { readonly kind: 'one'; readonly mount: Omit<Mount, 'id'> }
  /** Two rows of small ones, audio and the rest apart. */
  | { readonly kind: 'two'; readonly mount: Omit<Mount, 'id'> }
  /** There is room for mounts, but none holds as much. */
  | { readonly kind: 'tooThick' };

const withoutId = ({ id: _, ...mount }: Mount): Omit<Mount, 'id'> => mount;

export const USUAL_MOUNTS: readonly Omit<Mount, 'id'>[] = (['small', 'middle', 'large'] as const)
  .map((size) => mountOfSize(size))
  .map(withoutId);

/**
 * The smallest mount that has room and holds the bundle.
 *
 * @param bundlesM of everything together, and of audio and the rest apart
 */
export function chooseMount(
  freeM: number,
  bundlesM: { readonly all: number; readonly apart: readonly number[] },
  mounts: readonly Omit<Mount, 'id'>[] = USUAL_MOUNTS,
): MountChoice {
  const room = mounts
    .filter(({ footM }) => footM.value <= freeM + 1e-9)
    .toSorted((a, b) => a.footM.value - b.footM.value);
  const [smallest] = room;
  if (!smallest) return { kind: 'none' };
  const holds = (most: number) => room.find(({ holdsM }) => holdsM.value >= most - 1e-9);
  const one = holds(bundlesM.all);
  if (one) return { kind: 'one', mount: one };
  const two = holds(Math.max(...bundlesM.apart));
  return two && 2 * two.footM.value <= freeM + 1e-9
    ? { kind: 'two', mount: two }
    : { kind: 'tooThick' };
}

export interface LaneUse extends LaneAt {
  readonly cables: readonly Connection[];
  readonly bundleM: number;
  /** Across, between what stands before and behind it, m. */
  readonly freeM: number;
  readonly choice: MountChoice;
  readonly ties: number;
  /** Its own mount has no room, or does not hold what lies there. */
  readonly isTooThick: boolean;
}

/** Room before and behind a line, from edge to edge. */
function freeAcross({ y, x0, x1 }: LaneAt, rects: readonly Rect[], deck: Rect): number {
  const met = rects.filter((rect) => rect.x1 > x0 && rect.x0 < x1);
  const behind = Math.min(deck.y1, ...met.filter((r) => r.y0 >= y - 1e-9).map((r) => r.y0));
  const before = Math.max(deck.y0, ...met.filter((r) => r.y1 <= y + 1e-9).map((r) => r.y1));
  const isCovered = met.some((rect) => rect.y0 < y - 1e-9 && rect.y1 > y + 1e-9);
  return isCovered ? 0 : behind - before;
}

export function laneUses(
  rig: Pick<Laid, 'layout'>,
  decks: readonly Deck[],
  standings: readonly Standing[],
  plugs: readonly PlugAt[],
  wires: readonly Wire[],
  mounts?: readonly Omit<Mount, 'id'>[],
): readonly LaneUse[] {
  const { laying } = rig.layout;
  return lanesAt(rig, decks).map((at) => {
    const lying = wires.filter((wire) => alongLane(wire, at) > 0.005);
    const cables = lying.map(({ connection }) => connection);
    const diameters = (some: readonly Connection[]) =>
      some.map(({ carries }) => DIAMETERS_M[carries]);
    const isAudio = ({ carries }: Connection) => carries === 'audio';
    const all = bundleDiameter(diameters(cables));
    const apart = [
      bundleDiameter(diameters(cables.filter(isAudio))),
      bundleDiameter(diameters(cables.filter((one) => !isAudio(one)))),
    ];
    const rects = [...standings, ...plugs]
      .filter(({ layer }) => layer === at.lane.layer)
      .map(({ rect }) => rect);
    const deck = decks.find(({ board }) => board.id === at.lane.board)!.rect;
    const freeM = freeAcross(at, rects, deck);
    const { mount } = at.lane;
    return {
      ...at,
      cables,
      bundleM: all,
      freeM,
      choice: chooseMount(freeM, { all, apart }, mounts),
      ties: cables.length === 0 ? 0 : tiesOver(at.x1 - at.x0, laying),
      isTooThick:
        mount !== null && (mount.holdsM.value < all - 1e-9 || mount.footM.value > freeM + 1e-9),
    };
  });
}

/** How many ties have to be cut to take a cable out. */
export const tiesToCut = (wire: Wire, lanes: readonly LaneAt[], laying: Laying): number =>
  lanes.reduce((sum, lane) => sum + tiesOver(alongLane(wire, lane), laying), 0);

/** How far behind a row its lane lies, m. */
const BEHIND_M = 0.006;

/** Rows of what stands on a deck: things that stand beside each other, whatever their depth. */
function rowsOn(standings: readonly Standing[]): readonly (readonly Standing[])[] {
  const rows: Standing[][] = [];
  for (const one of standings.toSorted((a, b) => a.rect.y0 - b.rect.y0)) {
    const row = rows.find((all) => all.some(({ rect }) => one.rect.y0 < (rect.y0 + rect.y1) / 2));
    if (row) row.push(one);
    else rows.push([one]);
  }
  return rows;
}

/** What takes more of a board than this share of its depth stands in no row, but beside all of them. */
const DEEP = 0.55;

/** The longest stretch of a line that nothing stands on, m from the left of the deck; it ends where something deep stands. */
function longestFree(y: number, deck: Deck, rects: readonly Rect[]): readonly [number, number] {
  const { x0, x1 } = deck.rect;
  const cuts = rects.filter((rect) => rect.y0 < y && rect.y1 > y).toSorted((a, b) => a.x0 - b.x0);
  let [best, from] = [[x0, x0] as readonly [number, number], x0];
  for (const cut of [...cuts, { x0: x1, x1 }]) {
    if (cut.x0 - from > best[1] - best[0]) best = [from, cut.x0];
    from = Math.max(from, cut.x1);
  }
  return [inMillimetres(best[0] - x0), inMillimetres(best[1] - x0)];
}

const inMillimetres = (m: number): number => Math.round(m * 1000) / 1000;

/** A lane behind each row of a deck, at the depth of its deepest case with plugs: without ids. */
export function lanesBehindRows(
  deck: Deck,
  standings: readonly Standing[],
  plugs: readonly PlugAt[],
): readonly Omit<Lane, 'id'>[] {
  const here = standings.filter(
    (one) => one.deck.board.id === deck.board.id && one.layer === 'top',
  );
  const isDeep = ({ rect }: Standing) => rect.y1 - rect.y0 > DEEP * deck.board.depthM.value;
  const all = [...here, ...plugs.filter(({ layer }) => layer === 'top')].map(({ rect }) => rect);
  return rowsOn(here.filter((one) => !isDeep(one))).flatMap((row, i) => {
    const names = new Set(row.map(({ thing }) => thing.id));
    const rects = [...row, ...plugs.filter(({ thing }) => names.has(thing))].map(
      ({ rect }) => rect,
    );
    const y = boundsOf(rects).y1 + BEHIND_M;
    const yM = inMillimetres(y - deck.rect.y0);
    if (yM >= deck.board.depthM.value) return [];
    const [fromM, toM] = longestFree(y, deck, all);
    const name = `lane ${i + 1}`;
    return [{ name, board: deck.board.id, layer: 'top', yM, fromM, toM, mount: null } as const];
  });
}

/** What lies along with audio, and what crosses it: some hold it against a board, at these currents it hardly matters. */
export interface Mixing {
  readonly crossings: number;
  readonly notSquare: number;
  readonly parallelM: number;
}

interface Piece {
  readonly a: Point;
  readonly b: Point;
  readonly layer: string;
}

const piecesOf = ({ route }: Wire): readonly Piece[] =>
  route?.points.flatMap((point, i, all) => {
    const before = all[i - 1];
    return before && before.layer === point.layer
      ? [{ a: before, b: point, layer: point.layer }]
      : [];
  }) ?? [];

const cross = (o: Point, a: Point, b: Point): number =>
  (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);

const doCross = ({ a, b }: Piece, { a: c, b: d }: Piece): boolean =>
  cross(a, b, c) * cross(a, b, d) < 0 && cross(c, d, a) * cross(c, d, b) < 0;

const isSquare = ({ a, b }: Piece, { a: c, b: d }: Piece): boolean =>
  Math.abs((b.x - a.x) * (d.x - c.x) + (b.y - a.y) * (d.y - c.y)) < 1e-6;

function sharedLength(p: Piece, q: Piece): number {
  if (Math.abs(cross(p.a, p.b, q.a)) > 1e-6 || Math.abs(cross(p.a, p.b, q.b)) > 1e-6) return 0;
  const isFlat = Math.abs(p.b.x - p.a.x) >= Math.abs(p.b.y - p.a.y);
  const on = ({ x, y }: Point) => (isFlat ? x : y);
  const ends = [p, q].map(({ a, b }) => [on(a), on(b)].sort((m, n) => m - n) as [number, number]);
  return (
    Math.max(0, Math.min(ends[0]![1], ends[1]![1]) - Math.max(ends[0]![0], ends[1]![0])) / 1000
  );
}

export function mixingOf(wires: readonly Wire[]): Mixing {
  const audio = wires.filter(({ connection }) => connection.carries === 'audio').flatMap(piecesOf);
  const fed = wires
    .filter(({ connection: { carries } }) => carries === 'dc' || carries === 'mains')
    .flatMap(piecesOf);
  let [crossings, notSquare, parallelM] = [0, 0, 0];
  for (const p of audio)
    for (const q of fed) {
      if (p.layer !== q.layer) continue;
      if (doCross(p, q)) {
        crossings++;
        if (!isSquare(p, q)) notSquare++;
      } else parallelM += sharedLength(p, q);
    }
  return { crossings, notSquare, parallelM };
}
