import type { GearItem } from '../gear';
import { weightsOf } from './goal';
import type { Rig } from '../rig';
import { inWorkingOrder, makeMove, makeMoves } from './editOfMove';
import { Evaluator } from './evaluate';
import { findMoves } from './findMoves';
import { Front, SAME_GOAL, type Placed } from './front';
import { excludeEachOther, type Move } from './move';
import { effortOf, isAllowed, type RankedPlan } from './plan';

export interface SearchOptions {
  /** Moves of a plan at most. All plans of up to two are looked at; of three as many as there is time for. */
  readonly mostMoves?: 1 | 2 | 3;
  /** Plans of three moves to look at. */
  readonly mostTriples?: number;
  /** Plans between two signs of life. */
  readonly chunk?: number;
}

/** A sign of life, with what is best so far. */
export interface SearchProgress {
  readonly moves: number;
  /** Plans of how many moves are being looked at. */
  readonly depth: number;
  readonly done: number;
  readonly of: number;
  readonly front: readonly RankedPlan[];
}

export interface PlanSearch {
  /** Every single move there was. */
  readonly moves: readonly Move[];
  readonly asItIs: RankedPlan;
  /** What nothing beats in goal, work and cost at once, best goal first. */
  readonly front: readonly RankedPlan[];
  /** The same of single moves alone. */
  readonly singles: readonly RankedPlan[];
  /** Plans looked at. */
  readonly looked: number;
  /** All plans of up to so many moves have been looked at: none of them is better. */
  readonly exactUpTo: number;
  /** Plans of one move more: how many of them were looked at. Null where none was. */
  readonly beyond: { readonly moves: number; readonly looked: number; readonly of: number } | null;
}

const DEFAULT_TRIPLES = 20_000;
const DEFAULT_CHUNK = 64;

/**
 * Looks for the least change that brings a rig nearest to what its approach wants. Deterministic. Every step
 * is one chunk of plans, so that the caller can show progress, or stop and keep the last `front`.
 */
export function* searchPlans(
  rig: Rig,
  gear: readonly GearItem[],
  options: SearchOptions = {},
): Generator<SearchProgress, PlanSearch> {
  const search = new Search(rig, gear);
  const { mostMoves = 2, mostTriples = DEFAULT_TRIPLES, chunk = DEFAULT_CHUNK } = options;
  yield* search.run('singles', search.singles(), search.moves.length, chunk);
  search.keepSingles();
  if (mostMoves >= 2) yield* search.run('pairs', search.pairs(), search.countPairs(), chunk);
  if (mostMoves >= 3) yield* search.run('triples', search.triples(mostTriples), mostTriples, chunk);
  return search.result(mostMoves);
}

/** Searches to the end at once. */
export function searchToEnd(
  rig: Rig,
  gear: readonly GearItem[],
  options: SearchOptions = {},
): PlanSearch {
  const work = searchPlans(rig, gear, options);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

type Depth = 'singles' | 'pairs' | 'triples';
const DEPTHS: Readonly<Record<Depth, number>> = { singles: 1, pairs: 2, triples: 3 };

/** A plan by the places of its moves, and the goal it reaches. */
interface Reached {
  readonly places: readonly number[];
  readonly goal: number;
}

/** Of equal ones the order in which they were found stays. */
const byGoal = (a: Reached, b: Reached): number => (a.goal === b.goal ? 0 : a.goal - b.goal);

class Search {
  readonly moves: readonly Move[];
  private readonly evaluator = new Evaluator();
  private readonly front = new Front();
  private readonly asItIs: Placed;
  private singlesFront: readonly RankedPlan[] = [];
  private readonly singlesFound: Reached[] = [];
  private readonly pairsFound: Reached[] = [];
  private readonly begun = new Map<Move, Rig | null>();
  private looked = 0;
  private triplesLooked = 0;
  private triplesThere = 0;

  constructor(
    private readonly rig: Rig,
    gear: readonly GearItem[],
  ) {
    this.moves = findMoves(rig, gear);
    const score = this.evaluator.score(rig);
    this.asItIs = { moves: [], score, effort: effortOf([]), places: [] };
    this.front.add(this.asItIs);
  }

  *run(
    depth: Depth,
    plans: Iterable<readonly number[]>,
    of: number,
    chunk: number,
  ): Generator<SearchProgress> {
    let done = 0;
    const say = (): SearchProgress => ({
      moves: this.moves.length,
      depth: DEPTHS[depth],
      done,
      of,
      front: this.front.best,
    });
    for (const places of plans) {
      if (done++ % chunk === 0) yield say();
      const goal = this.look(places);
      // What cannot be done by itself may be possible together with something else.
      const reached = { places, goal: goal ?? Infinity };
      if (depth === 'singles') this.singlesFound.push(reached);
      if (depth === 'pairs') this.pairsFound.push(reached);
    }
    yield say();
  }

  /** The goal that a plan reaches, infinite where others are certainly better; null where it cannot be made. */
  private look(places: readonly number[]): number | null {
    this.looked++;
    const moves = places.map((place) => this.moves[place]!);
    const effort = effortOf(moves);
    if (!isAllowed(this.rig, effort)) return null;
    const made = this.make(moves);
    if (!made) return null;
    const enough = this.front.bestWithin(effort) + 2 * SAME_GOAL;
    const score = this.evaluator.scoreWithin(made, this.weights, enough);
    if (!score) return Infinity;
    this.front.add({ moves, score, effort, places });
    return score.goal;
  }

  /** Plans that begin with the same move go on from the same rig. */
  private make(moves: readonly Move[]): Rig | null {
    const [first, ...rest] = inWorkingOrder(moves);
    if (!first) return this.rig;
    let begun = this.begun.get(first);
    if (begun === undefined)
      this.begun.set(first, (begun = makeMove(this.rig, first)?.rig ?? null));
    return begun && (makeMoves(begun, rest)?.rig ?? null);
  }

  private get weights() {
    return weightsOf(this.rig);
  }

  *singles(): Generator<readonly number[]> {
    for (const place of this.moves.keys()) yield [place];
  }

  /** What single moves reach, before plans of more are looked at. */
  keepSingles(): void {
    this.singlesFront = this.front.best;
  }

  /** The best single moves first, each with every other one: what is best so far is good soon. */
  *pairs(): Generator<readonly number[]> {
    const ranked = this.singlesFound.sort(byGoal).map(({ places }) => places[0]!);
    for (const [rank, a] of ranked.entries())
      for (const b of ranked.slice(rank + 1))
        if (!excludeEachOther(this.moves[a]!, this.moves[b]!)) yield a < b ? [a, b] : [b, a];
  }

  countPairs(): number {
    return [...this.pairs()].length;
  }

  /** The best pairs first, each with every third move. */
  *triples(most: number): Generator<readonly number[]> {
    const seen = new Set<number>();
    const { length } = this.moves;
    this.triplesThere = this.countTriples();
    for (const { places } of this.pairsFound.sort(byGoal)) {
      for (let third = 0; third < length; third++) {
        if (places.some((place) => this.clash(place, third))) continue;
        const triple = [...places, third].sort((a, b) => a - b);
        const key = (triple[0]! * length + triple[1]!) * length + triple[2]!;
        if (seen.has(key)) continue;
        if (this.triplesLooked >= most) return;
        seen.add(key);
        this.triplesLooked++;
        yield triple;
      }
    }
  }

  private clash(a: number, b: number): boolean {
    return a === b || excludeEachOther(this.moves[a]!, this.moves[b]!);
  }

  /** Three moves of which no two exclude each other. */
  private countTriples(): number {
    const { length } = this.moves;
    const clashes = this.moves.map((_, a) => this.moves.map((_other, b) => this.clash(a, b)));
    let count = 0;
    for (let a = 0; a < length; a++)
      for (let b = a + 1; b < length; b++) {
        if (clashes[a]![b]) continue;
        for (let c = b + 1; c < length; c++) if (!clashes[a]![c] && !clashes[b]![c]) count++;
      }
    return count;
  }

  result(mostMoves: number): PlanSearch {
    const isWhole = this.triplesLooked === this.triplesThere;
    return {
      moves: this.moves,
      asItIs: this.asItIs,
      front: this.front.best,
      singles: this.singlesFront,
      looked: this.looked,
      exactUpTo: mostMoves === 3 && !isWhole ? 2 : mostMoves,
      beyond:
        mostMoves === 3 && !isWhole
          ? { moves: 3, looked: this.triplesLooked, of: this.triplesThere }
          : null,
    };
  }
}
