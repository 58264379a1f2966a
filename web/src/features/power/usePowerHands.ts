import type { Edit, Rig } from '@gullwind/core';
import { createUseGesture, dragAction } from '@use-gesture/react';
import { useState } from 'react';
import { dropOn, overOf } from './model/hanging';

export interface PowerHands {
  /** What makes a thing draggable. */
  readonly grip: (thing: string) => object;
  /** What the hand is over: "supply outlet", or a thing. */
  readonly over: string | null;
  readonly dragged: string | null;
  readonly at: { readonly x: number; readonly y: number };
}

const useGesture = createUseGesture([dragAction]);

/** The outlet, the thing, or the list of what is not fed below a point of the window. */
function targetAt([x, y]: readonly [number, number]): HTMLElement | null {
  const found = document.elementsFromPoint(x, y);
  return (
    found
      .map((one) => one.closest<HTMLElement>('[data-outlet], [data-thing], [data-unfed]'))
      .find((one) => one !== null) ?? null
  );
}

const DRAG_FROM_PX = 4;

export function usePowerHands(rig: Rig, onEdit: (edit: Edit) => void): PowerHands {
  const [over, setOver] = useState<string | null>(null);
  const [dragged, setDragged] = useState<string | null>(null);
  const [at, setAt] = useState({ x: 0, y: 0 });
  const bind = useGesture(
    {
      onDrag: ({ args: [thing], xy, last, tap, canceled }) => {
        if (tap) return;
        const id = thing as string;
        const target = targetAt(xy);
        const isEnd = last || canceled;
        setOver(isEnd || !target ? null : overOf(target.dataset, id));
        setDragged(isEnd ? null : id);
        setAt({ x: xy[0], y: xy[1] });
        const edit = last && !canceled && target ? dropOn(rig, id, target.dataset) : null;
        if (edit) onEdit(edit);
      },
    },
    {
      drag: { threshold: DRAG_FROM_PX, filterTaps: true, pointer: { keys: false, capture: false } },
    },
  );
  return { grip: (thing) => bind(thing), over, dragged, at };
}
