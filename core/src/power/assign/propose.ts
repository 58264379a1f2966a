import type { GearItem, Supply } from '../../gear';
import { applyEdit, type Rig } from '../../rig';
import { tradeSupply } from '../feedEdits';
import { assignOutlets, type AssignProgress } from './assign';
import type { Assignment } from './search';
import { doublerAmps, pricesOf } from './parts';
import { trySupply, whatWouldFeed, whyUnfed, type Remedy, type SupplyTrial } from './reasons';
import type { Solve } from '../../program';

/// What the page asks: a proposal with its reasons, and two supplies side by side.

export interface FeedingQuestion {
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
}

export interface FeedingProposal {
  readonly assignment: Assignment;
  /** By thing that is left out, why. */
  readonly reasons: readonly (readonly [consumer: string, says: string])[];
  /** What of the list would feed more of them. */
  readonly remedies: readonly Remedy[];
}

export function* proposeFeeding(
  { rig, gear }: FeedingQuestion,
  solve: Solve,
): Generator<AssignProgress, FeedingProposal> {
  const asked = { prices: pricesOf(gear), doublerA: doublerAmps(gear) };
  const assignment = yield* assignOutlets(rig, solve, asked);
  const { unfed } = assignment;
  yield { goal: 'cable', done: 4, of: 4, best: assignment };
  return {
    assignment,
    reasons: unfed.map((one) => [one, whyUnfed(rig, one, asked.doublerA)] as const),
    remedies: whatWouldFeed(rig, unfed, gear, solve, asked),
  };
}

export interface CompareQuestion extends FeedingQuestion {
  readonly supply: string;
  readonly others: readonly Omit<Supply, 'id'>[];
}

/** The rig with its supply, and with each of the others in its place. */
export function* compareSupplies(
  { rig, gear, supply, others }: CompareQuestion,
  solve: Solve,
): Generator<{ readonly done: number; readonly of: number }, readonly SupplyTrial[]> {
  const asked = { prices: pricesOf(gear), doublerA: doublerAmps(gear) };
  const rigs = [
    rig,
    ...others.map((other) => {
      const traded = applyEdit(rig, tradeSupply(rig, supply, other));
      return traded.kind === 'ok' ? traded.rig : rig;
    }),
  ];
  const trials: SupplyTrial[] = [];
  for (const [done, one] of rigs.entries()) {
    yield { done, of: rigs.length };
    trials.push(trySupply(one, solve, asked));
  }
  return trials;
}
