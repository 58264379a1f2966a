import { analyseRig, routeRows, SectionSolver, type Analysis, type Chain } from '@gullwind/core';
import { expose } from 'comlink';

/// What the Run and the curve show, in a worker that does nothing else: it follows the hand.

const solver = new SectionSolver();

const analysisApi = {
  /** Every way of a rig, by the row that arrives at its end. */
  analyse: (chain: Chain): Record<string, Analysis> =>
    Object.fromEntries(routeRows(chain).map(({ id }) => [id, analyseRig(chain, solver, id)])),
};

export type AnalysisApi = typeof analysisApi;

expose(analysisApi);
