import type { Board, Device, Fixture } from '../gear';
import { allDevices, freshId, onDeck, type Edit, type Placement, type Rig } from '../rig';
import { laneEdits } from './arrange';
import { findSpot } from './spot';
import { decksOf } from './standing';

/// How a board is begun: a board of the gear list, things onto it one by one, or as another rig has it.

/** A board for the rig, beside those that it has. */
export const addBoard = (rig: Rig, board: Omit<Board, 'id'>): Edit => ({
  kind: 'list',
  of: 'boards',
  at: rig.layout.boards.length,
  remove: 0,
  insert: [{ ...board, id: freshId(rig, 'b') }],
});

export const addFixture = (rig: Rig, fixture: Omit<Fixture, 'id'>): Edit => ({
  kind: 'list',
  of: 'fixtures',
  at: rig.layout.fixtures.length,
  remove: 0,
  insert: [{ ...fixture, id: freshId(rig, 'f') }],
});

/** Takes a fixture out of the rig, with its place. */
export function removeFixture(rig: Rig, id: string): Edit {
  const at = rig.layout.fixtures.findIndex((fixture) => fixture.id === id);
  const edits: Edit[] = [
    { kind: 'place', id, to: null },
    { kind: 'list', of: 'fixtures', at, remove: 1, insert: [] },
  ];
  return { kind: 'group', edits };
}

/** Takes a board out of the rig; what stood on it stands nowhere. */
export function removeBoard(rig: Rig, id: string): Edit {
  const { boards, lanes, placements } = rig.layout;
  const loose = Object.entries(placements).filter(
    ([, one]) => one.at === 'deck' && one.board === id,
  );
  const edits: Edit[] = [
    ...loose.map(([thing]): Edit => ({ kind: 'place', id: thing, to: null })),
    { kind: 'place', id, to: null },
    {
      kind: 'list',
      of: 'boards',
      at: boards.findIndex((board) => board.id === id),
      remove: 1,
      insert: [],
    },
    ...lanes
      .filter(({ board }) => board === id)
      .map((lane, i): Edit => ({
        kind: 'list',
        of: 'lanes',
        at: lanes.indexOf(lane) - i,
        remove: 1,
        insert: [],
      })),
  ];
  return { kind: 'group', edits };
}

/** Puts a thing onto the boards: where it is in the way of nothing, else to the front left of the first board. */
export function standSomewhere(rig: Rig, id: string): Edit | null {
  const [deck] = decksOf(rig);
  if (!deck) return null;
  return { kind: 'place', id, to: findSpot(rig, id) ?? onDeck(deck.board.id, 0, 0) };
}

/** By thing of the other rig, the thing here that is the same: of the same entry of the gear list, else of the same name. */
function matched(rig: Rig, from: Rig): ReadonlyMap<string, string> {
  const free = new Set(allDevices(rig));
  const pairs = new Map<string, string>();
  const isSame = [
    (a: Device, b: Device) => a.gear !== undefined && a.gear === b.gear,
    (a: Device, b: Device) => a.name.toLowerCase() === b.name.toLowerCase(),
  ];
  for (const same of isSame)
    for (const theirs of allDevices(from)) {
      if (pairs.has(theirs.id)) continue;
      const mine = [...free].find((one) => same(one, theirs));
      if (!mine) continue;
      free.delete(mine);
      pairs.set(theirs.id, mine.id);
    }
  return pairs;
}

export interface Copied {
  readonly edit: Edit;
  /** How many things found their place, and how many of this rig have none there. */
  readonly placed: number;
  readonly left: number;
}

/** The boards of another rig, with its fixtures, lanes and habits, and every thing that both rigs have where it stands there. */
export function copyBoard(rig: Rig, from: Rig): Copied {
  const { layout } = from;
  const ids = new Map(matched(rig, from));
  const renamed = <T extends { readonly id: string }>(
    list: readonly T[],
    letter: 'b' | 'f' | 'n',
  ) =>
    list.map((one, i) => {
      const id = freshId(rig, letter, i);
      ids.set(one.id, id);
      return { ...one, id };
    });
  const boards = renamed(layout.boards, 'b');
  const fixtures = renamed(layout.fixtures, 'f');
  const lanes = renamed(layout.lanes, 'n').map((lane) => ({
    ...lane,
    board: ids.get(lane.board) ?? lane.board,
  }));
  const placements = Object.entries(layout.placements).flatMap(([id, to]): Edit[] => {
    const mine = ids.get(id);
    const placement: Placement | undefined =
      to.at === 'deck'
        ? ids.has(to.board)
          ? { ...to, board: ids.get(to.board)! }
          : undefined
        : to;
    return mine && placement ? [{ kind: 'place', id: mine, to: placement }] : [];
  });
  const edits: Edit[] = [
    { kind: 'list', of: 'boards', at: rig.layout.boards.length, remove: 0, insert: boards },
    { kind: 'list', of: 'fixtures', at: rig.layout.fixtures.length, remove: 0, insert: fixtures },
    { kind: 'list', of: 'lanes', at: rig.layout.lanes.length, remove: 0, insert: lanes },
    { kind: 'assign', field: 'laying', to: layout.laying },
    ...placements,
  ];
  const mine = new Set(allDevices(rig).map(({ id }) => id));
  const placed = placements.filter((edit) => edit.kind === 'place' && mine.has(edit.id)).length;
  return { edit: { kind: 'group', edits }, placed, left: mine.size - placed };
}

/** Lanes behind the rows, where a board has none; null where there is nothing to add. */
export function addLanes(rig: Rig): Edit | null {
  const edits = laneEdits(rig);
  return edits.length === 0 ? null : { kind: 'group', edits };
}
