import {
  heed,
  mainRow,
  type AdvisedStep,
  type Rig,
  type RigVoice,
  type UnitSystem,
} from '@gullwind/core';
import { useMemo } from 'react';
import { useGearItems } from '../../app/useGearItems';
import { useLatest } from '../../workers/useLatest';
import { useAdvice } from '../../workers/useSideQuestions';
import { questionsWorker } from '../../workers/workers';

interface Question {
  readonly rig: Rig;
  readonly step: AdvisedStep | null;
  readonly units: UnitSystem;
}

const ask = ({ rig, step, units }: Question) => questionsWorker().voicesOf(rig, step, units);

/** Every voice of a rig, the advised step among them once it is known; null before there are any. */
export function useVoices(rig: Rig, units: UnitSystem): readonly RigVoice[] | null {
  const gear = useGearItems();
  const advised = useAdvice(rig, gear, mainRow(rig).id, units);
  const first = advised ? heed(advised.advice, rig.texts.dismissed).first : null;
  const step = useMemo(
    () => (first?.kind === 'move' ? { said: first.said, edit: first.edit } : null),
    [first],
  );
  const question = useMemo(() => ({ rig, step, units }), [rig, step, units]);
  return useLatest(question, ask);
}
