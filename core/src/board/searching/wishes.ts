import { measureRig } from '../../figures';
import {
  allCables,
  applyEdits,
  isLaidInFeet,
  type Edit,
  type OnDeck,
  type Rig,
  type Turn,
} from '../../rig';
import { riserFor } from '../arrange';
import type { Conflict } from '../conflict';
import { connectionsOf, type Connection } from '../connections';
import { feetOf, footConflicts, type Foot } from '../foot';
import { jackOn, plugWays, type End, type PlugAt } from '../plugs';
import { roomOn } from '../board';
import { decksOf, standingAt, type Deck, type Standing } from '../standing';
import { pluggedOf, wiresOf } from '../wires';
import { wireConflicts } from '../wireConflicts';
import type { Packed, Packing } from './packing';
import { withRows } from './withRows';

/// What is wished of an arrangement, and what every one is worth by that. All of it is counted as metres of cable.

export interface Wishes {
  /** What stays where it is, by id. */
  readonly pinned: readonly string[];
  readonly turns: readonly Turn[];
  /** On which side the loom leaves. */
  readonly leaves: 'left' | 'right';
  /** What one dB of treble is worth, m of cable. */
  readonly perDb: number;
  /** How much feet count against cable. */
  readonly feet: number;
  /** What moving a thing from where it stands counts, m; 0 where changes do not matter. */
  readonly perMove: number;
}

export const USUAL_WISHES: Wishes = {
  pinned: [],
  turns: [0],
  leaves: 'left',
  perDb: 10,
  feet: 1,
  perMove: 0,
};

/** What counts as how many metres of cable. */
const WORTH = {
  /** DC and control cable against audio. */
  other: 0.25,
  leftOver: 50,
  conflict: 10,
  noWay: 8,
  foot: 1.5,
  notFree: 0.04,
  /** For every metre that a switch is behind the front edge. */
  behind: 0.4,
  /** For every metre from the last box to where the loom leaves. */
  toLoom: 0.6,
  /** For every metre by which backs of a row differ. */
  uneven: 0.15,
  /** For every metre that a thing is moved, beside the move itself. */
  moved: 0.3,
} as const;

/** Changing a cable by so much tells what a metre of it costs, m. */
const PROBE_M = 0.1;

/** By audio cable, what a metre more of it costs where it is, dB, to thousandths. */
export function costPerMetre(rig: Rig): ReadonlyMap<string, number> {
  const treble = (one: Rig): number | null => {
    const measured = measureRig(one);
    return measured.kind === 'sounding' ? measured.figures.trebleDb : null;
  };
  const now = treble(rig);
  return new Map(
    allCables(rig).map(({ id, lengthM }) => {
      const to = { ...lengthM, value: lengthM.value + PROBE_M };
      const edit: Edit = { kind: 'set', target: { of: 'cable', id }, field: 'lengthM', to };
      const then = now === null ? null : treble(applyEdits(rig, edit));
      const perM = now === null || then === null ? 0 : (now - then) / PROBE_M;
      return [id, Math.max(0, Math.round(perM * 1000) / 1000)];
    }),
  );
}

export interface Judged {
  readonly worth: number;
  readonly placements: Rig['layout']['placements'];
}

/** What stands, and how feet get to it. */
interface Stage {
  readonly standings: readonly Standing[];
  readonly feet: readonly Foot[];
}

const HIGHEST_RISER_M = 0.06;

/** Judges arrangements of one rig by one set of wishes. */
export class Judge {
  readonly #rig: Rig;
  readonly #wishes: Wishes;
  readonly #packing: Packing;
  readonly #connections: readonly Connection[];
  readonly #decks: ReadonlyMap<string, Deck>;
  readonly #weights: ReadonlyMap<string, number>;
  readonly #stood = new Map<string, Standing>();
  readonly #plugs = new WeakMap<Standing, Map<string, readonly PlugAt[]>>();
  readonly #last: { readonly thing: string; readonly connection: Connection } | null;

  constructor(rig: Rig, wishes: Wishes, packing: Packing, perMetre: ReadonlyMap<string, number>) {
    this.#rig = rig;
    this.#wishes = wishes;
    this.#packing = packing;
    this.#connections = connectionsOf(rig);
    this.#decks = new Map(decksOf(rig).map((deck) => [deck.board.id, deck]));
    this.#weights = new Map(
      this.#connections.map(({ id, carries }) => [
        id,
        carries === 'audio' ? 1 + wishes.perDb * (perMetre.get(id) ?? 0) : WORTH.other,
      ]),
    );
    const out = this.#connections.findLast(
      ({ carries, from, to }) => carries === 'audio' && from !== null && to === null,
    );
    this.#last = out ? { thing: out.from!.thing, connection: out } : null;
  }

  /** A thing as it stands at a place: the same one, by identity, for the same place. */
  #stand(id: string, to: OnDeck): Standing {
    const key = `${id} ${to.board} ${to.xM} ${to.yM} ${to.turn} ${to.riserM}`;
    const known = this.#stood.get(key);
    if (known) return known;
    const { thing } = this.#packing.items.find((one) => one.thing.id === id)!;
    const standing = standingAt(thing, to, this.#decks.get(to.board)!);
    this.#stood.set(key, standing);
    return standing;
  }

  /** What stands where, with what has to be lifted on its riser, and how feet get to it. */
  #stage(packed: Packed): Stage {
    const all = [...packed].map(([id, to]) => this.#stand(id, to));
    const standings = [...this.#packing.stays, ...all];
    const feet = feetOf(this.#rig, standings);
    const low = [...this.#footConflicts(feet)].filter(({ kind }) => kind === 'stepOver');
    if (low.length === 0) return { standings, feet };
    const lifted = standings.map((one) => {
      const conflict = low.find((each) => 'thing' in each && each.thing === one.thing.id);
      if (!conflict || !packed.has(one.thing.id)) return one;
      const riserM = riserFor(standings, conflict, 0);
      if (riserM === null || riserM > HIGHEST_RISER_M) return one;
      return this.#stand(one.thing.id, { ...one.placement, riserM });
    });
    return { standings: lifted, feet: feetOf(this.#rig, lifted) };
  }

  #footConflicts(feet: readonly Foot[]) {
    return footConflicts(this.#rig, this.#rig.texts.brief.uses, feet);
  }

  /** What all but cables are worth. */
  #roomWorth({ standings, feet }: Stage, packed: Packed): number {
    const { feet: weight } = this.#wishes;
    const { uses } = this.#rig.texts.brief;
    const conflicts = [...this.#footConflicts(feet)];
    const own = feet.filter(({ thing }) => uses[thing] !== 'leftOn');
    const leftOver = this.#packing.items.length - packed.size;
    return (
      WORTH.leftOver * leftOver +
      weight * (WORTH.foot * conflicts.length + footWorth(own, standings)) +
      WORTH.toLoom * this.#toLoom(standings) +
      WORTH.uneven * unevenness(standings) +
      this.#movedWorth(standings)
    );
  }

  /** From the last box to the side where the loom leaves, m. */
  #toLoom(standings: readonly Standing[]): number {
    const last = this.#last && standings.find(({ thing }) => thing.id === this.#last!.thing);
    const jack = last && jackOn(last, this.#last!.connection.from!);
    if (!last || !jack) return 0;
    const { x0, x1 } = last.deck.rect;
    return this.#wishes.leaves === 'left' ? jack.x - x0 : x1 - jack.x;
  }

  #movedWorth(standings: readonly Standing[]): number {
    const { perMove } = this.#wishes;
    if (perMove === 0) return 0;
    return standings.reduce((sum, { thing, placement }) => {
      const was = this.#rig.layout.placements[thing.id];
      if (was?.at !== 'deck' || isSame(was, placement)) return sum;
      const way = Math.abs(was.xM - placement.xM) + Math.abs(was.yM - placement.yM);
      return sum + perMove + WORTH.moved * way;
    }, 0);
  }

  /** At least what an arrangement is worth: no cable is shorter than straight along both edges, whichever way its plugs turn. */
  atLeast(packed: Packed): number {
    const stage = this.#stage(packed);
    const on = new Map(stage.standings.map((one) => [one.thing.id, one]));
    let cables = 0;
    for (const connection of this.#connections) {
      const [a, b] = [connection.from, connection.to].map((jack) => jack && on.get(jack.thing));
      if (!a || !b) continue;
      const [from, to] = [this.#exits(a, connection, 'from'), this.#exits(b, connection, 'to')];
      cables += this.#weights.get(connection.id)! * this.#leastLength(from, to);
    }
    return this.#roomWorth(stage, packed) + cables;
  }

  /** Plugs of a cable in a standing thing as they may turn. */
  #exits(standing: Standing, connection: Connection, end: End): readonly PlugAt[] {
    let own = this.#plugs.get(standing);
    if (!own) this.#plugs.set(standing, (own = new Map()));
    const key = `${connection.id} ${end}`;
    const known = own.get(key);
    if (known) return known;
    const jack = jackOn(standing, connection[end]!);
    const plugs = jack ? plugWays(this.#rig, connection, end, standing, jack) : [];
    own.set(key, plugs);
    return plugs;
  }

  #leastLength(froms: readonly PlugAt[], tos: readonly PlugAt[]): number {
    const { laying } = this.#rig.layout;
    let least = Infinity;
    for (const from of froms)
      for (const to of tos) {
        if (from.plug.shape === 'coupler' && to.plug.shape === 'coupler') return 0;
        const dx = Math.abs(from.exit.x - to.exit.x);
        const dy = Math.abs(from.exit.y - to.exit.y);
        const way = laying.manner === 'tidy' ? dx + dy : Math.sqrt(dx * dx + dy * dy);
        least = Math.min(least, way + from.entryM + to.entryM);
      }
    return least === Infinity ? 0 : least + 2 * laying.slackM.value;
  }

  /** What an arrangement is worth with every cable laid; the least is the best. */
  judge(packed: Packed): Judged {
    const stage = this.#stage(packed);
    const { standings } = stage;
    const placements = placementsWith(this.#rig, standings, this.#packing);
    const rig = withRows(this.#rig, placements);
    const plugged = pluggedOf(rig, standings);
    const room = roomOn(rig);
    const wires = wiresOf(rig, room.decks, room.standings, plugged, isLaidInFeet(rig));
    const cables = wires.reduce(
      (sum, { connection, madeM }) => sum + this.#weights.get(connection.id)! * (madeM ?? 0),
      0,
    );
    const isHard = ({ weight, kind }: Conflict) =>
      weight === 'hard' && kind !== 'tooShort' && kind !== 'noJack';
    const hard = [...room.conflicts, ...wireConflicts(wires)].filter(isHard);
    const noWay = hard.filter(({ kind }) => kind === 'noWay').length;
    const worth =
      this.#roomWorth(stage, packed) +
      cables +
      WORTH.noWay * noWay +
      WORTH.conflict * (hard.length - noWay);
    return { worth, placements };
  }
}

const isSame = (a: OnDeck, b: OnDeck): boolean =>
  a.board === b.board &&
  a.turn === b.turn &&
  Math.abs(a.xM - b.xM) < 1e-6 &&
  Math.abs(a.yM - b.yM) < 1e-6;

/** Switches that are not wholly free, and how far behind the front edge they are. */
function footWorth(feet: readonly Foot[], standings: readonly Standing[]): number {
  const on = new Map(standings.map((one) => [one.thing.id, one]));
  return feet.reduce((sum, { thing, at, freedom }) => {
    const { deck } = on.get(thing)!;
    const behind = Math.max(0, at.y - deck.rect.y0);
    return sum + WORTH.behind * behind + (freedom === 'free' ? 0 : WORTH.notFree);
  }, 0);
}

/** How much the backs of things that stand side by side differ, m. */
function unevenness(standings: readonly Standing[]): number {
  const rows = new Map<string, number[]>();
  for (const { rect, layer, deck } of standings) {
    if (layer !== 'top') continue;
    const key = `${deck.board.id} ${Math.round(rect.y0 * 1000)}`;
    rows.set(key, [...(rows.get(key) ?? []), rect.y1]);
  }
  return [...rows.values()].reduce((sum, backs) => {
    const deepest = Math.max(...backs);
    return sum + backs.reduce((each, back) => each + deepest - back, 0);
  }, 0);
}

function placementsWith(
  { layout }: Rig,
  standings: readonly Standing[],
  { items }: Packing,
): Rig['layout']['placements'] {
  const moving = new Set(items.map(({ thing }) => thing.id));
  const kept = Object.entries(layout.placements).filter(([id]) => !moving.has(id));
  const now = standings.flatMap(({ thing, placement }) =>
    moving.has(thing.id) ? [[thing.id, placement] as const] : [],
  );
  return Object.fromEntries([...kept, ...now]);
}
