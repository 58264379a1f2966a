import { analyseRig, routeRows, SectionSolver, type Analysis, type Rig } from '@gullwind/core';
import { expose } from 'comlink';

/// What the Run and the curve show, in a worker that does nothing else: it follows the hand.

const solver = new SectionSolver();

const analysisApi = {
  /** Every way of a rig, by the row that arrives at its end. */
  analyse: (rig: Rig): Record<string, Analysis> =>
    Object.fromEntries(routeRows(rig).map(({ id }) => [id, analyseRig(rig, solver, id)])),
};

export type AnalysisApi = typeof analysisApi;

expose(analysisApi);
