/** @jest-environment node */
import { readFileSync } from 'node:fs';
import {
  cableList,
  cableTable,
  orderTable,
  partsNeeded,
  progressOf,
  stepTable,
  workPlan,
  NO_RECORDS,
  type BuildCable,
  type Paper,
} from '@gullwind/core';
import { DEMO_GEAR } from '../../server/src/demo/demoGear';
import { DEMO_RIGS } from '../../server/src/demo/demoRigs';
import { labelPdf } from '../src/features/build/out/labelPdf';
import { tablePdf } from '../src/features/build/out/tablePdf';
import { sheetsOf } from './readPdf';

/// Papers for the bench, read back with another reader: nothing is cut off, everything is in its cell.

const face = new Uint8Array(
  readFileSync(
    new URL(
      '../../node_modules/@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff',
      import.meta.url,
    ),
  ),
);

const { rig } = DEMO_RIGS[0]!;
const cables = cableList(rig, DEMO_GEAR);
const steps = progressOf(workPlan(rig, DEMO_GEAR), NO_RECORDS).steps;
const tables = [
  cableTable(cables, new Map(), 'metric'),
  orderTable(partsNeeded(rig, DEMO_GEAR)),
  stepTable(steps),
];

test.each<Paper>(['a4', 'letter'])(
  'lists on %s: every word is on the sheet, and every row is there',
  async (paper) => {
    const sheets = await sheetsOf(await tablePdf(tables, rig.texts.name, paper, face));
    expect(sheets.length).toBeGreaterThanOrEqual(tables.length);
    for (const { width, height, words } of sheets)
      for (const { text, x, y, width: wide } of words) {
        expect([text, x >= 0 && x + wide <= width]).toEqual([text, true]);
        expect([text, y >= 0 && y <= height]).toEqual([text, true]);
      }
    const all = sheets.flatMap(({ words }) => words.map(({ text }) => text)).join(' ');
    for (const { label } of cables) expect(all).toContain(label);
    expect(all).toContain('Play the whole board');
  },
);

test('a name that is one long word, and letters that the face does not have, stay in their columns', async () => {
  const long: BuildCable = { ...cables[0]!, from: 'W'.repeat(120), to: 'Ωθ 漢字 pedal' };
  const [sheet] = await sheetsOf(
    await tablePdf([cableTable([long], new Map(), 'metric')], 'x'.repeat(80), 'a4', face),
  );
  for (const { text, x, width } of sheet!.words)
    if (text !== 'x') expect(x + width).toBeLessThanOrEqual(sheet!.width + 1);
  expect(sheet!.words.map(({ text }) => text).join(' ')).toMatch(/\? pedal|\?\? pedal/u);
});

test.each([null, 'https://rigs.example'])(
  'labels: two for each cable, each within its cell, codes for %p',
  async (address) => {
    const options = { address, rigId: '6a000000-0000-4000-8000-000000000001' };
    const sheets = await sheetsOf(await labelPdf(cables, 'a4', face, options));
    const words = sheets.flatMap((sheet) => sheet.words);
    for (const { label } of cables)
      expect(words.filter(({ text }) => text === label)).toHaveLength(2);
    const cell = (62 * 72) / 25.4;
    const left = (10 * 72) / 25.4;
    const code = address === null ? 0 : (16 * 72) / 25.4;
    for (const { text, x, width } of words) {
      const own = left + Math.floor((x - left) / cell) * cell;
      expect([text, x + width <= own + cell - code + 1]).toEqual([text, true]);
    }
  },
);
