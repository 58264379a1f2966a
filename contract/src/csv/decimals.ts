import type { ColumnTarget } from './columns';
import type { Table } from './readTable';

/// "1,200" is one and a fifth, or twelve hundred: what the other numbers of a file say of it.

/** What stands before the decimals of a file. */
export type DecimalMark = 'point' | 'comma';

/** The digits and marks that a cell begins with. */
const NUMERAL = /^([+-]?)(\d[\d.,]*)/u;
const GROUPED = /^\d{1,3}(?:[.,]\d{3})+$/u;

interface Marks {
  /** What has to be the decimal mark for this numeral; null where either may be. */
  readonly says: DecimalMark | null;
  /** It reads as two different numbers. */
  readonly isUnsure: boolean;
}

const ofMark = (mark: string): DecimalMark => (mark === ',' ? 'comma' : 'point');
const otherThan = (mark: DecimalMark): DecimalMark => (mark === 'comma' ? 'point' : 'comma');

/** A point before three digits is a decimal point, as everywhere here, unless the file has decimal commas. */
function marksOf(numeral: string): Marks {
  const marks = numeral.replace(/\d/gu, '');
  const last = marks.at(-1);
  if (last === undefined) return { says: null, isUnsure: false };
  if (new Set(marks).size > 1) return { says: ofMark(last), isUnsure: false };
  if (marks.length > 1)
    return { says: GROUPED.test(numeral) ? otherThan(ofMark(last)) : null, isUnsure: false };
  const isGrouped = GROUPED.test(numeral) && !numeral.startsWith('0');
  if (!isGrouped) return { says: ofMark(last), isUnsure: false };
  return { says: null, isUnsure: last === ',' };
}

/** What the decimals of a table stand behind. */
export interface Decimals {
  /** Null where its numbers do not say, or say both. */
  readonly mark: DecimalMark | null;
  /** A cell that is another number with the other mark, where the file does not decide: somebody has to. */
  readonly unsure: string | null;
}

const isNumber = (target: ColumnTarget): boolean =>
  target.kind === 'number' ||
  (target.kind === 'reading' && target.column === 'totalF') ||
  (target.kind === 'word' && target.column === 'price');

/** Looks at all numbers of a table. */
export function decimalsOf(table: Table, columns: readonly ColumnTarget[]): Decimals {
  const said = new Set<DecimalMark>();
  let unsure: string | null = null;
  for (const numeral of numeralsIn(table, columns)) {
    const marks = marksOf(numeral);
    if (marks.says) said.add(marks.says);
    if (marks.isUnsure) unsure ??= numeral;
  }
  const [mark = null] = said.size === 1 ? said : [];
  return { mark, unsure: mark === null ? unsure : null };
}

function* numeralsIn(table: Table, columns: readonly ColumnTarget[]): Generator<string> {
  const places = columns.flatMap((target, i) => (isNumber(target) ? [i] : []));
  for (const { cells } of table.rows) {
    for (const i of places) {
      const numeral = NUMERAL.exec((cells[i] ?? '').trim())?.[2];
      if (numeral !== undefined) yield numeral;
    }
  }
}

/** A cell with a point before its decimals and nothing between its thousands. */
export function withPoint(text: string, mark: DecimalMark | null): string {
  const found = NUMERAL.exec(text);
  if (!found) return text;
  const [whole, sign, numeral] = found as unknown as [string, string, string];
  const { says } = marksOf(numeral);
  const isGrouped = GROUPED.test(numeral) && !numeral.startsWith('0');
  // Without a word from the file a single mark is a decimal mark.
  const decimal =
    says ?? (isGrouped && mark !== null ? mark : ofMark(/[.,]/u.exec(numeral)?.[0] ?? '.'));
  const [keep, drop] = decimal === 'comma' ? [',', '.'] : ['.', ','];
  const plain = numeral.replaceAll(drop, '').replaceAll(keep, '.');
  return `${sign}${plain}${text.slice(whole.length)}`;
}
