/** @jest-environment node */
import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import {
  boardFile,
  guardCell,
  MEASUREMENTS_CSV_HEADER,
  readTable,
  toCsv,
  writeGearCsv,
  writeMeasurementCsv,
} from '@gullwind/contract';
import {
  analyseRig,
  buttonTable,
  cableList,
  cableTable,
  drawBoard,
  drawingsFor,
  handoverOf,
  NO_RECORDS,
  orderTable,
  partsNeeded,
  progressOf,
  slug,
  stepTable,
  workPlan,
  writeNetlist,
  writeResponseCsv,
  type PaperTable,
  type Rig,
} from '@gullwind/core';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { boardDxf } from '../src/features/board/out/boardDxf';
import { boardPdf } from '../src/features/board/out/boardPdf';
import { bookPdf } from '../src/features/book/out/bookPdf';
import { labelPdf } from '../src/features/build/out/labelPdf';
import { tablePdf } from '../src/features/build/out/tablePdf';
import { gearNamed, HOSTILE, rigNamed } from './hostileNames';

/// A file that leaves the workshop says what was typed, and is nothing that was typed: by whatever names, it has the same form.

const font = (file: string) =>
  new Uint8Array(readFileSync(createRequire(import.meta.url).resolve(`@fontsource/${file}`)));
const FACE = font('source-sans-3/files/source-sans-3-latin-400-normal.woff');
const ITALIC = font('source-serif-4/files/source-serif-4-latin-400-italic.woff');

const PLAIN = 'Plain';

const tablesOf = (rig: Rig, name: string): readonly PaperTable[] => {
  const gear = gearNamed(name);
  const cables = cableList(rig, gear);
  return [
    cableTable(cables, new Map(), 'metric'),
    orderTable(partsNeeded(rig, gear)),
    stepTable(progressOf(workPlan(rig, gear), NO_RECORDS).steps),
    buttonTable(rig),
  ].filter(({ rows }) => rows.length > 0);
};

const netlistOf = (rig: Rig): string => {
  const written = writeNetlist(rig);
  if (written.kind === 'refused') throw new Error(written.message);
  return written.text;
};

/** What each line of a netlist is: an element by its letter, a command, a remark. */
const formOfNetlist = (text: string): readonly string[] =>
  text.split(/\r?\n|\r/u).map((line) => (line.startsWith('.') ? line.split(' ')[0]! : line[0]!));

/** Group codes of a DXF, line by line, and the kinds of things in it. */
function formOfDxf(text: string): readonly string[] {
  const lines = text.split('\n').map((line) => line.trim());
  return lines.map((line, i) => (i % 2 === 0 || lines[i - 1] === '0' ? line : ''));
}

const csvs = (rig: Rig, name: string): Readonly<Record<string, string>> => {
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error('it is silent');
  return {
    gear: writeGearCsv(gearNamed(name)),
    curve: writeResponseCsv(analysis),
    measurements:
      MEASUREMENTS_CSV_HEADER +
      writeMeasurementCsv({
        ...{ id: 'm', job: 'cable', rig: null, gear: null, subject: name, instrument: name },
        ...{ isSimulated: false, words: name, by: name, note: name, struck: name, at: '' },
        readings: [
          { label: name, quantity: 'capacitance', values: [1], conditions: { mode: name } },
        ],
        responses: [{ label: name, frequencyHz: [1], levelDb: [2], conditions: { mode: name } }],
        figures: [{ label: name, quantity: 'capacitance', value: 1, error: null }],
      }),
    ...Object.fromEntries(
      tablesOf(rig, name).map(({ columns, rows }, i) => [
        `table ${i}`,
        toCsv([columns, ...rows].map((row) => row.map(guardCell))),
      ]),
    ),
  };
};

const cellsOf = (csv: string): readonly (readonly string[])[] => {
  const read = readTable(csv);
  if (read.kind === 'refused') throw new Error(read.problems[0]!.message);
  return read.value.rows.map(({ cells }) => cells);
};

/** What a spreadsheet would take for a formula. A signed number is none. */
const isFormula = (cell: string): boolean =>
  /^\s*[=+\-@]/u.test(cell) && !/^[+-]?\d+(\.\d+)?(e[+-]?\d+)?$/iu.test(cell);

const pdfs = async (rig: Rig, name: string): Promise<readonly Uint8Array[]> => {
  const gear = gearNamed(name);
  const drawings = drawingsFor(rig, rig.texts.name, 'a4', 'metric');
  const question = { rig, gear, records: NO_RECORDS, hunts: [], units: 'metric' as const };
  const book = handoverOf({ ...question, bands: null, today: '2026-11-27', revision: 1 });
  return Promise.all([
    boardPdf(drawings, 'a4', 'metric', FACE),
    tablePdf(tablesOf(rig, name), rig.texts.name, 'a4', FACE),
    labelPdf(cableList(rig, gear), 'a4', FACE, { address: null, rigId: 'r' }),
    bookPdf(book, 'a4', { plain: FACE, italic: ITALIC }),
  ]);
};

/** What a PDF can do beyond being looked at. */
async function deedsIn(bytes: Uint8Array): Promise<readonly unknown[]> {
  const pdf = await getDocument({ data: bytes, verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const page = await pdf.getPage(i + 1);
      return [await page.getAnnotations(), await page.getJSActions()];
    }),
  );
  return [
    ...[await pdf.getJSActions(), await pdf.getAttachments(), await pdf.getOpenAction()],
    ...pages.flat(2),
  ].filter((deed) => deed !== null && !(Array.isArray(deed) && deed.length === 0));
}

const plain = rigNamed(PLAIN);

describe.each(HOSTILE.map((name) => [JSON.stringify(name).slice(0, 40), name] as const))(
  'everything is called %s',
  (_, name) => {
    const rig = rigNamed(name);

    test('a netlist has the same lines', () => {
      expect(formOfNetlist(netlistOf(rig))).toEqual(formOfNetlist(netlistOf(plain)));
    });

    test('a DXF has the same things in it', () => {
      const dxf = (of: Rig) => boardDxf(drawBoard(of, of.texts.name, 'drilling', 'metric'));
      expect(formOfDxf(dxf(rig))).toEqual(formOfDxf(dxf(plain)));
    });

    test('tables have the same cells, and no formula', () => {
      const [hostile, usual] = [csvs(rig, name), csvs(plain, PLAIN)];
      for (const [of, csv] of Object.entries(hostile)) {
        const rows = cellsOf(csv);
        expect([of, rows.flat().filter(isFormula)]).toEqual([of, []]);
        const widths = new Set(rows.map(({ length }) => length));
        expect([of, widths]).toEqual([of, new Set(cellsOf(usual[of]!).map((row) => row.length))]);
      }
    });

    test('JSON says it as it is', () => {
      expect(JSON.parse(JSON.stringify(rig))).toEqual(rig);
      const file = boardFile(rig);
      expect(JSON.parse(JSON.stringify(file))).toEqual(JSON.parse(JSON.stringify(boardFile(rig))));
      expect(JSON.stringify(file)).toContain(JSON.stringify(name.trim()).slice(1, -1));
    });

    test('a file is called nothing that a system takes for more than a name', () => {
      expect(slug(name)).toMatch(/^[a-z0-9_]+$/u);
    });
  },
);

test.each(['JavaScript', '</script>', '\u202e', '😀'])(
  'a PDF of things with “%s” in their names is made, and can do nothing',
  async (part) => {
    const name = HOSTILE.find((one) => one.includes(part))!;
    for (const bytes of await pdfs(rigNamed(name), name)) expect(await deedsIn(bytes)).toEqual([]);
  },
);

test('the page puts no text into itself as HTML: what is printed from it is what it shows', () => {
  const folder = new URL('../src/', import.meta.url);
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' });
  const sources = files.filter((file) => /\.tsx?$/u.test(file));
  expect(sources.length).toBeGreaterThan(300);
  const bad = sources.filter((file) =>
    /dangerouslySetInnerHTML|\.(?:inner|outer)HTML|insertAdjacentHTML|document\.write\(/u.test(
      readFileSync(new URL(file, folder), 'utf8'),
    ),
  );
  expect(bad).toEqual([]);
});
