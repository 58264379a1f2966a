import {
  chainOf,
  type Chain,
  type ChainWay,
  type Difference,
  type Rig,
  type Tolerance,
} from '@gullwind/core';
import { useMemo } from 'react';
import { useLongWork, type LongWork } from './useLongWork';

export type ToleranceWork = LongWork<'tolerance'>;

const hasWay = ({ electrical }: Chain, rowId: string): boolean =>
  electrical.rows.some(({ id }) => id === rowId);

/** Draws the rig, and its difference from every pin that has this way, when it is asked to. */
export function useTolerance(rig: Rig, rowId: string): ToleranceWork {
  const chain = chainOf(rig);
  const { pins } = rig;
  const question = useMemo(() => {
    const comparable = pins.filter((pin) => hasWay(pin.rig, rowId));
    const others = new Map<string, ChainWay>(
      comparable.map((pin) => [pin.id, { chain: chainOf(pin.rig), rowId }]),
    );
    return { way: { chain, rowId }, others };
  }, [chain, pins, rowId]);
  return useLongWork('tolerance', question, { begins: false });
}

/** The bands of a way, where they are known. */
export const toleranceIn = ({ state }: ToleranceWork): Tolerance | null =>
  state.kind === 'done' ? state.answer.tolerance : null;

/** The band of the difference from a pin, where it is known. */
export const differenceIn = ({ state }: ToleranceWork, pinId: string): Difference | null =>
  (state.kind === 'done' && state.answer.differences.get(pinId)) || null;
