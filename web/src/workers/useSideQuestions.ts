import {
  chainOf,
  type Chain,
  type Judgement,
  type Pin,
  type Rig,
  type SideFigures,
  type UnitSystem,
} from '@gullwind/core';
import { useMemo } from 'react';
import type { PinnedSound } from './questions.worker';
import { questionsWorker } from './workers';
import { useLatest } from './useLatest';
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

const askJudgements = async ({ chain, rowId, units }: Question & { units: UnitSystem }) => ({
  chain,
  judgements: await questionsWorker().judge(chain, rowId, units),
});

/** What is to be said of a rig under its approach; null while nobody looks. */
export function useJudgements(
  rig: Rig | null,
  rowId: string,
  units: UnitSystem,
): { readonly rig: Rig; readonly judgements: readonly Judgement[] } | null {
  const chain = rig && chainOf(rig);
  const question = useMemo(() => chain && { chain, rowId, units }, [chain, rowId, units]);
  const answer = useLatest(question, askJudgements);
  return useOwned(rig, question && answer);
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
