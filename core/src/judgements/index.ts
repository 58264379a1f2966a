export { explainRig } from './explain';
export type { Explanation } from './explain';
export { judgeRig } from './judge';
export { APPROACH_WORDS } from './judgement';
export type { Judgement, JudgementKind, JudgementNumber } from './judgement';
