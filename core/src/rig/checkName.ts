import { LONGEST_NAME } from '../gear';
import type { RigProblem } from './rigProblem';

/** A name has something to read in it and fits a label. */
export function* checkName(name: string, path: string): Generator<RigProblem> {
  if (name.trim() === '')
    yield { path, message: 'Name: it is empty; at least 1 character is needed.' };
  else if (name.length > LONGEST_NAME) {
    yield { path, message: `Name: ${name.length} characters, at most ${LONGEST_NAME}.` };
  }
}
