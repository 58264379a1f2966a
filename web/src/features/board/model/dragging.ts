import type { BoardPlan, Edit, Point, Standing } from '@gullwind/core';
import type { Asked } from './asked';
import { moved, standingOf } from './boardEdits';
import type { Projection } from './projection';
import { NOTHING, onlyThing, toggled, type BoardSelection } from './selection';
import { edgesOf, snapped, type Edges } from './snap';

/// What a hand means that presses, drags and lets go on a board.

/** What is dragged, as it stood when the hand took it, and what it may come to rest at. */
export interface Grip {
  readonly from: readonly Standing[];
  readonly held: Standing;
  readonly edges: Edges;
}

/** How near an edge draws a case, px. */
const SNAP_PX = 7;

/** The hand takes a thing: all that is selected where the thing is, else it alone; null where it stands on no board. */
export function gripOf(
  plan: BoardPlan,
  gapM: number,
  { things }: BoardSelection,
  id: string,
): Grip | null {
  const ids = things.includes(id) ? things : [id];
  const from = standingOf(plan, ids);
  const held = from.find(({ thing }) => thing.id === id);
  return held ? { from, held, edges: edgesOf(plan, new Set(ids), { gapM }) } : null;
}

/** How a hand pulls: how far on the page, px, whether it lets go, and whether edges draw what it holds. */
export interface Pull {
  readonly movedPx: readonly [number, number];
  readonly isLast: boolean;
  readonly isCanceled: boolean;
  readonly isFree: boolean;
}

/** What a pull comes to: shown while the hand moves, made when it lets go, given up. */
export type Pulled =
  | { readonly kind: 'shown'; readonly edit: Edit }
  | { readonly kind: 'made'; readonly edit: Edit }
  | { readonly kind: 'givenUp' };

export function pulled(
  { from, held, edges }: Grip,
  { delta, pxPerM }: Projection,
  { movedPx: [dx, dy], isLast, isCanceled, isFree }: Pull,
): Pulled {
  if (isCanceled) return { kind: 'givenUp' };
  const { x, y } = snapped(held.rect, delta(dx, dy), edges, isFree ? 0 : SNAP_PX / pxPerM);
  return { kind: isLast ? 'made' : 'shown', edit: moved(from, x, y) };
}

/** What a press on a thing selects; with Shift one more, or one less. */
export const pressed = (
  selection: BoardSelection,
  id: string,
  hasShift: boolean,
): BoardSelection => (hasShift ? toggled(selection, id) : onlyThing(id));

/** What a press beside everything means: nothing selected any more, or a question about free deck. */
export type PressedGround =
  | { readonly kind: 'select'; readonly selection: BoardSelection }
  | { readonly kind: 'ask'; readonly asked: Asked | null }
  | null;

export function pressedGround(
  plan: BoardPlan,
  at: Point,
  selection: BoardSelection,
  asked: Asked | null,
): PressedGround {
  if (!isNothing(selection)) return { kind: 'select', selection: NOTHING };
  // What is open and takes time to answer is not put aside by a press beside it.
  const mayAsk = asked === null || asked.kind === 'here';
  return mayAsk ? { kind: 'ask', asked: freeAt(plan, at) } : null;
}

const isNothing = ({ things, cable }: BoardSelection): boolean =>
  things.length === 0 && cable === null;

/** Free deck is asked what fits there; beside the boards nothing is asked. */
function freeAt({ decks }: BoardPlan, at: Point): Asked | null {
  const isOn = decks.some(
    ({ rect }) => at.x >= rect.x0 && at.x <= rect.x1 && at.y >= rect.y0 && at.y <= rect.y1,
  );
  const tidy = (m: number) => Math.round(m * 1000) / 1000;
  return isOn ? { kind: 'here', at: { x: tidy(at.x), y: tidy(at.y) } } : null;
}

/** What a frame between two corners encloses whole. */
export const framed = ({ standings }: BoardPlan, a: Point, b: Point): BoardSelection => ({
  things: standings
    .filter(
      ({ rect }) =>
        rect.x0 >= Math.min(a.x, b.x) &&
        rect.x1 <= Math.max(a.x, b.x) &&
        rect.y0 >= Math.min(a.y, b.y) &&
        rect.y1 <= Math.max(a.y, b.y),
    )
    .map(({ thing }) => thing.id),
  cable: null,
});
