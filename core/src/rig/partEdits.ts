import {
  checkPlaces,
  CHOICE_RULES,
  fieldRule,
  isSameSourced,
  type GearKind,
  type PartKind,
  type Sourced,
  type Things,
} from '../gear';
import { checkSourced } from './checkField';
import { readNumber, writeAt } from './partValues';

/** One value of one part changed, or why not. `before` is what stood there. */
export type PartChange<T> =
  | { readonly kind: 'ok'; readonly part: object; readonly before: T }
  | { readonly kind: 'refused'; readonly message: string };

/** One number; the same part comes back, by identity, where it is that number already. */
export function setInPart(
  of: PartKind,
  part: object,
  field: string,
  to: Sourced,
): PartChange<Sourced> {
  const rule = fieldRule(of, field);
  const before = rule && readNumber(part, field);
  if (!rule || !before) return { kind: 'refused', message: `A ${of} has no field “${field}”.` };
  const problem = checkSourced(rule, to);
  if (problem) return { kind: 'refused', message: problem.message };
  if (isSameSourced(before, to)) return { kind: 'ok', part, before };
  const after = writeAt(part, field, to);
  // What has got smaller must still hold its jacks.
  const isSize = /\b(?:width|depth)M$/u.test(field);
  const beside = isSize
    ? [...checkPlaces(of as GearKind, after as Things[GearKind], 'it')].find(({ path }) =>
        path.includes('['),
      )
    : undefined;
  return beside
    ? { kind: 'refused', message: beside.message }
    : { kind: 'ok', part: after, before };
}

/** One word or yes/no out of those there are. */
export function chooseInPart(
  of: PartKind,
  part: object,
  field: string,
  to: string | boolean,
): PartChange<string | boolean> {
  const choices: Readonly<Record<string, readonly (string | boolean)[]>> = CHOICE_RULES[of];
  const before = readNumber(part, field) as unknown as string | boolean | undefined;
  if (!Object.hasOwn(choices, field) || before === undefined)
    return { kind: 'refused', message: `A ${of} has no choice “${field}”.` };
  if (!choices[field]!.includes(to)) {
    const message = `${field}: “${String(to)}” is not one of ${choices[field]!.join(', ')}.`;
    return { kind: 'refused', message };
  }
  return { kind: 'ok', part: before === to ? part : writeAt(part, field, to), before };
}
