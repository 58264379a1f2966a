import {
  chainOf,
  planningOf,
  type Advice,
  type Chain,
  type GearItem,
  type Pin,
  type Rig,
  type SideFigures,
  type UnitSystem,
} from '@gullwind/core';
import { useMemo } from 'react';
import type { PinnedSound } from './questions.worker';
import { questionsWorker } from './workers';
import { AT_REST_MS, useLatest } from './useLatest';
import { useOwned } from './useOwned';

interface Question {
  readonly chain: Chain;
  readonly rowId: string;
}

/** Scenes and places of a rig, with the rig they belong to. */
export interface MeasuredSides {
  readonly rig: Rig;
  readonly scenes: readonly SideFigures[];
  readonly places: readonly SideFigures[];
}

const askScenes = async ({ chain, rowId }: Question) => ({
  chain,
  scenes: await questionsWorker().measureScenes(chain, rowId),
  places: await questionsWorker().measurePlaces(chain, rowId),
});

/** Figures of every scene and place; null while nobody looks. */
export function useScenes(rig: Rig | null, rowId: string): MeasuredSides | null {
  const chain = rig && chainOf(rig);
  const question = useMemo(() => chain && { chain, rowId }, [chain, rowId]);
  const answer = useLatest(question, askScenes);
  return useOwned(rig, question && answer);
}

interface AdviceQuestion {
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly rowId: string;
  readonly units: UnitSystem;
}

const askAdvice = async (question: AdviceQuestion) => {
  const { rig, gear, rowId, units } = question;
  return {
    question,
    chain: chainOf(rig),
    advice: await questionsWorker().advise(rig, gear, rowId, units),
  };
};

/** A rig with what is to be said of it, and to be done first. */
export interface Advised {
  readonly rig: Rig;
  readonly advice: Advice;
}

/**
 * What is to be said of a rig under its approach, and to be done first; null while nobody looks, and until it is
 * known of this rig: what was said of another one is not said of this.
 */
export function useAdvice(
  rig: Rig | null,
  gear: readonly GearItem[] | null,
  rowId: string,
  units: UnitSystem,
): Advised | null {
  const planned = rig && planningOf(rig);
  const question = useMemo(
    () => (planned && gear ? { rig: planned, gear, rowId, units } : null),
    [planned, gear, rowId, units],
  );
  const answer = useLatest(question, askAdvice, AT_REST_MS);
  return useOwned(rig, answer && answer.question === question ? answer : null);
}

const askPins = ({ pins, rowId }: { pins: readonly Pin[]; rowId: string }) =>
  questionsWorker().measurePins(pins, rowId);

/** What every pinned rig sounds like on the way that is looked at. */
export function usePins(pins: readonly Pin[], rowId: string): readonly PinnedSound[] {
  const question = useMemo(() => (pins.length > 0 ? { pins, rowId } : null), [pins, rowId]);
  const answer = useLatest(question, askPins);
  return (question && answer) ?? NO_PINS;
}

const NO_PINS: readonly PinnedSound[] = [];
