import { checkSourced } from './checkField';
import { FIELD_RULES, type PartKind } from '../gear';
import { readNumber } from './partValues';
import type { RigProblem } from './rigProblem';

/** Every number of a part within its rule. */
export function* checkNumbers(kind: PartKind, part: object, at: string): Generator<RigProblem> {
  for (const [path, rule] of Object.entries(FIELD_RULES[kind])) {
    const number = readNumber(part, path);
    const problem = number && checkSourced(rule, number);
    if (problem) yield { path: `${at}.${path}`, message: problem.message };
  }
}
