import {
  keyOfPlan,
  type GearItem,
  type Move,
  type PlanDetail,
  type PlanSearch,
  type RankedPlan,
  type Proposal,
  type Rig,
  type SearchOptions,
  type SearchProgress,
} from '@gullwind/core';
import { proxy } from 'comlink';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useLatest } from './useLatest';
import { plansWorker } from './workers';

/** How a search for plans stands, with the very rig it is for. */
export type PlansFound =
  | { readonly kind: 'waiting' }
  | { readonly kind: 'running'; readonly rig: Rig; readonly progress: SearchProgress | null }
  | { readonly kind: 'stopped'; readonly rig: Rig; readonly progress: SearchProgress }
  | { readonly kind: 'done'; readonly rig: Rig; readonly search: PlanSearch };

export interface PlansWork {
  readonly found: PlansFound;
  readonly stop: () => void;
  readonly start: () => void;
}

const WAITING: PlansFound = { kind: 'waiting' };

/** Looks for plans as soon as the rig or the gear is another; what is under way for an older one is let go. */
export function usePlans(
  rig: Rig,
  gear: readonly GearItem[] | null,
  options: SearchOptions,
): PlansWork {
  const [found, setFound] = useState<PlansFound>(WAITING);
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    if (!gear) return undefined;
    let isWanted = true;
    setFound({ kind: 'running', rig, progress: null });
    const tell = proxy((progress: SearchProgress) => {
      if (isWanted)
        setFound((now) => (now.kind === 'running' ? { kind: 'running', rig, progress } : now));
    });
    void plansWorker()
      .search(rig, gear, options, tell)
      .then((search) => {
        if (isWanted && search) setFound({ kind: 'done', rig, search });
      });
    return () => {
      isWanted = false;
      void plansWorker().stop();
    };
  }, [rig, gear, options, turn]);
  const stop = useCallback(() => {
    void plansWorker().stop();
    setFound((now) =>
      now.kind === 'running' && now.progress
        ? { kind: 'stopped', rig: now.rig, progress: now.progress }
        : now,
    );
  }, []);
  const start = useCallback(() => setTurn((before) => before + 1), []);
  return { found, stop, start };
}

const NO_PLANS: readonly RankedPlan[] = [];

/** The best so far, or of all; none while they are still those of another rig. */
export function frontOf(found: PlansFound, rig: Rig): readonly RankedPlan[] {
  if (found.kind === 'waiting' || found.rig !== rig) return NO_PLANS;
  switch (found.kind) {
    case 'running':
    case 'stopped':
      return found.progress?.front ?? NO_PLANS;
    case 'done':
      return found.search.front;
  }
}

interface DetailQuestion {
  readonly rig: Rig;
  readonly moves: readonly Move[];
}

const askDetail = async (question: DetailQuestion) => ({
  question,
  detail: await plansWorker().detail(question.rig, question.moves),
});

/** One plan looked at closely; the last one until another is there. */
export function usePlanDetail(rig: Rig, moves: readonly Move[] | null): PlanDetail | null {
  const question = useMemo(() => moves && { rig, moves }, [rig, moves]);
  const answer = useLatest(question, askDetail);
  return (question && answer?.question.rig === rig && answer.detail) || null;
}

interface SureQuestion {
  readonly rig: Rig;
  readonly proposals: readonly Proposal[];
}

const askUnsure = async ({ rig, proposals }: SureQuestion) => {
  const plans = proposals.map(({ plan }) => plan);
  const within = await plansWorker().withinTolerance(rig, plans, plans[0]!);
  return new Set(plans.filter((_, i) => within[i]).map(keyOfPlan));
};

/** Plans of a finished search, by their keys, whose gain lies inside the tolerance band; null until it is known. */
export function useUnsure(
  rig: Rig,
  proposals: readonly Proposal[] | null,
): ReadonlySet<string> | null {
  const question = useMemo(() => proposals && { rig, proposals }, [rig, proposals]);
  const answer = useLatest(question, askUnsure);
  return question && answer;
}
