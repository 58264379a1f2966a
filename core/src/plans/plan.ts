import type { Rig } from '../rig';
import type { Score } from './evaluate';
import type { Effort, Move } from './move';

/** Some moves together, in working order; none at all is leaving the rig alone. */
export interface RankedPlan {
  readonly moves: readonly Move[];
  readonly score: Score;
  /** Of all moves together. */
  readonly effort: Effort;
}

/** Names a plan whatever search found it. */
export const keyOfPlan = ({ moves }: Pick<RankedPlan, 'moves'>): string =>
  moves.map(({ key }) => key).join(' + ');

export function effortOf(moves: readonly Move[]): Effort {
  const sum = (value: (effort: Effort) => number) =>
    moves.reduce((total, { effort }) => total + value(effort), 0);
  return {
    minutes: sum(({ minutes }) => minutes),
    solders: moves.some(({ effort }) => effort.solders),
    cost: sum(({ cost }) => cost),
    isCostAssumed: moves.some(({ effort }) => effort.isCostAssumed),
    boxes: sum(({ boxes }) => boxes),
    buys: moves.flatMap(({ effort }) => effort.buys),
  };
}

/** Whether moves together stay within the limits of a brief. */
export function isAllowed({ texts: { brief } }: Rig, { cost, boxes }: Effort): boolean {
  return cost <= (brief.mostMoney ?? Infinity) && boxes <= (brief.mostBoxes ?? Infinity);
}
