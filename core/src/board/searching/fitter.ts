import { onDeck, rememberPair, type OnDeck, type Turn } from '../../rig';
import { roomOn, type Boarded } from '../board';
import { connectionsOf, type Connection } from '../connections';
import { feetOf, footConflicts } from '../foot';
import { jackOn, plugAt, plugWays, type End, type PlugAt } from '../plugs';
import { grown, type Rect } from '../rect';
import { misfitsOf, missingBetween, nameOf, partsOf, tippingOf, type Part } from '../room';
import { standingAt, standingsOf, turnedSize, type Deck, type Standing } from '../standing';
import { thingsOf, type BoardThing } from '../things';
import { Mask, type Window } from './mask';

/// Where one thing can stand while all others stay: exactly those places that bring no conflict of room or feet. Most are
/// ruled out by what takes room whatever way its plugs turn; what is left is looked at one by one.

const doesTip = (standing: Standing): boolean => !tippingOf([standing]).next().done;

/** By turn and millimetres from the front, whether a case tips on a board. */
const tipping = rememberPair(
  (_body: BoardThing['body'], _board: Deck['board']) => new Map<number, boolean>(),
);

/** One end of a cable, in a jack of what is placed or at the other end of the same cable. */
interface OwnCable {
  readonly connection: Connection;
  readonly own: End;
  /** Where the other end is, if it is on a board. */
  readonly far: Standing | null;
}

const otherEnd = (end: End): End => (end === 'from' ? 'to' : 'from');

const pairKey = (a: Part, b: Part): string => [nameOf(a.solid), nameOf(b.solid)].sort().join(' ');

/** Where on the deck a thing may be tried. */
export interface Tried {
  readonly deck: Deck;
  readonly turn: Turn;
  readonly isUnder: boolean;
}

export class Fitter {
  readonly thing: BoardThing;
  readonly #rig: Boarded;
  readonly #standings: readonly Standing[];
  /** Cases and plugs that are where they are, wherever the thing stands. */
  readonly #fixed: readonly Part[];
  readonly #cables: readonly OwnCable[];
  /** What is in the way already, without the thing. */
  readonly #before: ReadonlySet<string>;
  readonly #pairsBefore: ReadonlySet<string>;

  /** @throws Error where the rig has no such thing */
  constructor(rig: Boarded, id: string) {
    const { [id]: _, ...placements } = rig.layout.placements;
    const without = { ...rig, layout: { ...rig.layout, placements } };
    const thing = thingsOf(rig).find((one) => one.id === id);
    if (!thing) throw new Error(`${id} is not in the rig`);
    this.thing = thing;
    this.#rig = without;
    this.#standings = standingsOf(without);
    this.#cables = ownCables(without, id, this.#standings);
    const { plugs, conflicts } = roomOn(without);
    const farPlugs = new Set(
      this.#cables.map(({ connection, own }) => `${connection.id} ${otherEnd(own)}`),
    );
    this.#fixed = partsOf(
      this.#standings,
      plugs.filter(({ cable, end }) => !farPlugs.has(`${cable} ${end}`)),
    );
    this.#before = new Set(conflicts.map(({ key }) => key));
    this.#pairsBefore = new Set(
      conflicts.flatMap((one) =>
        one.kind === 'overlap' ? [[nameOf(one.one), nameOf(one.other)].sort().join(' ')] : [],
      ),
    );
  }

  /** Every place in whole millimetres at which its corner may be, seen from the deck. */
  windowOn({ deck, turn }: Tried): Window {
    const [width, depth] = turnedSize(this.thing.body, turn).map((m) => Math.round(m * 1e6) / 1e3);
    const [w, d] = [deck.board.widthM.value, deck.board.depthM.value].map((m) => m * 1000);
    const { allowsOverhang } = this.#rig.layout.laying;
    const over = allowsOverhang ? [width! - 1, depth! - 1] : [0, 0];
    return {
      x0: Math.ceil(-over[0]!),
      y0: Math.ceil(-over[1]!),
      x1: Math.floor(w! - width! + over[0]! + 1e-6),
      y1: Math.floor(d! - depth! + over[1]! + 1e-6),
    };
  }

  /** Places of a window that are not taken by what takes room however plugs turn. */
  maskOn(tried: Tried, window: Window): Mask {
    const mask = new Mask(window);
    const { gapM } = this.#rig.layout.laying;
    const at = this.#standingAt(tried, 0, 0);
    const { rect } = tried.deck;
    const here = (one: Rect): Rect => ({
      x0: one.x0 - rect.x0,
      x1: one.x1 - rect.x0,
      y0: one.y0 - rect.y0,
      y1: one.y1 - rect.y0,
    });
    const cores = this.#cables.flatMap((cable) => this.#coreOf(cable, at) ?? []);
    for (const part of this.#fixed) {
      if (part.layer !== at.layer) continue;
      mask.forbid(here(at.rect), here(part.isCase ? grown(part.rect, gapM.value) : part.rect));
      for (const core of cores) mask.forbid(here(core), here(part.rect));
    }
    if (!this.#rig.layout.laying.allowsOverhang && !tried.isUnder)
      for (let y = window.y0; y <= window.y1; y++) if (this.#tipsAt(tried, y)) mask.forbidRow(y);
    return mask;
  }

  /** Whether it can stand there: nothing new is in the way of anything, and no foot meets more than before. */
  fitsAt(placement: OnDeck, deck: Deck): boolean {
    return this.#conflictFree(standingAt(this.thing, placement, deck));
  }

  /** How much room is missing there, m: of all that it reaches into the most. */
  missingAt(placement: OnDeck, deck: Deck): number {
    const standing = standingAt(this.thing, placement, deck);
    const [own, far] = this.#plugsOf(standing);
    let most = 0;
    for (const a of partsOf([standing], [...own, ...far]))
      for (const b of this.#fixed)
        most = Math.max(most, missingBetween(a, b, this.#rig.layout.laying.gapM.value));
    return most;
  }

  /** Places of a window where it fits, in an order. @param rank the least first; null is in no order */
  *places(tried: Tried, window: Window, rank: Rank | null = null): Generator<OnDeck> {
    const mask = this.maskOn(tried, window);
    const free = rank ? sortedBy([...mask.free()], rank) : mask.free();
    for (const [x, y] of free)
      if (this.#conflictFree(this.#standingAt(tried, x, y))) yield this.placementAt(tried, x, y);
  }

  placementAt({ deck, turn, isUnder }: Tried, x: number, y: number): OnDeck {
    return onDeck(deck.board.id, x / 1000, y / 1000, { turn, isUnder });
  }

  #standingAt(tried: Tried, x: number, y: number): Standing {
    return standingAt(this.thing, this.placementAt(tried, x, y), tried.deck);
  }

  /** Within a board it is only a matter of what carries it from front to back. */
  #tipsAt(tried: Tried, y: number): boolean {
    if (tried.deck.board.surface !== 'rows') return false;
    const known = tipping(this.thing.body, tried.deck.board);
    const key = tried.turn * 1e4 + y;
    const before = known.get(key);
    if (before !== undefined) return before;
    const tips = doesTip(this.#standingAt(tried, 0, y));
    known.set(key, tips);
    return tips;
  }

  /** What a plug takes to whichever side it turns. */
  #coreOf({ connection, own, far }: OwnCable, standing: Standing): Rect | null {
    const jack = jackOn(standing, connection[own]!);
    if (!jack) return null;
    const ways = far
      ? plugWays(this.#rig, connection, own, standing, jack)
      : [plugAt(this.#rig, connection, own, standing, jack, null)];
    return ways
      .map(({ rect }) => rect)
      .reduce((a, b) => ({
        x0: Math.max(a.x0, b.x0),
        y0: Math.max(a.y0, b.y0),
        x1: Math.min(a.x1, b.x1),
        y1: Math.min(a.y1, b.y1),
      }));
  }

  /** Its own plugs, and those at the other ends of the same cables, as they turn for it. */
  #plugsOf(standing: Standing): readonly [own: PlugAt[], far: PlugAt[]] {
    const [own, others]: [PlugAt[], PlugAt[]] = [[], []];
    for (const { connection, own: end, far } of this.#cables) {
      const jack = jackOn(standing, connection[end]!);
      const farOn = far ?? (connection[otherEnd(end)]?.thing === this.thing.id ? standing : null);
      const farJack = farOn ? jackOn(farOn, connection[otherEnd(end)]!) : undefined;
      if (jack) own.push(plugAt(this.#rig, connection, end, standing, jack, farJack ?? null));
      if (far && farJack)
        others.push(plugAt(this.#rig, connection, otherEnd(end), far, farJack, jack ?? null));
    }
    return [own, others];
  }

  #conflictFree(standing: Standing): boolean {
    const { laying } = this.#rig.layout;
    const [own, far] = this.#plugsOf(standing);
    const farParts = partsOf([], far);
    if (this.#meets(partsOf([standing], own), farParts)) return false;
    if (this.#farMeet(farParts)) return false;
    if (!misfitsOf([standing], laying).next().done) return false;
    if (standing.layer === 'top' && doesTip(standing)) return false;
    return this.#feetAreFree(standing);
  }

  /** Whether its case or its plugs reach into anything. */
  #meets(mine: readonly Part[], farParts: readonly Part[]): boolean {
    const gapM = this.#rig.layout.laying.gapM.value;
    const isIn = (a: Part) => (b: Part) => missingBetween(a, b, gapM) > 0;
    return mine.some((a) => this.#fixed.some(isIn(a)) || farParts.some(isIn(a)));
  }

  /** Whether a plug at the other end of one of its cables, as it turns for it, newly reaches into something. */
  #farMeet(farParts: readonly Part[]): boolean {
    const gapM = this.#rig.layout.laying.gapM.value;
    return farParts.some((a, i) =>
      [...this.#fixed, ...farParts.slice(i + 1)].some(
        (b) => missingBetween(a, b, gapM) > 0 && !this.#pairsBefore.has(pairKey(a, b)),
      ),
    );
  }

  #feetAreFree(standing: Standing): boolean {
    if (standing.layer !== 'top') return true;
    const { uses } = this.#rig.texts.brief;
    const feet = feetOf(this.#rig, [...this.#standings, standing]);
    for (const { key } of footConflicts(this.#rig, uses, feet))
      if (!this.#before.has(key)) return false;
    return true;
  }
}

export type Rank = (x: number, y: number) => number;

function sortedBy(
  places: (readonly [number, number])[],
  rank: Rank,
): readonly (readonly [number, number])[] {
  return places
    .map((place) => ({ place, at: rank(...place) }))
    .sort((a, b) => a.at - b.at)
    .map(({ place }) => place);
}

function ownCables(rig: Boarded, id: string, standings: readonly Standing[]): readonly OwnCable[] {
  const on = new Map(standings.map((one) => [one.thing.id, one]));
  return connectionsOf(rig).flatMap((connection): OwnCable[] =>
    (['from', 'to'] as const).flatMap((own) => {
      if (connection[own]?.thing !== id) return [];
      const far = connection[otherEnd(own)];
      return [{ connection, own, far: (far && on.get(far.thing)) ?? null }];
    }),
  );
}
