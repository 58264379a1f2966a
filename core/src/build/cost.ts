import { isReel, type GearItem, type PlugJoint } from '../gear';
import type { Rig } from '../rig';
import type { BuildCable } from './cableList';
import { reelFor } from './cutGroups';

/// What a cable costs made here, against one that is bought, in the money of the gear list.

export interface CableCost {
  /** Cable by the metre and both plugs; null where the list does not say. */
  readonly made: number | null;
  /** The cheapest of the list that is long enough and not twice as long; null where there is none. */
  readonly bought: number | null;
}

export function cableCost(rig: Rig, gear: readonly GearItem[], cable: BuildCable): CableCost {
  const listed = gear.filter(({ retired }) => !retired);
  const reel = reelFor(rig, listed, cable.id, cable.gear)?.qualities.price ?? null;
  const plugs = cable.plugs.map((name) => plugPrice(listed, name, rig.build.ways.joints));
  const isKnown = reel !== null && plugs.every((price) => price !== null);
  const prices = listed.flatMap((item) => {
    if (item.kind !== 'cable' || isReel(item) || item.qualities.price === null) return [];
    const { value } = item.thing.lengthM;
    return value >= cable.lengthM && value <= 2 * cable.lengthM ? [item.qualities.price] : [];
  });
  return {
    made: isKnown ? reel * cable.cutM + plugs.reduce<number>((sum, one) => sum + one!, 0) : null,
    bought: prices.length > 0 ? Math.min(...prices) : null,
  };
}

/** Of a plug by its name, or the cheapest of its shape that is joined as this workshop does it. */
function plugPrice(gear: readonly GearItem[], name: string, joint: PlugJoint): number | null {
  const plugs = gear.flatMap((item) => (item.kind === 'plug' ? [item] : []));
  const named = plugs.find(({ thing }) => thing.name === name);
  if (named) return named.qualities.price;
  const alike = plugs.filter(
    ({ thing, qualities }) =>
      thing.joint === joint && qualities.price !== null && name.startsWith(thing.shape),
  );
  return alike.length > 0 ? Math.min(...alike.map(({ qualities }) => qualities.price!)) : null;
}
