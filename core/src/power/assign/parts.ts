import { ADAPTOR_CLASSES, type AdaptorClass, type GearItem } from '../../gear';
import type { PowerFeed } from '../../rig';
import { USUAL_DOUBLER_A } from './choices';

/// What goes between outlets and power jacks: how much of it feeds need, and what it costs.

/** What each part costs, in the workshop's own money. */
export type PartPrices = Readonly<Record<AdaptorClass, number>>;

/** Where no list says. */
export const USUAL_PRICES: PartPrices = { reverser: 6, doubler: 30, seriesCable: 9, chainCable: 7 };

/** The cheapest of each class that the gear list has. */
export function pricesOf(gear: readonly GearItem[]): PartPrices {
  const cheapest = (of: AdaptorClass): number => {
    const prices = gear.flatMap((item) =>
      item.kind === 'adaptor' && !item.retired && item.thing.adaptorClass === of
        ? [item.qualities.price ?? USUAL_PRICES[of]]
        : [],
    );
    return prices.length > 0 ? Math.min(...prices) : USUAL_PRICES[of];
  };
  const classes = Object.keys(ADAPTOR_CLASSES) as AdaptorClass[];
  return Object.fromEntries(classes.map((of) => [of, cheapest(of)])) as PartPrices;
}

/** What the strongest doubler of the list lets through, A. */
export function doublerAmps(gear: readonly GearItem[]): number {
  const amps = gear.flatMap((item) =>
    item.kind === 'adaptor' && item.thing.adaptorClass === 'doubler'
      ? [item.thing.mostA.value]
      : [],
  );
  return amps.length > 0 ? Math.max(...amps) : USUAL_DOUBLER_A;
}

export type PartCounts = Readonly<Partial<Record<AdaptorClass, number>>>;

/** What feeds need beside their cables. */
export function partsOfFeeds(feeds: readonly PowerFeed[]): PartCounts {
  const counts: Partial<Record<AdaptorClass, number>> = {};
  const count = (of: AdaptorClass, is: boolean): void => {
    if (is) counts[of] = (counts[of] ?? 0) + 1;
  };
  for (const { via, second, after } of feeds) {
    count('reverser', via === 'reversed');
    count('doubler', via === 'doubled');
    count('seriesCable', second !== null);
    count('chainCable', after !== null);
  }
  return counts;
}

/** What the new feeds need that the old ones did not. */
export function newParts(before: readonly PowerFeed[], after: readonly PowerFeed[]): PartCounts {
  const had = partsOfFeeds(before);
  const needs = Object.entries(partsOfFeeds(after)) as [AdaptorClass, number][];
  return Object.fromEntries(
    needs
      .map(([of, count]) => [of, count - (had[of] ?? 0)] as const)
      .filter(([, count]) => count > 0),
  );
}
