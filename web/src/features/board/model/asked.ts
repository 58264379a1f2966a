import {
  applyEdit,
  layBoard,
  type BoardPlan,
  type Edit,
  type OpeningFound,
  type Point,
  type Rect,
  type Rig,
  type Wishes,
} from '@gullwind/core';

/// What a board is asked, and what of the answer is drawn on it.

export type Asked =
  | { readonly kind: 'arrange' }
  | { readonly kind: 'here'; readonly at: Point }
  | { readonly kind: 'fit'; readonly id: string }
  | { readonly kind: 'swap'; readonly pair: readonly [string, string] }
  | { readonly kind: 'opening' }
  | { readonly kind: 'mark'; readonly what: 'two' | 'four' }
  | { readonly kind: 'trace' };

/** Where a thing would stand. */
export interface Ghost {
  readonly id: string;
  readonly name: string;
  readonly rect: Rect;
}

export interface Drawn {
  readonly ghosts: readonly Ghost[];
  /** Where something fits. */
  readonly area: readonly Rect[];
  readonly hole: OpeningFound | null;
}

export const NOTHING_DRAWN: Drawn = { ghosts: [], area: [], hole: null };

/** Things that would stand elsewhere than now. */
export function ghostsOf(rig: Rig, plan: BoardPlan, edit: Edit): readonly Ghost[] {
  const result = applyEdit(rig, edit);
  if (result.kind === 'refused') return [];
  const now = new Map(plan.standings.map(({ thing, placement }) => [thing.id, placement]));
  return layBoard(result.rig)
    .standings.filter(({ thing, placement }) => now.get(thing.id) !== placement)
    .map(({ thing, rect }) => ({ id: thing.id, name: thing.name, rect }));
}

/** How many points are marked for what is asked; 0 where none are. */
export const marksFor = (asked: Asked | null): number =>
  asked?.kind === 'trace' ? 2 : asked?.kind === 'mark' ? (asked.what === 'two' ? 2 : 4) : 0;

/** One more that stays where it is, or one less. */
export const pinToggled = (wishes: Wishes, id: string): Wishes => ({
  ...wishes,
  pinned: wishes.pinned.includes(id)
    ? wishes.pinned.filter((one) => one !== id)
    : [...wishes.pinned, id],
});
