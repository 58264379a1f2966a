import { type GearItem, type Cable } from '@gullwind/core';
import fc from 'fast-check';
import {
  ALL_TARGETS,
  decodeText,
  guessColumn,
  readItem,
  readTable,
  sayTarget,
  sortJson,
  writeGearCsv,
} from '../src';
import { randomItem } from './randomGear';
import { cableOf, messages, readCsv } from './readCsv';

const utf8 = (text: string) => new TextEncoder().encode(text);

test('out and in again is identity, for every kind with any values, origins and words', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(randomItem, { minLength: 1, maxLength: 6, selector: ({ id }) => id }),
      (items) => {
        expect(items.map((item) => readItem(item).kind)).toEqual(items.map(() => 'ok'));
        const report = readCsv(writeGearCsv(items));
        expect(messages(report)).toEqual([]);
        expect(report.items).toEqual(items);
      },
    ),
    { seed: 4, numRuns: 150 },
  );
});

test('a number leaves in the unit of its column, whatever digits it has', () => {
  const { items } = readCsv('Cable,Length (m)\nGull,6\n');
  const [item] = items as [Extract<GearItem, { kind: 'cable' }>];
  const cPerMF = { value: 9.978123456789011e-11, from: 'measured' };
  const written = writeGearCsv([{ ...item, thing: { ...item.thing, cPerMF } as Cable }]);
  expect(written).toContain(',99.78123456789011,measured');
  expect(written).not.toContain('F/m,');
  expect(cableOf(readCsv(written)).cPerMF.value).toBe(cPerMF.value);
});

test('no cell that leaves begins like a formula, but for numbers with a sign', () => {
  fc.assert(
    fc.property(fc.array(randomItem, { minLength: 1, maxLength: 4 }), (items) => {
      const table = readTable(writeGearCsv(items));
      if (table.kind === 'refused') throw new Error('refused');
      for (const { cells } of table.value.rows) {
        for (const cell of cells) {
          // Numbers with a sign, and with a unit, are what they are.
          if (/^-\d[\d.]*(?:e[+-]?\d+)?(?: \S+)?$/u.test(cell)) continue;
          expect(cell).not.toMatch(/^\s*[=+@\t\r-]/u);
        }
      }
    }),
    { seed: 5, numRuns: 60 },
  );
});

test.each(['=1+1', '+1', '-2+3', '-5|calc', '@sum', ' =1', '-', '\t=1', "'it", '-1-cmd', '-3'])(
  'a name like %j leaves as text and comes back',
  (name) => {
    const [item] = fc.sample(randomItem, { numRuns: 1, seed: 2 });
    const named = { ...item!, thing: { ...item!.thing, name }, note: `${name}!` } as GearItem;
    const written = writeGearCsv([named]);
    const table = readTable(written);
    if (table.kind === 'refused') throw new Error('refused');
    const cell = table.value.rows[0]!.cells[2]!;
    if (name !== '-3') expect(cell.startsWith("'")).toBe(true);
    if (name === name.trim()) expect(readCsv(written).items[0]!.thing.name).toBe(name);
  },
);

test('a nought that a table fills in, without a unit anywhere, is no measurement', () => {
  const { items } = readCsv(
    'name,Plug capacitance,Cable capacitance (pF/m),length\nGull,0,98,0 m\nTern,12 pF,0,6\n',
  );
  expect(items.map(({ thing }) => (thing as Cable).plugF.from)).toEqual(['entered', 'measured']);
  expect(items.map(({ thing }) => (thing as Cable).cPerMF.from)).toEqual(['measured', 'measured']);
  expect(items.map(({ thing }) => (thing as Cable).lengthM.from)).toEqual(['measured', 'measured']);
});

test('every column is offered in words', () => {
  for (const target of ALL_TARGETS) expect(sayTarget(target)).not.toMatch(/[a-z][A-Z]|\./u);
});

describe('a list from the bench', () => {
  test('units in headers, decimal comma, semicolons', () => {
    const report = readCsv('Cable;Length (m);Capacitance [pF/m];Price\r\nGull;6,5;98,2;12,50\r\n');
    expect(messages(report)).toEqual([]);
    expect(cableOf(report)).toMatchObject({
      name: 'Gull',
      lengthM: { value: 6.5, from: 'measured' },
      cPerMF: { value: 98.2e-12, from: 'measured' },
    });
    expect(report.items[0]!.qualities.price).toBe(12.5);
  });

  test('units in cells, in feet', () => {
    const report = readCsv('name\tlength\tcapacitance (pF/ft)\nGull\t18 ft\t30\n');
    expect(cableOf(report).lengthM.value).toBeCloseTo(5.4864, 10);
    expect(cableOf(report).cPerMF.value).toBeCloseTo(30e-12 / 0.3048, 22);
  });

  test('readings of several lengths make one entry by a straight line, with how sure it is', () => {
    const cPerM = 100e-12;
    const plugs = 30e-12;
    const rows = [1, 3, 6, 10].map((m) => `Reel;${m};${(cPerM * m + plugs) * 1e12};2026-11-20;LCR`);
    const report = readCsv(`Cable;Length (m);Capacitance (pF);Date;Meter\n${rows.join('\n')}\n`);
    expect(messages(report)).toEqual([]);
    expect(report.items).toHaveLength(1);
    const cable = cableOf(report);
    expect(cable.cPerMF.value).toBeCloseTo(cPerM, 20);
    expect(cable.plugF.value).toBeCloseTo(plugs / 2, 20);
    expect(cable.cPerMF).toMatchObject({ from: 'measured', on: '2026-11-20', by: 'LCR' });
    expect(cable.lengthM.value).toBe(10);
    expect(report.items[0]!.qualities.form).toBe('reel');
    expect(report.notes[0]).toMatch(
      /^Reel: 4 readings make 100.* pF\/m and 15 pF for each plug\.$/u,
    );
  });

  test('one reading is C over length, its plugs in it', () => {
    const report = readCsv('Cable,Length (m),C (pF)\nShort,2,250\n');
    expect(cableOf(report).cPerMF.value).toBeCloseTo(125e-12, 20);
    expect(cableOf(report).plugF).toMatchObject({ value: 0, by: 'in the capacitance per metre' });
  });
});

describe('what is wrong is said by its row, and the other rows go on', () => {
  test.each([
    ['-3', 'Cable length: −3\u00a0m, at least 0\u00a0m.'],
    ['1e99', 'Cable length: 1e99, at most 100\u00a0m.'],
    ['six', 'Cable length: “six” is not a length.'],
    ['6 pF', 'Cable length: “pF” is not a unit of length; try m.'],
  ])('length %s', (text, message) => {
    const report = readCsv(`name,length\nBad,${text}\nGood,6\n`);
    expect(messages(report)).toEqual([`2: ${message}`]);
    expect(report.items.map(({ thing }) => thing.name)).toEqual(['Good']);
  });

  test.each<[string, string, string]>([
    ['no name', 'name,length\n,6\n', '2: Name: it is empty; at least 1 character is needed.'],
    [
      'an unknown class',
      'name,class\nA,thin\n',
      '2: class: “thin” is not one of veryLow, low, ordinary, high, coiled.',
    ],
    [
      'an unknown kind',
      'name,kind\nA,boat\n',
      '2: kind: “boat” is not one of guitar, device, cable, destination, plug, supply, adaptor, board, fixture, mount.',
    ],
    [
      'a stray quote',
      'name,note\nA,"open\n',
      '2: A quotation mark here is not closed, or stands inside a cell.',
    ],
    ['too many cells', 'name,length\nA,6,more\n', '2: 3 cells under 2 headers.'],
    [
      'an id twice',
      'name,id\nA,same-id\nB,same-id\n',
      '1: Id “same-id” stands in more than one row.',
    ],
    [
      'a reading without a length',
      'name,C (pF)\nA,600\n',
      '2: Cable length: it is needed, above 0 m, beside the capacitance of the whole cable.',
    ],
    [
      'a longer cable with less',
      'name,length,C (pF)\nA,1,600\nA,9,100\n',
      '2: The longer of these cables read less than the shorter ones.',
    ],
    [
      'a tolerance out of range',
      'name,length,"Cable length, from"\nA,6,entered; ±300 %\n',
      '2: Cable length, tolerance: 300 % is not above 0 % and up to 100 %.',
    ],
  ])('%s', (_, text, message) => {
    expect(messages(readCsv(text))).toEqual([message]);
  });

  test('a header that says nothing known is ignored', () => {
    expect(guessColumn('Favourite colour')).toEqual({ kind: 'ignore' });
    expect(guessColumn('__proto__')).toEqual({ kind: 'ignore' });
    expect(guessColumn('constructor')).toEqual({ kind: 'ignore' });
  });

  test('formula-looking cells come in as the words they are', () => {
    const report = readCsv(`name,note\n"=HYPERLINK(""http://x"")",'@sum\n`);
    expect(report.items[0]!.thing.name).toBe('=HYPERLINK("http://x")');
    expect(report.items[0]!.note).toBe('@sum');
  });
});

test('where a value is from is written as people write it', () => {
  const { items } = readCsv('Cable,Length (m)\nGull,6\n');
  const [item] = items as [Extract<GearItem, { kind: 'cable' }>];
  const lengthM = { value: 6, from: 'measured', on: '2026-02-28', by: 'LCR 3', tolerance: 0.05 };
  const written = writeGearCsv([{ ...item, thing: { ...item.thing, lengthM } as Cable }]);
  expect(written).toContain('measured; on 2026-02-28; ±5 %; by LCR 3');
});

test('only what was measured has a day and a meter', () => {
  const list =
    'Cable,Length (m),Capacitance (pF),Conductor per metre of reach,Date,Meter\nGull,6,600,1.2,2026-02-28,LCR 3\n';
  expect(cableOf(readCsv(list)).coil).toMatchObject({ on: '2026-02-28', by: 'LCR 3' });
  const typed = cableOf(readCsv(list, { from: 'entered' })).coil;
  expect(typed).toEqual({ value: 1.2, from: 'entered' });
});

test('what a JSON file holds is told by a look at it', () => {
  const rigs = [
    { format: 1, devices: [] },
    { format: 3, rows: [] },
    { format: 4, electrical: {} },
    { format: 99 },
  ];
  for (const rig of rigs) expect(sortJson(rig)).toBe('rig');
  expect(sortJson({ kind: 'gullwind-workspace', format: 2 })).toBe('workspace');
  for (const other of [null, [], [{ format: 4, electrical: {} }], 'rig', 4, {}, { format: 2 }])
    expect(sortJson(other)).toBe('unknown');
  expect(sortJson({ format: 'four', electrical: {} })).toBe('unknown');
});

describe('files that are no table', () => {
  const refusal = (bytes: Uint8Array): string => {
    const text = decodeText(bytes);
    if (text.kind === 'refused') return text.problems[0]!.message;
    const table = readTable(text.value);
    return table.kind === 'refused' ? table.problems[0]!.message : 'read';
  };

  test('with a byte-order mark, in UTF-16, or without either they are read alike', () => {
    const text = 'name,length\nMöwe,6\n';
    const utf16 = (isLittle: boolean, mark: boolean) => {
      const view = new DataView(new ArrayBuffer(2 * (text.length + (mark ? 1 : 0))));
      [...(mark ? '\ufeff' : ''), ...text].forEach((c, i) =>
        view.setUint16(2 * i, c.charCodeAt(0), isLittle),
      );
      return new Uint8Array(view.buffer);
    };
    for (const bytes of [
      utf8(text),
      utf8(`\ufeff${text}`),
      utf16(true, true),
      utf16(false, true),
      utf16(true, false),
      utf16(false, false),
    ])
      expect(decodeText(bytes)).toEqual({ kind: 'ok', value: text });
  });

  test.each<[string, Uint8Array, string]>([
    ['nothing', new Uint8Array(), 'The file is empty.'],
    ['blanks', utf8(' \n\n'), 'There is nothing in this file.'],
    ['a header alone', utf8('name,length\n'), 'There is a header and nothing below it.'],
    [
      'a zip of nothing',
      Uint8Array.of(0x50, 0x4b, 5, 6, ...Array<number>(18).fill(0)),
      'This is a zip file or a spreadsheet, not text. Save it as CSV or JSON first.',
    ],
    [
      'bytes',
      Uint8Array.of(0xc3, 0x28, 0xff),
      'This is not text in UTF-8 or UTF-16. Save it as UTF-8.',
    ],
    [
      'letters of one byte each',
      Uint8Array.from('nÿme,length\nA,6\n', (letter) => letter.charCodeAt(0)),
      'This is not text in UTF-8 or UTF-16. Save it as UTF-8.',
    ],
    [
      'zero bytes',
      utf8('name\0\0\0,x\n'.repeat(3) + 'abcdefgh'.repeat(40)),
      'This is not a text file: there are zero bytes in it.',
    ],
    [
      '100,000 rows',
      utf8(`name,length\n${'A,6\n'.repeat(100_000)}`),
      'The file has 100,000 rows, at most 10,000. Divide it.',
    ],
    ['33 MiB', new Uint8Array(33 * 2 ** 20), 'The file has 33 MiB, at most 32 MiB.'],
  ])('%s', (_, bytes, message) => {
    expect(refusal(bytes)).toBe(message);
  });
});

test('a 5 MB name is refused like any other that is too long', () => {
  const report = readCsv(`name,length\n${'x'.repeat(5e6)},6\nGood,6\n`);
  expect(messages(report)).toEqual([expect.stringContaining('2: ')]);
  expect(report.items.map((item: GearItem) => item.thing.name)).toEqual(['Good']);
});

test('a file without a header keeps its first row', () => {
  const read = readTable('Quay reel;cable;50 m;104\nTide reel;cable;20 m;85\n');
  if (read.kind === 'refused') throw new Error(read.problems[0]!.message);
  expect(read.value.header).toEqual(['column 1', 'column 2', 'column 3', 'column 4']);
  expect(read.value.rows.map(({ row, cells }) => [row, cells[0]])).toEqual([
    [1, 'Quay reel'],
    [2, 'Tide reel'],
  ]);
  // Names that nobody knows are a header all the same.
  for (const head of ['foo;bar', 'Name;C per m (1 kHz)'])
    expect(readTable(`${head}\nQuay;50\n`)).toMatchObject({ value: { header: head.split(';') } });
});

test('a header of a hundred thousand spaces is none, at once', () => {
  expect(guessColumn(`Length${' '.repeat(100_000)}(m`)).toEqual({ kind: 'ignore' });
});
