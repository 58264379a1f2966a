import {
  DEFAULT_DRAWS,
  type Difference,
  type Plan,
  type Rig,
  type Tolerance,
  chainOf,
} from '@gullwind/core';
import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import { toleranceWorker } from './workers';

/** How sure the figures are: asked for, under way, or known of exactly this rig. */
export type Sureness =
  | { readonly kind: 'unasked' }
  | { readonly kind: 'running'; readonly share: number }
  | {
      readonly kind: 'known';
      readonly tolerance: Tolerance | null;
      /** Against each pin, by its id. */
      readonly differences: ReadonlyMap<string, Difference | null>;
    };

export interface ToleranceWork {
  readonly sureness: Sureness;
  readonly start: () => void;
  readonly stop: () => void;
}

const UNASKED: Sureness = { kind: 'unasked' };

/** Draws the rig, and its difference from every pin, when it is asked to. What belongs to an earlier rig is let go. */
export function useTolerance(rig: Rig, rowId: string): ToleranceWork {
  const [answer, setAnswer] = useState<{ rig: Rig; rowId: string; sureness: Sureness } | null>(
    null,
  );
  const isOfThis = answer?.rig === rig && answer.rowId === rowId;

  // Another rig in hand: what is still being drawn for the old one is not wanted any more.
  useEffect(() => {
    if (!isOfThis && answer?.sureness.kind === 'running') void toleranceWorker().stop();
  }, [isOfThis, answer]);

  const stop = useCallback(() => {
    void toleranceWorker().stop();
    setAnswer(null);
  }, []);

  const start = useCallback(() => {
    const show = (sureness: Sureness) => setAnswer({ rig, rowId, sureness });
    show({ kind: 'running', share: 0 });
    void drawAll(rig, rowId, (share) => show({ kind: 'running', share })).then((known) => {
      if (known) show(known);
    });
  }, [rig, rowId]);

  return { sureness: isOfThis ? answer.sureness : UNASKED, start, stop };
}

/** Null where it was stopped. */
async function drawAll(
  rig: Rig,
  rowId: string,
  tell: (share: number) => void,
): Promise<Sureness | null> {
  const now: Plan = { rig, rowId };
  const parts = 1 + rig.pins.length;
  const part = (k: number) =>
    proxy(({ done, of }: { done: number; of: number }) => tell((k + done / of) / parts));
  const tolerance = await toleranceWorker().tolerance(now, DEFAULT_DRAWS, part(0));
  if (!tolerance) return null;
  const differences = new Map<string, Difference | null>();
  for (const [k, pin] of rig.pins.entries()) {
    const pinned = chainOf(pin.rig);
    if (!pinned.electrical.rows.some(({ id }) => id === rowId)) continue;
    const difference = await toleranceWorker().difference(
      { rig: pinned, rowId },
      now,
      DEFAULT_DRAWS,
      part(k + 1),
    );
    differences.set(pin.id, difference);
  }
  return { kind: 'known', tolerance, differences };
}
