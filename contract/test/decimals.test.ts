import type { Cable } from '@gullwind/core';
import type { GearReport } from '../src';
import { cableOf, messages, readCsv } from './readCsv';

describe('one thousand two hundred, or one and a fifth', () => {
  const csv = (...cells: readonly string[]) =>
    `name;length (mm);plug\n${cells.map((cell, i) => `cable ${i};${cell};`).join('\n')}\n`;
  const millimetres = (report: GearReport) =>
    report.items.map(({ thing }) => Math.round((thing as Cable).lengthM.value * 1e6) / 1e3);

  test.each<[string, readonly string[], readonly number[]]>([
    ['a point elsewhere', ['1,200', '98.5'], [1200, 98.5]],
    ['a comma elsewhere', ['1,200', '98,5'], [1.2, 98.5]],
    ['a nought before it', ['0,120', '1,200'], [0.12, 1.2]],
    ['both marks in one number', ['1,200', '1,150.5'], [1200, 1150.5]],
    ['both the other way round', ['1.200', '1.150,5'], [1200, 1150.5]],
    ['points before three digits', ['1.200', '98'], [1.2, 98]],
    ['points before three digits, and a decimal comma', ['1.200', '98,5'], [1200, 98.5]],
    ['units in cells', ['1,200 mm', '98.5 mm'], [1200, 98.5]],
  ])('%s decides it', (_, cells, numbers) => {
    const report = readCsv(csv(...cells));
    expect([report.unsure, messages(report)]).toEqual([null, []]);
    expect(millimetres(report)).toEqual(numbers);
  });

  test('where nothing does, somebody is asked once, and nothing is read before', () => {
    const cells = ['1,200', '950', '1,100'];
    expect(readCsv(csv(...cells))).toMatchObject({ unsure: '1,200', items: [], problems: [] });
    expect(millimetres(readCsv(csv(...cells), { mark: 'comma' }))).toEqual([1.2, 950, 1.1]);
    expect(millimetres(readCsv(csv(...cells), { mark: 'point' }))).toEqual([1200, 950, 1100]);
    expect(readCsv(csv(...cells), { mark: 'point' }).unsure).toBe('1,200');
  });

  test('several groups need no question; words are no numbers', () => {
    const report = readCsv('name;note;length (mm)\nGull;1,200 of them;12,000\nTern;;1,000,000\n');
    expect(report.unsure).toBeNull();
    expect(cableOf(report).lengthM.value).toBe(12);
    expect(messages(report).join()).toMatch(/^3: Cable length: 1000\sm, at most/u);
  });
});
