import type { Drawing, DrawnShape } from '../board';
import { analyseRig, nameCable, type StopSummary } from '../figures';
import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import { findDevice, mainRow, switchNumbers, type Rig } from '../rig';

/// The signal's way on paper: cable in, board and cable out, each to a scale of its own, with the soundings under it.

const WIDTH_MM = 176;
/** Beside it on either side. */
const LEFT_MM = 6;
const LINE_MM = 40;
const THREAD_MM = 52;
const SOUNDING_MM = 63;
const SCALE_MM = 71;
const HEIGHT_MM = 76;
const BREAK_MM = 7;
const TEXT_MM = 2.9;
/** The thread at a whole, mm; never less than the least. */
const THREAD_WIDE_MM = 7;
const LEAST_THREAD_MM = 0.35;
/** Between two soundings, mm. */
const APART_MM = 11;
/** Names in rows above the line, so that neighbours do not meet. */
const NAME_ROWS = 8;

type Span = readonly [x0: number, x1: number];

interface Spot {
  readonly x: number;
  readonly id: string;
}

const text = (x: number, y: number, words: string, size = TEXT_MM): DrawnShape => ({
  kind: 'text',
  x,
  y,
  size,
  text: words,
  anchor: 'middle',
});

const line = (
  stroke: 'outline' | 'thin' | 'dashed',
  ...points: readonly (readonly [number, number])[]
): DrawnShape => ({
  kind: 'path',
  points,
  stroke,
});

type Stops = readonly StopSummary[];

/** One stretch of the way on paper, mm. */
interface Piece {
  readonly from: number;
  readonly to: number;
  readonly x0: number;
  readonly x1: number;
  readonly lengthM: number;
}

/** Cable in, board and cable out; one piece where nothing stands between guitar and amp. */
function piecesOf(stops: Stops): readonly Piece[] {
  const isDevice = ({ spot }: StopSummary) => spot.kind === 'device';
  const first = stops.findIndex(isDevice);
  const last = stops.findLastIndex(isDevice);
  const cuts = first < 0 ? [0, stops.length] : [0, first, last + 1, stops.length];
  const parts = cuts.slice(1).map((to, i) => ({ from: cuts[i]!, to }));
  const lengths = parts.map(({ from, to }) => metres(stops.slice(from, to)));
  const widths = shares(parts.length, lengths);
  let x = LEFT_MM;
  return parts.map((part, i) => {
    const piece = { ...part, x0: x, x1: x + widths[i]!, lengthM: lengths[i]! };
    x = piece.x1 + BREAK_MM;
    return piece;
  });
}

/** Both edges of every stop, mm. */
function spansOf(stops: Stops, pieces: readonly Piece[]): readonly Span[] {
  return pieces.flatMap(({ from, to, x0, x1, lengthM }) => {
    let at = x0;
    return stops.slice(from, to).map(({ cableM }): Span => {
      const wide = lengthM > 0 ? (cableM / lengthM) * (x1 - x0) : 0;
      return [at, (at += wide)];
    });
  });
}

/** The Run of the main way as it stands now. */
export function drawRunOnPaper(rig: Rig, units: UnitSystem): Drawing {
  const analysis = analyseRig(rig);
  const { stops } = analysis;
  const pieces = piecesOf(stops);
  const spans = spansOf(stops, pieces);
  const posts: Spot[] = [];
  for (const [i, { spot }] of stops.entries())
    if (spot.kind === 'device' && posts.at(-1)?.id !== spot.id)
      posts.push({ x: spans[i]![0], id: spot.id });
  const thread =
    analysis.kind === 'sounding'
      ? analysis.points.map(({ spot: { stop, at }, treble: { trebleDb } }) => {
          const [x0, x1] = spans[stop]!;
          const along = at === 'in' ? 0 : at === 'out' ? 1 : at;
          return { x: x0 + (x1 - x0) * along, trebleDb };
        })
      : [];
  const shapes = [
    ...pieces.flatMap((piece, i) => [...pieceShapes(piece, i < pieces.length - 1, units)]),
    ...postShapes(rig, posts),
    ...ends(rig, spans),
    ...(thread.length > 0 ? threadShapes(thread) : []),
  ];
  const top = Math.min(...shapes.map(topOf)) - TEXT_MM;
  return {
    title: 'The way of the signal',
    width: WIDTH_MM + 2 * LEFT_MM,
    height: HEIGHT_MM - top,
    shapes: shapes.map((shape) => raised(shape, top)),
  };
}

const topOf = (shape: DrawnShape): number =>
  shape.kind === 'path' ? Math.min(...shape.points.map(([, y]) => y)) : shape.y;

/** The same shape so much higher: rows of names that nobody needs take no paper. */
const raised = (shape: DrawnShape, by: number): DrawnShape =>
  shape.kind === 'path'
    ? { ...shape, points: shape.points.map(([x, y]) => [x, y - by]) }
    : { ...shape, y: shape.y - by };

function* pieceShapes(
  { x0, x1, lengthM }: Piece,
  goesOn: boolean,
  units: UnitSystem,
): Generator<DrawnShape> {
  yield line('outline', [x0, LINE_MM], [x1, LINE_MM]);
  yield* scaleBar(x0, x1, lengthM, units);
  if (goesOn) yield line('dashed', [x1, LINE_MM], [x1 + BREAK_MM, LINE_MM]);
}

const metres = (stops: readonly { readonly cableM: number }[]): number =>
  stops.reduce((sum, { cableM }) => sum + cableM, 0);

/** The board takes half of the width, both ends share the rest by the root of their lengths. */
function shares(count: number, lengths: readonly number[]): readonly number[] {
  if (count === 1) return [WIDTH_MM];
  const usable = WIDTH_MM - 2 * BREAK_MM;
  const board = usable * 0.52;
  const [a, b] = [Math.sqrt(lengths[0]! + 0.5), Math.sqrt(lengths[2]! + 0.5)];
  const rest = usable - board;
  const front = Math.min(rest * 0.7, Math.max(rest * 0.3, (rest * a) / (a + b)));
  return [front, board, rest - front];
}

function* scaleBar(
  x0: number,
  x1: number,
  lengthM: number,
  units: UnitSystem,
): Generator<DrawnShape> {
  yield line('outline', [x0, SCALE_MM - 1], [x0, SCALE_MM + 1]);
  yield line('outline', [x0, SCALE_MM], [x1, SCALE_MM]);
  yield line('outline', [x1, SCALE_MM - 1], [x1, SCALE_MM + 1]);
  yield text((x0 + x1) / 2, SCALE_MM + 4, formatQuantity(lengthM, 'length', units));
}

function* postShapes(rig: Rig, posts: readonly Spot[]): Generator<DrawnShape> {
  const numbers = switchNumbers(rig);
  const gaps = posts.slice(1).map(({ x }, i) => x - posts[i]!.x);
  const isCrowded = posts.length > MOST_NAMED || Math.min(...gaps) < 2 * POST_MM;
  const rows: number[] = Array.from({ length: NAME_ROWS }, () => -Infinity);
  for (const [i, { x, id }] of posts.entries()) {
    // Where there are many, their numbers stand in three rows, and the words below say which is which.
    const y = LINE_MM - 4 - (isCrowded ? (i % NUMBER_ROWS) * 2.2 * POST_MM : 0);
    yield line('thin', [x, LINE_MM + 3], [x, y + POST_MM]);
    yield { kind: 'circle', x, y, r: POST_MM, stroke: 'thin' };
    const number = numbers.get(id);
    if (number !== undefined) yield text(x, y + 1, String(number), 2.6);
    if (posts.length <= MOST_NAMED)
      yield* nameShapes(x, y - POST_MM, findDevice(rig, id)?.name ?? id, rows);
  }
}

const POST_MM = 2.3;
const NUMBER_ROWS = 3;
/** More posts than these have no room for names. */
const MOST_NAMED = 14;

/** A name in the first row in which it meets no other; where there is none, the words below have it. */
function* nameShapes(
  x: number,
  fromY: number,
  name: string,
  rows: number[],
): Generator<DrawnShape> {
  const shown = name.length > 22 ? `${name.slice(0, 21).trimEnd()}…` : name;
  const half = (shown.length * TEXT_MM * 0.55) / 2 + 1;
  const at = Math.max(half, Math.min(WIDTH_MM + 2 * LEFT_MM - half, x));
  const row = rows.findIndex((end) => at - half > end);
  if (row < 0) return;
  rows[row] = at + half;
  const y = LINE_MM - 16 - row * 3.6;
  yield line('thin', [x, fromY], [x, y + 1]);
  yield text(at, y, shown);
}

function* ends(rig: Rig, spans: readonly Span[]): Generator<DrawnShape> {
  const [from, to] = [spans[0]![0], spans.at(-1)![1]];
  const { guitars, destinations } = rig.electrical;
  const guitar = guitars.find(({ id }) => id === rig.state.playing) ?? guitars[0]!;
  yield { kind: 'circle', x: from, y: LINE_MM, r: 1.6, stroke: 'outline' };
  yield { kind: 'circle', x: to, y: LINE_MM, r: 1.6, stroke: 'outline' };
  const clip = (name: string): string =>
    name.length > 26 ? `${name.slice(0, 25).trimEnd()}…` : name;
  const half = (name: string): number => (clip(name).length * TEXT_MM * 0.5) / 2;
  yield text(Math.max(from, half(guitar.name) + 1), LINE_MM + 6, clip(guitar.name));
  const amp = destinations[0]!.name;
  yield text(Math.min(to, WIDTH_MM + 11 - half(amp)), LINE_MM + 6, clip(amp));
}

interface Sounding {
  readonly x: number;
  readonly trebleDb: number;
}

/** As wide as the treble that is left is as an amplitude. */
const wideMm = (trebleDb: number): number =>
  Math.max(LEAST_THREAD_MM, THREAD_WIDE_MM * Math.min(1, 10 ** (trebleDb / 20)));

function* threadShapes(points: readonly Sounding[]): Generator<DrawnShape> {
  for (const sign of [-1, 1])
    yield {
      kind: 'path',
      points: points.map(({ x, trebleDb }) => [x, THREAD_MM + (sign * wideMm(trebleDb)) / 2]),
      stroke: 'thin',
    };
  const kept: Sounding[] = [];
  const order = points.toSorted((a, b) => a.trebleDb - b.trebleDb);
  for (const point of [points.at(-1)!, ...order])
    if (kept.every(({ x }) => Math.abs(x - point.x) >= APART_MM)) kept.push(point);
  for (const { x, trebleDb } of kept) yield text(x, SOUNDING_MM, formatSignedDb(trebleDb));
}

/** What the numbers on the Run are, in order: for who reads it in the dark. */
export function runLegend(rig: Rig, units: UnitSystem): readonly string[] {
  const numbers = switchNumbers(rig);
  return mainRow(rig).cables.flatMap((cable, i) => {
    const device = mainRow(rig).devices[i];
    return [
      ...(cable
        ? [`${nameCable(rig, cable.id)}, ${formatQuantity(cable.lengthM.value, 'length', units)}`]
        : ['a cable that is missing']),
      ...(device
        ? [numbers.has(device.id) ? `${numbers.get(device.id)} ${device.name}` : device.name]
        : []),
    ];
  });
}
