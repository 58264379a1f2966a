import type { Edit, Rig, Turn } from '../../rig';
import { standingsOf } from '../standing';
import { thingsOf } from '../things';
import { isHung } from '../arrange';
import { allChoices, changed, cutChain, Dice, keyOf, neighbours } from './choices';
import { Packing, type Choice } from './packing';
import { costPerMetre, Judge, USUAL_WISHES, type Judged, type Wishes } from './wishes';
import { withRows } from './withRows';

/// The best arrangement under stated wishes. Up to four things: all choices there are, those first that could be best, until
/// none that is left could be better. More: a seeded search that gets stricter, with a budget of arrangements looked at, so
/// that the same seed and budget give the same answer on any machine.

export interface ArrangeQuestion {
  readonly rig: Rig;
  readonly wishes: Wishes;
  readonly seed: number;
  /** How many arrangements are looked at. */
  readonly budget: number;
}

export interface ArrangeProgress {
  readonly done: number;
  readonly of: number;
  /** The least so far, and how it stands. */
  readonly best: Judged | null;
}

export const USUAL_BUDGET = 24_000;
/** Up to so many things everything is tried. */
export const MOST_TRIED_ALL = 4;
/** One in so many that are looked at is laid out with its cables. */
const LOOKS_PER_LAYING = 80;
const PROGRESS_EVERY = 50;

/** What an arrangement may move: what stands on top or nowhere yet, and is not pinned. What hangs below stays there. */
export function movingIn(rig: Rig, { pinned }: Pick<Wishes, 'pinned'>): ReadonlySet<string> {
  const under = standingsOf(rig).filter(({ layer }) => layer === 'under');
  const stays = new Set([...pinned, ...under.map(({ thing }) => thing.id)]);
  return new Set(
    thingsOf(rig)
      .filter((thing) => {
        const at = rig.layout.placements[thing.id]?.at;
        return !stays.has(thing.id) && at !== 'beside' && !(at === undefined && isHung(rig, thing));
      })
      .map(({ id }) => id),
  );
}

/** The edit that puts everything where an arrangement has it. */
export function editOf(rig: Rig, { placements }: Judged): Edit {
  const after = withRows(rig, placements);
  const { lanes } = rig.layout;
  const places = Object.entries(placements).flatMap(([id, to]): Edit[] =>
    rig.layout.placements[id] === to ? [] : [{ kind: 'place', id, to }],
  );
  const left = Object.keys(rig.layout.placements).flatMap((id): Edit[] =>
    placements[id] ? [] : [{ kind: 'place', id, to: null }],
  );
  const rows: Edit = {
    kind: 'list',
    of: 'lanes',
    at: 0,
    remove: lanes.length,
    insert: after.layout.lanes,
  };
  const isMoved = places.length + left.length > 0;
  return { kind: 'group', edits: [...places, ...left, ...(isMoved ? [rows] : [])] };
}

/** The best arrangement; null where nothing may be moved, or there is no board. */
export function* bestArrangement(
  question: ArrangeQuestion,
): Generator<ArrangeProgress, Judged | null> {
  const { rig, wishes } = question;
  const moving = movingIn(rig, wishes);
  if (moving.size === 0 || rig.layout.boards.length === 0) return null;
  const packing = new Packing(rig, moving, turnsIn(wishes));
  const judge = new Judge(rig, wishes, packing, costPerMetre(rig));
  return packing.items.length <= MOST_TRIED_ALL
    ? yield* tryAll(packing, judge, wishes)
    : yield* search(question, packing, judge);
}

const turnsIn = ({ turns }: Wishes): readonly Turn[] =>
  turns.length > 0 ? turns : USUAL_WISHES.turns;

function* tryAll(
  packing: Packing,
  judge: Judge,
  wishes: Wishes,
): Generator<ArrangeProgress, Judged | null> {
  const all: { readonly choice: Choice; readonly atLeast: number }[] = [];
  for (const choice of allChoices(packing, turnsIn(wishes))) {
    all.push({ choice, atLeast: judge.atLeast(packing.pack(choice)) });
    if (all.length % PROGRESS_EVERY === 0) yield { done: 0, of: all.length, best: null };
  }
  all.sort((a, b) => a.atLeast - b.atLeast);
  let best: Judged | null = null;
  for (const [done, { choice, atLeast }] of all.entries()) {
    if (best && atLeast >= best.worth) break;
    yield { done, of: all.length, best };
    const judged = judge.judge(packing.pack(choice));
    if (!best || judged.worth < best.worth) best = judged;
  }
  return best;
}

interface Looked {
  readonly choice: Choice;
  readonly atLeast: number;
}

/** The best that were looked at, to be laid out. */
class Elite {
  readonly #all = new Map<string, Looked>();
  constructor(readonly most: number) {}

  add(choice: Choice, atLeast: number): void {
    this.#all.set(keyOf(choice), { choice, atLeast });
    if (this.#all.size <= 4 * this.most) return;
    const kept = this.sorted().slice(0, this.most);
    this.#all.clear();
    for (const one of kept) this.#all.set(keyOf(one.choice), one);
  }

  sorted() {
    return [...this.#all.values()].sort((a, b) => a.atLeast - b.atLeast);
  }
}

/** How much worse the next one may be at the start, m of cable. */
const SLACK_M = 1.2;
/** So often it begins anew. */
const ROUNDS = 5;
/** Of the looks of a round, those that cut the chain anew. */
const CUTS = 0.35;
/** Of the looks of a round, those that wander; the others go down from the best of them. */
const WANDERS = 0.75;

function* search(
  { wishes, seed, budget }: ArrangeQuestion,
  packing: Packing,
  judge: Judge,
): Generator<ArrangeProgress, Judged | null> {
  const turns = turnsIn(wishes);
  const dice = new Dice(seed);
  const layings = Math.max(4, Math.floor(budget / LOOKS_PER_LAYING));
  const looks = Math.max(ROUNDS, budget - layings);
  const elite = new Elite(Math.ceil(layings / 2));
  const look = new Looking(packing, judge, elite);
  const laid = new Laid(packing, judge);
  for (let round = 0; round < ROUNDS; round++) {
    const until = Math.floor((looks * (round + 1)) / ROUNDS);
    const wanderUntil = look.count + Math.floor((until - look.count) * WANDERS);
    let now = look.at(cutChain(packing, turns, dice));
    const cutUntil = look.count + Math.floor((until - look.count) * CUTS);
    while (look.count < cutUntil) {
      const next = look.at(cutChain(packing, turns, dice));
      if (next.atLeast < now.atLeast) now = next;
    }
    let best = now;
    const from = look.count;
    while (look.count < wanderUntil) {
      if (look.count % PROGRESS_EVERY === 0)
        yield { done: look.count, of: budget, best: laid.best };
      const next = look.at(changed(now.choice, dice, turns));
      // Whole numbers and products only: the same on any machine.
      const left = 1 - (look.count - from) / (wanderUntil - from);
      const slack = (SLACK_M * left * left * dice.below(1000)) / 1000;
      if (next.atLeast > now.atLeast + slack) continue;
      now = next;
      if (now.atLeast < best.atLeast) best = now;
    }
    yield { done: look.count, of: budget, best: laid.best };
    descend(look, best, until, turns);
    // The best so far is there to be taken, whenever it is stopped.
    laid.consider(elite.sorted()[0]!);
  }
  return yield* layOut(elite, laid, dice, { turns, looks, layings, budget });
}

/** Looks at arrangements, counts that, and keeps the best of them. */
class Looking {
  count = 0;

  constructor(
    readonly packing: Packing,
    readonly judge: Judge,
    readonly elite: Elite,
  ) {}

  at(choice: Choice): Looked {
    this.count++;
    const atLeast = this.judge.atLeast(this.packing.pack(choice));
    this.elite.add(choice, atLeast);
    return { choice, atLeast };
  }
}

/** From one to the best of all that are a small change away, as long as that is better. */
function descend(look: Looking, from: Looked, until: number, turns: readonly Turn[]): void {
  let now = from;
  for (;;) {
    let best = now;
    for (const choice of neighbours(now.choice, turns)) {
      if (look.count >= until) return;
      const next = look.at(choice);
      if (next.atLeast < best.atLeast) best = next;
    }
    if (best === now) return;
    now = best;
  }
}

interface Laying {
  readonly turns: readonly Turn[];
  readonly looks: number;
  readonly layings: number;
  readonly budget: number;
}

/** The best of what was looked at laid out with all cables, and what is near the best of those. */
function* layOut(
  elite: Elite,
  laid: Laid,
  dice: Dice,
  { turns, looks, layings, budget }: Laying,
): Generator<ArrangeProgress, Judged | null> {
  for (const looked of elite.sorted().slice(0, Math.ceil(layings / 2))) {
    if (looked.atLeast >= laid.worth) break;
    yield { done: looks + laid.count, of: budget, best: laid.best };
    laid.consider(looked);
  }
  for (let tries = 0; laid.choice && laid.count < layings && tries < 20 * layings; tries++) {
    const near = changed(laid.choice, dice, turns);
    if (!laid.couldBeBetter(near)) continue;
    yield { done: looks + laid.count, of: budget, best: laid.best };
    laid.consider({ choice: near });
  }
  return laid.best;
}

/** Lays arrangements out with all of their cables, and keeps the best. */
class Laid {
  count = 0;
  best: Judged | null = null;
  choice: Choice | null = null;
  readonly #known = new Set<string>();

  constructor(
    readonly packing: Packing,
    readonly judge: Judge,
  ) {}

  get worth(): number {
    return this.best?.worth ?? Infinity;
  }

  consider({ choice }: Pick<Looked, 'choice'>): void {
    const key = keyOf(choice);
    if (this.#known.has(key)) return;
    this.#known.add(key);
    this.count++;
    const judged = this.judge.judge(this.packing.pack(choice));
    if (judged.worth < this.worth) [this.best, this.choice] = [judged, choice];
  }

  /** Whether it was not laid out yet, and could be worth less by what is known without its cables. */
  couldBeBetter(choice: Choice): boolean {
    const key = keyOf(choice);
    if (this.#known.has(key)) return false;
    if (this.judge.atLeast(this.packing.pack(choice)) < this.worth) return true;
    this.#known.add(key);
    return false;
  }
}
