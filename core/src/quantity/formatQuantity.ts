import { QUANTITY_RULES, type Quantity, type ShownUnit, type UnitSystem } from './quantity';

const MINUS = '−';

/** Writes digits as print does: a true minus sign, no exponent, no trailing zeros, no "−0". */
export function formatNumber(value: number, decimals: number): string {
  const fixed = value.toFixed(decimals);
  const short = fixed.includes('.') ? fixed.replace(/\.?0+$/u, '') : fixed;
  return short === '-0' ? '0' : short.replace('-', MINUS);
}

/** A level difference in dB with its sign always shown: "+0.4", "−2.2", "0.0". */
export function formatSignedDb(db: number, decimals = 1): string {
  const fixed = Math.abs(db).toFixed(decimals);
  if (Number(fixed) === 0) return fixed;
  return `${db < 0 ? MINUS : '+'}${fixed}`;
}

/**
 * Writes an SI value with a unit people use for it: "18 m", "2.2 H", "470 kΩ", "59.1 ft".
 *
 * @param si finite SI value
 * @returns up to `digits` (3) significant digits beyond the leading integer part, then a no-break space and the unit
 */
export function formatQuantity(
  si: number,
  quantity: Quantity,
  system: UnitSystem,
  digits = 3,
): string {
  const unit = chooseUnit(si, QUANTITY_RULES[quantity].shown[system]);
  const number = formatNumber(si / unit.factor, decimalsFor(si / unit.factor, digits));
  return unit.symbol === '' ? number : `${number}\u00a0${unit.symbol}`;
}

/** Lengths that stand beside each other, all in metres or all in feet. */
export function formatStripLength(metres: number, system: UnitSystem): string {
  const unit = QUANTITY_RULES.length.bare[system];
  const decimals = Math.min(2, decimalsFor(metres / unit.factor, 3));
  return `${formatNumber(metres / unit.factor, decimals)}\u00a0${unit.symbol}`;
}

/** The same, precise enough that parsing it again gives the value back to 1 part in 10⁶: for editing fields. */
export function formatForEditing(si: number, quantity: Quantity, system: UnitSystem): string {
  return formatQuantity(si, quantity, system, 7).replace('\u00a0', ' ');
}

/** The largest unit that leaves at least 1 before the point, or the smallest there is. */
function chooseUnit(si: number, units: readonly ShownUnit[]): ShownUnit {
  const size = Math.abs(si) * (1 + 1e-9);
  if (size === 0) return units[units.length - 1]!;
  let chosen = units[0]!;
  for (const unit of units) if (size >= unit.factor) chosen = unit;
  return chosen;
}

function decimalsFor(shown: number, digits: number): number {
  const size = Math.abs(shown);
  if (size === 0) return 0;
  const integerDigits = Math.floor(Math.log10(size)) + 1;
  return Math.min(12, Math.max(0, digits - integerDigits));
}
