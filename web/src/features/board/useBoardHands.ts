import type { BoardPlan, Point } from '@gullwind/core';
import { createUseGesture, dragAction, pinchAction, wheelAction } from '@use-gesture/react';
import type { PointerEventHandler, RefObject } from 'react';
import type { Size } from '../../ui/useElementSize';
import { zoomedAt, type Look, type Projection } from './model/projection';
import type { Asking } from './asking/asking';
import { framed, gripOf, pressed, pressedGround, pulled, type Grip } from './model/dragging';
import { onlyThing, type BoardSelection } from './model/selection';
import type { BoardActions } from './useBoardActions';

interface Hands {
  readonly chart: RefObject<HTMLElement | null>;
  readonly plan: BoardPlan;
  readonly gapM: number;
  readonly on: Projection;
  readonly size: Size;
  readonly look: Look;
  readonly onLook: (look: Look) => void;
  readonly selection: BoardSelection;
  readonly onSelect: (selection: BoardSelection) => void;
  readonly actions: BoardActions;
  readonly asking: Asking;
}

const DRAG_FROM_PX = 3;

const useGesture = createUseGesture([dragAction, pinchAction, wheelAction]);

/** Drags things, and looks closer, farther and beside by wheel, pinch and drag. */
export function useBoardHands(hands: Hands) {
  const { chart, look, onLook, size } = hands;
  useGesture(
    {
      onWheel: ({ event, delta: [, dy], pinching }) => {
        event.preventDefault();
        if (!pinching)
          onLook(
            zoomedAt(look, Math.exp(-dy / 400), pageIn(chart, event.clientX, event.clientY), size),
          );
      },
      onPinch: ({ origin: [x, y], offset: [zoom] }) =>
        onLook(zoomedAt(look, zoom / look.zoom, pageIn(chart, x, y), size)),
    },
    {
      target: chart,
      eventOptions: { passive: false },
      pinch: { from: () => [look.zoom, 0], scaleBounds: { min: 0.5, max: 12 } },
    },
  );
  const bindThing = useThingDrag(hands);
  const bindGround = useGroundDrag(hands);
  return { bindThing, bindGround };
}

const useDragGesture = createUseGesture([dragAction]);

/** The window is listened to: a drag goes on whatever is drawn anew, or loses the pointer, below the hand. */
const POINTER = { keys: false, capture: false } as const;

function useThingDrag({ plan, gapM, on, selection, onSelect, actions }: Hands) {
  const bind = useDragGesture(
    {
      onDrag: ({ args, memo, movement, last, canceled, tap, shiftKey, altKey }) => {
        const id = args[0] as string;
        if (tap) {
          onSelect(pressed(selection, id, shiftKey));
          return undefined;
        }
        const grip = (memo as Grip | undefined) ?? gripOf(plan, gapM, selection, id);
        if (!grip) return undefined;
        if (!canceled && !selection.things.includes(id)) onSelect(onlyThing(id));
        const pull = { movedPx: movement, isLast: last, isCanceled: canceled, isFree: altKey };
        actions.pull(pulled(grip, on, pull));
        return grip;
      },
    },
    { drag: { threshold: DRAG_FROM_PX, filterTaps: true, pointer: POINTER } },
  );
  return (id: string) => {
    const { onPointerDown, ...others } = bind(id) as { onPointerDown: PointerEventHandler };
    const take: PointerEventHandler = (event) => {
      // What a hand takes is not the ground's as well.
      event.stopPropagation();
      onPointerDown(event);
    };
    return { ...others, onPointerDown: take };
  };
}

const THEIRS = 'theirs';

/** What lies on the ground has hands of its own. */
const isTheirs = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[data-wire]') !== null;

/** The ground moves under the hand; with Shift, what a frame encloses is selected. */
function useGroundDrag({ chart, plan, on, look, onLook, onSelect, selection, asking }: Hands) {
  const stageAt = (x: number, y: number) => on.toStage(pageIn(chart, x, y));
  return useDragGesture(
    {
      onDrag: ({ memo, movement: [mx, my], initial: [x, y], last, tap, shiftKey, event }) => {
        const held = memo as Look | typeof THEIRS | undefined;
        if (held === THEIRS || (held === undefined && isTheirs(event.target))) return THEIRS;
        if (tap) {
          const means = pressedGround(plan, stageAt(x, y), selection, asking.asked);
          if (means?.kind === 'select') onSelect(means.selection);
          if (means?.kind === 'ask') asking.onAsk(means.asked);
          return undefined;
        }
        const from = held ?? look;
        if (!shiftKey) onLook({ ...from, panX: from.panX + mx, panY: from.panY + my });
        else if (last) onSelect(framed(plan, stageAt(x, y), stageAt(x + mx, y + my)));
        return from;
      },
    },
    { drag: { filterTaps: true, pointer: POINTER } },
  );
}

/** A place in the window as one in the chart, px. */
function pageIn(chart: Hands['chart'], x: number, y: number): Point {
  const box = chart.current!.getBoundingClientRect();
  return { x: x - box.left, y: y - box.top };
}
