import type { MeasuredResponse } from '@gullwind/core';
import type { Read } from '../read';
import { readTable } from './readTable';

const MOST_POINTS = 4000;
const MOST_HZ = 200_000;
const MOST_DB = 300;

/**
 * A measured response: frequency in Hz, level in dB, and degrees where there are any, which are passed over. Numbers
 * with a decimal point or, where cells are not divided by commas, a decimal comma.
 */
export function readResponse(text: string): Read<MeasuredResponse> {
  const table = readTable(text);
  if (table.kind === 'refused') return table;
  const refuse = (path: string, message: string): Read<never> => ({
    kind: 'refused',
    problems: [{ path, message }],
  });
  const points: (readonly [hz: number, db: number])[] = [];
  for (const { row, cells } of table.value.rows) {
    const [hz, db] = [numberIn(cells[0]), numberIn(cells[1])];
    const at = `row ${row}`;
    if (!(hz > 0 && hz <= MOST_HZ))
      return refuse(
        at,
        `Row ${row}: the frequency “${cells[0] ?? ''}” is not between 0 and ${MOST_HZ} Hz.`,
      );
    if (!(Math.abs(db) <= MOST_DB))
      return refuse(
        at,
        `Row ${row}: the level “${cells[1] ?? ''}” is not between −${MOST_DB} and ${MOST_DB} dB.`,
      );
    points.push([hz, db]);
  }
  if (points.length > MOST_POINTS)
    return refuse('file', `It has ${points.length} points, at most ${MOST_POINTS}.`);
  points.sort(([one], [other]) => one - other);
  const twice = points.findIndex(([hz], i) => i > 0 && hz === points[i - 1]![0]);
  if (twice > 0) return refuse('file', `${points[twice]![0]} Hz stands there twice.`);
  return {
    kind: 'ok',
    value: { frequencyHz: points.map(([hz]) => hz), levelDb: points.map(([, db]) => db) },
  };
}

const numberIn = (cell: string | undefined): number => {
  const text = (cell ?? '').trim().replace('−', '-').replace(',', '.');
  return text === '' ? Number.NaN : Number(text);
};
