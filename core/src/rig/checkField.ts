import { formatQuantity, parseQuantity, type UnitSystem } from '../quantity';
import { LONGEST_SOURCE, type Sourced, type FieldRule } from '../gear';
import { isDay } from './day';

/** A refused value: which field, what was wrong, and the limit where there is one. */
export interface FieldProblem {
  readonly field: string;
  readonly message: string;
  readonly limit?: number;
}

/** Whether a number fits a field; the message names field, value and limit. */
export function checkField(
  rule: FieldRule,
  value: number,
  system: UnitSystem = 'metric',
): FieldProblem | null {
  const show = (si: number) => formatQuantity(si, rule.quantity, system);
  if (!Number.isFinite(value)) {
    return { field: rule.label, message: `${rule.label}: ${String(value)} is not a number.` };
  }
  if (rule.quantity === 'count' && !Number.isInteger(value))
    return { field: rule.label, message: `${rule.label}: ${value} is not a whole number.` };
  if (value < rule.min) {
    return {
      field: rule.label,
      message: `${rule.label}: ${showValue(value, show)}, at least ${show(rule.min)}.`,
      limit: rule.min,
    };
  }
  if (value > rule.max) {
    return {
      field: rule.label,
      message: `${rule.label}: ${showValue(value, show)}, at most ${show(rule.max)}.`,
      limit: rule.max,
    };
  }
  return null;
}

/** A number with its origin: in range, its tolerance a share of it, its day a day. */
export function checkSourced(rule: FieldRule, sourced: Sourced): FieldProblem | null {
  const { value, tolerance, on, by } = sourced;
  const problem = checkField(rule, value);
  if (problem) return problem;
  const refuse = (what: string): FieldProblem => ({
    field: rule.label,
    message: `${rule.label}, ${what}`,
  });
  if (tolerance !== undefined && !(tolerance > 0 && tolerance <= 1)) {
    const shown = Number((tolerance * 100).toPrecision(4));
    return refuse(`tolerance: ${shown} % is not above 0 % and up to 100 %.`);
  }
  if (on !== undefined && !isDay(on))
    return refuse(`day: “${on}” is not a day such as 2026-11-25.`);
  if (by !== undefined && by.length > LONGEST_SOURCE) {
    return refuse(`source: ${by.length} characters, at most ${LONGEST_SOURCE}.`);
  }
  return null;
}

/** Absurd values are shown as powers of ten rather than as a row of zeros. */
function showValue(value: number, show: (si: number) => string): string {
  return Math.abs(value) < 1e12 ? show(value) : value.toExponential(0).replace('e+', 'e');
}

export type FieldInput =
  | { readonly kind: 'ok'; readonly si: number }
  | { readonly kind: 'refused'; readonly message: string };

/** Reads what was typed into a field and holds it against the field's range. */
export function readField(rule: FieldRule, text: string, system: UnitSystem): FieldInput {
  const parsed = parseQuantity(text, rule.quantity, system);
  if (parsed.kind !== 'ok') return { kind: 'refused', message: `${rule.label}: ${parsed.message}` };
  const problem = checkField(rule, parsed.si, system);
  return problem ? { kind: 'refused', message: problem.message } : parsed;
}
