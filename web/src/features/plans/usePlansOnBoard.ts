import {
  isBegun,
  keyOfPlan,
  makeMoves,
  NO_RECORDS,
  type PlansOnBoard,
  type Proposal,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { useMemo, useRef } from 'react';
import { useGetBuildQuery } from '../../app/api';
import { useGearItems } from '../../app/useGearItems';
import { useLongWork } from '../../workers/useLongWork';

const NONE: PlansOnBoard = new Map();

/** The same proposals, by identity, as long as they make the same moves. */
function useSame(proposals: readonly Proposal[]): readonly Proposal[] {
  const kept = useRef(proposals);
  const keysOf = (some: readonly Proposal[]) => some.map(({ plan }) => keyOfPlan(plan)).join('\n');
  if (keysOf(kept.current) !== keysOf(proposals)) kept.current = proposals;
  return kept.current;
}

/** By key, what proposals mean for the board: none where there is no board. */
export function usePlansOnBoard(
  id: string,
  rig: Rig,
  proposals: readonly Proposal[],
  units: UnitSystem,
): PlansOnBoard {
  const gear = useGearItems();
  const { data: records = NO_RECORDS } = useGetBuildQuery(id);
  const same = useSame(proposals);
  const question = useMemo(() => {
    if (rig.layout.boards.length === 0 || same.length === 0 || !gear) return null;
    const changes = same.flatMap(({ plan }) => {
      const made = plan.moves.length > 0 ? makeMoves(rig, plan.moves) : null;
      return made ? [[keyOfPlan(plan), made.edit] as const] : [];
    });
    return { rig, changes, building: { gear, units, ...(isBegun(records) && { records }) } };
  }, [rig, same, gear, units, records]);
  const { state } = useLongWork('plansOnBoard', question, { begins: true });
  if (state.kind === 'done') return state.answer;
  return state.kind === 'running' ? (state.progress ?? NONE) : NONE;
}
