import { formatQuantity, type UnitSystem } from '../quantity';
import { layBoard, type Boarded, type BoardPlan } from './board';
import { openingsOn } from './ground';
import { boundsOf, type Rect } from './rect';
import { drawnBeside } from './sideBySide';
import { PAPER_FOOT, PAPER_MARGIN, PAPERS, type Paper } from './paper';
import type { Standing } from './standing';
import type { BoardThing } from './things';

/// A board at full size, as lines and words on a sheet: for SVG, PDF and whatever else prints. Lengths in mm from the top
/// left of the sheet, downwards.

export type Stroke = 'outline' | 'thin' | 'dashed' | 'cut';

export type DrawnShape =
  | {
      readonly kind: 'rect';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly stroke: Stroke;
    }
  | {
      readonly kind: 'path';
      readonly points: readonly (readonly [number, number])[];
      readonly stroke: Stroke;
    }
  | {
      readonly kind: 'circle';
      readonly x: number;
      readonly y: number;
      readonly r: number;
      readonly stroke: Stroke;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      /** Height of its letters. */
      readonly size: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle';
    };

export interface Drawing {
  readonly title: string;
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly DrawnShape[];
}

export const DRAWING_KINDS = ['layout', 'underside', 'outlines', 'drilling'] as const;
export type DrawingKind = (typeof DRAWING_KINDS)[number];

export const DRAWING_WORDS: Readonly<Record<DrawingKind, string>> = {
  layout: 'layout from above',
  underside: 'underside, turned over to the side',
  outlines: 'outlines to cut out',
  drilling: 'drilling template',
};

/** Around everything on a sheet, mm. */
const MARGIN = 4;

/** From the stage to a sheet; the underside has left and right changed. */
interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly point: (x: number, y: number) => readonly [number, number];
}

function sheetOf({ x0, y0, x1, y1 }: Rect, isMirrored: boolean): Sheet {
  const [width, height] = [(x1 - x0) * 1000 + 2 * MARGIN, (y1 - y0) * 1000 + 2 * MARGIN];
  return {
    width,
    height,
    point: (x, y) => {
      const across = MARGIN + (x - x0) * 1000;
      return [isMirrored ? width - across : across, MARGIN + (y1 - y) * 1000];
    },
  };
}

function rectOn({ point }: Sheet, { x0, y0, x1, y1 }: Rect, stroke: Stroke): DrawnShape {
  const [a, b] = [point(x0, y0), point(x1, y1)];
  return {
    kind: 'rect',
    x: Math.min(a[0], b[0]),
    y: Math.min(a[1], b[1]),
    width: Math.abs(a[0] - b[0]),
    height: Math.abs(a[1] - b[1]),
    stroke,
  };
}

const text = (x: number, y: number, size: number, words: string): DrawnShape => ({
  kind: 'text',
  x,
  y,
  size,
  text: words,
  anchor: 'middle',
});

const circle = (x: number, y: number, r: number, stroke: Stroke): DrawnShape => ({
  kind: 'circle',
  x,
  y,
  r,
  stroke,
});

function caseShapes(
  sheet: Sheet,
  { rect, thing, switches }: Standing,
  isBehind: boolean,
): readonly DrawnShape[] {
  const stroke = isBehind ? 'dashed' : 'outline';
  const [x, y] = sheet.point((rect.x0 + rect.x1) / 2, (rect.y0 + rect.y1) / 2);
  return [
    rectOn(sheet, rect, stroke),
    text(x, y, 4, thing.name),
    ...switches.map((at) => circle(...sheet.point(at.x, at.y), 5, 'thin')),
  ];
}

/** Boards, what stands on them, and its cables. */
function layoutShapes(plan: BoardPlan, sheet: Sheet, side: 'top' | 'under'): readonly DrawnShape[] {
  const drawn = drawnBeside(plan.wires);
  return [
    ...plan.decks.map(({ rect }) => rectOn(sheet, rect, 'outline')),
    ...openingsOn(plan.decks).map((rect) => rectOn(sheet, rect, 'thin')),
    ...plan.plugs.map(({ rect, layer }) => rectOn(sheet, rect, layer === side ? 'thin' : 'dashed')),
    ...[...drawn.values()].flatMap((points) => wayShapes(sheet, points, side)),
    ...plan.standings.flatMap((one) => caseShapes(sheet, one, one.layer !== side)),
  ];
}

function wayShapes(
  { point }: Sheet,
  points: readonly { readonly x: number; readonly y: number; readonly layer: string }[],
  side: string,
): readonly DrawnShape[] {
  return points.flatMap((b, i): DrawnShape[] => {
    const a = points[i - 1];
    if (!a) return [];
    if (a.layer !== b.layer) return [circle(...point(b.x / 1000, b.y / 1000), 2, 'thin')];
    const ends = [a, b].map(({ x, y }) => point(x / 1000, y / 1000));
    return [{ kind: 'path', points: ends, stroke: a.layer === side ? 'thin' : 'dashed' }];
  });
}

/** What one sheet takes, mm. */
interface SheetRoom {
  readonly width: number;
  readonly height: number;
}

/** Every case by itself, in rows, with its jacks and switches: to be cut out and laid on a real board. No case is on two sheets that fits on one. */
function outlines(
  { things }: Pick<BoardPlan, 'things'>,
  units: UnitSystem,
  room: SheetRoom,
): readonly Omit<Drawing, 'title'>[] {
  const gap = 8;
  const sheets: { shapes: DrawnShape[]; width: number; height: number }[] = [];
  let [x, y, behind] = [MARGIN, MARGIN, MARGIN];
  for (const thing of things) {
    const { widthM, depthM } = thing.body;
    const [w, d] = [widthM.value * 1000, depthM.value * 1000];
    if (x > MARGIN && x + w + MARGIN > room.width) [x, y] = [MARGIN, behind];
    let sheet = sheets.at(-1);
    if (!sheet || (y > MARGIN && y + d + MARGIN > room.height)) {
      sheets.push((sheet = { shapes: [], width: 0, height: 0 }));
      [x, y, behind] = [MARGIN, MARGIN, MARGIN];
    }
    sheet.shapes.push(...outline(thing, [x, y], units));
    sheet.width = Math.max(sheet.width, x + w + MARGIN);
    sheet.height = Math.max(sheet.height, y + d + MARGIN);
    behind = Math.max(behind, y + d + gap);
    x += w + gap;
  }
  return sheets;
}

function outline(
  { name, body }: BoardThing,
  [x, y]: readonly [number, number],
  units: UnitSystem,
): readonly DrawnShape[] {
  const [w, d] = [body.widthM.value * 1000, body.depthM.value * 1000];
  const size = (m: number) => formatQuantity(m, 'size', units);
  return [
    { kind: 'rect', x, y, width: w, height: d, stroke: 'cut' },
    text(x + w / 2, y + d / 2, 4, name),
    text(x + w / 2, y + d / 2 + 6, 3, `${size(body.widthM.value)} × ${size(body.depthM.value)}`),
    ...body.switches.map((at) => circle(x + at.xM * 1000, y + d - at.yM * 1000, 5, 'thin')),
    ...body.jacks.map((jack): DrawnShape => jackMark(jack, [x, y], [w, d])),
  ];
}

function jackMark(
  { side, alongM }: { readonly side: string; readonly alongM: number },
  [x, y]: readonly [number, number],
  [w, d]: readonly [number, number],
): DrawnShape {
  const along = alongM * 1000;
  switch (side) {
    case 'left':
      return circle(x, y + d - along, 2.5, 'thin');
    case 'right':
      return circle(x + w, y + d - along, 2.5, 'thin');
    case 'front':
      return circle(x + along, y + d, 2.5, 'thin');
    default:
      return circle(x + along, y, 2.5, 'thin');
  }
}

/** The openings of plates, and where a cable goes through: a cross on every middle, with its place. */
function drillingShapes(plan: BoardPlan, sheet: Sheet, units: UnitSystem): readonly DrawnShape[] {
  return plan.decks.flatMap(({ board, rect }) => [
    rectOn(sheet, rect, 'outline'),
    ...board.openings.flatMap((opening): DrawnShape[] => {
      const [x, y] = sheet.point(rect.x0 + opening.xM, rect.y0 + opening.yM);
      const [w, d] = [opening.widthM * 1000, opening.depthM * 1000];
      const hole: DrawnShape =
        opening.shape === 'round'
          ? circle(x, y, w / 2, 'cut')
          : { kind: 'rect', x: x - w / 2, y: y - d / 2, width: w, height: d, stroke: 'cut' };
      const place = `${formatQuantity(opening.xM, 'size', units)} · ${formatQuantity(opening.yM, 'size', units)}`;
      return [
        hole,
        {
          kind: 'path',
          points: [
            [x - 4, y],
            [x + 4, y],
          ],
          stroke: 'thin',
        },
        {
          kind: 'path',
          points: [
            [x, y - 4],
            [x, y + 4],
          ],
          stroke: 'thin',
        },
        text(x, y + Math.min(d, w) / 2 + 5, 3, place),
      ];
    }),
  ]);
}

/** How wide a sheet of outlines is that is not printed, mm. */
const WIDE_SHEET = 390;

/** One drawing of a rig's boards at full size. */
export function drawBoard(
  rig: Boarded,
  name: string,
  kind: DrawingKind,
  units: UnitSystem,
): Drawing {
  const plan = layBoard(rig);
  const title = `${name}: ${DRAWING_WORDS[kind]}`;
  if (kind === 'outlines') {
    const [all] = outlines(plan, units, { width: WIDE_SHEET, height: Infinity });
    return { title, width: 0, height: 0, shapes: [], ...all };
  }
  const rects = [...plan.decks, ...plan.standings, ...plan.plugs].map(({ rect }) => rect);
  const bounds = boundsOf(kind === 'drilling' ? plan.decks.map(({ rect }) => rect) : rects);
  const sheet = sheetOf(bounds, kind === 'underside');
  const shapes =
    kind === 'drilling'
      ? drillingShapes(plan, sheet, units)
      : layoutShapes(plan, sheet, kind === 'underside' ? 'under' : 'top');
  return { title, width: sheet.width, height: sheet.height, shapes };
}

/** All drawings of a rig's boards as they are printed: outlines by the sheet, so that none is cut in two that need not be. */
export function drawingsFor(
  rig: Boarded,
  name: string,
  paper: Paper,
  units: UnitSystem,
): readonly Drawing[] {
  const { width, height } = PAPERS[paper];
  const room = { width: width - 2 * PAPER_MARGIN, height: height - PAPER_MARGIN - PAPER_FOOT };
  const isDrilled = rig.layout.boards.some(
    ({ surface, openings }) => surface === 'plate' && openings.length > 0,
  );
  return DRAWING_KINDS.flatMap((kind) => {
    if (kind === 'drilling' && !isDrilled) return [];
    if (kind !== 'outlines') return [drawBoard(rig, name, kind, units)];
    const title = `${name}: ${DRAWING_WORDS[kind]}`;
    return outlines(layBoard(rig), units, room).map((sheet) => ({ title, ...sheet }));
  });
}
