import type { Rect } from '../rect';

/// Places of a case in whole millimetres, and which of them are taken: to look at every one of them costs little.

const EPSILON = 1e-4;

/** Whole millimetres from and to, both included. */
export interface Window {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

export class Mask {
  readonly width: number;
  readonly height: number;
  readonly #taken: Uint8Array;

  constructor(readonly window: Window) {
    this.width = Math.max(0, window.x1 - window.x0 + 1);
    this.height = Math.max(0, window.y1 - window.y0 + 1);
    this.#taken = new Uint8Array(this.width * this.height);
  }

  /**
   * Takes every place at which a part reaches into something.
   *
   * @param part where it is, m, while the corner of its case is at 0, 0
   * @param other what stands there, m, in the same plane
   */
  forbid(part: Rect, other: Rect): void {
    const { x0, y0, x1, y1 } = this.window;
    const after = (m: number) => Math.floor(m * 1000 + EPSILON) + 1;
    const before = (m: number) => Math.ceil(m * 1000 - EPSILON) - 1;
    const from = Math.max(x0, after(other.x0 - part.x1));
    const to = Math.min(x1, before(other.x1 - part.x0));
    if (to < from) return;
    const last = Math.min(y1, before(other.y1 - part.y0));
    for (let y = Math.max(y0, after(other.y0 - part.y1)); y <= last; y++) {
      const row = (y - y0) * this.width - x0;
      this.#taken.fill(1, row + from, row + to + 1);
    }
  }

  /** Takes a whole line of places. */
  forbidRow(y: number): void {
    const row = (y - this.window.y0) * this.width;
    this.#taken.fill(1, row, row + this.width);
  }

  isFree(x: number, y: number): boolean {
    const { x0, y0, x1, y1 } = this.window;
    if (x < x0 || x > x1 || y < y0 || y > y1) return false;
    return this.#taken[(y - y0) * this.width + (x - x0)] === 0;
  }

  /** Every free place, from the front, from the left. */
  *free(): Generator<readonly [x: number, y: number]> {
    const { x0, y0 } = this.window;
    for (let i = 0; i < this.#taken.length; i++)
      if (this.#taken[i] === 0) yield [x0 + (i % this.width), y0 + Math.floor(i / this.width)];
  }

  get count(): number {
    let count = 0;
    for (const taken of this.#taken) if (taken === 0) count++;
    return count;
  }
}
