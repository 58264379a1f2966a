import {
  analyseRig,
  analyseStates,
  SectionSolver,
  type Analysis,
  type Rig,
  type StatesAnalysis,
} from '@gullwind/core';
import { expose } from 'comlink';

const solver = new SectionSolver();

const analysisApi = {
  analyse: (rig: Rig): Analysis => analyseRig(rig, solver),
  analyseStates: (rig: Rig, counted: readonly string[]): StatesAnalysis =>
    analyseStates(rig, counted),
};

export type AnalysisApi = typeof analysisApi;

expose(analysisApi);
