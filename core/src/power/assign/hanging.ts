import { assumed, USUAL_EFFICIENCY } from '../../gear';
import { feedOf, freshId, USUAL_DC_M, type PowerFeed, type Rig } from '../../rig';
import type { Choice, Link, OutletClass, Situation } from './choices';

/** Tells which outlet of those that are alike: the one a thing hangs on already, else the first that is free. */
export class Hanging {
  private readonly taken = new Set<string>();
  private ahead = 0;

  constructor(
    private readonly rig: Rig,
    private readonly situation: Situation,
  ) {
    for (const { outlets } of situation.feedings.supplies)
      for (const { supply, outlet, hung, helps } of outlets)
        if (hung.length + helps.length > 0) this.taken.add(`${supply.id} ${outlet}`);
  }

  hang(choices: readonly Choice[], links: readonly Link[]): readonly PowerFeed[] {
    const { free, rig } = { ...this.situation, rig: this.rig };
    const outlets = this.outletsFor(choices);
    const made = new Map<string, PowerFeed>();
    for (const choice of choices) {
      const [outlet, second = null] = outlets.get(choice)!;
      made.set(
        free[choice.consumer]!.id,
        this.feed(choice, { outlet: outlet!, second, after: null }),
      );
    }
    for (const link of links) {
      const { head } = link;
      const after = typeof head === 'object' ? head.head.id : free[head]!.id;
      const outlet = typeof head === 'object' ? head.state.outlet : made.get(after)!.outlet;
      made.set(free[link.consumer]!.id, this.feed(link, { outlet, second: null, after }));
    }
    const here = new Set(this.situation.free.map(({ id }) => id));
    const kept = rig.power.feeds.flatMap((feed) => {
      if (feed.isFixed || !here.has(feed.consumer)) return [feed];
      const now = made.get(feed.consumer);
      made.delete(feed.consumer);
      return now ? [now] : [];
    });
    return [...kept, ...made.values()];
  }

  /** Those that stay where they are first. */
  private outletsFor(choices: readonly Choice[]): ReadonlyMap<Choice, readonly number[]> {
    const found = new Map<Choice, readonly number[]>();
    const stays = (choice: Choice): boolean => {
      const feed = this.feedOf(choice);
      return (
        choice.second === null &&
        feed?.supply === choice.on.supply.id &&
        this.outletsOf(choice.on).includes(feed.outlet) &&
        !this.taken.has(`${feed.supply} ${feed.outlet}`)
      );
    };
    for (const choice of choices.filter(stays)) {
      const { supply, outlet } = this.feedOf(choice)!;
      if (this.taken.has(`${supply} ${outlet}`)) continue;
      this.taken.add(`${supply} ${outlet}`);
      found.set(choice, [outlet]);
    }
    for (const choice of choices) {
      if (found.has(choice)) continue;
      const first = this.take(choice.on);
      found.set(choice, choice.second ? [first, this.take(choice.second)] : [first]);
    }
    return found;
  }

  private feedOf({ consumer }: Choice): PowerFeed | undefined {
    return feedOf(this.rig.power, this.situation.free[consumer]!.id);
  }

  private outletsOf({ supply, group }: OutletClass): readonly number[] {
    const first = supply.groups.slice(0, group).reduce((sum, { outlets }) => sum + outlets, 0);
    return Array.from({ length: supply.groups[group]!.outlets }, (_, i) => first + i);
  }

  private take(on: OutletClass): number {
    const outlet = this.outletsOf(on).find((one) => !this.taken.has(`${on.supply.id} ${one}`))!;
    this.taken.add(`${on.supply.id} ${outlet}`);
    return outlet;
  }

  private feed(
    { consumer, on, via }: Choice | Link,
    at: Pick<PowerFeed, 'outlet' | 'second' | 'after'>,
  ): PowerFeed {
    const { id } = this.situation.free[consumer]!;
    const before = feedOf(this.rig.power, id);
    const usual = on.supply.groups[on.group]!.volts;
    return {
      id: before?.id ?? freshId(this.rig, 'k', this.ahead++),
      consumer: id,
      supply: on.supply.id,
      volts: on.volts === usual ? null : on.volts,
      via,
      efficiency: assumed(USUAL_EFFICIENCY),
      lengthM: before?.lengthM ?? assumed(USUAL_DC_M),
      isFixed: false,
      ...at,
    };
  }
}
