import type { BoardPlan, Standing } from '@gullwind/core';
import { createUseGesture, dragAction, pinchAction, wheelAction } from '@use-gesture/react';
import type { RefObject } from 'react';
import type { Size } from '../../ui/useElementSize';
import { zoomedAt, type Look, type Projection } from './chart/projection';
import { edgesOf, snapped, type Edges } from './chart/snap';
import type { Asked, Asking } from './asking/asking';
import { onlyThing, NOTHING, toggled, type BoardSelection } from './selection';
import { standingOf, type BoardActions } from './useBoardActions';

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

/** What is dragged, as it stood when the hand took it, and what it may come to rest at. */
interface Grip {
  readonly from: readonly Standing[];
  readonly held: Standing;
  readonly edges: Edges;
}

const DRAG_FROM_PX = 3;
/** How near an edge draws a case, px. */
const SNAP_PX = 7;

const useGesture = createUseGesture([dragAction, pinchAction, wheelAction]);

/** Drags things, and looks closer, farther and beside by wheel, pinch and drag. */
export function useBoardHands(hands: Hands) {
  const { chart, look, onLook, size } = hands;
  const at = (x: number, y: number) => {
    const box = chart.current!.getBoundingClientRect();
    return { x: x - box.left, y: y - box.top };
  };
  useGesture(
    {
      onWheel: ({ event, delta: [, dy], pinching }) => {
        event.preventDefault();
        if (!pinching)
          onLook(zoomedAt(look, Math.exp(-dy / 400), at(event.clientX, event.clientY), size));
      },
      onPinch: ({ origin: [x, y], offset: [zoom] }) =>
        onLook(zoomedAt(look, zoom / look.zoom, at(x, y), size)),
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

function useThingDrag({ plan, gapM, on, selection, onSelect, actions }: Hands) {
  return useDragGesture(
    {
      onDrag: ({
        args,
        memo,
        movement: [mx, my],
        last,
        canceled,
        tap,
        event,
        shiftKey,
        altKey,
      }) => {
        event.stopPropagation();
        const id = args[0] as string;
        if (tap) {
          onSelect(shiftKey ? toggled(selection, id) : onlyThing(id));
          return undefined;
        }
        const grip = (memo as Grip | undefined) ?? gripOf(plan, gapM, selection, id);
        if (!grip) return undefined;
        if (canceled) {
          actions.giveUp();
          return grip;
        }
        if (!selection.things.includes(id)) onSelect(onlyThing(id));
        const by = on.delta(mx, my);
        const within = altKey ? 0 : SNAP_PX / on.pxPerM;
        const { x, y } = snapped(grip.held.rect, by, grip.edges, within);
        actions.move(grip.from, x, y, last);
        return grip;
      },
    },
    { drag: { threshold: DRAG_FROM_PX, filterTaps: true, pointer: { keys: false } } },
  );
}

function gripOf(
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

/** What stands and lies there has hands of its own. */
const ON_THE_GROUND = '[data-thing], [data-wire]';

/** The ground moves under the hand; with Shift, what a frame encloses is selected. */
function useGroundDrag({ chart, plan, on, look, onLook, onSelect, selection, asking }: Hands) {
  return useDragGesture(
    {
      onDrag: ({ memo, movement: [mx, my], initial: [x, y], last, tap, shiftKey, event }) => {
        if (event.target instanceof Element && event.target.closest(ON_THE_GROUND))
          return undefined;
        if (tap) {
          if (!isNothing(selection)) onSelect(NOTHING);
          else if (mayAsk(asking)) asking.onAsk(freeAt(plan, on.toStage(pageIn(chart, x, y))));
          return undefined;
        }
        const from = (memo as Look | undefined) ?? look;
        if (!shiftKey) onLook({ ...from, panX: from.panX + mx, panY: from.panY + my });
        else if (last) {
          const box = chart.current!.getBoundingClientRect();
          const a = on.toStage({ x: x - box.left, y: y - box.top });
          const b = on.toStage({ x: x + mx - box.left, y: y + my - box.top });
          onSelect({ things: within(plan, a, b), cable: null });
        }
        return from;
      },
    },
    { drag: { filterTaps: true, pointer: { keys: false } } },
  );
}

/** What is open and takes time to answer is not put aside by a press beside it. */
const mayAsk = ({ asked }: Asking): boolean => asked === null || asked.kind === 'here';

const isNothing = ({ things, cable }: BoardSelection): boolean =>
  things.length === 0 && cable === null;

function pageIn(chart: Hands['chart'], x: number, y: number): Place {
  const box = chart.current!.getBoundingClientRect();
  return { x: x - box.left, y: y - box.top };
}

/** Free deck is asked what fits there; beside the boards nothing is asked. */
function freeAt({ decks }: BoardPlan, at: Place): Asked | null {
  const isOn = decks.some(
    ({ rect }) => at.x >= rect.x0 && at.x <= rect.x1 && at.y >= rect.y0 && at.y <= rect.y1,
  );
  const tidy = (m: number) => Math.round(m * 1000) / 1000;
  return isOn ? { kind: 'here', at: { x: tidy(at.x), y: tidy(at.y) } } : null;
}

interface Place {
  readonly x: number;
  readonly y: number;
}

const within = ({ standings }: BoardPlan, a: Place, b: Place): readonly string[] =>
  standings
    .filter(
      ({ rect }) =>
        rect.x0 >= Math.min(a.x, b.x) &&
        rect.x1 <= Math.max(a.x, b.x) &&
        rect.y0 >= Math.min(a.y, b.y) &&
        rect.y1 <= Math.max(a.y, b.y),
    )
    .map(({ thing }) => thing.id);
