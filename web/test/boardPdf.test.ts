/** @jest-environment node */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import {
  addBoard,
  applyEdits,
  deviceOfClass,
  drawingsFor,
  insertDevice,
  newRig,
  PAPERS,
  tilesOf,
  typicalBoard,
  type Drawing,
} from '@gullwind/core';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { boardPdf } from '../src/features/board/out/boardPdf';

/// What is printed has the size it has: the file is read back with another reader and measured.

const FONT = readFileSync(
  createRequire(import.meta.url).resolve(
    '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff',
  ),
);
const MM = 25.4 / 72;

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Everything that is drawn on a page, by the box around it, mm from the bottom left. */
async function boxesOn(bytes: Uint8Array, number: number) {
  const pdf = await getDocument({ data: bytes.slice(), useSystemFonts: false }).promise;
  const page = await pdf.getPage(number);
  const { fnArray, argsArray } = await page.getOperatorList();
  const stack: number[][] = [];
  let at = [1, 0, 0, 1, 0, 0];
  const boxes: Box[] = [];
  for (const [i, op] of fnArray.entries()) {
    const args = argsArray[i] as unknown[];
    if (op === OPS.save) stack.push(at);
    else if (op === OPS.restore) at = stack.pop()!;
    else if (op === OPS.transform) at = times(at, args as number[]);
    else if (op === OPS.constructPath) {
      const [x0, y0, x1, y1] = Array.from(args[2] as ArrayLike<number>) as [
        number,
        number,
        number,
        number,
      ];
      const [a, b] = [through(at, x0, y0), through(at, x1, y1)];
      boxes.push({
        x: Math.min(a[0], b[0]) * MM,
        y: Math.min(a[1], b[1]) * MM,
        width: Math.abs(a[0] - b[0]) * MM,
        height: Math.abs(a[1] - b[1]) * MM,
      });
    }
  }
  const { items } = await page.getTextContent();
  const words = items.map((item) => ('str' in item ? item.str : '')).join(' ');
  const [, , width, height] = page.view as [number, number, number, number];
  return { boxes, words, paper: [width * MM, height * MM] as const, pages: pdf.numPages };
}

const times = (m: number[], n: number[]): number[] => [
  m[0]! * n[0]! + m[2]! * n[1]!,
  m[1]! * n[0]! + m[3]! * n[1]!,
  m[0]! * n[2]! + m[2]! * n[3]!,
  m[1]! * n[2]! + m[3]! * n[3]!,
  m[0]! * n[4]! + m[2]! * n[5]! + m[4]!,
  m[1]! * n[4]! + m[3]! * n[5]! + m[5]!,
];

const through = (m: number[], x: number, y: number): readonly [number, number] => [
  m[0]! * x + m[2]! * y + m[4]!,
  m[1]! * x + m[3]! * y + m[5]!,
];

const hasSize = (boxes: readonly Box[], width: number, height: number): boolean =>
  boxes.some((box) => Math.abs(box.width - width) <= 0.2 && Math.abs(box.height - height) <= 0.2);

const drawing: Drawing = {
  title: 'Pit board: outlines',
  width: 700,
  height: 360,
  shapes: [
    { kind: 'rect', x: 20, y: 15, width: 72, height: 118, stroke: 'cut' },
    { kind: 'text', x: 56, y: 60, size: 4, text: 'Plumb Line µ', anchor: 'middle' },
    { kind: 'circle', x: 60, y: 100, r: 5, stroke: 'thin' },
    { kind: 'rect', x: 600, y: 300, width: 70, height: 40, stroke: 'dashed' },
  ],
};

test.each(['a4', 'letter'] as const)(
  'on %s the check bar and a case have their size',
  async (paper) => {
    const bytes = await boardPdf([drawing], paper, 'metric', FONT);
    const page = await boxesOn(bytes, 1);
    expect(hasSize(page.boxes, 100, 2)).toBe(true);
    expect(hasSize(page.boxes, 72, 118)).toBe(true);
    expect(hasSize(page.boxes, 10, 10)).toBe(true);
    expect(page.words.normalize('NFKC')).toContain('Plumb Line µ'.normalize('NFKC'));
    expect(page.words).toContain('This bar is 100 mm long');
    const { width, height } = PAPERS[paper];
    expect([...page.paper].sort((a, b) => a - b).map((mm) => Math.round(mm * 10) / 10)).toEqual([
      width,
      height,
    ]);
    const { tiles } = tilesOf(drawing, paper);
    expect(page.pages).toBe(tiles.length);
    expect(tiles.length).toBeGreaterThan(3);
  },
);

test('in inches the bar is four of them long', async () => {
  const page = await boxesOn(await boardPdf([drawing], 'letter', 'imperial', FONT), 1);
  expect(hasSize(page.boxes, 101.6, 2)).toBe(true);
  expect(page.words).toContain('4 inches');
});

test('every point of a drawing is on a sheet, and neighbours have a strip in common', () => {
  for (const paper of ['a4', 'letter'] as const)
    for (const [width, height] of [
      [100, 100],
      [700, 360],
      [1500, 800],
      [190, 640],
    ] as const) {
      const { tiles } = tilesOf({ width, height }, paper);
      const isOnOne = (x: number, y: number) =>
        tiles.some((t) => x >= t.x && x <= t.x + t.width && y >= t.y && y <= t.y + t.height);
      const missed: string[] = [];
      for (let x = 0; x <= width; x += 5)
        for (let y = 0; y <= height; y += 5) if (!isOnOne(x, y)) missed.push(`${x} ${y}`);
      expect(missed).toEqual([]);
      const [first, second] = tiles;
      if (second && second.row === 0) expect(first!.x + first!.width - second.x).toBeCloseTo(10, 9);
    }
});

test('no outline is on two sheets, and every pedal has one', () => {
  let rig = newRig('twenty');
  for (let i = 0; i < 20; i++)
    rig = applyEdits(
      rig,
      insertDevice(rig, i, deviceOfClass(i % 3 ? 'drive' : 'reverb', '', `p ${i}`)),
    );
  rig = applyEdits(rig, addBoard(rig, typicalBoard('Raft')));
  for (const paper of ['a4', 'letter'] as const) {
    const sheets = drawingsFor(rig, 'twenty', paper, 'metric').filter(({ title }) =>
      title.includes('outlines'),
    );
    expect(sheets.length).toBeGreaterThan(1);
    for (const sheet of sheets) expect(tilesOf(sheet, paper).tiles).toHaveLength(1);
    const cut = sheets.flatMap(({ shapes }) => shapes.filter((one) => one.kind === 'rect'));
    expect(cut).toHaveLength(20);
  }
});
