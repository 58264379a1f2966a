import { applyEdits, freshId, onDeck, type Edit, type OnDeck, type Rig } from '../rig';
import { layBoard, roomOn } from './board';
import { HEEL_M } from './foot';
import { thingsIn, type Conflict } from './conflict';
import { lanesBehindRows } from './lanes';
import { marginsOf, type Margins } from './margins';
import { isCarried } from './room';
import { findSpot } from './spot';
import { decksOf, standingAt, type Deck, type Standing } from './standing';
import type { BoardThing } from './things';

/// A first arrangement: in the order of the chain, from the right; what stays on at the back, what is switched in front;
/// nothing in the way of anything. What finds no place stays in the list of what is not placed.

export interface Arrangement {
  /** Null where nothing more could be placed. */
  readonly edit: Edit | null;
  readonly placed: readonly string[];
  readonly leftOver: readonly string[];
}

/** A cable between two plugs, with room on both sides, m. */
const CORRIDORS_M = [0.004, 0.008, 0.014] as const;
/** From a case to the next lane behind it, m. */
const ROW_GAP_M = 0.014;
/** What takes more of a board than this share of its depth stands in both rows. */
const DEEP = 0.55;

interface Item {
  readonly thing: BoardThing;
  readonly margins: Margins;
  readonly isBack: boolean;
}

const widthOf = ({ thing, margins }: Item): number =>
  thing.body.widthM.value + margins.left + margins.right;
const depthOf = ({ thing, margins }: Item): number =>
  thing.body.depthM.value + margins.front + margins.back;

/** The first place from the front, not before `fromM`, where a case rests on its deck with all of its switches. */
function frontOf(thing: BoardThing, deck: Deck, xM: number, fromM: number): number | null {
  const last = deck.board.depthM.value - thing.body.depthM.value;
  for (let mm = Math.ceil(fromM * 1000); mm / 1000 <= last + 1e-9; mm++) {
    if (isCarried(standingAt(thing, onDeck(deck.board.id, xM, mm / 1000), deck))) return mm / 1000;
  }
  return null;
}

type Placed = Map<string, OnDeck>;

/** One row after another, each from the right, until something has no room. */
class Packing {
  readonly placed: Placed = new Map();
  #right: number;

  constructor(
    readonly deck: Deck,
    readonly spread: number,
  ) {
    this.#right = deck.board.widthM.value;
  }

  /** What is deep stands at the right, before all rows. */
  deep(items: readonly Item[]): readonly Item[] {
    return items.filter((item) => {
      const xM = this.#right - widthOf(item) + item.margins.left;
      const yM = frontOf(item.thing, this.deck, xM, item.margins.front);
      if (xM - item.margins.left < 0 || yM === null) return true;
      this.placed.set(item.thing.id, onDeck(this.deck.board.id, xM, yM));
      this.#right = xM - item.margins.left;
      return false;
    });
  }

  /** As many as find room, from the right. @returns where the next row may begin */
  row(items: readonly Item[], fromM: number): number {
    let right = this.#right;
    let behindM = fromM;
    const free = Math.max(0, right - items.reduce((sum, item) => sum + widthOf(item), 0));
    const between = Math.min(this.spread, free / Math.max(1, items.length));
    for (const item of items) {
      const xM = Math.floor((right - widthOf(item) + item.margins.left) * 1000) / 1000;
      const fits = xM - item.margins.left >= -1e-9;
      const yM = fits ? frontOf(item.thing, this.deck, xM, fromM + item.margins.front) : null;
      if (yM === null) continue;
      const { depthM } = item.thing.body;
      this.placed.set(item.thing.id, onDeck(this.deck.board.id, xM, yM));
      behindM = Math.max(behindM, yM + depthM.value + item.margins.back + ROW_GAP_M);
      right = xM - item.margins.left - between;
    }
    return behindM;
  }
}

/** So far back that the heel stands behind the row in front, where there is room for that. */
function beyondHeel({ board }: Deck, row: readonly Item[], behindM: number): number {
  const deepest = Math.max(...row.map(depthOf));
  const wanted = Math.ceil((behindM - ROW_GAP_M + HEEL_M - SWITCH_FROM_FRONT_M) * 1000) / 1000;
  return wanted + deepest <= board.depthM.value ? Math.max(behindM, wanted) : behindM;
}

/** Where switches usually are, m. */
const SWITCH_FROM_FRONT_M = 0.022;

/** As many of those in front as make rows of about the same width, where one row does not hold them all. */
function fairShare(front: readonly Item[], all: readonly Item[], { board }: Deck): readonly Item[] {
  const total = all.reduce((sum, item) => sum + widthOf(item), 0);
  const rows = Math.ceil(total / board.widthM.value);
  let taken = 0;
  return front.filter((item) => {
    const fits = taken + widthOf(item) / 2 <= total / rows;
    taken += widthOf(item);
    return fits;
  });
}

function packDeck(deck: Deck, items: readonly Item[]): Placed {
  const packing = new Packing(deck, 0.03);
  const isDeep = (item: Item) => depthOf(item) > DEEP * deck.board.depthM.value;
  packing.deep(items.filter(isDeep));
  const flat = items.filter((item) => !isDeep(item));
  const front = flat.filter(({ isBack }) => !isBack);
  let behindM = packing.row(fairShare(front, flat, deck), 0);
  // What stands in no row yet joins those at the back, in the order of the chain.
  let waiting = flat.filter(({ thing }) => !packing.placed.has(thing.id));
  while (waiting.length > 0) {
    const before = waiting.length;
    const fromM = beyondHeel(deck, waiting, behindM);
    behindM = packing.row(waiting, fromM);
    waiting = waiting.filter(({ thing }) => !packing.placed.has(thing.id));
    if (waiting.length === before) break;
  }
  return packing.placed;
}

const isInTheWay = ({ kind, weight }: Conflict): boolean => weight !== 'note' && kind !== 'noJack';

/** What has to pass over another gets its riser; what still is in the way of something gives way. */
function settled(rig: Rig, placed: Placed): Placed {
  const now = new Map(placed);
  // Every round lifts something that was not, or takes something away.
  for (let round = 0; round <= 2 * placed.size; round++) {
    const after = applyEdits(rig, ...edits(now));
    const room = roomOn(after);
    const isOurs = (one: Conflict) => isInTheWay(one) && thingsIn(one).some((id) => now.has(id));
    const conflict = room.conflicts.find(isOurs) ?? layBoard(after).conflicts.find(isOurs);
    if (!conflict) break;
    const lifted = liftedOver(room.standings, now, conflict);
    if (lifted) now.set(...lifted);
    else now.delete([...now.keys()].findLast((id) => thingsIn(conflict).includes(id))!);
  }
  return now;
}

/** What stands too low to be reached, on a riser, where it has none yet and a usual one does it. */
function liftedOver(
  standings: readonly Standing[],
  placed: Placed,
  conflict: Conflict,
): readonly [string, OnDeck] | null {
  if (conflict.kind !== 'stepOver') return null;
  const low = placed.get(conflict.thing);
  if (low?.riserM !== 0) return null;
  const riserM = riserFor(standings, conflict, 0);
  return riserM !== null && riserM <= HIGHEST_RISER_M ? [conflict.thing, { ...low, riserM }] : null;
}

const HIGHEST_RISER_M = 0.06;
/** Risers come in steps of 5 mm. */
const RISER_STEP_M = 0.005;

/** How high a thing has to stand for the sole to pass over what is before it, m. */
export function riserFor(
  standings: readonly Standing[],
  conflict: Conflict,
  riserM: number,
): number | null {
  if (conflict.kind !== 'stepOver') return null;
  const topOf = (id: string) => standings.find(({ thing }) => thing.id === id)!.topM;
  const [own, other] = [topOf(conflict.thing), topOf(conflict.other)];
  const sole = other - conflict.missingM;
  if (sole <= 0) return null;
  const more = own * (other / sole - 1);
  return Math.ceil((riserM + more - 1e-9) / RISER_STEP_M) * RISER_STEP_M;
}

const edits = (placed: Placed): readonly Edit[] =>
  [...placed].map(([id, to]) => ({ kind: 'place', id, to }));

/** Below a board there is room for a supply that is flat enough; else it stands with the rest. */
function hung(rig: Rig, deck: Deck, things: readonly BoardThing[]): Placed {
  const placed: Placed = new Map();
  let xM = 0.02;
  for (const thing of things) {
    const { widthM, depthM, heightM } = thing.body;
    const { board } = deck;
    const yM = Math.round((board.depthM.value - depthM.value - 0.05) * 1000) / 1000;
    const fits = heightM.value <= board.belowM.value && yM >= 0;
    if (!isHung(rig, thing) || !fits || xM + widthM.value > board.widthM.value) continue;
    placed.set(thing.id, onDeck(board.id, xM, yM, { isUnder: true }));
    xM += widthM.value + 0.06;
  }
  return placed;
}

export const isHung = ({ layout }: Rig, { id, kind }: BoardThing): boolean =>
  kind === 'supply' ||
  layout.fixtures.some((one) => one.id === id && ['supply', 'strip'].includes(one.fixtureClass));

/**
 * Everything that stands nowhere yet put on the boards, without a conflict; lanes behind the rows where there are none.
 */
export function firstArrangement(rig: Rig): Arrangement {
  const isLoose = ({ id }: BoardThing) => !rig.layout.placements[id];
  const plan = layBoard(rig);
  const loose = plan.things.filter(isLoose);
  let best: Placed = new Map();
  for (const corridorM of CORRIDORS_M) {
    const found = arrangeWith(rig, loose, corridorM);
    if (found.size > best.size) best = found;
    if (best.size === loose.length) break;
  }
  const leftOver = loose.map(({ id }) => id).filter((id) => !best.has(id));
  if (best.size === 0) return { edit: null, placed: [], leftOver };
  const all: readonly Edit[] = [...edits(best), ...laneEdits(applyEdits(rig, ...edits(best)))];
  return { edit: { kind: 'group', edits: all }, placed: [...best.keys()], leftOver };
}

function arrangeWith(rig: Rig, loose: readonly BoardThing[], corridorM: number): Placed {
  const { uses } = rig.texts.brief;
  const items = loose.map((thing): Item => {
    const isBack = uses[thing.id] === 'leftOn' || thing.body.switches.length === 0;
    return { thing, margins: marginsOf(rig, thing, corridorM), isBack };
  });
  let now = rig;
  const placed: Placed = new Map();
  for (const deck of decksOf(rig)) {
    const isTaken = layBoard(now).standings.some((one) => one.deck.board.id === deck.board.id);
    if (isTaken) continue;
    const waiting = items.filter(({ thing }) => !placed.has(thing.id));
    const below = hung(
      rig,
      deck,
      waiting.map(({ thing }) => thing),
    );
    const above = packDeck(
      deck,
      waiting.filter(({ thing }) => !below.has(thing.id)),
    );
    const settledHere = settled(now, new Map([...above, ...below]));
    for (const [id, to] of settledHere) placed.set(id, to);
    now = applyEdits(now, ...edits(settledHere));
  }
  for (const { thing } of items) {
    if (placed.has(thing.id)) continue;
    const to = findSpot(now, thing.id);
    const alone = to && settled(now, new Map([[thing.id, to]]));
    for (const [id, at] of alone ?? []) placed.set(id, at);
    now = applyEdits(now, ...edits(alone ?? new Map()));
  }
  return placed;
}

/** Lanes behind the rows of every deck that has none. */
export function laneEdits(rig: Rig): readonly Edit[] {
  const { decks, standings, plugs } = layBoard(rig);
  const { lanes } = rig.layout;
  const missing = decks
    .filter(({ board }) => !lanes.some((lane) => lane.board === board.id))
    .flatMap((deck) => lanesBehindRows(deck, standings, plugs));
  if (missing.length === 0) return [];
  const insert = missing.map((lane, i) => ({ ...lane, id: freshId(rig, 'n', i) }));
  return [{ kind: 'list', of: 'lanes', at: lanes.length, remove: 0, insert }];
}
