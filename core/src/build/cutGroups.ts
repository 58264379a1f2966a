import { isReel, type GearItem, type ItemOf } from '../gear';
import { findCable, type Rig } from '../rig';
import type { Solve } from '../program';
import { cableList } from './cableList';
import { planCuts, type CutPlan, type Piece, type Stock } from './cutPlan';
import type { OffCut } from './records';

/// What is to be cut, by what it is cut from, and what is at hand for it.

export interface CutGroup {
  /** What the cables are made of. */
  readonly name: string;
  readonly pieces: readonly Piece[];
  readonly stock: readonly Stock[];
  /** The reel of the gear list that it comes from; null where there is none. */
  readonly reel: string | null;
}

/**
 * @param done cables that are cut already, by id: they need nothing any more
 */
export function cutGroups(
  rig: Rig,
  gear: readonly GearItem[],
  offCuts: readonly OffCut[],
  done: ReadonlySet<string> = new Set(),
): readonly CutGroup[] {
  const names = new Map<string, { pieces: Piece[]; cable: string; gear: string | null }>();
  for (const { id, label, stock, cutM, gear: of } of cableList(rig, gear)) {
    if (cutM <= 0 || done.has(id)) continue;
    const group = names.get(stock) ?? { pieces: [], cable: id, gear: of };
    group.pieces.push({ id, label, lengthM: cutM });
    names.set(stock, group);
  }
  return [...names].map(([name, { pieces, cable, gear: of }]) => {
    const reel = reelFor(rig, gear, cable, of);
    const rests = offCuts.filter(
      (one) => one.name === name || one.name === reel?.thing.name || (reel && one.gear === reel.id),
    );
    return {
      name,
      pieces,
      reel: reel?.id ?? null,
      stock: [
        ...rests.map((one): Stock => ({
          id: one.id,
          name: `${one.name}, off-cut`,
          lengthM: one.lengthM,
          isOffCut: true,
        })),
        ...(reel
          ? [
              {
                id: reel.id,
                name: reel.thing.name,
                lengthM: reel.thing.lengthM.value,
                isOffCut: false,
              },
            ]
          : []),
      ],
    };
  });
}

type Reel = ItemOf<'cable'>;

/** The reel that it is said to be of; else the one that is nearest to it in pF for a metre. */
export function reelFor(
  rig: Rig,
  gear: readonly GearItem[],
  id: string,
  of: string | null,
): Reel | null {
  const cable = findCable(rig, id);
  if (!cable) return null;
  const reels = gear.filter(
    (item): item is Reel & GearItem => item.kind === 'cable' && !item.retired && isReel(item),
  );
  const own = reels.find((item) => item.id === of);
  if (own) return own;
  const off = ({ thing }: Reel): number =>
    Math.abs(Math.log(thing.cPerMF.value / cable.cPerMF.value));
  return [...reels].sort((a, b) => off(a) - off(b))[0] ?? null;
}

export interface CutProgress {
  readonly done: number;
  readonly of: number;
}

/** Every group cut as well as can be. */
export function* planAllCuts(
  { groups }: { readonly groups: readonly CutGroup[] },
  solve: Solve,
): Generator<CutProgress, readonly (readonly [string, CutPlan])[]> {
  const plans: (readonly [string, CutPlan])[] = [];
  for (const [done, { name, pieces, stock }] of groups.entries()) {
    yield { done, of: groups.length };
    plans.push([name, planCuts(pieces, stock, solve)]);
  }
  return plans;
}
