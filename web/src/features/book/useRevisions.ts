import type { Building, Rig, RigChange } from '@gullwind/core';
import { useEffect, useMemo, useState } from 'react';
import { ask, sayFailed } from '../../app/http';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';
import type { Side } from './model/sides';

export type Fetched =
  | { readonly kind: 'fetching' }
  | { readonly kind: 'failed'; readonly says: string }
  | { readonly kind: 'there'; readonly rig: Rig };

/** A rig as it was, or as it is. */
export function useSide(id: string, side: Side, now: Rig): Fetched {
  const [kept, setKept] = useState<{ readonly side: Side; readonly fetched: Fetched } | null>(null);
  useEffect(() => {
    if (side === 'now') return undefined;
    const stop = new AbortController();
    void ask<{ readonly rig: Rig }>({
      path: `/rigs/${id}/revisions/${side}`,
      signal: stop.signal,
    }).then((answer) => {
      if (stop.signal.aborted) return;
      const fetched: Fetched =
        answer.kind === 'ok'
          ? { kind: 'there', rig: answer.data.rig }
          : { kind: 'failed', says: sayFailed(answer) };
      setKept({ side, fetched });
    });
    return () => stop.abort();
  }, [id, side]);
  const here = useMemo((): Fetched => ({ kind: 'there', rig: now }), [now]);
  if (side === 'now') return here;
  return kept?.side === side ? kept.fetched : { kind: 'fetching' };
}

interface Asked {
  readonly before: Rig;
  readonly after: Rig;
  readonly building: Building;
}

const compare = async (question: Asked) => ({
  question,
  change: await questionsWorker().changeOf(question.before, question.after, question.building),
});

/** What a change is in words, figures and work; null until it is known. */
export function useChange(before: Fetched, after: Fetched, building: Building): RigChange | null {
  const { gear, units } = building;
  const question = useMemo(
    () =>
      before.kind === 'there' && after.kind === 'there'
        ? { before: before.rig, after: after.rig, building: { gear, units } }
        : null,
    [before, after, gear, units],
  );
  const answer = useLatest(question, compare, AT_REST_MS);
  return answer && answer.question === question ? answer.change : null;
}
