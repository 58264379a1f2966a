import type { Problem } from '@gullwind/contract';
import type { Answer } from '../http';
import type { Absence, Asked } from './operation';

/// What an answer means for a write.

export const INTERNAL = 500;

/** A server that fails at the same thing again and again refuses it. */
export const FAILS: Problem = {
  type: 'about:blank',
  title: 'The server fails',
  status: INTERNAL,
  code: 'internal',
  detail: 'The server fails each time it is asked for this. It has been logged there.',
};

export const refusedWith = (problem: Problem): Asked => ({
  kind: 'refused',
  failure: { kind: 'refused', problem },
});

/** Why nothing was done, and it is asked again; null where that is an answer. */
export function absenceOf(answer: Answer<unknown>): Absence | null {
  if (answer.kind === 'away' || answer.kind === 'signInNeeded') return 'away';
  return answer.kind === 'refused' && answer.problem.code === 'no-room' ? 'noRoom' : null;
}
