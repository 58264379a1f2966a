import Papa from 'papaparse';
import type { Read } from '../read';

/** A table of words: a header, and rows by their numbers in the file. */
export interface Table {
  readonly header: readonly string[];
  readonly rows: readonly { readonly row: number; readonly cells: readonly string[] }[];
  /** What could not be read, by row. */
  readonly problems: readonly RowProblem[];
}

export interface RowProblem {
  /** As a spreadsheet counts: the header is in row 1. */
  readonly row: number;
  readonly message: string;
}

/** As many rows as are looked at in one go. */
export const MOST_ROWS = 10_000;

const refused = (message: string): Read<Table> => ({
  kind: 'refused',
  problems: [{ path: 'file', message }],
});

const DELIMITERS = [',', ';', '\t', '|'];

/** Guessed from the header alone: cells further down may hold any of them. */
const delimiterOf = (text: string): string =>
  Papa.parse(text.trimStart().split(/\r?\n/u, 1)[0]!, { delimitersToGuess: DELIMITERS }).meta
    .delimiter;

/** A first row with a number in it, with or without a unit, is one like the others. */
const isHeader = (cells: readonly string[]): boolean =>
  !cells.some((cell) => /^\s*[-+]?\d+([.,]\d+)?\s*\D{0,6}$/u.test(cell));

/** Reads CSV (RFC 4180) with commas, semicolons or tabs between its cells. */
export function readTable(text: string): Read<Table> {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter: delimiterOf(text) });
  const rows = data
    .map((cells, i) => ({ row: i + 1, cells }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [first] = rows;
  if (!first) return refused('There is nothing in this file.');
  const [head, rest] = isHeader(first.cells)
    ? [first.cells, rows.slice(1)]
    : [first.cells.map((_, i) => `column ${i + 1}`), rows];
  if (rest.length === 0) return refused('There is a header and nothing below it.');
  if (rest.length > MOST_ROWS) {
    return refused(
      `The file has ${rest.length.toLocaleString('en')} rows, at most ${MOST_ROWS.toLocaleString('en')}. Divide it.`,
    );
  }
  const problems = errors.flatMap(({ type, row }): RowProblem[] =>
    type === 'Quotes'
      ? [
          {
            row: (row ?? 0) + 1,
            message: 'A quotation mark here is not closed, or stands inside a cell.',
          },
        ]
      : [],
  );
  const header = head.map((cell) => cell.trim());
  const wide = rest.flatMap(({ row, cells }): RowProblem[] =>
    cells.length > header.length && cells.slice(header.length).some((cell) => cell.trim() !== '')
      ? [{ row, message: `${cells.length} cells under ${header.length} headers.` }]
      : [],
  );
  return { kind: 'ok', value: { header, rows: rest, problems: [...problems, ...wide] } };
}
