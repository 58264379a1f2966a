import { useEffect, useRef, useState } from 'react';
import { sayFailure } from '../app/failures';

/**
 * Answers a question that changes faster than it can be answered. While an answer is on its way the last
 * one stays; of several questions in the meantime only the latest is asked. Null asks nothing. A question that
 * fails is said so aloud, and has no answer.
 *
 * @param ask must be the same function from one render to the next
 */
export function useLatest<Q, A>(question: Q | null, ask: (question: Q) => Promise<A>): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  const wanted = useRef<Q | null>(null);
  const isBusy = useRef(false);

  useEffect(() => {
    wanted.current = question;
    if (isBusy.current) return;
    isBusy.current = true;
    void answerWanted(wanted, ask, setAnswer).finally(() => (isBusy.current = false));
  }, [question, ask]);

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
