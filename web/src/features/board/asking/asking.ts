import type { BoardPlan, Edit, OpeningFound, Point, Rect, Rig, Wishes } from '@gullwind/core';
import { applyEdit, layBoard, USUAL_WISHES } from '@gullwind/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { AskProps } from './AskPanel';

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

/** What is asked, what is wished, and what is drawn. */
export function useAsking() {
  const [asked, setAsked] = useState<Asked | null>(null);
  const [drawn, onDraw] = useState<Drawn>(NOTHING_DRAWN);
  const [wishes, onWish] = useState<Wishes>(USUAL_WISHES);
  const [isPhotoShown, onPhotoShown] = useState(true);
  const [marked, onMarked] = useState<readonly Point[]>([]);
  const onAsk = useCallback((next: Asked | null) => {
    onDraw(NOTHING_DRAWN);
    onMarked([]);
    setAsked(next);
  }, []);
  return {
    asked,
    onAsk,
    drawn,
    onDraw,
    wishes,
    onWish,
    marked,
    onMarked,
    isPhotoShown,
    onPhotoShown,
  };
}

export type Asking = ReturnType<typeof useAsking>;

/** Draws an answer as long as it is shown; null draws nothing. */
export function useDrawn({ onDraw }: Asking, drawn: Partial<Drawn> | null): void {
  useEffect(() => {
    if (drawn) onDraw({ ...NOTHING_DRAWN, ...drawn });
    return () => onDraw(NOTHING_DRAWN);
  }, [drawn, onDraw]);
}

/** What is pointed at in a list is drawn, until the rig is another or the list is gone. */
export function useShown({ rig, plan, asking }: Pick<AskProps, 'rig' | 'plan' | 'asking'>) {
  const [edit, onShow] = useState<{ readonly of: Rig; readonly edit: Edit } | null>(null);
  const drawn = useMemo(
    () => (edit && edit.of === rig ? { ghosts: ghostsOf(rig, plan, edit.edit) } : null),
    [edit, rig, plan],
  );
  useDrawn(asking, drawn);
  return useCallback((shown: Edit) => onShow({ of: rig, edit: shown }), [rig]);
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
