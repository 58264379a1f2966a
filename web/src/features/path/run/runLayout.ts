import { formatSignedDb, type RunPoint, type RunSpot, type StopSummary } from '@gullwind/core';

/** A stretch of the way drawn to one scale. */
export interface Stretch {
  readonly kind: 'in' | 'board' | 'out';
  readonly x0: number;
  readonly x1: number;
  readonly lengthM: number;
  readonly pxPerM: number;
}

/** Where everything of one way stands, in px. */
export interface WayLayout {
  readonly stretches: readonly Stretch[];
  /** Both edges of every stop; a post has them in one place. */
  readonly spans: readonly (readonly [x0: number, x1: number])[];
  /** First and last stop that is a device; −1 where there is none. */
  readonly firstDevice: number;
  readonly lastDevice: number;
}

const BREAK_PX = 58;
const LEAST_END_PX = 90;
const LEAST_BOARD_PX = 40;
/** What a cable that is still missing is drawn as, m. */
const MISSING_M = 0.3;

type LaidStop = Pick<StopSummary, 'spot' | 'role' | 'cableM'>;

const drawnM = ({ role, cableM }: LaidStop): number => (role === 'gap' ? MISSING_M : cableM);

/**
 * Lays a way out to scale between two edges: cable in, board and cable out each with a scale of its own and
 * a break between them. The board takes more of the width the more devices stand on it; the two ends
 * share the rest by the square root of their lengths, so that a cable drawn longer also takes more room.
 */
export function layoutWay(stops: readonly LaidStop[], x0: number, x1: number): WayLayout {
  const isDevice = ({ spot }: LaidStop) => spot.kind === 'device';
  const firstDevice = stops.findIndex(isDevice);
  const lastDevice = stops.findLastIndex(isDevice);
  if (firstDevice < 0) {
    const only = stretchOf('in', x0, x1, stops);
    return { stretches: [only], spans: placeStops(only, stops), firstDevice, lastDevice };
  }
  const inStops = stops.slice(0, firstDevice);
  const boardStops = stops.slice(firstDevice, lastDevice + 1);
  const outStops = stops.slice(lastDevice + 1);
  const posts = new Set(boardStops.filter(isDevice).map(({ spot }) => spot.id)).size;
  const usable = x1 - x0 - 2 * BREAK_PX;
  const [inPx, boardPx] = shareWidth(usable, posts, totalM(inStops), totalM(outStops));
  const board0 = x0 + inPx + BREAK_PX;
  const stretches = [
    stretchOf('in', x0, x0 + inPx, inStops),
    stretchOf('board', board0, board0 + boardPx, boardStops),
    stretchOf('out', board0 + boardPx + BREAK_PX, x1, outStops),
  ] as const;
  const spans = [inStops, boardStops, outStops].flatMap((part, i) =>
    placeStops(stretches[i]!, part),
  );
  return { stretches, spans, firstDevice, lastDevice };
}

const totalM = (stops: readonly LaidStop[]) => stops.reduce((sum, stop) => sum + drawnM(stop), 0);

function shareWidth(usable: number, posts: number, inM: number, outM: number) {
  const boardShare = posts === 1 ? 0 : Math.min(0.72, 0.26 + 0.025 * posts);
  const boardPx = Math.max(LEAST_BOARD_PX, usable * boardShare);
  const rest = usable - boardPx;
  const share = Math.sqrt(inM + 0.5) / (Math.sqrt(inM + 0.5) + Math.sqrt(outM + 0.5));
  const least = Math.min(LEAST_END_PX, rest / 2);
  const inPx = Math.min(rest - least, Math.max(least, rest * share));
  return [inPx, boardPx] as const;
}

function stretchOf(
  kind: Stretch['kind'],
  x0: number,
  x1: number,
  stops: readonly LaidStop[],
): Stretch {
  const drawn = totalM(stops);
  const lengthM = stops.reduce((sum, stop) => sum + stop.cableM, 0);
  return { kind, x0, x1, lengthM, pxPerM: drawn > 0 ? (x1 - x0) / drawn : 0 };
}

/** Stops at their metres along a stretch; where nothing has a length, evenly. */
function placeStops(
  { kind, x0, x1, pxPerM }: Stretch,
  stops: readonly LaidStop[],
): readonly (readonly [number, number])[] {
  if (pxPerM === 0) return placeEvenly(kind, x0, x1, stops);
  let at = x0;
  return stops.map((stop) => {
    const from = at;
    at += drawnM(stop) * pxPerM;
    return [from, at] as const;
  });
}

function placeEvenly(
  kind: Stretch['kind'],
  x0: number,
  x1: number,
  stops: readonly LaidStop[],
): readonly (readonly [number, number])[] {
  const cables = stops.filter(({ spot }) => spot.kind === 'cable').length;
  if (cables === 0) {
    const x = kind === 'in' ? x0 : kind === 'out' ? x1 : (x0 + x1) / 2;
    return stops.map(() => [x, x] as const);
  }
  const each = (x1 - x0) / cables;
  let at = x0;
  return stops.map(({ spot }) => {
    const from = at;
    if (spot.kind === 'cable') at += each;
    return [from, at] as const;
  });
}

export function spotX({ spans }: WayLayout, { stop, at }: RunSpot): number {
  const [x0, x1] = spans[stop]!;
  if (at === 'in') return x0;
  return at === 'out' ? x1 : x0 + (x1 - x0) * at;
}

/** A place on the thread: where, and the treble left there. */
export interface ThreadPoint {
  readonly x: number;
  readonly trebleDb: number;
}

/** The thread's points from left to right; at a scale break it runs on unchanged to the next stretch. */
export function layThread(layout: WayLayout, points: readonly RunPoint[]): readonly ThreadPoint[] {
  const { stretches, firstDevice, lastDevice } = layout;
  return points.flatMap(({ spot, treble: { trebleDb } }): ThreadPoint[] => {
    const here = { x: spotX(layout, spot), trebleDb };
    if (spot.stop === firstDevice && spot.at === 'in')
      return [{ x: stretches[0]!.x1, trebleDb }, here];
    if (spot.stop === lastDevice && spot.at === 'out')
      return [here, { x: stretches[2]!.x0, trebleDb }];
    return [here];
  });
}

export const FULL_WIDTH_PX = 30;
const LEAST_WIDTH_PX = 2;
const MOST_WIDTH_PX = 52;

/** Width of the thread: the treble left as an amplitude ratio, 10^(T/20); never under 2 px. */
export const threadWidth = (trebleDb: number): number =>
  Math.min(MOST_WIDTH_PX, Math.max(LEAST_WIDTH_PX, FULL_WIDTH_PX * 10 ** (trebleDb / 20)));

/**
 * Rows for labels that must not touch: each goes to the lowest row where it is free, the last row
 * taking what is left over.
 *
 * @param spans left and right edge of each label, sorted by left edge
 */
export function assignRows(
  spans: readonly (readonly [number, number])[],
  rows: number,
  gapPx: number,
): readonly number[] {
  const destinationOf = new Array<number>(rows).fill(-Infinity);
  return spans.map(([from, to]) => {
    const free = destinationOf.findIndex((destination) => from >= destination + gapPx);
    const row = free >= 0 ? free : destinationOf.indexOf(Math.min(...destinationOf));
    destinationOf[row] = to;
    return row;
  });
}

/**
 * Which soundings are shown: they keep a minimum distance, and where they crowd, the one with the
 * larger step from the sounding before it wins. One that reads as the one before it says nothing new and is left
 * out. Both ends are always shown.
 */
export function chooseSoundings(
  points: readonly ThreadPoint[],
  leastPx: number,
): readonly ThreadPoint[] {
  const step = (i: number) =>
    i === 0 || i === points.length - 1
      ? Infinity
      : Math.abs(points[i]!.trebleDb - points[i - 1]!.trebleDb);
  const bySize = points.map((_, i) => i).sort((a, b) => step(b) - step(a) || a - b);
  const chosen: number[] = [];
  for (const i of bySize) {
    if (chosen.every((j) => Math.abs(points[i]!.x - points[j]!.x) >= leastPx)) chosen.push(i);
  }
  const shown = chosen.sort((a, b) => a - b).map((i) => points[i]!);
  const reads = ({ trebleDb }: ThreadPoint) => formatSignedDb(trebleDb);
  return shown.filter(
    (point, i) => i === 0 || i === shown.length - 1 || reads(point) !== reads(shown[i - 1]!),
  );
}
