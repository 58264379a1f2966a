import { formatQuantity } from '../quantity';
import type { PlaceProblem } from './placeProblem';
import type { FieldRule } from './fields';
import { MOST_OUTLETS, outletCount, type Supply } from './supply';

/// What a supply says of its outlets.

/** @param rules of the numbers of a group, by key @param at path of the supply */
export function* checkSupply(
  supply: Supply,
  rules: Readonly<Record<string, FieldRule>>,
  at: string,
): Generator<PlaceProblem> {
  const { name, groups } = supply;
  for (const [i, group] of groups.entries())
    for (const [key, { label, quantity, min, max }] of Object.entries(rules)) {
      const value = group[key as keyof typeof group] as number;
      const isWhole = quantity !== 'count' || Number.isInteger(value);
      if (Number.isFinite(value) && value >= min && value <= max && isWhole) continue;
      const say = (si: number): string => formatQuantity(si, quantity, 'metric');
      const message = `${name}, outlets ${i + 1}: ${label.toLowerCase()} ${say(value)} is not between ${say(min)} and ${say(max)}.`;
      yield { path: `${at}.groups[${i}].${key}`, message };
    }
  const count = outletCount(supply);
  if (groups.length === 0 || count > MOST_OUTLETS) {
    const message = `${name}: ${count} outlets, at least 1 and at most ${MOST_OUTLETS}.`;
    yield { path: `${at}.groups`, message };
  }
}
