import { guardCell, toCsv } from '@gullwind/contract';

/** What a command has to say: as an object for programs, as rows for tables. */
export interface Report {
  readonly json: object;
  /** The first row names the columns. */
  readonly rows: readonly (readonly (string | number)[])[];
}

/** Digits after the point: a hundredth of what is told apart anywhere. */
const DIGITS = 4;

export const rounded = (value: number): number => Number(value.toFixed(DIGITS));

export const writeJson = ({ json }: Report): string => `${JSON.stringify(json, null, 2)}\n`;

export const writeCsv = ({ rows }: Report): string =>
  toCsv(rows.map((row) => row.map((cell) => (typeof cell === 'string' ? guardCell(cell) : cell))));
