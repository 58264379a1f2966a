import {
  analyseRig,
  analyseStates,
  drivePath,
  lengthBudget,
  routeOf,
  routeRows,
  SectionSolver,
  type Analysis,
  type LengthBudget,
  type Rig,
  type StatesAnalysis,
} from '@gullwind/core';
import { expose } from 'comlink';

const solver = new SectionSolver();

const analysisApi = {
  /** Every way of a rig, by the row that arrives at its end. */
  analyse: (rig: Rig): Record<string, Analysis> =>
    Object.fromEntries(routeRows(rig).map(({ id }) => [id, analyseRig(rig, solver, id)])),
  analyseStates: (rig: Rig, counted: readonly string[], rowId: string): StatesAnalysis =>
    analyseStates(rig, counted, rowId),
  lengthBudgets: (
    rig: Rig,
    rowId: string,
    leadId: string,
    dropsDb: readonly number[],
  ): LengthBudget[] => {
    const route = routeOf(rig, rowId);
    const path = drivePath(route);
    return dropsDb.map((dropDb) => lengthBudget(route, path, leadId, dropDb, 'straightIn'));
  },
};

export type AnalysisApi = typeof analysisApi;

expose(analysisApi);
