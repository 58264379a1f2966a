import type { Rig, RunPlace, RunPoint } from '@gullwind/core';

/** A stretch of the way drawn to one scale. */
export interface Stretch {
  readonly kind: 'in' | 'board' | 'out';
  readonly x0: number;
  readonly x1: number;
  readonly lengthM: number;
  readonly pxPerM: number;
}

/** Where everything of a run stands, in px. */
export interface RunLayout {
  readonly widthPx: number;
  readonly stretches: readonly Stretch[];
  readonly guitarX: number;
  readonly ampX: number;
  readonly deviceX: readonly number[];
  /** Both ends of each lead. */
  readonly leadX: readonly (readonly [x0: number, x1: number])[];
}

const MARGIN_PX = 52;
const BREAK_PX = 58;
const LEAST_END_PX = 110;
const LEAST_BOARD_PX = 40;

/**
 * Lays a row out to scale: lead in, board and lead out each with a scale of its own and a break between
 * them. The board takes more of the width the more devices stand on it; the two ends share the rest by
 * the square root of their lengths, so that a lead drawn longer also takes more room.
 */
export function layoutRun(rig: Rig, widthPx: number): RunLayout {
  const count = rig.devices.length;
  const lengths = rig.leads.map(({ lengthM }) => lengthM.value);
  if (count === 0) {
    const only = stretch('in', MARGIN_PX, widthPx - MARGIN_PX, lengths[0]!);
    return {
      widthPx,
      stretches: [only],
      guitarX: only.x0,
      ampX: only.x1,
      deviceX: [],
      leadX: [[only.x0, only.x1]],
    };
  }
  const usable = widthPx - 2 * MARGIN_PX - 2 * BREAK_PX;
  const patches = lengths.slice(1, count);
  const [inPx, boardPx, outPx] = shareWidth(usable, count, lengths[0]!, lengths[count]!);
  const board0 = MARGIN_PX + inPx + BREAK_PX;
  const out0 = board0 + boardPx + BREAK_PX;
  const board = stretch('board', board0, board0 + boardPx, sum(patches));
  const deviceX = placeDevices(board, patches);
  const leadIn = stretch('in', MARGIN_PX, MARGIN_PX + inPx, lengths[0]!);
  const leadOut = stretch('out', out0, out0 + outPx, lengths[count]!);
  return {
    widthPx,
    stretches: [leadIn, board, leadOut],
    guitarX: leadIn.x0,
    ampX: leadOut.x1,
    deviceX,
    leadX: [
      [leadIn.x0, leadIn.x1],
      ...patches.map((_, i) => [deviceX[i]!, deviceX[i + 1]!] as const),
      [leadOut.x0, leadOut.x1],
    ],
  };
}

function shareWidth(usable: number, count: number, inM: number, outM: number) {
  const boardShare = count === 1 ? 0 : Math.min(0.72, 0.26 + 0.025 * count);
  const boardPx = Math.max(LEAST_BOARD_PX, usable * boardShare);
  const rest = usable - boardPx;
  const share = Math.sqrt(inM + 0.5) / (Math.sqrt(inM + 0.5) + Math.sqrt(outM + 0.5));
  const inPx = Math.min(rest - LEAST_END_PX, Math.max(LEAST_END_PX, rest * share));
  return [inPx, boardPx, rest - inPx] as const;
}

function stretch(kind: Stretch['kind'], x0: number, x1: number, lengthM: number): Stretch {
  return { kind, x0, x1, lengthM, pxPerM: lengthM > 0 ? (x1 - x0) / lengthM : 0 };
}

/** Devices at their metres along the board; where all patches have no length, evenly. */
function placeDevices(board: Stretch, patches: readonly number[]): readonly number[] {
  if (patches.length === 0) return [(board.x0 + board.x1) / 2];
  let atM = 0;
  const even = (board.x1 - board.x0) / patches.length;
  return [0, ...patches].map((lengthM, i) => {
    atM += lengthM;
    return board.lengthM > 0 ? board.x0 + atM * board.pxPerM : board.x0 + i * even;
  });
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

export function placeX(layout: RunLayout, place: RunPlace): number {
  switch (place.kind) {
    case 'guitar':
      return layout.guitarX;
    case 'amp':
      return layout.ampX;
    case 'lead': {
      const [x0, x1] = layout.leadX[place.index]!;
      return x0 + (x1 - x0) * place.fraction;
    }
    default:
      return layout.deviceX[place.index]!;
  }
}

/** A place on the thread: where, and the treble left there. */
export interface ThreadPoint {
  readonly x: number;
  readonly trebleDb: number;
}

/** The thread's points from left to right; at a scale break it runs on unchanged to the next stretch. */
export function layThread(layout: RunLayout, points: readonly RunPoint[]): readonly ThreadPoint[] {
  const last = layout.deviceX.length - 1;
  return points.flatMap(({ place, treble: { trebleDb } }): ThreadPoint[] => {
    const here = { x: placeX(layout, place), trebleDb };
    if (place.kind === 'input' && place.index === 0)
      return [{ x: layout.leadX[0]![1], trebleDb }, here];
    if (place.kind === 'output' && place.index === last)
      return [here, { x: layout.leadX[last + 1]![0], trebleDb }];
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
  const endOf = new Array<number>(rows).fill(-Infinity);
  return spans.map(([from, to]) => {
    const free = endOf.findIndex((end) => from >= end + gapPx);
    const row = free >= 0 ? free : endOf.indexOf(Math.min(...endOf));
    endOf[row] = to;
    return row;
  });
}

/**
 * Which soundings are shown: they keep a minimum distance, and where they crowd, the one with the
 * larger step from the sounding before it wins. Both ends are always shown.
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
  return chosen.sort((a, b) => a - b).map((i) => points[i]!);
}
