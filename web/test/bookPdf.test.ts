/** @jest-environment node */
import { readFileSync } from 'node:fs';
import {
  addBoard,
  addSong,
  applyEdits,
  applyFollowing,
  deviceOfClass,
  entered,
  firstArrangement,
  handoverOf,
  insertDevice,
  measureRig,
  newRig,
  formatSignedDb,
  NO_RECORDS,
  PAPERS,
  typicalBoard,
  type Edit,
  type Handover,
  type Paper,
  type Rig,
} from '@gullwind/core';
import { DEMO_GEAR } from '../../server/src/demo/demoGear';
import { DEMO_RIGS } from '../../server/src/demo/demoRigs';
import { bookPdf } from '../src/features/book/out/bookPdf';
import { sheetsOf } from './readPdf';

/// The handover book on paper, read back with another reader: nothing is cut off, nothing is missing, and every figure is that
/// of the page.

const face = (path: string): Uint8Array =>
  new Uint8Array(readFileSync(new URL(`../../node_modules/@fontsource/${path}`, import.meta.url)));
const FACES = {
  plain: face('source-sans-3/files/source-sans-3-latin-400-normal.woff'),
  italic: face('source-serif-4/files/source-serif-4-latin-400-italic.woff'),
};
const POINTS_PER_MM = 72 / 25.4;

const bookOf = (rig: Rig): Handover =>
  handoverOf({
    rig,
    gear: DEMO_GEAR,
    records: NO_RECORDS,
    hunts: [],
    units: 'metric',
    bands: null,
    today: '2026-11-27',
    revision: 3,
  });

/** Thirty pedals with names as long as they may be, on a board, and an evening of songs. */
function thirtyPedals(): Rig {
  const follow = (rig: Rig, edit: Edit): Rig => {
    const result = applyFollowing(rig, edit);
    if (result.kind === 'refused') throw new Error(result.message);
    return result.rig;
  };
  let rig = newRig('A rig whose name is as long as a name may be and that goes on and on to the e');
  for (let i = 0; i < 30; i++) {
    const name = `Pedal number ${i + 1} with a name that nobody would ever want to read aloud on a stage`;
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', name)));
  }
  const size = { widthM: entered(2), depthM: entered(0.8) };
  rig = follow(rig, addBoard(rig, { ...typicalBoard('Pontoon'), ...size }));
  const { edit } = firstArrangement(rig);
  rig = edit ? follow(rig, edit) : rig;
  for (let i = 0; i < 12; i++)
    rig = applyEdits(
      rig,
      addSong(rig, `Song ${i + 1} of an evening that does not want to come to its end`),
    );
  return rig;
}

const RIGS: readonly (readonly [string, Rig])[] = [
  ...DEMO_RIGS.map(({ rig }) => [rig.texts.name, rig] as const),
  ['thirty pedals with long names', thirtyPedals()],
];
const CASES = RIGS.flatMap(([name, rig]) =>
  (Object.keys(PAPERS) as Paper[]).map((paper) => [name, paper, rig] as const),
);

/** As it is read back: one run of letters, without what breaks lines. */
const letters = (text: string): string =>
  text
    .replaceAll('−', '-')
    .replaceAll('Ω', 'ohm')
    .replaceAll(/[\s\u00a0]+/gu, '');

/** Every word that the book says. */
const said = (book: Handover): readonly string[] => [
  book.title,
  book.under,
  ...book.sections.flatMap(({ title, blocks }) => [
    title,
    ...blocks.flatMap((block) => {
      switch (block.kind) {
        case 'text':
          return [block.text];
        case 'list':
          return block.items;
        case 'table':
          return [...block.table.columns, ...block.table.rows.flat()];
        case 'drawing':
          return [];
      }
    }),
  ]),
];

describe.each(CASES)('the book of %s on %s', (_, paper, rig) => {
  const book = bookOf(rig);
  const made = bookPdf(book, paper, FACES).then(sheetsOf);

  test('nothing is cut off', async () => {
    for (const { width, height, words } of await made) {
      expect(width).toBeCloseTo(PAPERS[paper].width * POINTS_PER_MM, 1);
      expect(height).toBeCloseTo(PAPERS[paper].height * POINTS_PER_MM, 1);
      const outside = words.filter(
        ({ x, y, width: wide }) => x < 30 || x + wide > width - 30 || y < 15 || y > height - 30,
      );
      expect(outside).toEqual([]);
    }
  });

  test('no words lie on others', async () => {
    for (const { words } of await made) {
      const heights = new Set(words.map(({ y }) => Math.round(y * 2)));
      for (const height of heights) {
        const across = words
          .filter(({ y }) => Math.round(y * 2) === height)
          .toSorted((a, b) => a.x - b.x);
        for (const [i, word] of across.entries()) {
          const next = across[i + 1];
          // Names on the Run and numbers on a board are drawings; tables and texts are above this size.
          if (next && word.width > 12) expect(word.x + word.width).toBeLessThan(next.x + 2.5);
        }
      }
    }
  });

  test('every word of the page is on paper', async () => {
    const cells = (await made).flatMap(({ words }) => words);
    const all = letters(cells.map(({ text }) => text).join(''));
    const known = new Set(cells.flatMap(({ text }) => text.split(/\s+/u)).map(letters));
    // A word wider than its column is broken: it is there in pieces.
    const missing = said(book)
      .flatMap((text) => text.split(/\s+/u))
      .map(letters)
      .filter((word) => word !== '' && !known.has(word) && !all.includes(word));
    const inPieces = missing.filter((word) => ![...word].every((one) => all.includes(one)));
    expect(inPieces).toEqual([]);
    expect(missing.filter((word) => /\d/u.test(word))).toEqual([]);
  });

  test('it says the treble that the path says', async () => {
    const measured = measureRig(rig);
    const words = (await made).flatMap((sheet) => sheet.words.map(({ text }) => text));
    if (measured.kind !== 'sounding') return expect(words.join(' ')).toContain('Nothing is heard');
    const treble = `${formatSignedDb(measured.figures.trebleDb, 2)} dB`.replace('−', '-');
    expect(words.map((word) => word.replaceAll('\u00a0', ' '))).toContain(treble);
  });
});

test('only black is printed, so that it is read in black and white', async () => {
  const bytes = await bookPdf(bookOf(DEMO_RIGS[0]!.rig), 'a4', FACES);
  const { PDFDocument, PDFRawStream, decodePDFRawStream } = await import('pdf-lib');
  const document = await PDFDocument.load(bytes);
  const streams = document.context
    .enumerateIndirectObjects()
    .flatMap(([, object]) => (object instanceof PDFRawStream ? [object] : []))
    .map((stream) => {
      try {
        return Buffer.from(decodePDFRawStream(stream).decode()).toString('latin1');
      } catch {
        return '';
      }
    })
    .filter((text) => / Tj|Tj\n/u.test(text));
  expect(streams.length).toBeGreaterThan(2);
  for (const text of streams) {
    // No operator that sets a colour, and every grey is black.
    expect(text).not.toMatch(/^[\d. ]+ (?:rg|RG|k|K)$/mu);
    for (const [, grey] of text.matchAll(/^([\d.]+) [gG]$/gmu)) expect(Number(grey)).toBe(0);
  }
});
