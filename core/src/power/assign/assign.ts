import type { AdaptorClass } from '../../gear';
import type { Edit, PowerFeed, Rig } from '../../rig';
import { situationOf, type Choice, type Link, type Situation } from './choices';
import { faultsOf } from '../faults';
import { alikeTogether } from './alike';
import { Hanging } from './hanging';
import { presentOf } from './present';
import { modelOf, type Model } from './model';
import { newParts, partsOfFeeds, USUAL_PRICES, type PartPrices } from './parts';
import {
  valueOf,
  writeProgram,
  type Program,
  type Row,
  type Solution,
  type Solve,
  type Sum,
} from '../../program';

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

export type AssignGoal = 'fed' | 'bought' | 'headroom' | 'cable';
const GOALS: readonly AssignGoal[] = ['fed', 'bought', 'headroom', 'cable'];

export interface Assignment {
  /** Every feed of the rig, those that are fixed as they were. */
  readonly feeds: readonly PowerFeed[];
  readonly unfed: readonly string[];
  /** Parts that are not in the rig yet. */
  readonly parts: Readonly<Partial<Record<AdaptorClass, number>>>;
  readonly price: number;
  /** What is free on the fullest outlet, as a share; null where nothing was assigned. */
  readonly headroom: number | null;
  /** Of what was assigned. */
  readonly cableM: number;
  /** The goals that are proven best, in their order. */
  readonly proven: readonly AssignGoal[];
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

const TOLERANCE = 1e-7;
const BOTH: readonly AssignGoal[] = ['fed', 'bought'];

const shareOfChoice = ({ amps, on, second }: Choice): number =>
  amps / Math.min(on.amps, second?.amps ?? Infinity);

/** With its head alone. */
function shareOfLink({ head, amps, on }: Link, choices: readonly Choice[]): number {
  if (typeof head === 'object') return (head.state.amps + amps) / on.amps;
  const first = choices.find((one) => one.consumer === head && one.on === on);
  return (amps + (first?.amps ?? 0)) / on.amps;
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
  return orAsItIs(rig, situation, whole.best() ?? whole.nothing());
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

const cableOf = (choices: readonly Choice[], links: readonly Link[]): number =>
  [...choices, ...links].reduce((sum, { lengthM }) => sum + lengthM, 0);

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

class Search {
  private readonly model: Model;
  private rows: Row[];
  private readonly bounded: (readonly [string, number])[];
  private readonly cost: Sum;
  private values: Solution['values'] | null = null;
  private readonly proven: AssignGoal[] = [];
  private feedsAll = false;

  constructor(
    private readonly rig: Rig,
    private readonly situation: Situation,
    private readonly prices: PartPrices,
    private readonly solve: Solve,
    private readonly secondsEach: number,
  ) {
    this.model = modelOf(situation);
    const { cost, rows, bounded } = this.buying();
    this.cost = cost;
    this.rows = [...this.model.program.rows, ...rows];
    this.bounded = [...this.model.program.bounded, ...bounded];
  }

  /** What is needed beyond the parts that the rig already has. */
  private buying(): {
    cost: Sum;
    rows: readonly Row[];
    bounded: readonly (readonly [string, number])[];
  } {
    const used = partsOfFeeds(this.rig.power.feeds);
    const kept = partsOfFeeds(this.rig.power.feeds.filter(({ isFixed }) => isFixed));
    const classes = (Object.keys(this.prices) as AdaptorClass[]).filter(
      (of) => this.uses(of).length > 0,
    );
    return {
      cost: classes.map((of) => [this.prices[of], `buy${of}`]),
      rows: classes.map((of) => ({
        sum: [...this.uses(of), [-1, `buy${of}`]],
        is: '<=',
        value: (used[of] ?? 0) - (kept[of] ?? 0),
      })),
      bounded: classes.map((of) => [`buy${of}`, this.situation.free.length]),
    };
  }

  private uses(of: AdaptorClass): Sum {
    const { choices, links } = this.situation;
    const { choiceVariables, linkVariables } = this.model;
    return [
      ...choices.flatMap(({ parts }, i) =>
        parts.includes(of) ? [[1, choiceVariables[i]!] as const] : [],
      ),
      ...links.flatMap(({ parts }, i) =>
        parts.includes(of) ? [[1, linkVariables[i]!] as const] : [],
      ),
    ];
  }

  /** What it has chosen. */
  chosen(): { readonly choices: readonly Choice[]; readonly links: readonly Link[] } {
    const { choices, links } = this.situation;
    const isOn = (variable: string): boolean => (this.values?.[variable] ?? 0) > 0.5;
    return {
      choices: choices.filter((_, i) => isOn(this.model.choiceVariables[i]!)),
      links: links.filter((_, i) => isOn(this.model.linkVariables[i]!)),
    };
  }

  get fullest(): number {
    return this.values?.[this.model.fullest] ?? 1;
  }

  isProven(goal: AssignGoal): boolean {
    return this.proven.includes(goal);
  }

  private goalOf(goal: AssignGoal): Sum {
    switch (goal) {
      case 'fed':
        return this.fedThenBought();
      case 'bought':
        return this.cost;
      case 'headroom':
        return [[1, this.model.fullest]];
      case 'cable':
        return this.feedsAll ? this.model.excessM : this.model.lengthM;
    }
  }

  /** One more fed outweighs all that could be bought, so that both are found at once. */
  private fedThenBought(): Sum {
    const dearest = Math.max(1, ...this.cost.map(([price]) => price));
    const most = 2 * this.situation.free.length + 1;
    return [
      ...this.model.fed.map(([times, variable]) => [-most * times, variable] as const),
      ...this.cost.map(([price, variable]) => [price / dearest, variable] as const),
    ];
  }

  /** Of no part can more be bought than the least price pays for. */
  private mostOfEach(): readonly Row[] {
    const price = valueOf(this.cost, this.values!);
    return this.cost.flatMap(([each, variable]): Row[] =>
      each > 0
        ? [{ sum: [[1, variable]], is: '<=', value: Math.floor(price / each + TOLERANCE) }]
        : [],
    );
  }

  /** As good as another search has proven that it can be at best, with the least cable. @returns whether that is possible */
  meet(other: Search): boolean {
    if (!other.values || !other.isProven('headroom')) return false;
    const fed = valueOf(other.model.fed, other.values);
    const bought = valueOf(other.cost, other.values);
    const most = other.fullest;
    this.rows = [
      ...this.rows,
      { sum: this.model.fed, is: '>=', value: fed - TOLERANCE },
      { sum: this.cost, is: '<=', value: bought + TOLERANCE * Math.max(1, bought) },
      { sum: [[1, this.model.fullest]], is: '<=', value: most + TOLERANCE },
      ...other.mostOfEach(),
    ];
    this.feedsAll = other.feedsAll;
    if (!this.improve('cable') || !this.isProven('cable')) return false;
    this.proven.unshift('fed', 'bought', 'headroom');
    return true;
  }

  /** Makes one goal as good as it can be, and holds it from then on. @returns whether there is anything to go on with */
  improve(goal: AssignGoal): boolean {
    if (this.situation.choices.length + this.situation.links.length === 0) return false;
    const sum = this.goalOf(goal);
    const program: Program = { ...this.model.program, rows: this.rows, bounded: this.bounded };
    const found = this.solve(writeProgram(program, sum), this.secondsEach);
    if (found.kind === 'infeasible' || found.kind === 'unknown') return false;
    this.values = found.values;
    if (found.kind === 'optimal') this.proven.push(...(goal === 'fed' ? BOTH : [goal]));
    const value = valueOf(sum, found.values);
    if (goal === 'fed') {
      this.feedsAll = valueOf(this.model.fed, found.values) > this.situation.free.length - 0.5;
      this.rows = [...this.rows, ...this.mostOfEach()];
    }
    this.rows = [
      ...this.rows,
      { sum, is: '<=', value: value + TOLERANCE * Math.max(1, Math.abs(value)) },
    ];
    return true;
  }

  best(): Assignment | null {
    return this.values === null ? null : this.assignment();
  }

  nothing(): Assignment {
    return this.assignment();
  }

  private assignment(): Assignment {
    const { situation, rig } = this;
    const { choices, links } = this.chosen();
    const feeds = new Hanging(rig, situation).hang(choices, links);
    const known = new Set(feeds.map(({ consumer }) => consumer));
    const parts = newParts(rig.power.feeds, feeds);
    const bought = Object.entries(parts) as [AdaptorClass, number][];
    return {
      feeds,
      unfed: situation.free.filter(({ id }) => !known.has(id)).map(({ id }) => id),
      parts,
      price: bought.reduce((sum, [of, count]) => sum + this.prices[of] * count, 0),
      headroom: choices.length + links.length > 0 ? 1 - fullestOf(choices, links) : null,
      cableM: cableOf(choices, links),
      proven: [...this.proven],
    };
  }
}

/** The share of the fullest outlet of those that something was assigned to. */
function fullestOf(choices: readonly Choice[], links: readonly Link[]): number {
  const behind = (i: number): number =>
    links.filter(({ head }) => head === i).reduce((sum, { amps }) => sum + amps, 0);
  const own = choices.map(
    ({ consumer, amps, on, second }) =>
      (amps + behind(consumer)) / Math.min(on.amps, second?.amps ?? Infinity),
  );
  const fixed = new Set(links.map(({ head }) => head));
  const kept = [...fixed].flatMap((head) => {
    if (typeof head !== 'object') return [];
    const added = links.filter((one) => one.head === head).reduce((sum, { amps }) => sum + amps, 0);
    return [(head.state.amps + added) / head.on.amps];
  });
  return Math.max(0, ...own, ...kept);
}
