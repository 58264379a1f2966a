import { decksOf, standingAt, thingsOf, type Point } from '../board';
import { USUAL_DC_M, type Rig } from '../rig';

/// How far it is from an outlet to a power jack, before any cable is laid: along the edges of the board, with the slack at
/// both ends that the rig lays its cables with.

export interface WaysOfPower {
  /** From the middle of the outlets of a group. */
  readonly fromGroup: (supply: string, group: number, consumer: string) => number;
  /** From the plug of another thing, in a chain. */
  readonly fromThing: (head: string, consumer: string) => number;
}

type Laid = Pick<Rig, 'electrical' | 'layout' | 'power'>;

/** Where the power jacks of everything on the boards are. */
function jacksOnBoards(rig: Laid): ReadonlyMap<string, readonly Point[]> {
  const decks = decksOf(rig);
  return new Map(
    thingsOf(rig).flatMap((thing) => {
      const placement = rig.layout.placements[thing.id];
      const deck = decks.find(
        ({ board }) => placement?.at === 'deck' && board.id === placement.board,
      );
      if (placement?.at !== 'deck' || !deck) return [];
      const jacks = standingAt(thing, placement, deck).jacks.filter(({ kind }) => kind === 'power');
      return jacks.length > 0 ? [[thing.id, jacks] as const] : [];
    }),
  );
}

const middleOf = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** Where nothing is said of where things stand, a DC cable is as long as usual. */
export function waysOfPower(rig: Laid): WaysOfPower {
  const jacks = jacksOnBoards(rig);
  const slackM = 2 * rig.layout.laying.slackM.value;
  const between = (from: Point | undefined, consumer: string): number => {
    const to = jacks.get(consumer)?.[0];
    if (!from || !to) return USUAL_DC_M;
    return Math.abs(from.x - to.x) + Math.abs(from.y - to.y) + slackM;
  };
  return {
    fromGroup: (id, group, consumer) => {
      const supply = rig.power.supplies.find((one) => one.id === id);
      const all = jacks.get(id);
      if (!supply || !all) return USUAL_DC_M;
      const first = supply.groups.slice(0, group).reduce((sum, { outlets }) => sum + outlets, 0);
      const own = all.slice(first, first + supply.groups[group]!.outlets);
      return between(own.length > 0 ? middleOf(own) : undefined, consumer);
    },
    fromThing: (head, consumer) => between(jacks.get(head)?.[0], consumer),
  };
}
