import type { Edit, Rig } from '../../rig';
import type { Solve } from '../../program';
import { faultsOf } from '../faults';
import { alikeTogether } from './alike';
import { situationOf, type Situation } from './choices';
import { cableOf, fullestOf, shareOfChoice, shareOfLink } from './loads';
import { USUAL_PRICES, type PartPrices } from './parts';
import { presentOf } from './present';
import { GOALS, Search, TOLERANCE, type AssignGoal, type Assignment } from './search';

/// Who hangs where: feed all; then the least to buy; then the most headroom on the fullest outlet; then the least DC cable.
/// Each is made as good as it can be without giving up anything of those before it.

/** Without what would fill an outlet beyond this by itself. */
function notFuller(situation: Situation, most: number): Situation {
  const { choices, links } = situation;
  return {
    ...situation,
    choices: choices.filter((one) => shareOfChoice(one) <= most + TOLERANCE),
    links: links.filter((one) => shareOfLink(one, choices) <= most + TOLERANCE),
  };
}

/** No less cable feeds all of them. */
function leastCableM({ free, choices, links }: Situation): number {
  const of = (i: number): number =>
    Math.min(
      ...[...choices, ...links].filter(({ consumer }) => consumer === i).map((one) => one.lengthM),
    );
  return free.reduce((sum, _, i) => sum + of(i), 0);
}

export interface AssignProgress {
  readonly goal: AssignGoal;
  readonly done: number;
  readonly of: number;
  readonly best: Assignment | null;
}

export interface AssignAsked {
  readonly prices?: PartPrices;
  readonly doublerA?: number;
  /** For all goals together. */
  readonly seconds?: number;
  /** Nothing after this goal is looked for. */
  readonly upTo?: AssignGoal;
}

/**
 * Finds it goal by goal: a step says which is next and what is best so far. Outlets that are alike are taken together at
 * first; what is found so cannot be beaten, and where it can be met outlet by outlet it is the answer.
 */
export function* assignOutlets(
  rig: Rig,
  solve: Solve,
  { prices = USUAL_PRICES, doublerA, seconds = 20, upTo = 'cable' }: AssignAsked = {},
): Generator<AssignProgress, Assignment> {
  const situation = situationOf(rig, doublerA);
  const search = (of: Situation) => new Search(rig, of, prices, solve, seconds / GOALS.length);
  const together = upTo === 'cable' ? yield* likeTogether(situation, search) : null;
  if (together?.proven.length === GOALS.length) return orAsItIs(rig, situation, together);
  const whole = search(situation);
  yield* goalByGoal(whole, upTo, together);
  return orAsItIs(rig, situation, whole.assignment());
}

/** What hangs already, where what was found is no better. */
function orAsItIs(rig: Rig, situation: Situation, found: Assignment): Assignment {
  const present = found.unfed.length === 0 && found.price === 0 ? presentOf(situation) : null;
  const isRight = present && faultsOf(rig).length === 0;
  if (!isRight || found.headroom === null) return found;
  const { choices, links } = present;
  const headroom = 1 - fullestOf(choices, links);
  const cableM = cableOf(choices, links);
  const isAsGood = headroom >= found.headroom - TOLERANCE && cableM <= found.cableM + TOLERANCE;
  return isAsGood ? { ...found, feeds: rig.power.feeds, parts: {}, headroom, cableM } : found;
}

function* goalByGoal(
  whole: Search,
  upTo: AssignGoal,
  before: Assignment | null,
): Generator<AssignProgress, void> {
  for (const goal of GOALS) {
    yield stepOf(goal, whole.best() ?? before);
    if (!whole.isProven(goal) && !whole.improve(goal)) return;
    if (goal === upTo) return;
  }
}

const stepOf = (goal: AssignGoal, best: Assignment | null): AssignProgress => ({
  goal,
  done: GOALS.indexOf(goal),
  of: GOALS.length,
  best,
});

/** By way of the smaller question; null where that leads nowhere. */
function* likeTogether(
  situation: Situation,
  search: (of: Situation) => Search,
): Generator<AssignProgress, Assignment | null> {
  const alike = alikeTogether(situation);
  if (!alike) return null;
  const smaller = search(alike.situation);
  yield stepOf('fed', null);
  if (!smaller.improve('fed')) return null;
  yield stepOf('headroom', null);
  smaller.improve('headroom');
  const chosen = search(alike.outletByOutlet(smaller.chosen()));
  const first = chosen.meet(smaller) ? chosen.best()! : null;
  if (first && first.unfed.length === 0 && first.cableM <= leastCableM(situation) + TOLERANCE)
    return first;
  yield stepOf('cable', first);
  const met = search(notFuller(situation, smaller.fullest));
  return met.meet(smaller) ? met.best()! : first && { ...first, proven: first.proven.slice(0, -1) };
}

/** To the end at once. */
export function assignToEnd(rig: Rig, solve: Solve, asked: AssignAsked = {}): Assignment {
  const work = assignOutlets(rig, solve, asked);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** The edit that makes a rig fed as assigned. */
export const editOfAssignment = (rig: Rig, { feeds }: Assignment): Edit => ({
  kind: 'list',
  of: 'feeds',
  at: 0,
  remove: rig.power.feeds.length,
  insert: feeds,
});
