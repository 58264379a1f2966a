import type { Deck, Point, Rect } from '@gullwind/core';
import type { Size } from '../../../ui/useElementSize';

/// From the stage (m, y to the back) to the page (px, y downwards), and back.

export type Side = 'above' | 'below';

/** What of the stage is looked at: how much larger than whole, and moved by how much, px. */
export interface Look {
  readonly side: Side;
  readonly zoom: number;
  readonly panX: number;
  readonly panY: number;
}

export const WHOLE: Omit<Look, 'side'> = { zoom: 1, panX: 0, panY: 0 };
export const MOST_ZOOM = 12;

export interface Projection {
  readonly pxPerM: number;
  readonly toPage: (point: Point) => Point;
  readonly toStage: (point: Point) => Point;
  /** A way on the page as one on the stage. */
  readonly delta: (dx: number, dy: number) => Point;
}

/** Around the boards, px: for what leaves them and the scale. */
const MARGIN = { x: 46, top: 26, bottom: 34 } as const;

export function boundsOfDecks(decks: readonly Deck[]): Rect {
  const rects = decks.map(({ rect }) => rect);
  return {
    x0: Math.min(...rects.map(({ x0 }) => x0)),
    y0: Math.min(...rects.map(({ y0 }) => y0)),
    x1: Math.max(...rects.map(({ x1 }) => x1)),
    y1: Math.max(...rects.map(({ y1 }) => y1)),
  };
}

/** All boards in the room there is. From below they are turned over to the side: left and right change places. */
export function projectionOf(bounds: Rect, { width, height }: Size, look: Look): Projection {
  const { x0, y0, x1, y1 } = bounds;
  const whole = Math.min(
    (width - 2 * MARGIN.x) / (x1 - x0),
    (height - MARGIN.top - MARGIN.bottom) / (y1 - y0),
  );
  const pxPerM = Math.max(50, whole * look.zoom);
  const [middleX, middleY] = [(x0 + x1) / 2, (y0 + y1) / 2];
  const [pageX, pageY] = [
    width / 2 + look.panX,
    (height + MARGIN.top - MARGIN.bottom) / 2 + look.panY,
  ];
  const flip = look.side === 'below' ? -1 : 1;
  return {
    pxPerM,
    toPage: ({ x, y }) => ({
      x: pageX + flip * (x - middleX) * pxPerM,
      y: pageY - (y - middleY) * pxPerM,
    }),
    toStage: ({ x, y }) => ({
      x: middleX + (flip * (x - pageX)) / pxPerM,
      y: middleY - (y - pageY) / pxPerM,
    }),
    delta: (dx, dy) => ({ x: (flip * dx) / pxPerM, y: -dy / pxPerM }),
  };
}

/** Closer or farther, so that the place under the pointer stays there. */
export function zoomedAt(look: Look, factor: number, at: Point, { width, height }: Size): Look {
  const zoom = Math.min(MOST_ZOOM, Math.max(0.5, look.zoom * factor));
  const by = zoom / look.zoom;
  const [cx, cy] = [at.x - width / 2, at.y - (height + MARGIN.top - MARGIN.bottom) / 2];
  return { ...look, zoom, panX: cx - (cx - look.panX) * by, panY: cy - (cy - look.panY) * by };
}

/** A rectangle on the page. */
export function rectOn({ toPage }: Projection, { x0, y0, x1, y1 }: Rect) {
  const [a, b] = [toPage({ x: x0, y: y0 }), toPage({ x: x1, y: y1 })];
  return {
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  };
}
