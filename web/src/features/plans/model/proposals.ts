import {
  choosePlans,
  keyOfPlan,
  mainRow,
  TERM_WORDS,
  type Edit,
  type Effort,
  type PlanDetail,
  type PlanOnBoard,
  type PlansOnBoard,
  type Proposal,
  type RankedPlan,
  type Rig,
  type Weights,
} from '@gullwind/core';

/// Which proposals are shown in which order, which is looked at, and what using one does.

export const NO_PROPOSALS: readonly Proposal[] = [];

/** What a search has found, chosen for showing; none before it has found what leaving it alone is. */
export function proposalsOf(
  front: readonly RankedPlan[],
  known: Parameters<typeof choosePlans>[2],
): readonly Proposal[] {
  const asItIs = front.find(({ moves }) => moves.length === 0);
  return asItIs ? choosePlans(front, asItIs, known) : NO_PROPOSALS;
}

/** By what a list of plans can be sorted: what each takes, or how near it comes. */
export const ORDERS = {
  burden: ['what it takes', ({ minutes, cost }: Effort) => minutes + cost],
  cost: ['cost', ({ cost }: Effort) => cost],
  work: ['work', ({ minutes }: Effort) => minutes],
  effect: ['effect', (_: Effort, goal: number) => goal],
} as const;
export type Order = keyof typeof ORDERS;

/** The least first; what is even stays as it was. */
export function sortedBy(proposals: readonly Proposal[], order: Order): readonly Proposal[] {
  const [, by] = ORDERS[order];
  const value = ({ plan: { effort, score } }: Proposal) => by(effort, score.goal);
  return proposals.toSorted((a, b) => value(a) - value(b));
}

/** What was chosen, as long as it is there; else what is advised. */
export const lookedAt = (proposals: readonly Proposal[], chosen: string | null): Proposal | null =>
  proposals.find(({ plan }) => keyOfPlan(plan) === chosen) ??
  proposals.find(({ isAdvised }) => isAdvised) ??
  null;

const MOST_PINNED = 3;

/** One more to stand side by side, or one less; the first goes where they become too many. */
export const pinToggled = (pinned: readonly string[], key: string): readonly string[] =>
  pinned.includes(key)
    ? pinned.filter((other) => other !== key)
    : [...pinned, key].slice(-MOST_PINNED);

/** Proposals with the minutes that Build asks for, where they are known. */
export const withMinutes = (
  proposals: readonly Proposal[],
  onBoard: PlansOnBoard,
): readonly Proposal[] =>
  proposals.map((proposal) => {
    const { plan } = proposal;
    const known = onBoard.get(keyOfPlan(plan));
    if (!known) return proposal;
    const effort = { ...plan.effort, minutes: known.rework.minutes };
    return { ...proposal, plan: { ...plan, effort } };
  });

/** What using a plan does to the rig, with its board where it has one; null where there is nothing to do, or it is not known yet. */
export function takenOver(
  detail: Pick<PlanDetail, 'plan' | 'edit'> | null | undefined,
  onBoard: Pick<PlanOnBoard, 'edit'> | null | undefined,
): Edit | null {
  if (!detail || detail.plan.moves.length === 0) return null;
  return onBoard?.edit ?? detail.edit;
}

/** "15 min · nothing to buy", "22 min, soldering · about 80". */
export function sayEffort({ minutes, solders, cost, isCostAssumed, boxes }: Effort): string {
  if (minutes === 0) return 'nothing to do';
  const work = `${minutes} min${solders ? ', soldering' : ''}`;
  const money = cost === 0 ? 'nothing to buy' : `${isCostAssumed ? 'about ' : ''}${cost}`;
  const more = boxes === 0 ? '' : ` · ${boxes} box${boxes > 1 ? 'es' : ''} more`;
  return `${work} · ${money}${more}`;
}

/** What is left of a goal; a dash where it cannot be reached at all. */
export const showGoal = (goal: number): string => (Number.isFinite(goal) ? goal.toFixed(2) : '–');

/** What a goal is as the length of a line. */
export const lineOf = (goal: number): number => (Number.isFinite(goal) ? goal : 0);

/** A part of a goal with its unit. */
export function showTerm(name: keyof Weights, value: number): string {
  const { unit } = TERM_WORDS[name];
  if (unit === '') return value.toFixed(1);
  return `${value.toFixed(2)} ${unit === 'semitones' ? 'st' : unit}`;
}

/** The ways to be drawn, as it is and with the plan, each with the rig that it belongs to. */
export function waysOf(rig: Rig, detail: Pick<PlanDetail, 'plan' | 'rig' | 'before' | 'after'>) {
  const rowId = mainRow(rig).id;
  const before = {
    ...{ name: 'before', title: 'As it is', rig },
    analysed: { rig, analyses: { [rowId]: detail.before } },
  };
  const after = {
    ...{ name: 'after', title: 'With the plan', rig: detail.rig },
    analysed: { rig: detail.rig, analyses: { [rowId]: detail.after } },
  };
  return { rowId, ways: detail.plan.moves.length === 0 ? [before] : [before, after] };
}

/** Whose curve is the plan's, and whose is drawn behind it. */
export function curvesOf(detail: Pick<PlanDetail, 'plan' | 'rig' | 'before' | 'after'>) {
  const { plan, rig, before, after } = detail;
  const isChanged = plan.moves.length > 0;
  return {
    now: { rig, analysis: after },
    nowName: isChanged && before.kind === 'sounding' ? 'with the plan' : 'now',
    behind:
      isChanged && before.kind === 'sounding'
        ? [{ id: 'before', name: 'as it is', nowDb: before.nowDb }]
        : [],
  };
}
