import { inSi, withoutNoise } from './decimal';
import { QUANTITY_RULES, type Quantity, type UnitSystem } from './quantity';

export type ParsedQuantity =
  | { readonly kind: 'ok'; readonly si: number }
  | { readonly kind: 'notANumber' | 'wrongUnit'; readonly message: string };

const NUMBER_THEN_UNIT = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?)\s*(.*)$/iu;
const FEET_AND_INCHES =
  /^(\d+(?:\.\d+)?)\s*(?:ft|feet|foot|'|′)\s*(\d+(?:\.\d+)?)\s*(?:in|inch|inches|"|″)$/u;
/** "4k7", "2n2", "1M5": the prefix stands where the decimal point would. */
const PREFIX_AS_POINT = /^(\d+)([pnumkKM])(\d+)$/u;

/**
 * Reads what a person typed into a field of one quantity.
 *
 * The field's quantity decides what a letter means: `m` is a metre in a length and milli elsewhere.
 * A bare number takes the unit shown in the given system. A decimal comma is read as a point.
 *
 * @returns the SI value (any finite number; ranges are the caller's business), or what is wrong with
 *   the text, in words that name the text and the quantity. Never throws on text.
 */
export function parseQuantity(
  text: string,
  quantity: Quantity,
  system: UnitSystem,
): ParsedQuantity {
  const cleaned = text.trim().replace(/[−–]/gu, '-').replace(/\s+/gu, ' ');
  const special = parseCompound(cleaned, quantity);
  if (special !== undefined) return { kind: 'ok', si: special };
  const match = NUMBER_THEN_UNIT.exec(cleaned);
  const noun = QUANTITY_RULES[quantity].noun;
  if (!match) return { kind: 'notANumber', message: `“${text}” is not ${noun}.` };
  const number = match[1]!.replace(',', '.');
  if (!Number.isFinite(Number(number)))
    return { kind: 'notANumber', message: `“${text}” is not ${noun}.` };
  const factor = unitFactor(match[2]!, quantity, system);
  if (factor === undefined) {
    const example = QUANTITY_RULES[quantity].bare[system].symbol || '0 to 10';
    return {
      kind: 'wrongUnit',
      message: `“${match[2]!}” is not a unit of ${noun.replace(/^an? /u, '')}; try ${example}.`,
    };
  }
  return { kind: 'ok', si: inSi(number, factor) };
}

function parseCompound(cleaned: string, quantity: Quantity): number | undefined {
  if (quantity === 'length' || quantity === 'size') {
    const match = FEET_AND_INCHES.exec(cleaned);
    if (!match) return undefined;
    const { bases } = QUANTITY_RULES.length;
    return withoutNoise(Number(match[1]) * bases.ft! + Number(match[2]) * bases.in!);
  }
  const match = PREFIX_AS_POINT.exec(cleaned);
  const prefix = match ? QUANTITY_RULES[quantity].prefixes[match[2]!] : undefined;
  if (!match || prefix === undefined || !('' in QUANTITY_RULES[quantity].bases)) return undefined;
  return inSi(`${match[1]!}.${match[3]!}`, prefix);
}

function unitFactor(typed: string, quantity: Quantity, system: UnitSystem): number | undefined {
  const { bare, bases, prefixes } = QUANTITY_RULES[quantity];
  const unit = typed.replace(/[µμ]/gu, 'u').replace(/ ?\/ ?/gu, '/');
  if (unit === '') return bare[system].factor;
  if (Object.hasOwn(bases, unit)) return bases[unit];
  const prefix = unit[0]!;
  const rest = unit.slice(1);
  if (!Object.hasOwn(prefixes, prefix) || !Object.hasOwn(bases, rest)) return undefined;
  return prefixes[prefix]! * bases[rest]!;
}
