import { applyEdits, onDeck, type OnDeck, type Rig } from '../rig';
import { roomOn } from './board';
import { thingsIn } from './conflict';
import { marginsOf, type Margins } from './margins';
import { grown, overlapOf, type Rect } from './rect';
import { isCarried } from './room';
import { decksOf, standingAt, type Deck } from './standing';
import { thingsOf, type BoardThing } from './things';

/// A place for one more thing on boards that are taken already.

const STEP_M = 0.005;

/** A case with room for its plugs. */
function padded(rect: Rect, { left, right, front, back }: Margins): Rect {
  return { x0: rect.x0 - left, x1: rect.x1 + right, y0: rect.y0 - front, y1: rect.y1 + back };
}

/** Where a thing may stand on a deck: from the right, from the front to the back, switches carried. */
function* spotsOn(thing: BoardThing, deck: Deck): Generator<OnDeck> {
  const { widthM, depthM } = deck.board;
  const [width, depth] = [thing.body.widthM.value, thing.body.depthM.value];
  const steps = (room: number) => Math.floor(room / STEP_M + 1e-6);
  const xs = Array.from(
    { length: steps(widthM.value - width) + 1 },
    (_, i) => widthM.value - width - i * STEP_M,
  );
  for (let j = 0; j <= steps(depthM.value - depth); j++)
    for (const xM of xs) {
      const at = onDeck(deck.board.id, xM, j * STEP_M);
      if (isCarried(standingAt(thing, at, deck))) yield at;
    }
}

const MOST_LOOKED_AT = 60;

/** A place where a thing is in the way of nothing; null where there is none. Only cases on top are looked for. */
export function findSpot(rig: Rig, id: string): OnDeck | null {
  const thing = thingsOf(rig).find((one) => one.id === id);
  if (!thing) return null;
  const room = roomOn(rig);
  const taken = [...room.standings, ...room.plugs]
    .filter(({ layer }) => layer === 'top')
    .map(({ rect }) => grown(rect, 0.004));
  const margins = marginsOf(rig, thing, 0.004);
  let looked = 0;
  for (const deck of decksOf(rig))
    for (const at of spotsOn(thing, deck)) {
      const rect = padded(standingAt(thing, at, deck).rect, margins);
      if (taken.some((other) => overlapOf(rect, other) > 0)) continue;
      if (looked++ > MOST_LOOKED_AT) return null;
      const { conflicts } = roomOn(applyEdits(rig, { kind: 'place', id, to: at }));
      if (!conflicts.some((one) => thingsIn(one).includes(id))) return at;
    }
  return null;
}
