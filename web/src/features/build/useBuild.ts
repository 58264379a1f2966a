import {
  cableList,
  cableStates,
  forgottenIn,
  NO_RECORDS,
  partsMissing,
  partsNeeded,
  progressOf,
  timeLeft,
  workPlan,
  type BuildCable,
  type BuildRecords,
  type CableState,
  type Forgotten,
  type GearItem,
  type NeededPart,
  type Progress,
  type Rig,
  type Step,
  type TimeLeft,
  type UnitSystem,
} from '@gullwind/core';
import { useCallback, useMemo } from 'react';
import { useGetBuildQuery, useSetDoneMutation } from '../../app/api';
import { sayFailure } from '../../app/failures';
import { today } from '../../app/today';
import { ticksFor } from './model/ticking';

/** All that the page knows of how far a rig is. */
export interface BuildNow {
  readonly cables: readonly BuildCable[];
  readonly states: ReadonlyMap<string, CableState>;
  readonly parts: readonly NeededPart[];
  readonly progress: Progress;
  readonly time: TimeLeft;
  readonly forgotten: readonly Forgotten[];
  readonly records: BuildRecords;
  readonly isKnown: boolean;
}

export function useBuild(
  id: string,
  rig: Rig,
  gear: readonly GearItem[],
  units: UnitSystem,
): BuildNow {
  const { data } = useGetBuildQuery(id);
  const records = data ?? NO_RECORDS;
  const cables = useMemo(() => cableList(rig, gear), [rig, gear]);
  const steps = useMemo(() => workPlan(rig, gear, units), [rig, gear, units]);
  const parts = useMemo(() => partsNeeded(rig, gear), [rig, gear]);
  const forgotten = useMemo(() => forgottenIn(rig), [rig]);
  const progress = useMemo(
    () => progressOf(steps, records, partsMissing(parts)),
    [steps, records, parts],
  );
  const states = useMemo(() => cableStates(progress.steps), [progress]);
  const time = useMemo(
    () => timeLeft(rig.texts.brief, progress, today()),
    [rig.texts.brief, progress],
  );
  return { cables, states, parts, progress, time, forgotten, records, isKnown: data !== undefined };
}

/** Ticks steps off, or takes that back. */
export function useTick(id: string, revision: number, { cables, progress, records }: BuildNow) {
  const [setDone] = useSetDoneMutation();
  return useCallback(
    (step: Step, isDone: boolean) => {
      const ticks = ticksFor(step, isDone, { cables, progress, records, revision });
      void setDone({ id, ticks })
        .unwrap()
        .catch(() => sayFailure('It could not be ticked off: the server did not take it.'));
    },
    [setDone, id, revision, cables, progress, records],
  );
}
