import {
  compareSupplies,
  planAllCuts,
  proposeFeeding,
  solverOf,
  type CompareQuestion,
  type CutGroup,
  type FeedingQuestion,
  type Solve,
} from '@gullwind/core';
import runtimeUrl from 'highs/runtime?url';

/// Long work that needs a solver of mixed-integer programs: it is loaded when the first of it is asked.

let loading: Promise<Solve> | null = null;

async function load(): Promise<Solve> {
  const { default: loadHighs } = await import('highs');
  return solverOf((await loadHighs({ locateFile: () => runtimeUrl })) as never);
}

/** What could not be loaded is tried again. */
function solver(): Promise<Solve> {
  loading ??= load().catch((error: unknown) => {
    loading = null;
    throw error;
  });
  return loading;
}

export const SOLVER_JOBS = {
  feeding: async (question: FeedingQuestion) => proposeFeeding(question, await solver()),
  cuts: async (question: { readonly groups: readonly CutGroup[] }) =>
    planAllCuts(question, await solver()),
  supplies: async (question: CompareQuestion) => compareSupplies(question, await solver()),
};
