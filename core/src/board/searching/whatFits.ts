import { measureRig } from '../../figures';
import type { GearItem } from '../../gear';
import {
  applyEdit,
  freshId,
  laidOf,
  insertDevice,
  mainRow,
  placeEdit,
  type Edit,
  type OnDeck,
  type Rig,
} from '../../rig';
import { layBoard, type BoardPlan } from '../board';
import { applyFollowing } from '../follow';
import { contains, type Point } from '../rect';
import { decksOf, standingsOf, turnedSize } from '../standing';
import { thingsOf } from '../things';
import { Fitter, type Rank, type Tried } from './fitter';
import { triedOn } from './places';

/// What fits at a point of a board: of what is in the cargo and of the gear at hand, what covers that point with its plugs
/// and is in the way of nothing; where in the chain it goes, and what it adds.

export interface FitsHere {
  /** Of the gear list; null is in the cargo already. */
  readonly gear: string | null;
  /** The same for all that is found. */
  readonly key: string;
  readonly name: string;
  readonly place: OnDeck;
  /** Between which two of the chain it goes; null for what no signal runs through. */
  readonly between: readonly [before: string | null, after: string | null] | null;
  /** Cable as laid, m more than without it. */
  readonly addedM: number;
  /** What it does to the treble of the main way, dB; null where nothing is heard. */
  readonly trebleDb: number | null;
  readonly edit: Edit;
}

export interface WhatFitsQuestion {
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  /** On the stage, m. */
  readonly at: Point;
}

export interface WhatFitsProgress {
  readonly done: number;
  readonly of: number;
  readonly found: readonly FitsHere[];
}

/** Something that might be put there, as the edit that brings it into the rig. */
interface Candidate {
  readonly gear: string | null;
  readonly name: string;
  readonly id: string;
  readonly brings: Edit | null;
  readonly between: FitsHere['between'];
}

/** So many places are laid out before something counts as having no way for its cables. */
const MOST_WAYS = 12;

/** All that fits at a point, the least loss of treble first. */
export function* whatFitsHere({
  rig,
  gear,
  at,
}: WhatFitsQuestion): Generator<WhatFitsProgress, readonly FitsHere[]> {
  const now = measured(rig);
  const candidates = [...cargoOf(rig), ...gear.flatMap((item) => fromGear(rig, item, at))];
  const found: FitsHere[] = [];
  for (const [done, candidate] of candidates.entries()) {
    yield { done, of: candidates.length, found: [...found] };
    const fits = fitsAt(rig, candidate, at, now);
    if (fits) found.push(fits);
  }
  return found.sort(
    (a, b) => Number(a.gear !== null) - Number(b.gear !== null) || lossOf(a) - lossOf(b),
  );
}

const lossOf = ({ trebleDb, addedM }: FitsHere): number =>
  -Math.round((trebleDb ?? 0) * 100) + addedM / 100;

const cargoOf = (rig: Rig): readonly Candidate[] =>
  thingsOf(rig)
    .filter(({ id }) => !rig.layout.placements[id])
    .map(({ id, name }) => ({ gear: null, name, id, brings: null, between: null }));

/** What a piece of gear would be in this rig: a device at the connection that passes nearest. */
function fromGear(
  rig: Rig,
  { id, kind, thing, retired }: GearItem,
  at: Point,
): readonly Candidate[] {
  if (retired) return [];
  if (kind === 'fixture' || kind === 'supply') {
    const [of, letter] =
      kind === 'fixture' ? (['fixtures', 'f'] as const) : (['supplies', 'u'] as const);
    const fresh = freshId(rig, letter);
    const list = kind === 'fixture' ? rig.layout.fixtures : rig.power.supplies;
    const brings = {
      kind: 'list',
      of,
      at: list.length,
      remove: 0,
      insert: [{ ...thing, id: fresh }],
    } as unknown as Edit;
    return [{ gear: id, name: thing.name, id: fresh, brings, between: null }];
  }
  if (kind !== 'device') return [];
  const gap = nearestGap(rig, at);
  const { devices } = mainRow(rig);
  const brings = insertDevice(rig, gap, { ...thing, gear: id });
  const between = [devices[gap - 1]?.name ?? null, devices[gap]?.name ?? null] as const;
  return [{ gear: id, name: thing.name, id: freshId(rig, 'd'), brings, between }];
}

/** The connection of the main row that takes the least more cable to pass by a point. */
export function nearestGap(rig: Rig, at: Point): number {
  const on = new Map(standingsOf(rig).map((one) => [one.thing.id, one.rect]));
  const way = (a: Point, b: Point) => Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
  const ends = mainRow(rig).devices.map(({ id }): Point | null => {
    const rect = on.get(id);
    return rect ? { x: (rect.x0 + rect.x1) / 2, y: (rect.y0 + rect.y1) / 2 } : null;
  });
  let [best, least] = [0, Infinity];
  for (let gap = 0; gap <= ends.length; gap++) {
    const [before, after] = [ends[gap - 1] ?? null, ends[gap] ?? null];
    const more =
      before && after
        ? way(before, at) + way(at, after) - way(before, after)
        : before || after
          ? way((before ?? after)!, at)
          : 1;
    if (more < least - 1e-9) [best, least] = [gap, more];
  }
  return best;
}

interface Measured {
  readonly plan: BoardPlan;
  readonly laidM: number;
  readonly trebleDb: number | null;
}

function measured(rig: Rig): Measured {
  const plan = layBoard(rig);
  const laidM = laidOf(rig);
  const sound = measureRig(rig);
  return { plan, laidM, trebleDb: sound.kind === 'sounding' ? sound.figures.trebleDb : null };
}

function fitsAt(rig: Rig, candidate: Candidate, at: Point, now: Measured): FitsHere | null {
  const { brings, id, gear, name, between } = candidate;
  const brought = brings ? applyEdit(rig, brings) : { kind: 'ok' as const, rig };
  if (brought.kind === 'refused' || !thingsOf(brought.rig).some((one) => one.id === id))
    return null;
  const before = new Set(layBoardKeys(brought.rig));
  for (const place of placesCovering(brought.rig, id, at)) {
    const edit: Edit = {
      kind: 'group',
      edits: [...(brings ? [brings] : []), placeEdit(id, place)],
    };
    const followed = applyFollowing(rig, edit);
    if (followed.kind === 'refused') return null;
    const then = measured(followed.rig);
    const isClear = then.plan.conflicts.every(
      ({ key, weight }) => weight === 'note' || before.has(key),
    );
    if (!isClear) continue;
    return {
      gear,
      key: gear ?? id,
      name,
      place,
      between,
      addedM: then.laidM - now.laidM,
      trebleDb:
        then.trebleDb === null || now.trebleDb === null ? null : then.trebleDb - now.trebleDb,
      edit,
    };
  }
  return null;
}

const layBoardKeys = (rig: Rig): readonly string[] => layBoard(rig).conflicts.map(({ key }) => key);

/** Places at which a thing covers a point and fits, those first at which it stands about the point; a few, well apart. */
function* placesCovering(rig: Rig, id: string, at: Point): Generator<OnDeck> {
  const deck = decksOf(rig).find(({ rect }) => contains(rect, at));
  if (!deck) return;
  const fitter = new Fitter(rig, id);
  const [x, y] = [(at.x - deck.rect.x0) * 1000, (at.y - deck.rect.y0) * 1000];
  let count = 0;
  for (const tried of triedOn(rig, fitter.thing)) {
    if (tried.deck.board.id !== deck.board.id) continue;
    const last: { x: number; y: number }[] = [];
    for (const place of coveringIn(fitter, tried, x, y)) {
      const here = { x: place.xM, y: place.yM };
      const isNear = last.some((one) => Math.hypot(one.x - here.x, one.y - here.y) < APART_M);
      if (isNear) continue;
      last.push(here);
      yield place;
      if (++count >= MOST_WAYS) return;
    }
  }
}

const APART_M = 0.012;

function coveringIn(fitter: Fitter, tried: Tried, x: number, y: number): Generator<OnDeck> {
  const [w, d] = turnedSize(fitter.thing.body, tried.turn).map((m) => m * 1000);
  const whole = fitter.windowOn(tried);
  const window = {
    x0: Math.max(whole.x0, Math.ceil(x - w!)),
    x1: Math.min(whole.x1, Math.floor(x)),
    y0: Math.max(whole.y0, Math.ceil(y - d!)),
    y1: Math.min(whole.y1, Math.floor(y)),
  };
  const rank: Rank = (px, py) => (px + w! / 2 - x) ** 2 + (py + d! / 2 - y) ** 2;
  return fitter.places(tried, window, rank);
}
