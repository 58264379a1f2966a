import type { AdaptorClass } from '../../gear';
import type { PowerFeed, Rig } from '../../rig';
import type { Choice, Link, Situation } from './choices';
import { Hanging } from './hanging';
import { cableOf, fullestOf } from './loads';
import { modelOf, type Model } from './model';
import { newParts, partsOfFeeds, type PartPrices } from './parts';
import {
  valueOf,
  writeProgram,
  type Program,
  type Row,
  type Solution,
  type Solve,
  type Sum,
} from '../../program';

export type AssignGoal = 'fed' | 'bought' | 'headroom' | 'cable';
export const GOALS: readonly AssignGoal[] = ['fed', 'bought', 'headroom', 'cable'];

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

/** Twice what a solver may be off by in a row: what it found once must not be out of reach when it is held. */
export const TOLERANCE = 2e-6;
const BOTH: readonly AssignGoal[] = ['fed', 'bought'];

/** One question put to the solver goal by goal, each held once it is answered. */
export class Search {
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

  /** Of what it has chosen itself: the solver's own value may be a hair below. */
  get fullest(): number {
    if (this.values === null) return 1;
    const { choices, links } = this.chosen();
    return fullestOf(choices, links);
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
    const value = goal === 'headroom' ? this.fullest : valueOf(sum, found.values);
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

  /** What it has found; nothing fed where it has found nothing. */
  assignment(): Assignment {
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
