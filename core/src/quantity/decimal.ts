/// Numbers as they are written: where a unit is a power of ten, to change it only moves the point, and no digit is lost.

const DECIMAL = /^([+-]?)(\d*)[.]?(\d*)(?:e([+-]?\d+))?$/iu;

/** The power of ten that a factor is, as it comes out of multiplied prefixes; null for another factor. */
export function powerOfTen(factor: number): number | null {
  const power = Math.round(Math.log10(factor));
  return Math.abs(factor / Number(`1e${power}`) - 1) < 1e-14 ? power : null;
}

/** Takes away the last-bit noise of factors, so that 1 ft 6 in are 0.4572 m and not 0.45720000000000005. */
export const withoutNoise = (value: number): number => Number(value.toPrecision(14));

/**
 * A number in a unit as its SI value: rounded once, as if it had been typed in SI.
 *
 * @param text a number with a point, such as "98.2" or "1e3"
 */
export function inSi(text: string, factor: number): number {
  const power = powerOfTen(factor);
  if (power === null) return withoutNoise(Number(text) * factor);
  const [digits, exponent = '0'] = text.toLowerCase().split('e');
  return Number(`${digits}e${Number(exponent) + power}`);
}

/**
 * Moves the point of a finite number: movePoint('9.978e-11', 12) is "99.78".
 *
 * @param places to the right; to the left below zero
 * @returns without an exponent, and without noughts that say nothing
 */
export function movePoint(text: string, places: number): string {
  const [, sign = '', whole = '', part = '', exponent = '0'] = DECIMAL.exec(text)!;
  const at = whole.length + Number(exponent) + places;
  const digits = '0'.repeat(Math.max(0, 1 - at)) + (whole + part).padEnd(at, '0');
  const point = Math.max(1, at);
  const before = digits.slice(0, point).replace(/^0+(?=\d)/u, '');
  const behind = digits.slice(point).replace(/0+$/u, '');
  return `${sign}${before}${behind === '' ? '' : `.${behind}`}`;
}
