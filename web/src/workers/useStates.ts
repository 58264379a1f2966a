import { chainOf, switchesOn, type Chain, type Rig, type StatesAnalysis } from '@gullwind/core';
import { useMemo } from 'react';
import { questionsWorker } from './workers';
import { useLatest } from './useLatest';
import { useOwned } from './useOwned';

interface Question {
  readonly chain: Chain;
  readonly counted: readonly string[];
  /** Of the way that is looked at. */
  readonly rowId: string;
}

/** All states of a rig, with the very rig and switches they belong to. */
export interface AnalysedStates extends Question {
  readonly rig: Rig;
  readonly states: StatesAnalysis;
}

const analyse = async ({
  chain,
  counted,
  rowId,
}: Question): Promise<Omit<AnalysedStates, 'rig'>> => ({
  chain,
  counted,
  rowId,
  states: await questionsWorker().analyseStates(chain, counted, rowId),
});

/**
 * Analyses all combinations of a rig's switches in the worker.
 *
 * @param rig null while nobody looks; @param leftOut ids of switches that do not count
 */
export function useStates(
  rig: Rig | null,
  rowId: string,
  leftOut: ReadonlySet<string>,
): AnalysedStates | null {
  const chain = rig && chainOf(rig);
  const question = useMemo(
    () =>
      chain && {
        chain,
        counted: switchesOn(chain, rowId).filter((id) => !leftOut.has(id)),
        rowId,
      },
    [chain, rowId, leftOut],
  );
  const answer = useLatest(question, analyse);
  return useOwned(rig, question && answer);
}
