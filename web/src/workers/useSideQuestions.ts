import type { Judgement, Pin, Rig, SideFigures, UnitSystem } from '@gullwind/core';
import { useMemo } from 'react';
import type { PinnedSound } from './questions.worker';
import { questionsWorker } from './workers';
import { useLatest } from './useLatest';

interface Question {
  readonly rig: Rig;
  readonly rowId: string;
}

/** Scenes and places of a rig, with the very rig they belong to. */
export interface MeasuredSides {
  readonly rig: Rig;
  readonly scenes: readonly SideFigures[];
  readonly places: readonly SideFigures[];
}

const askScenes = async ({ rig, rowId }: Question) => ({
  rig,
  scenes: await questionsWorker().measureScenes(rig, rowId),
  places: await questionsWorker().measurePlaces(rig, rowId),
});

/** Figures of every scene and place; null while nobody looks. */
export function useScenes(rig: Rig | null, rowId: string): MeasuredSides | null {
  const question = useMemo(() => rig && { rig, rowId }, [rig, rowId]);
  const answer = useLatest(question, askScenes);
  return question && answer;
}

const askJudgements = async ({ rig, rowId, units }: Question & { units: UnitSystem }) => ({
  rig,
  judgements: await questionsWorker().judge(rig, rowId, units),
});

/** What is to be said of a rig under its approach; null while nobody looks. */
export function useJudgements(
  rig: Rig | null,
  rowId: string,
  units: UnitSystem,
): { readonly rig: Rig; readonly judgements: readonly Judgement[] } | null {
  const question = useMemo(() => rig && { rig, rowId, units }, [rig, rowId, units]);
  const answer = useLatest(question, askJudgements);
  return question && answer;
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
