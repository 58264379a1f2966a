import { TURNS, type OnDeck } from '../../rig';
import type { Boarded } from '../board';
import { connectionsOf } from '../connections';
import type { Point, Rect } from '../rect';
import { decksOf, standingAt, standingsOf, turnedSize, type Deck } from '../standing';
import type { BoardThing } from '../things';
import { Fitter, type Tried } from './fitter';

/// Everywhere that one thing fits.

/** Ways in which a thing may stand: on every board in every turn; what feeds may hang below, too. */
export function triedOn(rig: Boarded, thing: BoardThing): readonly Tried[] {
  const hangs =
    thing.kind === 'supply' ||
    rig.layout.fixtures.some(({ id, fixtureClass }) => id === thing.id && fixtureClass === 'strip');
  const layers = hangs ? [true, false] : [false];
  return layers.flatMap((isUnder) =>
    decksOf(rig).flatMap((deck) => turnsOf(thing).map((turn) => ({ deck, turn, isUnder }))),
  );
}

/** A thing without jacks and switches that is as wide as it is deep has only one. */
const turnsOf = ({ body }: BoardThing) =>
  body.jacks.length + body.switches.length > 0 || body.widthM.value !== body.depthM.value
    ? TURNS
    : TURNS.slice(0, 1);

/** Of a large area not every millimetre is looked at, but at the most every fourth. */
const MOST_LOOKED_AT = 3000;
const WIDEST_STEP = 4;

const stepFor = (count: number): number =>
  Math.min(WIDEST_STEP, Math.max(1, Math.ceil(Math.sqrt(count / MOST_LOOKED_AT))));

export interface Place {
  readonly placement: OnDeck;
  readonly deck: Deck;
}

export interface Everywhere {
  readonly places: readonly Place[];
  /** What its case could cover, m on the stage. */
  readonly area: readonly Rect[];
}

/**
 * Everywhere that a thing fits; of a place that is only millimetres wide every millimetre is looked at.
 *
 * @yields how many of the ways to stand were looked at
 */
export function* placesFor(
  rig: Boarded,
  id: string,
): Generator<{ readonly done: number; readonly of: number }, Everywhere> {
  const fitter = new Fitter(rig, id);
  const tries = triedOn(rig, fitter.thing);
  const places: Place[] = [];
  const covers = new Covered(decksOf(rig));
  for (const [done, tried] of tries.entries()) {
    yield { done, of: tries.length };
    const window = fitter.windowOn(tried);
    const mask = fitter.maskOn(tried, window);
    const coarse = stepFor(mask.count);
    const found = (step: number): Place[] =>
      [...mask.free()].flatMap(([x, y]) => {
        if (x % step !== 0 || y % step !== 0) return [];
        const placement = fitter.placementAt(tried, x, y);
        return fitter.fitsAt(placement, tried.deck) ? [{ placement, deck: tried.deck }] : [];
      });
    const here = found(coarse);
    const all = here.length === 0 && coarse > 1 ? found(1) : here;
    for (const place of all) covers.add(place, fitter.thing, coarse);
    places.push(...all);
  }
  return { places, area: covers.rects() };
}

/** Square millimetres, two by two, that a case could cover. */
const CELL_M = 0.002;

class Covered {
  readonly #decks: ReadonlyMap<string, { deck: Deck; cells: Uint8Array; columns: number }>;

  constructor(decks: readonly Deck[]) {
    this.#decks = new Map(
      decks.map((deck) => {
        const columns = Math.ceil(deck.board.widthM.value / CELL_M);
        const rows = Math.ceil(deck.board.depthM.value / CELL_M);
        return [deck.board.id, { deck, cells: new Uint8Array(columns * rows), columns }];
      }),
    );
  }

  add({ placement, deck }: Place, { body }: BoardThing, stepMm: number): void {
    const { cells, columns } = this.#decks.get(deck.board.id)!;
    const [w, d] = turnedSize(body, placement.turn);
    const slack = (stepMm - 1) / 1000;
    const at = (m: number) => Math.max(0, Math.floor(m / CELL_M + 1e-6));
    const x1 = Math.min(columns, at(placement.xM + w + slack));
    const y1 = Math.min(cells.length / columns, at(placement.yM + d + slack));
    for (let y = at(placement.yM); y < y1; y++)
      cells.fill(1, y * columns + at(placement.xM), y * columns + Math.max(at(placement.xM), x1));
  }

  /** The area as rectangles: runs of a line, as far back as they stay the same. */
  rects(): readonly Rect[] {
    return [...this.#decks.values()].flatMap(({ deck, cells, columns }) => {
      const open = new Map<string, { x0: number; x1: number; from: number }>();
      const found: Rect[] = [];
      const rows = cells.length / columns;
      const close = (key: string, y: number) => {
        const { x0, x1, from } = open.get(key)!;
        open.delete(key);
        found.push(onStage(deck, { x0, x1, y0: from, y1: y }));
      };
      for (let y = 0; y <= rows; y++) {
        const runs = y < rows ? runsOf(cells.subarray(y * columns, (y + 1) * columns)) : [];
        const keys = new Set(runs.map(([x0, x1]) => `${x0} ${x1}`));
        for (const key of [...open.keys()]) if (!keys.has(key)) close(key, y);
        for (const [x0, x1] of runs)
          if (!open.has(`${x0} ${x1}`)) open.set(`${x0} ${x1}`, { x0, x1, from: y });
      }
      return found;
    });
  }
}

const onStage = ({ rect }: Deck, { x0, x1, y0, y1 }: Rect): Rect => ({
  x0: rect.x0 + x0 * CELL_M,
  x1: Math.min(rect.x1, rect.x0 + x1 * CELL_M),
  y0: rect.y0 + y0 * CELL_M,
  y1: Math.min(rect.y1, rect.y0 + y1 * CELL_M),
});

function runsOf(line: Uint8Array): readonly (readonly [number, number])[] {
  const runs: (readonly [number, number])[] = [];
  let from = -1;
  for (let x = 0; x <= line.length; x++) {
    const isTaken = x < line.length && line[x] === 1;
    if (isTaken && from < 0) from = x;
    if (!isTaken && from >= 0) {
      runs.push([from, x]);
      from = -1;
    }
  }
  return runs;
}

/** As it usually stands, where that takes no more than so much cable, m. */
const TURNED_M = 0.1;

/** By place, how much cable it takes from there to what its cables go to, about, m: the least is best. */
export function cableFrom(rig: Boarded, thing: BoardThing): (place: Place) => number {
  const on = new Map(standingsOf(rig).map((one) => [one.thing.id, one]));
  const ends = connectionsOf(rig).flatMap(({ from, to }) => {
    const other = from?.thing === thing.id ? to : to?.thing === thing.id ? from : null;
    const far = other && on.get(other.thing);
    return far && far.thing.id !== thing.id ? [centreOf(far.rect)] : [];
  });
  return ({ placement, deck }) => {
    const at = centreOf(standingAt(thing, placement, deck).rect);
    const way = ends.reduce((sum, { x, y }) => sum + Math.abs(x - at.x) + Math.abs(y - at.y), 0);
    return way + (placement.turn === 0 ? 0 : TURNED_M) + placement.yM / 1000;
  };
}

const centreOf = ({ x0, x1, y0, y1 }: Rect): Point => ({ x: (x0 + x1) / 2, y: (y0 + y1) / 2 });
