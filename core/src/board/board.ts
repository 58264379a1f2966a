import { isLaidInFeet, type Rig } from '../rig';
import type { Conflict } from './conflict';
import { feetOf, footConflicts, type Foot } from './foot';
import type { PlugAt } from './plugs';
import { misfitsOf, overlapsOf, tippingOf } from './room';
import { decksOf, standingsOf, type Deck, type Standing } from './standing';
import { thingsOf, type BoardThing } from './things';
import { pluggedOf, wiresOf, type Plugged, type Wire } from './wires';
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

/** What stands on the boards, and what is in the way of it, before any cable is laid. */
interface Room {
  readonly decks: readonly Deck[];
  readonly standings: readonly Standing[];
  readonly plugged: readonly Plugged[];
  readonly plugs: readonly PlugAt[];
  readonly feet: readonly Foot[];
  readonly conflicts: readonly Conflict[];
}

export function roomOn(rig: Boarded): Room {
  const decks = decksOf(rig);
  const standings = standingsOf(rig);
  const plugged = pluggedOf(rig, standings);
  const plugs = plugged.flatMap(({ from, to }) => [from, to].filter((one) => one !== null));
  const feet = feetOf(rig, standings);
  const { laying } = rig.layout;
  const conflicts = [
    ...overlapsOf(standings, plugs, laying.gapM.value),
    ...misfitsOf(standings, laying),
    ...tippingOf(standings),
    ...footConflicts(rig, rig.texts.brief.uses, feet),
  ];
  return { decks, standings, plugged, plugs, feet, conflicts };
}

export function layBoard(rig: Boarded): BoardPlan {
  const { plugged, conflicts, ...room } = roomOn(rig);
  const wires = wiresOf(rig, room.decks, room.standings, plugged, isLaidInFeet(rig));
  return {
    ...room,
    things: thingsOf(rig),
    wires,
    conflicts: [...conflicts, ...wireConflicts(wires)].sort(
      (a, b) => ORDER[a.weight] - ORDER[b.weight],
    ),
  };
}
