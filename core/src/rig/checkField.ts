import { formatQuantity, parseQuantity, type UnitSystem } from '../quantity';
import type { FieldRule } from './fields';

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
  if (value < rule.min) {
    return {
      field: rule.label,
      message: `${rule.label}: ${showValue(value, show)} is below the least, ${show(rule.min)}.`,
      limit: rule.min,
    };
  }
  if (value > rule.max) {
    return {
      field: rule.label,
      message: `${rule.label}: ${showValue(value, show)} is above the most, ${show(rule.max)}.`,
      limit: rule.max,
    };
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
