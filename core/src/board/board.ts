import { isLaidInFeet, type Rig } from '../rig';
import type { Conflict } from './conflict';
import { feetOf, footConflicts, type Foot } from './foot';
import type { PlugAt } from './plugs';
import { misfitsOf, overlapsOf, tippingOf } from './room';
import { decksOf, standingsOf, type Deck, type Standing } from './standing';
import { thingsOf, type BoardThing } from './things';
import { wiresOf, type Wire } from './wires';
import { wireConflicts } from './wireConflicts';

/// A rig as it lies on its boards: everything that a page or a drawing shows of it comes from here.

export interface BoardPlan {
  readonly decks: readonly Deck[];
  /** Everything that could stand on them, in the order of the chain. */
  readonly things: readonly BoardThing[];
  readonly standings: readonly Standing[];
  readonly plugs: readonly PlugAt[];
  readonly wires: readonly Wire[];
  readonly feet: readonly Foot[];
  /** What cannot be first, then feet, then what is only to be known. */
  readonly conflicts: readonly Conflict[];
}

const ORDER = { hard: 0, foot: 1, note: 2 } as const;

/** What a board is laid out from, and what its feet are for. */
export type Boarded = Pick<Rig, 'electrical' | 'layout' | 'power'> & {
  readonly texts: Pick<Rig['texts'], 'brief'>;
};

export function layBoard(rig: Boarded): BoardPlan {
  const decks = decksOf(rig);
  const standings = standingsOf(rig);
  const wires = wiresOf(rig, decks, standings, isLaidInFeet(rig));
  const plugs = wires.flatMap(({ from, to }) => [from, to].filter((one) => one !== null));
  const feet = feetOf(rig, standings);
  const { laying } = rig.layout;
  const conflicts = [
    ...overlapsOf(standings, plugs, laying.gapM.value),
    ...misfitsOf(standings, laying),
    ...tippingOf(standings),
    ...wireConflicts(wires),
    ...footConflicts(rig, rig.texts.brief.uses, feet),
  ].sort((a, b) => ORDER[a.weight] - ORDER[b.weight]);
  return { decks, things: thingsOf(rig), standings, plugs, wires, feet, conflicts };
}
