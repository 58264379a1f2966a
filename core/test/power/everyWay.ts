import { assumed, groupIndexOf, outletCount, settingsOf, USUAL_EFFICIENCY } from '../../src/gear';
import {
  consumersOf,
  faultsOf,
  feedingsOf,
  newParts,
  USUAL_PRICES,
  type PartPrices,
} from '../../src/power';
import { waysOfPower } from '../../src/power/ways';
import type { PowerFeed, Rig } from '../../src/rig';
import { withFeeds } from './poweredRig';

/// The best assignment by trying all: only the checker says what is wrong. Slow, for small rigs.

export interface Best {
  readonly fed: number;
  readonly price: number;
  readonly fullest: number;
  readonly cableM: number;
}

type Ways = ReturnType<typeof waysOfPower>;

const feedOn = (rig: Rig, ways: Ways, consumer: string, at: Partial<PowerFeed>): PowerFeed => {
  const { supply = '', outlet = 0, after = null } = at;
  const of = rig.power.supplies.find(({ id }) => id === supply)!;
  const farM =
    after === null
      ? ways.fromGroup(supply, groupIndexOf(of, outlet), consumer)
      : ways.fromThing(after, consumer);
  return {
    id: `k${consumer.slice(1)}`,
    consumer,
    supply,
    outlet,
    volts: null,
    second: null,
    after,
    via: 'straight',
    efficiency: assumed(USUAL_EFFICIENCY),
    lengthM: assumed(farM),
    isFixed: false,
    ...at,
  };
};

const hasNoFault = (rig: Rig, feeds: readonly PowerFeed[]): boolean =>
  faultsOf(withFeeds(rig, feeds)).every(({ kind }) => kind === 'unfed');

/** Every feed of one thing that is right by itself, from an outlet. */
function* alone(
  rig: Rig,
  ways: Ways,
  consumer: string,
  fixed: readonly PowerFeed[],
): Generator<PowerFeed> {
  for (const supply of rig.power.supplies)
    for (let outlet = 0; outlet < outletCount(supply); outlet++) {
      const group = supply.groups[groupIndexOf(supply, outlet)]!;
      for (const { volts, amps } of settingsOf(group)) {
        if (amps <= 0) continue;
        for (const via of ['straight', 'reversed', 'doubled'] as const) {
          const seconds = via === 'straight' ? outletCount(supply) : 0;
          for (let second = -1; second < seconds; second++) {
            const feed = feedOn(rig, ways, consumer, {
              supply: supply.id,
              outlet,
              volts: volts === group.volts ? null : volts,
              via,
              second: second < 0 ? null : second,
            });
            if (hasNoFault(rig, [...fixed, feed])) yield feed;
          }
        }
      }
    }
}

/** Things hungriest first, as chains are headed. */
const byHunger = (rig: Rig, held: ReadonlySet<string>) =>
  consumersOf(rig)
    .filter(({ id }) => !held.has(id))
    .map((one, i) => ({ one, i }))
    .sort((a, b) => b.one.need.supplyA.value - a.one.need.supplyA.value || a.i - b.i)
    .map(({ one }) => one.id);

/** @param rig whose fixed feeds stay */
export function bestByTryingAll(rig: Rig, prices: PartPrices = USUAL_PRICES): Best {
  const fixed = rig.power.feeds.filter(({ isFixed }) => isFixed);
  const ways = waysOfPower(rig);
  const order = byHunger(rig, new Set(fixed.map(({ consumer }) => consumer)));
  let best: Best | null = null;
  const take = (feeds: readonly PowerFeed[]): void => {
    const own = feeds.filter(({ isFixed }) => !isFixed);
    const needs = Object.entries(newParts(rig.power.feeds, feeds)) as [keyof PartPrices, number][];
    const used = new Set(
      own.flatMap(({ supply, outlet, second }) => [
        `${supply} ${outlet}`,
        `${supply} ${second ?? outlet}`,
      ]),
    );
    const shares = feedingsOf(withFeeds(rig, feeds)).supplies.flatMap(({ outlets, supply }) =>
      outlets.filter(({ outlet }) => used.has(`${supply.id} ${outlet}`)).map(({ share }) => share),
    );
    const now: Best = {
      fed: own.length,
      price: needs.reduce((sum, [of, count]) => sum + prices[of] * count, 0),
      fullest: Math.max(0, ...shares),
      cableM: own.reduce((sum, { lengthM }) => sum + lengthM.value, 0),
    };
    if (best === null || isBetter(now, best)) best = now;
  };
  const go = (at: number, feeds: readonly PowerFeed[]): void => {
    const consumer = order[at];
    if (consumer === undefined) return take(feeds);
    go(at + 1, feeds);
    const heads = feeds.filter(
      ({ after, via, second }) => after === null && via !== 'doubled' && second === null,
    );
    const chained = heads.flatMap(({ consumer: after, supply, outlet, volts }) =>
      (['straight', 'reversed'] as const).map((via) =>
        feedOn(rig, ways, consumer, { supply, outlet, volts, after, via }),
      ),
    );
    for (const feed of [...alone(rig, ways, consumer, fixed), ...chained])
      if (hasNoFault(rig, [...feeds, feed])) go(at + 1, [...feeds, feed]);
  };
  go(0, fixed);
  return best!;
}

const EVEN = 1e-6;

function isBetter(now: Best, best: Best): boolean {
  const steps = [
    best.fed - now.fed,
    now.price - best.price,
    now.fullest - best.fullest,
    now.cableM - best.cableM,
  ];
  const first = steps.find((step) => Math.abs(step) > EVEN);
  return first !== undefined && first < 0;
}
