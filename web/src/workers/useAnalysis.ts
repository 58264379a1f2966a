import { chainOf, type Analysis, type Chain, type Rig } from '@gullwind/core';
import { analysisWorker } from './workers';
import { useLatest } from './useLatest';
import { useOwned } from './useOwned';

/** One way of a rig analysed, with the very rig it belongs to: the two are only ever shown together. */
export interface Analysed {
  readonly rig: Rig;
  readonly analysis: Analysis;
}

/** All ways of a rig, by the row that arrives at their destination. */
export interface AnalysedWays {
  readonly rig: Rig;
  readonly analyses: Readonly<Record<string, Analysis>>;
}

const analyse = async (chain: Chain) => ({
  chain,
  analyses: await analysisWorker().analyse(chain),
});

/** Analyses every way of a rig in the worker. */
export const useAnalysis = (rig: Rig): AnalysedWays | null =>
  useOwned(rig, useLatest(chainOf(rig), analyse));
