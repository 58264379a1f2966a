import type { Failure, Rig } from '@gullwind/core';
import { useMemo } from 'react';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';

const ask = async ({ rig }: { readonly rig: Rig }) => ({
  rig,
  failures: await questionsWorker().powerFailures(rig),
});

/** What every failure leaves; the last answer until the next is there, null before the first. */
export function useFailures(rig: Rig): readonly Failure[] | null {
  const question = useMemo(() => ({ rig }), [rig]);
  const answer = useLatest(question, ask, AT_REST_MS);
  return answer?.rig === rig ? answer.failures : null;
}
