import type { Analysis, Rig } from '@gullwind/core';
import { analysisWorker } from './analysisWorker';
import { useLatest } from './useLatest';

/** An analysis with the very rig it belongs to: the two are only ever shown together. */
export interface Analysed {
  readonly rig: Rig;
  readonly analysis: Analysis;
}

const analyse = async (rig: Rig): Promise<Analysed> => ({
  rig,
  analysis: await analysisWorker().analyse(rig),
});

/** Analyses a rig in the worker. */
export const useAnalysis = (rig: Rig): Analysed | null => useLatest(rig, analyse);
