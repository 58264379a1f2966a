import {
  analyseRig,
  analyseStates,
  lengthBudget,
  SectionSolver,
  type Analysis,
  type LengthBudget,
  type Rig,
  type StatesAnalysis,
} from '@gullwind/core';
import { expose } from 'comlink';

const solver = new SectionSolver();

const analysisApi = {
  analyse: (rig: Rig): Analysis => analyseRig(rig, solver),
  analyseStates: (rig: Rig, counted: readonly string[]): StatesAnalysis =>
    analyseStates(rig, counted),
  lengthBudgets: (rig: Rig, leadIndex: number, dropsDb: readonly number[]): LengthBudget[] =>
    dropsDb.map((dropDb) => lengthBudget(rig, leadIndex, dropDb, 'straightIn')),
};

export type AnalysisApi = typeof analysisApi;

expose(analysisApi);
