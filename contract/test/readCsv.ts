import type { Cable } from '@gullwind/core';
import { guessColumn, readGearRows, readTable, type GearReport } from '../src';

/** Entries of a list as it is read where nobody changes what its columns are. */
export function readCsv(
  text: string,
  more: Partial<Parameters<typeof readGearRows>[1]> = {},
): GearReport {
  const table = readTable(text);
  if (table.kind === 'refused') throw new Error(table.problems[0]!.message);
  let n = 0;
  return readGearRows(table.value, {
    columns: table.value.header.map(guessColumn),
    kind: 'cable',
    from: 'measured',
    newId: () => `g-${++n}`,
    ...more,
  });
}

export const messages = ({ problems }: GearReport) =>
  problems.map(({ row, message }) => `${row}: ${message}`);
export const cableOf = ({ items }: GearReport, i = 0) => items[i]!.thing as Cable;
