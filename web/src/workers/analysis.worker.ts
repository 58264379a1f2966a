import { analyseRig, SectionSolver, type Analysis, type Rig } from '@gullwind/core';
import { expose } from 'comlink';

const solver = new SectionSolver();

const analysisApi = {
  analyse: (rig: Rig): Analysis => analyseRig(rig, solver),
};

export type AnalysisApi = typeof analysisApi;

expose(analysisApi);
