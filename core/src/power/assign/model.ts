import { polesDiffer, isApart, type Consumer } from '../consumers';
import { groundsOf } from '../faults';
import type { Choice, FixedOutlet, Link, OutletClass, Situation } from './choices';
import type { Program, Row, Sum } from '../../program';

/// The choices of a situation as a program: each thing at most once, no outlet, supply or ground beyond what it bears.

export interface Model {
  readonly program: Program;
  readonly choiceVariables: readonly string[];
  readonly linkVariables: readonly string[];
  /** Things that are fed. */
  readonly fed: Sum;
  /** The share of the fullest outlet that is not fixed. */
  readonly fullest: string;
  readonly lengthM: Sum;
  /** The same beyond what each thing needs at the least: where all are fed, the two are least together. */
  readonly excessM: Sum;
}

const FULLEST = 'fullest';

export function modelOf(situation: Situation): Model {
  const { choices, links, free } = situation;
  const y = choices.map((_, i) => `y${i}`);
  const w = links.map((_, i) => `w${i}`);
  const parts = new Parts(situation, y, w);
  const rows: Row[] = [
    ...free.map((_, i): Row => ({ sum: parts.ofConsumer(i), is: '<=', value: 1 })),
    ...parts.chains(),
    ...parts.fixedChains(),
    ...parts.outlets(),
    ...parts.supplies(),
    ...parts.grounds(),
    ...parts.fullness(),
  ];
  const lengthM: Sum = [
    ...choices.map((choice, i) => [choice.lengthM, y[i]!] as const),
    ...links.map((link, i) => [link.lengthM, w[i]!] as const),
  ];
  const least = free.map((_, i) =>
    Math.min(...[...choices, ...links].flatMap((one) => (one.consumer === i ? [one.lengthM] : []))),
  );
  const consumers = [...choices, ...links].map(({ consumer }) => consumer);
  return {
    program: { rows, binaries: [...y, ...w, ...parts.poles], bounded: [[FULLEST, 1]] },
    choiceVariables: y,
    linkVariables: w,
    fed: [...y, ...w].map((variable) => [1, variable]),
    fullest: FULLEST,
    lengthM,
    excessM: lengthM
      .map(([m, variable], i) => [m - least[consumers[i]!]!, variable] as const)
      .filter(([m]) => m > 1e-9),
  };
}

const isFixed = (head: Link['head']): head is FixedOutlet => typeof head === 'object';

class Parts {
  /** For each supply with a shared ground, which pole its things have their audio ground at. */
  readonly poles: string[] = [];
  private readonly heads = new Map<string, { choice: number; links: number[] }>();
  private readonly fixedLinks = new Map<FixedOutlet, number[]>();

  constructor(
    private readonly situation: Situation,
    private readonly y: readonly string[],
    private readonly w: readonly string[],
  ) {
    for (const [i, choice] of situation.choices.entries())
      if (choice.second === null && choice.via !== 'doubled')
        this.heads.set(this.headKey(choice.consumer, choice.on), { choice: i, links: [] });
    for (const [i, { head, on }] of situation.links.entries())
      if (isFixed(head)) this.fixedLinks.set(head, [...(this.fixedLinks.get(head) ?? []), i]);
      else this.heads.get(this.headKey(head, on))!.links.push(i);
  }

  private headKey(consumer: number, on: OutletClass): string {
    return `${consumer} ${this.situation.classes.indexOf(on)}`;
  }

  ofConsumer(consumer: number): Sum {
    const { choices, links } = this.situation;
    return [
      ...choices.flatMap((one, i) => (one.consumer === consumer ? [[1, this.y[i]!] as const] : [])),
      ...links.flatMap((one, i) => (one.consumer === consumer ? [[1, this.w[i]!] as const] : [])),
    ];
  }

  /** A chain has a head, and its outlet bears it; those behind have enough voltage. */
  *chains(): Generator<Row> {
    const { choices, links, rig } = this.situation;
    const fill = rig.power.fill.value;
    for (const { choice: at, links: behind } of this.heads.values()) {
      if (behind.length === 0) continue;
      const head = choices[at]!;
      const most = Math.min(fill * head.on.amps, head.mostAmps);
      yield {
        sum: [
          ...behind.map((i) => [links[i]!.amps, this.w[i]!] as const),
          [head.amps - most, this.y[at]!],
        ],
        is: '<=',
        value: 0,
      };
      for (const i of behind) {
        yield {
          sum: [
            [1, this.w[i]!],
            [-1, this.y[at]!],
          ],
          is: '<=',
          value: 0,
        };
        yield* this.enoughFor(i, head.amps, behind, most);
      }
      if (this.situation.free[head.consumer]!.need.ground === 'floating')
        yield* this.apartPoles(behind);
    }
  }

  /** All that is drawn from the outlet of a link, while that link is there. */
  private *enoughFor(
    i: number,
    headAmps: number,
    behind: readonly number[],
    most: number,
  ): Generator<Row> {
    const { links } = this.situation;
    const { mostAmps } = links[i]!;
    if (mostAmps >= most) return;
    const large = most - mostAmps;
    yield {
      sum: behind.map((k) => [links[k]!.amps + (k === i ? large : 0), this.w[k]!] as const),
      is: '<=',
      value: mostAmps - headAmps + large,
    };
  }

  private *apartPoles(behind: readonly number[]): Generator<Row> {
    for (const [at, i] of behind.entries())
      for (const k of behind.slice(at + 1))
        if (polesDiffer(this.groundOf(i), this.groundOf(k)))
          yield {
            sum: [
              [1, this.w[i]!],
              [1, this.w[k]!],
            ],
            is: '<=',
            value: 1,
          };
  }

  private groundOf(link: number): Consumer['need']['ground'] {
    return this.situation.free[this.situation.links[link]!.consumer]!.need.ground;
  }

  /** What goes on from things that stay where they are. */
  *fixedChains(): Generator<Row> {
    const { links, rig } = this.situation;
    for (const [{ state, on, things, spareAmps }, behind] of this.fixedLinks) {
      const most = Math.min(rig.power.fill.value * on.amps, state.amps + spareAmps);
      const sum = behind.map((i) => [links[i]!.amps, this.w[i]!] as const);
      yield { sum, is: '<=', value: most - state.amps };
      for (const i of behind) yield* this.enoughFor(i, state.amps, behind, most);
      if (things.every(({ need }) => need.ground === 'floating')) yield* this.apartPoles(behind);
    }
  }

  /** As many outlets as there are. */
  *outlets(): Generator<Row> {
    const { classes, choices, freeOutlets } = this.situation;
    const groups = new Map(classes.map((one) => [`${one.supply.id} ${one.group}`, one]));
    for (const one of groups.values()) {
      const count = (of: OutletClass | null): number =>
        of?.supply === one.supply && of.group === one.group ? 1 : 0;
      const sum = choices.flatMap(({ on, second }, i) => {
        const taken = count(on) + count(second);
        return taken > 0 ? [[taken, this.y[i]!] as const] : [];
      });
      yield { sum, is: '<=', value: freeOutlets(one) };
    }
  }

  /** What a supply gives in all, where that is less than its outlets: those are held each by itself, as they are set. */
  *supplies(): Generator<Row> {
    const { feedings, choices, links, rig } = this.situation;
    for (const { supply, watts } of feedings.supplies) {
      const mostW = supply.totalW.value;
      if (mostW === 0) continue;
      const ofChoice = ({ on, second, amps }: Choice): number =>
        on.supply === supply ? amps * (on.volts + (second?.volts ?? 0)) : 0;
      const sum: Sum = [
        ...choices.map((one, i) => [ofChoice(one), this.y[i]!] as const),
        ...links.map(
          ({ on, amps }, i) => [on.supply === supply ? amps * on.volts : 0, this.w[i]!] as const,
        ),
      ].filter(([times]) => times > 0);
      yield { sum, is: '<=', value: Math.max(0, rig.power.fill.value * mostW - watts) };
    }
  }

  /** Who may be on the ground of a supply whose outlets share one. */
  *grounds(): Generator<Row> {
    const { rig, free, feedings } = this.situation;
    const fixedGrounds = groundsOf(feedings);
    for (const supply of rig.power.supplies) {
      if (supply.groups.every(({ ground }) => ground === 'isolated')) continue;
      const fixed =
        fixedGrounds.find((one) => one.supply === supply.id && one.outlet === null)?.things ?? [];
      const on = free.map((_, i) => this.onShared(i, supply.id));
      yield* this.sharers(on, fixed);
      const pole = `p${this.poles.length}`;
      this.poles.push(pole);
      yield* this.onePole(on, fixed, pole);
    }
  }

  private onShared(consumer: number, supply: string): Sum {
    const { choices, links } = this.situation;
    const isOn = ({ on }: Choice | Link): boolean =>
      on.supply.id === supply && on.supply.groups[on.group]!.ground === 'shared';
    return [
      ...choices.flatMap((one, i) =>
        one.consumer === consumer && isOn(one) ? [[1, this.y[i]!] as const] : [],
      ),
      ...links.flatMap((one, i) =>
        one.consumer === consumer && isOn(one) ? [[1, this.w[i]!] as const] : [],
      ),
    ];
  }

  private *sharers(on: readonly Sum[], fixed: readonly Consumer[]): Generator<Row> {
    const { rig, free } = this.situation;
    const all = on.flat();
    if (rig.power.feeding === 'isolated')
      return yield { sum: all, is: '<=', value: fixed.length > 0 ? 0 : 1 };
    const isAlone = (one: Consumer): boolean =>
      isApart(rig, one) || (rig.power.feeding === 'quietShare' && !one.isQuiet);
    if (fixed.some(isAlone)) return yield { sum: all, is: '<=', value: 0 };
    for (const [i, one] of free.entries()) {
      if (!isAlone(one) || on[i]!.length === 0) continue;
      if (fixed.length > 0) yield { sum: on[i]!, is: '<=', value: 0 };
      const others = on.filter((_, k) => k !== i).flat();
      const most = free.length;
      yield {
        sum: [...others, ...on[i]!.map(([, variable]) => [most, variable] as const)],
        is: '<=',
        value: most,
      };
    }
  }

  private *onePole(on: readonly Sum[], fixed: readonly Consumer[], pole: string): Generator<Row> {
    const { free } = this.situation;
    const of = (ground: string): Sum => on.filter((_, i) => free[i]!.need.ground === ground).flat();
    const most = free.length;
    yield { sum: [...of('negative'), [-most, pole]], is: '<=', value: 0 };
    yield { sum: [...of('positive'), [most, pole]], is: '<=', value: most };
    const known = fixed.find(({ need }) => need.ground !== 'floating')?.need.ground;
    if (known) yield { sum: [[1, pole]], is: '=', value: known === 'negative' ? 1 : 0 };
  }

  /** No outlet is fuller than the fullest. */
  *fullness(): Generator<Row> {
    const { free, choices, links } = this.situation;
    for (const i of free.keys()) {
      const sum: (readonly [number, string])[] = [];
      for (const [at, { consumer, on, second, amps }] of choices.entries())
        if (consumer === i)
          sum.push([amps / Math.min(on.amps, second?.amps ?? Infinity), this.y[at]!]);
      for (const [at, { head, on, amps }] of links.entries())
        if (head === i) sum.push([amps / on.amps, this.w[at]!]);
      yield { sum: [...sum, [-1, FULLEST]], is: '<=', value: 0 };
    }
    for (const [{ state, on }, behind] of this.fixedLinks) {
      // It counts where anything goes on from it.
      for (const first of behind) {
        const own = state.amps / on.amps;
        const sum = behind.map(
          (i) => [links[i]!.amps / on.amps + (i === first ? own : 0), this.w[i]!] as const,
        );
        yield { sum: [...sum, [-1, FULLEST]], is: '<=', value: 0 };
      }
    }
  }
}
