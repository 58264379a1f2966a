import {
  movePoint,
  parseQuantity,
  powerOfTen,
  PROVENANCES,
  QUANTITY_RULES,
  type FieldRule,
  type Provenance,
  type Sourced,
} from '@gullwind/core';
import { bareUnit } from './columns';
import { withPoint, type DecimalMark } from './decimals';

/// Cells as they are written and read. A cell never begins like a formula.

const FORMULA = /^(?:\s*[=+\-@]|[\t\r])/u;
/** A number and nothing behind it. */
const NUMBER = /^-?\d+(?:\.\d+)?(?:e[+-]?\d+)?$/iu;

/** A mark in front keeps a spreadsheet from running what is only text. */
export const guardCell = (text: string): string =>
  (FORMULA.test(text) && !NUMBER.test(text)) || text.startsWith("'") ? `'${text}` : text;

export const unguardCell = (text: string): string =>
  /^'(?:\s*['=+\-@]|[\t\r])/u.test(text) ? text.slice(1) : text;

export type ReadNumber =
  | { readonly kind: 'ok'; readonly si: number }
  | { readonly kind: 'refused'; readonly message: string };

/** Without a unit of its own. */
export const isBare = (text: string): boolean => /^[+-]?[\d.,]+(e[+-]?\d+)?$/iu.test(text.trim());

/**
 * A number in its cell's own unit, in its header's, or in the one it usually has.
 *
 * @param mark before the decimals of the file, where that is known
 */
export function readNumberCell(
  rule: FieldRule,
  cell: string,
  unit: string,
  mark: DecimalMark | null = null,
): ReadNumber {
  const text = withPoint(cell.trim(), mark);
  const parsed = parseQuantity(
    isBare(text) && unit !== '' ? `${text} ${unit}` : text,
    rule.quantity,
    'metric',
  );
  if (parsed.kind === 'ok') return parsed;
  return { kind: 'refused', message: `${rule.label}: ${parsed.message}` };
}

/** Bare in the unit of its column, with every digit that the number has. */
export function writeNumberCell(rule: FieldRule, value: number): string {
  const { factor } = QUANTITY_RULES[rule.quantity].bare.metric;
  const power = powerOfTen(factor);
  if (power !== null) return movePoint(String(value), -power);
  const bare = String(Number((value / factor).toPrecision(14)));
  const back = readNumberCell(rule, bare, bareUnit(rule));
  // Milliampere hours are no power of ten: what they cannot say to the last digit is said in coulombs.
  return back.kind === 'ok' && back.si === value ? bare : `${value} C`;
}

/** "measured; on 2026-09-14; ±5 %; by bench meter" */
export function writeOrigin({ from, on, by, tolerance }: Sourced): string {
  const parts = [
    from as string,
    on && `on ${on}`,
    tolerance !== undefined && `±${writeShare(tolerance)}`,
    by && `by ${by}`,
  ];
  return parts.filter(Boolean).join('; ');
}

const writeShare = (share: number): string => {
  const percent = Number((share * 100).toPrecision(12));
  return percent / 100 === share ? `${percent} %` : String(share);
};

export function readOrigin(text: string): Omit<Sourced, 'value'> | null {
  const [first = '', ...rest] = text.split('; ');
  if (!PROVENANCES.includes(first as Provenance)) return null;
  let origin: Omit<Sourced, 'value'> = { from: first as Provenance };
  for (const [i, part] of rest.entries()) {
    if (part.startsWith('by ')) return { ...origin, by: rest.slice(i).join('; ').slice(3) };
    if (part.startsWith('on ')) origin = { ...origin, on: part.slice(3) };
    else if (part.startsWith('±')) origin = { ...origin, tolerance: readShare(part.slice(1)) };
    else return null;
  }
  return origin;
}

const readShare = (text: string): number =>
  text.endsWith('%') ? Number(text.slice(0, -1).replace(',', '.')) / 100 : Number(text);
