import type { Measurement } from '@gullwind/core';
import { guardCell } from './cells';
import { toCsv } from './toCsv';

const HEADER = [
  'measurement',
  'when',
  'job',
  'of',
  'instrument',
  'simulated',
  'struck out',
  'what',
  'label',
  'value (SI)',
  '± (SI, 2σ)',
  'frequency (Hz)',
  'level (dB)',
  'conditions',
];

type Row = readonly (string | number)[];

/** The first line of a table of measurements. */
export const MEASUREMENTS_CSV_HEADER = toCsv([HEADER]);

/** A measurement with every raw reading, a row each: first what it came to, then readings, then responses. */
export function writeMeasurementCsv(measurement: Measurement): string {
  const rows = rowsOf(measurement);
  return rows.length === 0 ? '' : toCsv(rows);
}

function rowsOf(one: Measurement): readonly Row[] {
  const head = [
    one.id,
    one.at,
    one.job,
    guardCell(one.subject),
    guardCell(one.instrument),
    one.isSimulated ? 'yes' : 'no',
    guardCell(one.struck ?? ''),
  ];
  const said = (conditions: Readonly<Record<string, number | string>>) =>
    guardCell(
      Object.entries(conditions)
        .map(([key, value]) => `${key} ${value}`)
        .join('; '),
    );
  return [
    ...one.figures.map(({ label, quantity, value, error }) => [
      ...head,
      `figure, ${quantity}`,
      guardCell(label),
      value,
      error === null ? '' : 2 * error,
      '',
      '',
      '',
    ]),
    ...one.readings.flatMap(({ label, quantity, values, conditions }) =>
      values.map((value) => [
        ...head,
        `reading, ${quantity}`,
        guardCell(label),
        value,
        '',
        '',
        '',
        said(conditions),
      ]),
    ),
    ...one.responses.flatMap(({ label, frequencyHz, levelDb, conditions }) =>
      frequencyHz.map((hz, i) => [
        ...head,
        'response',
        guardCell(label),
        '',
        '',
        hz,
        levelDb[i]!,
        said(conditions),
      ]),
    ),
  ];
}
