import { FIELD_RULES, findCable, rowOf, type Rig } from '@gullwind/core';
import { useDrag } from '@use-gesture/react';
import { postsOf, type DrawnWay } from '../model/runWays';

type Grip =
  | {
      readonly kind: 'cable';
      readonly id: string;
      readonly lengthM: number;
      readonly pxPerM: number;
      readonly sign: 1 | -1;
    }
  | {
      readonly kind: 'post';
      readonly id: string;
      readonly x: number;
      /** Of the other devices in its row. */
      readonly others: readonly number[];
    };

interface Handlers {
  readonly onCableDrag: (id: string, lengthM: number, done: boolean) => void;
  readonly onPostDrag: (id: string, to: number, done: boolean) => void;
  readonly onDragGivenUp: () => void;
}

const DRAG_FROM_PX = 4;
const PX_PER_M_OF_NOTHING = 40;
const FINE_PX_PER_M = 100;

type Gripped = { readonly of: 'cable' | 'post'; readonly id: string };

/**
 * Turns pointer moves into lengths and places. The scale at the start of a drag holds until it ends,
 * although the drawing follows, so that the hand stays in step with the figure.
 *
 * @returns what a cable's grip, and what a post has to be given to be dragged
 */
export function useRunDrag(rig: Rig, ways: readonly DrawnWay[], handlers: Handlers) {
  const bind = useDrag(
    ({ args: [gripped], memo, xy: [x], initial: [startX], last, canceled }) => {
      const grip = (memo as Grip | undefined) ?? gripOf(rig, ways, gripped as Gripped);
      if (canceled) handlers.onDragGivenUp();
      else if (grip.kind === 'cable')
        handlers.onCableDrag(grip.id, draggedLength(grip, x - startX), last);
      else handlers.onPostDrag(grip.id, draggedPlace(grip, x - startX), last);
      return grip;
    },
    // Listened to on the window: on a board other lengths follow, and the post may be drawn away from under the hand.
    { threshold: DRAG_FROM_PX, pointer: { keys: false, capture: false } },
  );
  return {
    gripCable: (id: string) => bind({ of: 'cable', id } satisfies Gripped),
    gripPost: (id: string) => bind({ of: 'post', id } satisfies Gripped),
  };
}

function gripOf(rig: Rig, ways: readonly DrawnWay[], { of, id }: Gripped): Grip {
  if (of === 'cable') {
    const cable = findCable(rig, id)!;
    const { stretch, isOut } = stretchUnder(ways, id);
    return {
      kind: 'cable',
      id,
      lengthM: cable.lengthM.value,
      pxPerM: (stretch || PX_PER_M_OF_NOTHING) * cable.coil.value,
      sign: isOut ? -1 : 1,
    };
  }
  const posts = ways.flatMap(postsOf);
  const inRow = new Set(rowOf(rig, id)?.devices.map((device) => device.id));
  const x = posts.find(({ deviceId }) => deviceId === id)?.x ?? 0;
  const others = posts.filter(({ deviceId }) => deviceId !== id && inRow.has(deviceId));
  return { kind: 'post', id, x, others: others.map((post) => post.x) };
}

/** px per metre where a cable is drawn, and whether it leads out, so that it is held at its near end. */
function stretchUnder(ways: readonly DrawnWay[], cableId: string) {
  for (const { stops, layout } of ways) {
    const at = stops.findIndex(({ spot }) => spot.kind === 'cable' && spot.id === cableId);
    if (at < 0) continue;
    const { firstDevice, lastDevice, stretches } = layout;
    const isOut = firstDevice >= 0 && at > lastDevice;
    const index = firstDevice < 0 || at < firstDevice ? 0 : isOut ? 2 : 1;
    return { stretch: stretches[index]!.pxPerM, isOut };
  }
  return { stretch: 0, isOut: false };
}

function draggedLength(grip: Extract<Grip, { kind: 'cable' }>, dx: number): number {
  const { min, max } = FIELD_RULES.cable.lengthM;
  const step = grip.pxPerM >= FINE_PX_PER_M ? 0.01 : 0.1;
  const lengthM = grip.lengthM + (grip.sign * dx) / grip.pxPerM;
  return Math.min(max, Math.max(min, Number((Math.round(lengthM / step) * step).toFixed(2))));
}

/** The place among the others where the post now stands. */
const draggedPlace = ({ x, others }: Extract<Grip, { kind: 'post' }>, dx: number): number =>
  others.filter((other) => other < x + dx).length;

/** Handlers that make an element a grip. */
export type GripHandlers = ReturnType<ReturnType<typeof useRunDrag>['gripCable']>;
