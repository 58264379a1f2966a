import { onDeck, type OnDeck, type Rig, type Turn } from '../../rig';
import { HEEL_M } from '../foot';
import { connectionsOf } from '../connections';
import { jackOn, plugWays } from '../plugs';
import { boundsOf, moved, type Rect } from '../rect';
import { isCarried, partsOf } from '../room';
import {
  decksOf,
  standingAt,
  standingsOf,
  turnedSize,
  type Deck,
  type Standing,
} from '../standing';
import { roomOn } from '../board';
import { thingsOf, type BoardThing } from '../things';

/// Things in rows, packed to the left or to the right: what an arrangement chooses, and where that puts everything.

/** In which row of which board each thing stands, in which order, turned how, and to which side the row is packed. */
export interface Choice {
  /** By row, items by number, from the side to which the row is packed. */
  readonly rows: readonly (readonly number[])[];
  readonly fromRight: readonly boolean[];
  readonly turns: readonly Turn[];
  /** With room for cables between plugs. */
  readonly isWide: boolean;
}

/** Between the plugs of two things, m. */
const NARROW_M = 0.004;
const WIDE_M = 0.014;
/** From a case to the next row behind it, m. */
const ROW_GAP_M = 0.014;
/** What takes more of a board than this share of its depth counts for no row: the next one begins behind the others. */
const DEEP = 0.55;
/** Where switches usually are behind the front edge, m. */
const SWITCH_FROM_FRONT_M = 0.022;
const MOST_ROWS = 3;

/** A case with the room that its plugs take whichever way they turn, its corner at 0, 0. */
interface Footprint {
  readonly width: number;
  readonly depth: number;
  /** Its case, and its plugs. */
  readonly parts: readonly Taken[];
  readonly all: Rect;
}

/** What of a board is taken: cases and what their plugs may take. */
interface Taken {
  readonly rect: Rect;
  readonly isCase: boolean;
}

export interface Item {
  readonly thing: BoardThing;
  readonly footprints: ReadonlyMap<Turn, Footprint>;
}

export interface RowOnDeck {
  readonly deck: Deck;
  /** 0 is in front. */
  readonly nth: number;
}

export type Packed = ReadonlyMap<string, OnDeck>;

function footprintOf(rig: Rig, thing: BoardThing, turn: Turn, deck: Deck): Footprint {
  const standing = standingAt(thing, onDeck(deck.board.id, 0, 0, { turn }), deck);
  const here = (one: Rect) => moved(one, -deck.rect.x0, -deck.rect.y0);
  const plugs = connectionsOf(rig).flatMap((connection) =>
    (['from', 'to'] as const).flatMap((end) => {
      const wanted = connection[end];
      const jack = wanted?.thing === thing.id ? jackOn(standing, wanted) : undefined;
      if (!jack) return [];
      const sides = plugWays(rig, connection, end, standing, jack).map(({ rect }) => here(rect));
      return [boundsOf(sides)];
    }),
  );
  const [width, depth] = turnedSize(thing.body, turn);
  const own: Rect = { x0: 0, y0: 0, x1: width, y1: depth };
  const parts = [{ rect: own, isCase: true }, ...plugs.map((rect) => ({ rect, isCase: false }))];
  return { width, depth, parts, all: boundsOf([own, ...plugs]) };
}

export class Packing {
  readonly items: readonly Item[];
  readonly rows: readonly RowOnDeck[];
  /** Things that stay where they are. */
  readonly stays: readonly Standing[];
  readonly #rig: Rig;
  readonly #taken: ReadonlyMap<string, readonly Taken[]>;
  readonly #fronts = new Map<string, number | null>();

  /** @param moving things that may be put elsewhere, by id */
  constructor(rig: Rig, moving: ReadonlySet<string>, turns: readonly Turn[]) {
    this.#rig = rig;
    const decks = decksOf(rig);
    this.items = thingsOf(rig)
      .filter(({ id }) => moving.has(id))
      .map((thing) => ({
        thing,
        footprints: new Map(turns.map((turn) => [turn, footprintOf(rig, thing, turn, decks[0]!)])),
      }));
    this.stays = standingsOf(rig).filter(({ thing }) => !moving.has(thing.id));
    const still = new Set(this.stays.map(({ thing }) => thing.id));
    const { plugs } = roomOn(rig);
    const parts = partsOf(
      this.stays,
      plugs.filter(({ thing }) => still.has(thing)),
    ).filter(({ layer }) => layer === 'top');
    this.#taken = new Map(
      decks.map((deck) => [
        deck.board.id,
        parts.map(({ rect, isCase }) => ({
          rect: moved(rect, -deck.rect.x0, -deck.rect.y0),
          isCase,
        })),
      ]),
    );
    this.rows = decks.flatMap((deck) =>
      Array.from({ length: this.#rowsOn(deck) }, (_, nth) => ({ deck, nth })),
    );
  }

  /** As many rows as a board has room for, of what is to stand there. */
  #rowsOn({ board }: Deck): number {
    const depths = this.items
      .map(({ footprints }) =>
        Math.min(...[...footprints.values()].map(({ all }) => all.y1 - all.y0)),
      )
      .filter((depth) => depth <= DEEP * board.depthM.value)
      .sort((a, b) => a - b);
    const usual = depths[Math.floor(depths.length / 2)] ?? board.depthM.value;
    const rows = Math.floor((board.depthM.value + ROW_GAP_M) / (usual + ROW_GAP_M));
    return Math.min(MOST_ROWS, Math.max(1, rows));
  }

  /** Where a choice puts everything; what has no room in its row is not in it. */
  pack({ rows, fromRight, turns, isWide }: Choice): Packed {
    const packed = new Map<string, OnDeck>();
    const taken = new Map([...this.#taken].map(([id, parts]) => [id, [...parts]]));
    let behindM = 0;
    for (const [r, { deck, nth }] of this.rows.entries()) {
      if (nth === 0) behindM = 0;
      const here = taken.get(deck.board.id)!;
      const row = rows[r]!.map((i) => ({ item: this.items[i]!, turn: turns[i]! }));
      if (row.length === 0) continue;
      const fromM = nth === 0 ? 0 : this.#rowFrom(deck, row, behindM);
      let cursor = fromRight[r]! ? deck.board.widthM.value : 0;
      for (const { item, turn } of row) {
        const print = item.footprints.get(turn)!;
        const yM = this.#front(item, turn, deck, fromM + Math.max(0, -print.all.y0));
        if (yM === null) continue;
        const xM = besideAll(here, print, yM, cursor, fromRight[r]!, deck, this.#spacing(isWide));
        if (xM === null) continue;
        packed.set(item.thing.id, onDeck(deck.board.id, xM, yM, { turn }));
        for (const { rect, isCase } of print.parts)
          here.push({ rect: moved(rect, xM, yM), isCase });
        cursor = fromRight[r]! ? xM : xM + print.width;
        if (print.depth <= DEEP * deck.board.depthM.value)
          behindM = Math.max(behindM, yM + print.all.y1 + ROW_GAP_M);
      }
    }
    return packed;
  }

  #spacing(isWide: boolean): Spacing {
    return { gapM: this.#rig.layout.laying.gapM.value, plugM: isWide ? WIDE_M : NARROW_M };
  }

  /** So far back that the heel stands behind the row in front, or as far as there is room; plugs may stand over the edge. */
  #rowFrom(
    { board }: Deck,
    row: readonly { readonly item: Item; readonly turn: Turn }[],
    behindM: number,
  ): number {
    const deepest = Math.max(...row.map(({ item, turn }) => item.footprints.get(turn)!.depth));
    const wanted = behindM - ROW_GAP_M + HEEL_M - SWITCH_FROM_FRONT_M;
    const last = board.depthM.value - deepest;
    return Math.max(behindM, Math.floor(Math.min(wanted, last) * 1000 + 1e-6) / 1000);
  }

  /** The first place from the front, not before `fromM`, where a case rests on its board with all of its switches. */
  #front({ thing }: Item, turn: Turn, deck: Deck, fromM: number): number | null {
    const first = Math.ceil(fromM * 1000 - 1e-6);
    const key = `${thing.id} ${turn} ${deck.board.id} ${first}`;
    const known = this.#fronts.get(key);
    if (known !== undefined) return known;
    const [, depth] = turnedSize(thing.body, turn);
    let found: number | null = null;
    for (let mm = first; mm / 1000 + depth <= deck.board.depthM.value + 1e-9; mm++)
      if (isCarried(standingAt(thing, onDeck(deck.board.id, 0, mm / 1000, { turn }), deck))) {
        found = mm / 1000;
        break;
      }
    this.#fronts.set(key, found);
    return found;
  }
}

interface Spacing {
  readonly gapM: number;
  readonly plugM: number;
}

/** The first place from a side at which nothing reaches into what is there; null where the row is full. */
function besideAll(
  taken: readonly Taken[],
  { width, parts, all }: Footprint,
  yM: number,
  cursor: number,
  fromRight: boolean,
  deck: Deck,
  { gapM, plugM }: Spacing,
): number | null {
  const last = deck.board.widthM.value - width;
  // A plug may not stand over the edge: another board, or a hand, is there.
  const [first, end] = [-Math.min(0, all.x0), last - Math.max(0, all.x1 - width)];
  let x = fromRight ? Math.min(end, cursor - width) : Math.max(first, cursor);
  for (;;) {
    x = fromRight ? Math.floor(x * 1000 + 1e-6) / 1000 : Math.ceil(x * 1000 - 1e-6) / 1000;
    if (x < first - 1e-9 || x > end + 1e-9) return null;
    const next = beyond(parts, taken, x, yM, fromRight, { gapM, plugM });
    if (Math.abs(next - x) < 1e-9) return x;
    x = next;
  }
}

/** As far on as the first thing in the way demands: the same place where nothing is. */
function beyond(
  parts: readonly Taken[],
  taken: readonly Taken[],
  x: number,
  y: number,
  fromRight: boolean,
  { gapM, plugM }: Spacing,
): number {
  let next = x;
  for (const { rect: own, isCase } of parts)
    for (const { rect: other, isCase: isOther } of taken) {
      const by = isCase && isOther ? gapM : plugM;
      if (y + own.y0 >= other.y1 + by - NOISE || y + own.y1 <= other.y0 - by + NOISE) continue;
      if (x + own.x0 >= other.x1 + by - NOISE || x + own.x1 <= other.x0 - by + NOISE) continue;
      next = fromRight
        ? Math.min(next, other.x0 - by - own.x1)
        : Math.max(next, other.x1 + by - own.x0);
    }
  return next;
}

const NOISE = 1e-7;
