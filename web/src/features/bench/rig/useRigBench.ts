import { draftKey, useDraft } from '../../../app/drafts';
import {
  chainOf,
  type Chain,
  type DiagnosisQuestion,
  type MeasuredResponse,
  type Rig,
  type RigSweep,
  type UnitSystem,
} from '@gullwind/core';
import { useCallback, useMemo, useState } from 'react';
import { useLongWork } from '../../../workers/useLongWork';
import { useSweeper, type Chosen } from '../instruments';

const FIRST_SWEEP: RigSweep = { from: 'coil', sourceOhm: 10_000, isCalibrated: true };

/** A response with what it was taken of. */
interface Taken {
  readonly chain: Chain;
  readonly sweep: RigSweep;
  readonly response: MeasuredResponse;
  /** Hidden by a simulated sweep; 0 of any other. */
  readonly exercise: number;
}

/** How a sweep is taken, what it gave, and what explains it. */
export function useRigBench(id: string, rig: Rig, chosen: Chosen, units: UnitSystem) {
  const draft = draftKey('bench', id);
  const [sweep, setSweep] = useDraft<RigSweep>(draftKey(draft, 'sweep'), FIRST_SWEEP);
  const [exercise, setExercise] = useState(0);
  const [taken, setTaken] = useDraft<Taken | null>(draftKey(draft, 'response'), null);
  const sweeper = useSweeper(chosen);
  const chain = chainOf(rig);
  const keep = useCallback(
    (response: MeasuredResponse, hidden = 0) =>
      setTaken({ chain, sweep, response, exercise: hidden }),
    [chain, sweep, setTaken],
  );
  const take = async () => {
    const response = await sweeper.take({ kind: 'rig', rig, sweep, exercise });
    if (response) keep(response, exercise);
  };
  const question = useMemo(
    (): DiagnosisQuestion | null =>
      taken && { ...taken, measured: taken.response, units, noiseDb: null },
    [taken, units],
  );
  const work = useLongWork('diagnose', question, { begins: true });
  return { draft, sweep, setSweep, exercise, setExercise, taken, keep, take, sweeper, work };
}

export type RigBench = ReturnType<typeof useRigBench>;
