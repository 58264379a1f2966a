import { proxy } from 'comlink';
import { useCallback, useEffect, useId, useMemo, useRef, useState } from 'react';
import type { WorkState } from '../app/workState';
import type { Answer, JobName, Progress, Question } from './jobs';
import type { Outcome } from './workRunner';
import { workerOf } from './workers';

export type WorkStateOf<J extends JobName> = WorkState<Progress<J>, Answer<J>>;

export interface LongWork<J extends JobName> {
  readonly state: WorkStateOf<J>;
  /** Begins, or begins again. */
  readonly start: () => void;
  readonly stop: () => void;
}

interface Options {
  /** Begins by itself as soon as there is a question. */
  readonly begins: boolean;
}

const IDLE = { kind: 'idle' } as const;

/**
 * Asks one kind of long work. What is under way for a question that is another by now is let go of, and so is
 * its answer; null asks nothing.
 *
 * @param question the same object, by identity, as long as it is the same question
 */
export function useLongWork<J extends JobName>(
  job: J,
  question: Question<J> | null,
  { begins }: Options,
): LongWork<J> {
  const key = `${job} ${useId()}`;
  const [turn, setTurn] = useState<{ readonly of: Question<J> | null; readonly count: number }>({
    of: null,
    count: 0,
  });
  const [held, setHeld] = useState<{ of: Question<J>; state: WorkStateOf<J> } | null>(null);
  const isAsked = question !== null && (begins || turn.of === question);
  const count = turn.of === question ? turn.count : 0;

  useEffect(() => {
    if (!isAsked) return undefined;
    let isWanted = true;
    const show = (state: WorkStateOf<J>) => isWanted && setHeld({ of: question, state });
    show({ kind: 'running', progress: null });
    // Progress comes by a port of its own: some may still come after the end, or after a stop.
    const tell = (progress: Progress<J>) =>
      isWanted && setHeld((now) => now && { ...now, state: withProgress(now.state, progress) });
    void run(key, job, question, tell).then((outcome) => {
      if (outcome.kind !== 'stopped') show(outcome);
      else if (isWanted) setHeld((now) => now && { ...now, state: halted(now.state) });
    });
    return () => {
      isWanted = false;
      void workerOf(job).stop(key);
    };
  }, [key, job, question, isAsked, count]);

  const latest = useRef(question);
  latest.current = question;
  const start = useCallback(
    () => setTurn((before) => ({ of: latest.current, count: before.count + 1 })),
    [],
  );
  const stop = useCallback(() => {
    void workerOf(job).stop(key);
    setHeld((now) => now && { ...now, state: halted(now.state) });
  }, [job, key]);
  const state = held && held.of === question ? held.state : IDLE;
  return useMemo(() => ({ state, start, stop }), [state, start, stop]);
}

const halted = <P, A>(state: WorkState<P, A>): WorkState<P, A> =>
  state.kind === 'running' ? { kind: 'stopped', progress: state.progress } : state;

const withProgress = <P, A>(state: WorkState<P, A>, progress: P): WorkState<P, A> =>
  state.kind === 'running' ? { kind: 'running', progress } : state;

async function run<J extends JobName>(
  key: string,
  job: J,
  question: Question<J>,
  tell: (progress: Progress<J>) => void,
): Promise<Outcome<Answer<J>>> {
  try {
    const outcome = await workerOf(job).run(key, job, question, proxy(tell) as never);
    return outcome as unknown as Outcome<Answer<J>>;
  } catch (error) {
    return { kind: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}
