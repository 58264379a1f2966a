import { applyEdits, placeEdit, type Edit, type OnDeck, type Rig } from '../../rig';
import { layBoard, roomOn } from '../board';
import { applyFollowing } from '../follow';
import { grown, moved, overlapOf, type Rect } from '../rect';
import { thingsOf } from '../things';
import { standingsOf, turnedSize, type Standing } from '../standing';
import { Fitter, type Tried } from './fitter';
import type { Mask } from './mask';
import { cableFrom, placesFor, triedOn, type Place } from './places';

/// Whether a thing finds room: everywhere that it fits; else the least move of one or two others that makes room; else how
/// much is missing.

export interface MovedThing {
  readonly id: string;
  readonly to: OnDeck;
  readonly byM: number;
}

export type FitAnswer =
  | {
      readonly kind: 'fits';
      /** Where its case could be, m on the stage. */
      readonly area: readonly Rect[];
      /** With the least cable. */
      readonly place: OnDeck;
      readonly edit: Edit;
    }
  | {
      readonly kind: 'moves';
      readonly moves: readonly MovedThing[];
      readonly place: OnDeck;
      readonly edit: Edit;
    }
  | {
      readonly kind: 'missing';
      /** Of what it reaches into, where the least is missing. */
      readonly missingM: number;
      readonly place: OnDeck | null;
    };

export interface FitQuestion {
  readonly rig: Rig;
  readonly id: string;
  /** What stays where it is. */
  readonly pinned: readonly string[];
}

export interface FitProgress {
  readonly looks: 'free' | 'one' | 'two';
  readonly done: number;
  readonly of: number;
}

/** So many of the best places are tried for ways of their cables. */
const MOST_WAYS = 24;
/** Of many free places so many are looked at first. */
const MOST_SAMPLED = 300;
/** Steps in which two things are moved at once, m, and how far at most. */
const STEP_M = 0.005;
const FARTHEST_M = 0.2;

/** Answers whether a thing fits onto the boards of a rig. */
export function* willItFit({ rig, id, pinned }: FitQuestion): Generator<FitProgress, FitAnswer> {
  const loose = applyEdits(rig, placeEdit(id, null));
  const everywhere = placesFor(loose, id);
  let step = everywhere.next();
  for (; !step.done; step = everywhere.next()) yield { looks: 'free', ...step.value };
  const { places, area } = step.value;
  const place = bestOf(loose, id, places);
  if (place) return { kind: 'fits', area, place, edit: placeEdit(id, place) };
  const movers = standingsOf(loose).filter(({ thing }) => !pinned.includes(thing.id));
  return (
    (yield* movingOne(loose, id, movers)) ??
    (yield* movingTwo(loose, id, movers)) ??
    missing(loose, id)
  );
}

/** The place with the least cable at which every cable has a way. */
function bestOf(rig: Rig, id: string, places: readonly Place[]): OnDeck | null {
  if (places.length === 0) return null;
  const fitter = new Fitter(rig, id);
  const far = cableFrom(rig, fitter.thing);
  const ranked = places
    .map((place) => ({ place, way: far(place) }))
    .sort((a, b) => a.way - b.way)
    .map(({ place }) => place.placement);
  const spread = ranked.filter(
    (_, i) => i % Math.max(1, Math.floor(ranked.length / MOST_WAYS)) === 0,
  );
  return spread.find((to) => bringsNothing(rig, placeEdit(id, to))) ?? null;
}

/** Whether an edit, with the lengths that follow, brings no conflict: every cable has a way, too. */
export function bringsNothing(rig: Rig, edit: Edit): boolean {
  const before = new Set(layBoard(rig).conflicts.map(({ key }) => key));
  const after = applyFollowing(rig, edit);
  return (
    after.kind === 'ok' &&
    layBoard(after.rig).conflicts.every(({ key, weight }) => weight === 'note' || before.has(key))
  );
}

/** A standing thing some way on its board: along one edge. */
interface Shift {
  readonly standing: Standing;
  readonly dx: number;
  readonly dy: number;
  readonly byM: number;
}

const shifted = ({ standing, dx, dy }: Shift): OnDeck => {
  const tidy = (m: number) => Math.round(m * 1e6) / 1e6;
  const { xM, yM } = standing.placement;
  return { ...standing.placement, xM: tidy(xM + dx), yM: tidy(yM + dy) };
};

function* shiftsOf(standing: Standing, stepM: number, farthestM: number): Generator<Shift> {
  for (let i = 1; i * stepM <= farthestM + 1e-9; i++)
    for (const [x, y] of [
      [-1, 0],
      [1, 0],
      [0, -1],
      [0, 1],
    ] as const)
      yield { standing, dx: x * i * stepM, dy: y * i * stepM, byM: i * stepM };
}

/** Places that are free for a thing as long as some others are away. */
interface Hoped {
  readonly tried: Tried;
  /** Of its case as it is turned, mm. */
  readonly size: readonly [number, number];
  readonly free: readonly (readonly [number, number])[];
}

function hopedFor(rig: Rig, id: string, away: readonly Standing[]): readonly Hoped[] {
  const without = applyEdits(rig, ...away.map(({ thing }) => placeEdit(thing.id, null)));
  const fitter = new Fitter(without, id);
  return triedOn(without, fitter.thing).flatMap((tried) => {
    const mask = fitter.maskOn(tried, fitter.windowOn(tried));
    const free = few(mask);
    const [w, d] = turnedSize(fitter.thing.body, tried.turn);
    return free.length > 0 ? [{ tried, size: [w * 1000, d * 1000] as const, free }] : [];
  });
}

/** Of very many places those on a grid of 5 mm: what is tight has few. */
function few(mask: Mask): readonly (readonly [number, number])[] {
  const isAll = mask.count <= MOST_HOPED;
  return [...mask.free()].filter(([x, y]) => isAll || (x % SCAN_MM === 0 && y % SCAN_MM === 0));
}

const MOST_HOPED = 12_000;

const keysOf = (rig: Rig): ReadonlySet<string> =>
  new Set(roomOn(rig).conflicts.map(({ key }) => key));

/** Whether a thing fits once these have been moved, and where. */
function tryMoves(
  rig: Rig,
  id: string,
  shifts: readonly Shift[],
  before: ReadonlySet<string>,
  hopes: readonly Hoped[],
) {
  const moves = shifts.map((shift): MovedThing => ({
    id: shift.standing.thing.id,
    to: shifted(shift),
    byM: shift.byM,
  }));
  const edits = moves.map(({ id: other, to }) => placeEdit(other, to));
  const made = applyEdits(rig, ...edits);
  if (roomOn(made).conflicts.some(({ key }) => !before.has(key))) return null;
  const fitter = new Fitter(made, id);
  const places = hopes.flatMap(({ tried, free }) => {
    const mask = fitter.maskOn(tried, fitter.windowOn(tried));
    const open = free.filter(([x, y]) => mask.isFree(x, y));
    const fitting = (some: typeof open) =>
      some.flatMap(([x, y]) => {
        const placement = fitter.placementAt(tried, x, y);
        return fitter.fitsAt(placement, tried.deck) ? [{ placement, deck: tried.deck }] : [];
      });
    const every = Math.max(1, Math.floor(open.length / MOST_SAMPLED));
    const some = fitting(open.filter((_, i) => i % every === 0));
    return some.length === 0 && every > 1 ? fitting(open) : some;
  });
  const place = bestOf(made, id, places);
  if (!place) return null;
  const edit: Edit = { kind: 'group', edits: [...edits, placeEdit(id, place)] };
  return { kind: 'moves', moves, place, edit } as const;
}

/** The least move of one other, millimetre by millimetre. */
function* movingOne(
  rig: Rig,
  id: string,
  movers: readonly Standing[],
): Generator<FitProgress, FitAnswer | null> {
  const before = keysOf(rig);
  const hopes = new Map(movers.map((one) => [one, hopedFor(rig, id, [one])]));
  const useful = movers.filter((one) => hopes.get(one)!.length > 0);
  const all = useful.flatMap((one) => [...shiftsOf(one, 0.001, longestOf(one))]);
  all.sort((a, b) => a.byM - b.byM);
  for (const [done, shift] of all.entries()) {
    if (done % 64 === 0) yield { looks: 'one', done, of: all.length };
    if (!leavesRoom(hopes.get(shift.standing)!, [shift])) continue;
    const found = tryMoves(rig, id, [shift], before, hopes.get(shift.standing)!);
    if (found) return found;
  }
  return null;
}

const longestOf = ({ deck }: Standing): number =>
  Math.max(deck.board.widthM.value, deck.board.depthM.value);

/** Whether any hoped-for place is left with cases where they are moved to, gaps and plugs not counted. */
function leavesRoom(hopes: readonly Hoped[], shifts: readonly Shift[]): boolean {
  const rects = shifts.map(({ standing: { rect, deck, layer }, dx, dy }) => ({
    deck: deck.board.id,
    layer,
    rect: {
      x0: (rect.x0 + dx - deck.rect.x0) * 1000,
      x1: (rect.x1 + dx - deck.rect.x0) * 1000,
      y0: (rect.y0 + dy - deck.rect.y0) * 1000,
      y1: (rect.y1 + dy - deck.rect.y0) * 1000,
    },
  }));
  const isOff = shifts.some(
    ({ standing: { rect, deck }, dx, dy }) =>
      rect.x0 + dx < deck.rect.x0 - 1e-6 ||
      rect.x1 + dx > deck.rect.x1 + 1e-6 ||
      rect.y0 + dy < deck.rect.y0 - 1e-6 ||
      rect.y1 + dy > deck.rect.y1 + 1e-6,
  );
  if (isOff) return false;
  return hopes.some(({ tried, free, size: [w, d] }) => {
    const here = rects.filter(
      ({ deck, layer }) => deck === tried.deck.board.id && (layer === 'under') === tried.isUnder,
    );
    return free.some(([x, y]) =>
      here.every(
        ({ rect }) => x + w <= rect.x0 || x >= rect.x1 || y + d <= rect.y0 || y >= rect.y1,
      ),
    );
  });
}

/** Too far from each other to be in the way of the same thing, or of each other when one gives way to it. */
const areFar = ([a, b]: readonly [Standing, Standing], longM: number): boolean =>
  overlapOf(grown(a.rect, longM), b.rect) === 0;

/** A thing with what its plugs take, m. */
function longestOfThing(rig: Rig, id: string): number {
  const { body } = thingsOf(rig).find((one) => one.id === id)!;
  return Math.max(body.widthM.value, body.depthM.value) + PLUGS_M;
}

const PLUGS_M = 0.12;

/** Shifts of one of two that nothing but the other could stand in the way of. */
function openShifts(rig: Rig, standing: Standing, pair: readonly Standing[]): readonly Shift[] {
  const { thing, placement, deck } = standing;
  const others = pair.filter((one) => one !== standing);
  const without = applyEdits(rig, ...others.map((one) => placeEdit(one.thing.id, null)));
  const fitter = new Fitter(without, thing.id);
  const tried = { deck, turn: placement.turn, isUnder: placement.isUnder };
  const mask = fitter.maskOn(tried, fitter.windowOn(tried));
  const inMm = (m: number) => Math.round(m * 1000);
  return [...shiftsOf(standing, STEP_M, FARTHEST_M)].filter((shift) => {
    const { xM, yM } = shifted(shift);
    // Between two millimetres it is left to the closer look.
    const isBetween = [xM, yM].some((m) => Math.abs(m * 1000 - inMm(m)) > 1e-3);
    return isBetween || mask.isFree(inMm(xM), inMm(yM));
  });
}

const meet = (a: Shift, b: Shift): boolean =>
  overlapOf(moved(a.standing.rect, a.dx, a.dy), moved(b.standing.rect, b.dx, b.dy)) > 0 &&
  a.standing.layer === b.standing.layer;

/** The least move of two others together. */
function* movingTwo(
  rig: Rig,
  id: string,
  movers: readonly Standing[],
): Generator<FitProgress, FitAnswer | null> {
  const before = keysOf(rig);
  const pairs = movers.flatMap((a, i) => movers.slice(i + 1).map((b) => [a, b] as const));
  let best: (FitAnswer & { readonly kind: 'moves' }) | null = null;
  let least = Infinity;
  const longM = longestOfThing(rig, id);
  for (const [done, pair] of pairs.entries()) {
    yield { looks: 'two', done, of: pairs.length };
    if (areFar(pair, longM)) continue;
    const hopes = hopedFor(rig, id, pair);
    if (hopes.length === 0) continue;
    const [ones, others] = pair.map((one) => openShifts(rig, one, pair));
    const both = ones!
      .flatMap((a) => others!.map((b) => ({ shifts: [a, b], byM: a.byM + b.byM })))
      .filter(({ byM }) => byM < least - 1e-9)
      .sort((a, b) => a.byM - b.byM);
    for (const [i, { shifts, byM }] of both.entries()) {
      if (i % 256 === 255) yield { looks: 'two', done, of: pairs.length };
      if (byM >= least - 1e-9) break;
      if (meet(shifts[0]!, shifts[1]!) || !leavesRoom(hopes, shifts)) continue;
      const found = tryMoves(rig, id, shifts, before, hopes);
      if (!found) continue;
      [best, least] = [found, byM];
      break;
    }
  }
  return best;
}

/** How much is missing where the least is missing; of what is larger than every board, how much larger it is. */
function missing(rig: Rig, id: string): FitAnswer {
  const fitter = new Fitter(rig, id);
  let [missingM, place]: [number, OnDeck | null] = [Infinity, null];
  let largerM = Infinity;
  for (const tried of triedOn(rig, fitter.thing)) {
    const [w, d] = turnedSize(fitter.thing.body, tried.turn);
    const { widthM, depthM } = tried.deck.board;
    largerM = Math.min(largerM, Math.max(w - widthM.value, d - depthM.value));
    const { x0, x1, y0, y1 } = fitter.windowOn(tried);
    for (let y = y0; y <= y1; y += SCAN_MM)
      for (let x = x0; x <= x1; x += SCAN_MM) {
        const to = fitter.placementAt(tried, x, y);
        const here = fitter.missingAt(to, tried.deck);
        if (here > 0 && here < missingM) [missingM, place] = [here, to];
      }
  }
  return { kind: 'missing', missingM: place ? missingM : Math.max(0, largerM), place };
}

const SCAN_MM = 5;
