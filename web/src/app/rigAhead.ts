import type { StoredRig } from '@gullwind/contract';
import { ask, type Answer } from './http';

/// A rig is asked for while the page that shows it is still being loaded.

/** What was asked longer ago may be another by now. */
const FRESH_MS = 3000;

interface Ahead {
  readonly id: string;
  readonly askedAt: number;
  readonly answer: Promise<Answer<StoredRig>>;
}

let ahead: Ahead | null = null;

const isFresh = (id: string): boolean =>
  ahead?.id === id && performance.now() - ahead.askedAt < FRESH_MS;

export function fetchAhead(id: string): void {
  if (isFresh(id)) return;
  ahead = {
    id,
    askedAt: performance.now(),
    answer: ask<StoredRig>({ path: `/rigs/${id}`, mayBeKept: true }),
  };
}

/** The answer that is on its way, once; null where there is none. */
export function takeAhead(id: string): Promise<Answer<StoredRig>> | null {
  const answer = isFresh(id) ? ahead!.answer : null;
  ahead = null;
  return answer;
}
