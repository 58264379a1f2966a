import { useLayoutEffect, useRef, useState } from 'react';
import { sayFailure } from '../app/failures';

/** The hand rests. */
export const AT_REST_MS = 60;

/**
 * Answers a question that changes faster than it can be answered. While an answer is on its way the last
 * one stays; of several questions in the meantime only the latest is asked. Null asks nothing. A question that
 * fails is said so aloud, and has no answer.
 *
 * @param ask must be the same function from one render to the next
 * @param restMs asks when the question has stood still for so long: what only matters while the hand rests takes
 *   nothing from what follows it
 */
export function useLatest<Q, A>(
  question: Q | null,
  ask: (question: Q) => Promise<A>,
  restMs = 0,
): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  const wanted = useRef<Q | null>(null);
  const isBusy = useRef(false);

  // Before anything is painted: the answer is on its way meanwhile.
  useLayoutEffect(() => {
    const begin = () => {
      wanted.current = question;
      if (isBusy.current) return;
      isBusy.current = true;
      void answerWanted(wanted, ask, setAnswer).finally(() => (isBusy.current = false));
    };
    if (restMs === 0) return begin();
    const timer = setTimeout(begin, restMs);
    return () => clearTimeout(timer);
  }, [question, ask, restMs]);

  return answer;
}

async function answerWanted<Q, A>(
  wanted: { readonly current: Q | null },
  ask: (question: Q) => Promise<A>,
  show: (answer: A | null) => void,
): Promise<void> {
  for (let question = wanted.current; question !== null; question = wanted.current) {
    try {
      show(await ask(question));
    } catch (error) {
      show(null);
      const why = error instanceof Error ? error.message : String(error);
      sayFailure(`This could not be computed: ${why}`);
    }
    if (wanted.current === question) return;
  }
}
