import { partsOfFeeds } from '../power';
import type { AdaptorClass, GearItem } from '../gear';
import type { BuildWays, PartAtHand, Rig } from '../rig';
import { cableList } from './cableList';
import { mountCount } from './lanesOfRig';

/// What has to be there: how much of what, what is at hand of it, and what is still to be bought.

export interface NeededPart {
  /** The same as long as it is the same kind of part. */
  readonly key: string;
  readonly name: string;
  readonly unit: 'pieces' | 'm';
  /** For the rig alone. */
  readonly needed: number;
  /** With what is to be spare. */
  readonly wanted: number;
  readonly atHand: PartAtHand;
  /** Still to be bought. */
  readonly missing: number;
  readonly supplier: string;
  /** Of one, or of a metre; null is not known. */
  readonly price: number | null;
}

/** How many with the spares of the workshop. */
export function withSpares(
  needed: number,
  spares: BuildWays['spares'],
  unit: NeededPart['unit'],
): number {
  const whole = (value: number): number =>
    unit === 'pieces' ? Math.ceil(value - 1e-9) : Math.ceil(value * 10 - 1e-9) / 10;
  switch (spares) {
    case 'none':
      return whole(needed);
    case 'oneEach':
      return whole(needed + 1);
    case 'halfMore':
      return whole(needed * 1.5);
    case 'twice':
      return whole(needed * 2);
  }
}

const NOTHING_AT_HAND = { owned: 0, ordered: 0, arrived: 0, buyer: '' };

const PART_NAMES: Readonly<Record<AdaptorClass, string>> = {
  reverser: 'polarity adaptor',
  doubler: 'voltage doubler',
  seriesCable: 'series cable',
  chainCable: 'chain cable',
};

type Counted = readonly [key: string, name: string, unit: NeededPart['unit'], count: number];

/** Cable, plugs, mounts, ties, tape, labels and adaptors that a rig needs. */
export function partsNeeded(rig: Rig, gear: readonly GearItem[] = []): readonly NeededPart[] {
  const counts = new Map<string, Counted>();
  const add = (...[key, name, unit, count]: Counted): void => {
    if (count > 0) counts.set(key, [key, name, unit, (counts.get(key)?.[3] ?? 0) + count]);
  };
  const cables = cableList(rig, gear);
  for (const { kind, isBought, stock, cutM, plugs } of cables) {
    if (isBought) {
      if (kind !== 'audio') add(`whole ${stock}`, stock, 'pieces', 1);
      continue;
    }
    add(`cable ${stock}`, `${stock}, by the metre`, 'm', cutM);
    if (kind === 'dc') add('plug DC plug', 'DC plug', 'pieces', 1);
    else for (const plug of plugs) add(`plug ${plug}`, plug, 'pieces', 1);
  }
  const mounts = mountCount(rig);
  add('mount', 'tie-down mount', 'pieces', mounts);
  add(
    'tie',
    rig.build.ways.change === 'modular' ? 'hook-and-loop tie' : 'cable tie',
    'pieces',
    mounts,
  );
  const standing = Object.values(rig.layout.placements).filter(({ at }) => at === 'deck').length;
  add('tape', 'mounting tape', 'm', TAPE_EACH_M * standing);
  add('label', 'label', 'pieces', 2 * cables.length);
  for (const [of, count] of Object.entries(partsOfFeeds(rig.power.feeds)))
    add(`adaptor ${of}`, PART_NAMES[of as AdaptorClass], 'pieces', count);
  return [...counts.values()].map((one) => neededPart(rig, gear, one));
}

const TAPE_EACH_M = 0.2;

/** Of these nobody keeps one over. */
const WITHOUT_SPARES = ['label', 'tape'];

function neededPart(
  rig: Rig,
  gear: readonly GearItem[],
  [key, name, unit, count]: Counted,
): NeededPart {
  const needed = unit === 'm' ? Math.round(count * 1000) / 1000 : count;
  const spares = WITHOUT_SPARES.includes(key) ? 'none' : rig.build.ways.spares;
  const wanted = withSpares(needed, spares, unit);
  const atHand = rig.build.parts.find((one) => one.key === key) ?? { key, ...NOTHING_AT_HAND };
  const missing = Math.max(0, wanted - atHand.owned - Math.max(atHand.ordered, atHand.arrived));
  const item = gear.find(({ thing, retired }) => !retired && name.startsWith(thing.name));
  const tidy = unit === 'm' ? Math.round(missing * 1000) / 1000 : missing;
  return {
    key,
    name,
    unit,
    needed,
    wanted,
    atHand,
    missing: tidy,
    supplier: item?.qualities.supplier ?? '',
    price: item?.qualities.price ?? null,
  };
}

/** Parts of which not enough is in the workshop yet to go on, by key. */
export const partsMissing = (parts: readonly NeededPart[]): ReadonlySet<string> =>
  new Set(
    parts
      .filter(({ needed, atHand }) => isSpoken(atHand) && atHand.owned + atHand.arrived < needed)
      .map(({ key }) => key),
  );

/** Of a part that nobody has spoken of, nobody waits. */
const isSpoken = ({ owned, ordered, arrived, buyer }: PartAtHand): boolean =>
  owned + ordered + arrived > 0 || buyer !== '';

/** One kind of part as it is now. */
export const withPartAtHand = (
  parts: readonly PartAtHand[],
  to: PartAtHand,
): readonly PartAtHand[] => [...parts.filter(({ key }) => key !== to.key), to];
