import {
  heed,
  mainRow,
  type AdvisedStep,
  type Rig,
  type RigVoice,
  type ShopCable,
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
  readonly shop: ShopCable | null;
}

const ask = ({ rig, step, units, shop }: Question) =>
  questionsWorker().voicesOf(rig, step, units, shop);

/** Every voice of a rig, the advised step among them once it is known; null before there are any. */
export function useVoices(
  rig: Rig,
  units: UnitSystem,
  shop: ShopCable | null,
): readonly RigVoice[] | null {
  const gear = useGearItems();
  const advised = useAdvice(rig, gear, mainRow(rig).id, units);
  const first = advised ? heed(advised.advice, rig.texts.dismissed).first : null;
  const step = useMemo(
    () => (first?.kind === 'move' ? { said: first.said, edit: first.edit } : null),
    [first],
  );
  const question = useMemo(() => ({ rig, step, units, shop }), [rig, step, units, shop]);
  return useLatest(question, ask);
}
