import {
  DEFAULT_SETTINGS,
  readSettings,
  readResponse,
  readSentHearing,
  readSentMeasured,
  MEASUREMENTS_CSV_HEADER,
  writeMeasurementCsv,
} from '../src';
import { readTable } from '../src/csv';

test('a response with or without a header, with degrees, with a decimal comma', () => {
  const same = { frequencyHz: [100, 200.5], levelDb: [-1.5, -2] };
  for (const text of [
    'Hz,dB\n100,-1.5\n200.5,-2\n',
    '100,-1.5,0\n200.5,-2,-12',
    'frequency;level\r\n200,5;−2\r\n100;-1,5\r\n',
  ])
    expect(readResponse(text)).toEqual({ kind: 'ok', value: same });
});

test.each([
  ['Hz,dB\n100,x', 'Row 2: the level “x” is not between −300 and 300 dB.'],
  ['Hz,dB\n0,1', 'Row 2: the frequency “0” is not between 0 and 200000 Hz.'],
  ['Hz,dB\n100,1\n100,2', '100 Hz stands there twice.'],
  ['Hz,dB\n', 'There is a header and nothing below it.'],
])('%j is refused in words', (text, message) => {
  const read = readResponse(text);
  expect(read.kind === 'refused' && read.problems[0]!.message).toBe(message);
});

test('measurements as CSV: every raw value a row, formulas guarded', () => {
  const csv =
    MEASUREMENTS_CSV_HEADER +
    writeMeasurementCsv({
      id: '5d0c7f6e-1a51-4c1e-9a01-000000000007',
      job: 'lengths',
      rig: null,
      gear: null,
      subject: '=cmd()',
      instrument: 'meter, "one"',
      isSimulated: true,
      readings: [
        {
          label: '1 m',
          quantity: 'capacitance',
          values: [1e-10, 2e-10],
          conditions: { lengthM: 1 },
        },
      ],
      responses: [{ label: 'amp', frequencyHz: [100], levelDb: [-3], conditions: {} }],
      figures: [{ label: 'C′', quantity: 'capacitancePerLength', value: 1e-10, error: 2e-12 }],
      words: '',
      by: '',
      note: '',
      at: '2026-11-26T10:00:00.000Z',
      struck: null,
    });
  const read = readTable(csv);
  if (read.kind !== 'ok') throw new Error('it is no table');
  expect(read.value.rows).toHaveLength(4);
  // The same ± as on the page.
  const figure = read.value.rows[0]!.cells;
  expect([read.value.header[10], figure[10]]).toEqual(['± (SI, 2σ)', '4e-12']);
  expect(read.value.rows[0]!.cells[3]).not.toMatch(/^=/u);
  expect(read.value.rows[2]!.cells.slice(7, 10)).toEqual(['reading, capacitance', '1 m', '2e-10']);
  expect(read.value.rows[3]!.cells.slice(11, 13)).toEqual(['100', '-3']);
});

test('lists of a measurement and of what was heard may be empty', () => {
  const empty = {
    job: 'rig',
    rig: null,
    gear: null,
    subject: 'Reel',
    instrument: '',
    isSimulated: false,
    readings: [],
    responses: [],
    figures: [],
    words: '',
    by: '',
    note: '',
  };
  expect(readSentMeasured(empty).kind).toBe('ok');
  const heard = {
    listener: 'Mate',
    kind: 'amp',
    rig: null,
    one: '',
    other: '',
    seed: null,
    planned: 1,
    trials: [],
    isFinished: true,
    expected: '',
    model: '',
    note: '',
  };
  expect(readSentHearing(heard).kind).toBe('ok');
});

test('settings of before there were ears in them have the usual ladder', () => {
  const { scale, ...before } = DEFAULT_SETTINGS;
  expect(readSettings(before)).toEqual({ kind: 'ok', value: { ...before, scale } });
  const read = readSettings({ ...before, scale: { listener: 'Mate', thresholdDb: 99 } });
  expect(read.kind === 'refused' && read.problems[0]!.path).toBe('scale.thresholdDb');
});
