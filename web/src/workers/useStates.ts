import { switchesOn, type Rig, type StatesAnalysis } from '@gullwind/core';
import { useMemo } from 'react';
import { questionsWorker } from './workers';
import { useLatest } from './useLatest';

interface Question {
  readonly rig: Rig;
  readonly counted: readonly string[];
  /** Of the way that is looked at. */
  readonly rowId: string;
}

/** All states of a rig, with the very rig and switches they belong to. */
export interface AnalysedStates extends Question {
  readonly states: StatesAnalysis;
}

const analyse = async ({ rig, counted, rowId }: Question): Promise<AnalysedStates> => ({
  rig,
  counted,
  rowId,
  states: await questionsWorker().analyseStates(rig, counted, rowId),
});

/**
 * Analyses all combinations of a rig's switches in the worker.
 *
 * @param rig null while nobody looks; @param left ids of switches that do not count
 */
export function useStates(
  rig: Rig | null,
  rowId: string,
  left: ReadonlySet<string>,
): AnalysedStates | null {
  const question = useMemo(
    () => rig && { rig, counted: switchesOn(rig, rowId).filter((id) => !left.has(id)), rowId },
    [rig, rowId, left],
  );
  const answer = useLatest(question, analyse);
  return question && answer;
}
