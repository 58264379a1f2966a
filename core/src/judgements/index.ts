export { adviseRig, heed, sayAdvice, sayFirstStep, stepOf } from './advice';
export type { Advice, AdvisedJudgement, FirstStep, Said } from './advice';
export { explainRig } from './explain';
export type { Explanation } from './explain';
export { judgeRig } from './judge';
export { APPROACH_WORDS } from './judgement';
export type { Judgement, JudgementKind } from './judgement';
export type { Remedy } from './remedy';
export { worseInUse } from './worse';
