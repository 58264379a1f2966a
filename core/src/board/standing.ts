import type { Board, CaseSide, JackKind } from '../gear';
import type { Layer, OnDeck } from '../rig';
import type { Point, Rect } from './rect';
import { HEADINGS, type Heading } from './routing/terrain';
import { thingsOf, type BoardThing, type Laid } from './things';

/// Decks on the stage, and what stands on them, in one plane: m, x to the right, y to the back, seen from above.

export interface Deck {
  readonly board: Board;
  readonly rect: Rect;
}

export interface StandingJack extends Point {
  readonly kind: JackKind;
  readonly nth: number;
  /** In which direction a plug stands out of it. */
  readonly out: Heading;
}

/** A thing on a deck. */
export interface Standing {
  readonly thing: BoardThing;
  readonly placement: OnDeck;
  readonly deck: Deck;
  readonly layer: Layer;
  readonly rect: Rect;
  /** Above its deck; of what hangs below, below it. */
  readonly topM: number;
  readonly jacks: readonly StandingJack[];
  readonly switches: readonly Point[];
}

/** Between boards that nobody has put anywhere yet, m. */
const BETWEEN_BOARDS_M = 0.1;

/** Boards where they stand on the stage; those that stand nowhere yet follow each other to the right. */
export function decksOf({ layout }: Pick<Laid, 'layout'>): readonly Deck[] {
  const decks: Deck[] = [];
  let right = 0;
  for (const board of layout.boards) {
    const at = layout.placements[board.id];
    const [x, y] = at?.at === 'stage' ? [at.xM, at.yM] : [right, 0];
    const rect = { x0: x, y0: y, x1: x + board.widthM.value, y1: y + board.depthM.value };
    decks.push({ board, rect });
    right = Math.max(right, rect.x1 + BETWEEN_BOARDS_M);
  }
  return decks;
}

const SIDES: Readonly<Record<CaseSide, Heading>> = {
  right: 'right',
  back: 'back',
  left: 'left',
  front: 'front',
};

const quarters = ({ turn }: OnDeck): number => turn / 90;

/** What hangs below is turned over: seen from above, its left is at the right. */
const mirrored = (side: CaseSide): CaseSide =>
  side === 'left' ? 'right' : side === 'right' ? 'left' : side;

/** In which direction a side of a case looks as the case stands. */
export function directionOf(side: CaseSide, placement: OnDeck): Heading {
  const own = SIDES[placement.isUnder ? mirrored(side) : side];
  return HEADINGS[(HEADINGS.indexOf(own) + quarters(placement)) % 4]!;
}

/** Which side of a case looks in a direction as the case stands. */
export function sideToward(heading: Heading, placement: OnDeck): CaseSide {
  const own = HEADINGS[(HEADINGS.indexOf(heading) + 4 - quarters(placement)) % 4]!;
  return placement.isUnder ? mirrored(own) : own;
}

/** A place on a case, m from its front left corner, as a place on the stage. */
function onStage(
  { x, y }: Point,
  [width, depth]: readonly [number, number],
  placement: OnDeck,
  corner: Point,
): Point {
  const own = placement.isUnder ? { x: width - x, y } : { x, y };
  const turned = [
    own,
    { x: depth - own.y, y: own.x },
    { x: width - own.x, y: depth - own.y },
    { x: own.y, y: width - own.x },
  ][quarters(placement)]!;
  return { x: corner.x + turned.x, y: corner.y + turned.y };
}

const placeOfJack = (
  side: CaseSide,
  alongM: number,
  [width, depth]: readonly [number, number],
): Point => {
  switch (side) {
    case 'left':
      return { x: 0, y: alongM };
    case 'right':
      return { x: width, y: alongM };
    case 'front':
      return { x: alongM, y: 0 };
    case 'back':
      return { x: alongM, y: depth };
  }
};

/** Width and depth of a case as it is turned. */
export function turnedSize(
  { widthM, depthM }: Pick<BoardThing['body'], 'widthM' | 'depthM'>,
  turn: OnDeck['turn'],
): readonly [width: number, depth: number] {
  const size = [widthM.value, depthM.value] as const;
  return turn % 180 === 0 ? size : [size[1], size[0]];
}

/** A thing as it stands at a placement on a deck. */
export function standingAt(thing: BoardThing, placement: OnDeck, deck: Deck): Standing {
  const { body } = thing;
  const size = [body.widthM.value, body.depthM.value] as const;
  const [width, depth] = turnedSize(body, placement.turn);
  const corner = { x: deck.rect.x0 + placement.xM, y: deck.rect.y0 + placement.yM };
  const met = new Map<JackKind, number>();
  return {
    thing,
    placement,
    deck,
    layer: placement.isUnder ? 'under' : 'top',
    rect: { x0: corner.x, y0: corner.y, x1: corner.x + width, y1: corner.y + depth },
    topM: placement.riserM + body.heightM.value,
    jacks: body.jacks.map(({ kind, side, alongM }) => {
      const nth = met.get(kind) ?? 0;
      met.set(kind, nth + 1);
      const at = onStage(placeOfJack(side, alongM, size), size, placement, corner);
      return { ...at, kind, nth, out: directionOf(side, placement) };
    }),
    switches: body.switches.map(({ xM, yM }) => onStage({ x: xM, y: yM }, size, placement, corner)),
  };
}

/** Everything that stands on a deck. */
export function standingsOf(rig: Laid): readonly Standing[] {
  const decks = new Map(decksOf(rig).map((deck) => [deck.board.id, deck]));
  return thingsOf(rig).flatMap((thing) => {
    const placement = rig.layout.placements[thing.id];
    const deck = placement?.at === 'deck' ? decks.get(placement.board) : undefined;
    return deck && placement?.at === 'deck' ? [standingAt(thing, placement, deck)] : [];
  });
}
