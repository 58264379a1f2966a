import {
  USUAL_WISHES,
  type BoardPlan,
  type Edit,
  type Point,
  type Rig,
  type Wishes,
} from '@gullwind/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { ghostsOf, NOTHING_DRAWN, type Asked, type Drawn } from '../model/asked';

/// What a board is being asked.

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

/** What is shown, and where. */
interface Shown {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly asking: Asking;
}

/** What is pointed at in a list is drawn, until the rig is another or the list is gone. */
export function useShown({ rig, plan, asking }: Shown) {
  const [edit, onShow] = useState<{ readonly of: Rig; readonly edit: Edit } | null>(null);
  const drawn = useMemo(
    () => (edit && edit.of === rig ? { ghosts: ghostsOf(rig, plan, edit.edit) } : null),
    [edit, rig, plan],
  );
  useDrawn(asking, drawn);
  return useCallback((shown: Edit) => onShow({ of: rig, edit: shown }), [rig]);
}
