import type { PedalUse } from '../rig';
import type { Conflict } from './conflict';
import type { Point } from './rect';
import type { Standing } from './standing';
import type { Laid } from './things';

/// Feet: a shoe comes from the front with its toe on a switch. What stands beside it is free, wants care, or is hit too;
/// and on its way the sole has to pass over what stands before the pedal.

/** How far behind a switch a toe reaches, m. */
const TOE_M = 0.02;
/** From the toe to where the heel stands, at the height of the deck, m. */
export const HEEL_M = 0.12;
const NOISE = 1e-7;

export type Freedom = 'free' | 'careful' | 'hit';

export interface Foot {
  readonly thing: string;
  /** Which of its switches. */
  readonly nth: number;
  readonly at: Point;
  /** Across, from the switch to what is nearest on another box; null where there is nothing beside the shoe. */
  readonly nearest: { readonly thing: string; readonly distanceM: number } | null;
  readonly freedom: Freedom;
  /** What is missing for the sole to pass over what stands before it. */
  readonly over: { readonly thing: string; readonly missingM: number } | null;
  /** By how much the sole passes over the highest of what stands before it; null where nothing does. */
  readonly passesM: number | null;
}

const acrossTo = (x: number, x0: number, x1: number): number =>
  x < x0 ? x0 - x : x > x1 ? x - x1 : 0;

/** From a switch across to another box: to its switch, or to its edge where that is the higher one. */
function distanceTo(foot: Point, own: Standing, other: Standing): number | null {
  const [from, to] = [own.rect.y0, foot.y + TOE_M];
  const { x0, x1, y0, y1 } = other.rect;
  if (y1 < from - NOISE || y0 > to + NOISE) return null;
  let least = Infinity;
  for (const { x, y } of other.switches)
    if (y >= from - NOISE && y <= to + NOISE) least = Math.min(least, Math.abs(x - foot.x));
  const reachesIn = y1 > from + NOISE && y0 < to - NOISE;
  if (reachesIn && other.topM > own.topM + NOISE) least = Math.min(least, acrossTo(foot.x, x0, x1));
  return least === Infinity ? null : least;
}

/** How high the sole is over the back edge of what stands before the toe; null where that is not in its way. */
function passesOver(foot: Point, own: Standing, other: Standing, shoeM: number): number | null {
  const { x0, x1, y1 } = other.rect;
  if (x1 <= foot.x - shoeM / 2 + NOISE || x0 >= foot.x + shoeM / 2 - NOISE) return null;
  // What stands beside the pedal itself is not stepped over.
  if (y1 > own.rect.y0 + NOISE || y1 <= foot.y - HEEL_M + NOISE) return null;
  const sole = (own.topM * (y1 - (foot.y - HEEL_M))) / HEEL_M;
  return sole - other.topM;
}

/** Every switch, and how a foot gets to it. */
export function feetOf(
  { layout }: Pick<Laid, 'layout'>,
  standings: readonly Standing[],
): readonly Foot[] {
  const { shoeM, freeM, carefulM } = layout.laying;
  const top = standings.filter(({ layer }) => layer === 'top');
  const freedomOf = (roomM: number): Freedom => {
    if (roomM >= freeM.value - NOISE) return 'free';
    return roomM >= carefulM.value - NOISE ? 'careful' : 'hit';
  };
  return top.flatMap((own) => {
    const others = top.filter((other) => other !== own);
    return own.switches.map((at, nth): Foot => {
      const nearest = nearestOf(at, own, others);
      const lowest = lowestOver(at, own, others, shoeM.value);
      const isTooLow = lowest !== null && lowest.passesM < -NOISE;
      return {
        thing: own.thing.id,
        nth,
        at,
        nearest,
        freedom: freedomOf(nearest === null ? Infinity : nearest.distanceM - shoeM.value / 2),
        over: isTooLow ? { thing: lowest.thing, missingM: -lowest.passesM } : null,
        passesM: lowest?.passesM ?? null,
      };
    });
  });
}

/** What the sole passes over with the least to spare. */
function lowestOver(at: Point, own: Standing, others: readonly Standing[], shoeM: number) {
  let lowest: { readonly thing: string; readonly passesM: number } | null = null;
  for (const other of others) {
    const passesM = passesOver(at, own, other, shoeM);
    if (passesM !== null && (lowest === null || passesM < lowest.passesM))
      lowest = { thing: other.thing.id, passesM };
  }
  return lowest;
}

/** What is nearest across to a switch. */
function nearestOf(at: Point, own: Standing, others: readonly Standing[]): Foot['nearest'] {
  let nearest: Foot['nearest'] = null;
  for (const other of others) {
    const distanceM = distanceTo(at, own, other);
    if (distanceM !== null && (nearest === null || distanceM < nearest.distanceM))
      nearest = { thing: other.thing.id, distanceM };
  }
  return nearest;
}

/** How free a foot should be: free for what must never be missed, careful for what is switched; anything is enough for the rest. */
function wantedOf(rig: Laid, uses: Readonly<Record<string, PedalUse>>, thing: string): Freedom {
  if (rig.layout.neverMissed.includes(thing)) return 'free';
  return uses[thing] === 'leftOn' ? 'hit' : 'careful';
}

const RANK: Readonly<Record<Freedom, number>> = { hit: 0, careful: 1, free: 2 };

/** Where a foot meets more than it should. */
export function* footConflicts(
  rig: Laid,
  uses: Readonly<Record<string, PedalUse>>,
  feet: readonly Foot[],
): Generator<Conflict> {
  const { shoeM, freeM, carefulM } = rig.layout.laying;
  for (const { thing, nth, at, nearest, freedom, over } of feet) {
    const wanted = wantedOf(rig, uses, thing);
    if (nearest && RANK[freedom] < RANK[wanted])
      yield {
        key: `foot ${thing} ${nth}`,
        weight: 'foot',
        at,
        kind: 'foot',
        thing,
        other: nearest.thing,
        freeM: nearest.distanceM,
        wantedM: shoeM.value / 2 + (wanted === 'free' ? freeM.value : carefulM.value),
        isHit: freedom === 'hit',
      };
    if (over)
      yield {
        key: `stepOver ${thing} ${nth}`,
        weight: 'foot',
        at,
        kind: 'stepOver',
        thing,
        other: over.thing,
        missingM: over.missingM,
      };
  }
}
