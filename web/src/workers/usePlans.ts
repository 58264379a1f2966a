import {
  keyOfPlan,
  planningOf,
  type GearItem,
  type Move,
  type Proposal,
  type RankedPlan,
  type Rig,
  type SearchOptions,
  type UnitSystem,
} from '@gullwind/core';
import { useMemo } from 'react';
import { useLatest } from './useLatest';
import { useLongWork, type LongWork, type WorkStateOf } from './useLongWork';
import type { ShownPlan } from './questions.worker';
import { questionsWorker } from './workers';

/** Looks for plans as soon as what they depend on is another: a new name starts no search. */
export function usePlans(
  rig: Rig,
  gear: readonly GearItem[] | null,
  options: SearchOptions,
): LongWork<'plans'> {
  const planned = planningOf(rig);
  const question = useMemo(() => gear && { rig: planned, gear, options }, [planned, gear, options]);
  return useLongWork('plans', question, { begins: true });
}

const NO_PLANS: readonly RankedPlan[] = [];

/** The best so far, or of all. */
export function frontOf(state: WorkStateOf<'plans'>): readonly RankedPlan[] {
  switch (state.kind) {
    case 'running':
    case 'stopped':
      return state.progress?.front ?? NO_PLANS;
    case 'done':
      return state.answer.front;
    default:
      return NO_PLANS;
  }
}

interface DetailQuestion {
  readonly rig: Rig;
  readonly moves: readonly Move[];
  readonly units: UnitSystem;
}

const askDetail = async (question: DetailQuestion) => ({
  question,
  detail: await questionsWorker().planDetail(question.rig, question.moves, question.units),
});

/** One plan looked at closely; the last one until another is there. */
export function usePlanDetail(
  rig: Rig,
  moves: readonly Move[] | null,
  units: UnitSystem,
): ShownPlan | null {
  const question = useMemo(() => moves && { rig, moves, units }, [rig, moves, units]);
  const answer = useLatest(question, askDetail);
  return (question && answer?.question.rig === rig && answer.detail) || null;
}

/** Plans of a finished search, by their keys, whose gain lies inside the tolerance band; null until it is known. */
export function useUnsure(
  rig: Rig,
  proposals: readonly Proposal[] | null,
): { readonly work: LongWork<'withinTolerance'>; readonly unsure: ReadonlySet<string> | null } {
  const planned = planningOf(rig);
  const question = useMemo(() => {
    const plans = proposals?.map(({ plan }) => plan);
    return plans && { rig: planned, plans, asItIs: plans[0]! };
  }, [planned, proposals]);
  const work = useLongWork('withinTolerance', question ?? null, { begins: true });
  const unsure = useMemo(() => {
    if (work.state.kind !== 'done' || !question) return null;
    const { answer } = work.state;
    return new Set(question.plans.filter((_, i) => answer[i]).map(keyOfPlan));
  }, [work.state, question]);
  return { work, unsure };
}
