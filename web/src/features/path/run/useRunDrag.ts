import type { Rig } from '@gullwind/core';
import { FIELD_RULES } from '@gullwind/core';
import { useRef, type PointerEvent } from 'react';
import type { RunLayout } from './runLayout';

type Grip =
  | {
      readonly kind: 'lead';
      readonly index: number;
      readonly lengthM: number;
      readonly pxPerM: number;
      readonly sign: 1 | -1;
    }
  | { readonly kind: 'post'; readonly index: number; readonly deviceX: readonly number[] };

interface Drag {
  readonly grip: Grip;
  readonly startX: number;
  /** Past the first few px: a press is not a drag. */
  moved: boolean;
}

interface Handlers {
  readonly onLeadDrag: (index: number, lengthM: number, done: boolean) => void;
  readonly onPostDrag: (from: number, to: number, done: boolean) => void;
  readonly onDragGivenUp: () => void;
}

const DRAG_FROM_PX = 4;
const PX_PER_M_OF_NOTHING = 40;
const FINE_PX_PER_M = 100;

/**
 * Turns pointer moves into lengths and places. The scale at the start of a drag holds until it ends,
 * although the drawing follows, so that the hand stays in step with the figure.
 */
export function useRunDrag(rig: Rig, layout: RunLayout, handlers: Handlers) {
  const drag = useRef<Drag | null>(null);

  const start = (grip: Grip, event: PointerEvent) => {
    if (event.button !== 0) return;
    drag.current = { grip, startX: event.clientX, moved: false };
  };

  const tell = (event: PointerEvent, done: boolean) => {
    const current = drag.current;
    if (!current) return;
    const dx = event.clientX - current.startX;
    if (!current.moved && Math.abs(dx) < DRAG_FROM_PX) return;
    // Captured only now: a captured press would take the click away from what was pressed.
    if (!current.moved) event.currentTarget.setPointerCapture(event.pointerId);
    current.moved = true;
    const { grip } = current;
    if (grip.kind === 'lead') handlers.onLeadDrag(grip.index, draggedLength(grip, dx), done);
    else handlers.onPostDrag(grip.index, draggedPlace(grip, dx), done);
  };

  return {
    gripLead: (index: number, event: PointerEvent) => {
      const stretch = layout.stretches.find(
        ({ kind }) => kind === stretchOf(index, rig.devices.length),
      )!;
      const sign = index > 0 && index === rig.devices.length ? -1 : 1;
      const lengthM = rig.leads[index]!.lengthM.value;
      start(
        { kind: 'lead', index, lengthM, pxPerM: stretch.pxPerM || PX_PER_M_OF_NOTHING, sign },
        event,
      );
    },
    gripPost: (index: number, event: PointerEvent) =>
      start({ kind: 'post', index, deviceX: layout.deviceX }, event),
    surface: {
      onPointerMove: (event: PointerEvent) => tell(event, false),
      onPointerUp: (event: PointerEvent) => {
        tell(event, true);
        drag.current = null;
      },
      onPointerCancel: () => {
        drag.current = null;
        handlers.onDragGivenUp();
      },
    },
  };
}

function stretchOf(index: number, count: number): 'in' | 'board' | 'out' {
  if (index === 0) return 'in';
  return index === count ? 'out' : 'board';
}

function draggedLength(grip: Extract<Grip, { kind: 'lead' }>, dx: number): number {
  const { min, max } = FIELD_RULES.lead.lengthM;
  const step = grip.pxPerM >= FINE_PX_PER_M ? 0.01 : 0.1;
  const lengthM = grip.lengthM + (grip.sign * dx) / grip.pxPerM;
  return Math.min(max, Math.max(min, Number((Math.round(lengthM / step) * step).toFixed(2))));
}

/** The place among the others where the post now stands. */
function draggedPlace({ index, deviceX }: Extract<Grip, { kind: 'post' }>, dx: number): number {
  const x = deviceX[index]! + dx;
  return deviceX.filter((other, i) => i !== index && other < x).length;
}
