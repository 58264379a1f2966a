import { chainOf, type Chain, type Rig } from '@gullwind/core';
import { useMemo } from 'react';

/** The newest rig that has a chain. */
const rigOf = new WeakMap<Chain, Rig>();

/**
 * An answer about a chain together with the rig that has it, as that is by now: what the signal does not feel
 * (words, pins, how things lie on a board) asks nothing anew.
 */
export function useOwned<A extends { readonly chain: Chain }>(
  rig: Rig | null,
  answer: A | null,
): (A & { readonly rig: Rig }) | null {
  if (rig) rigOf.set(chainOf(rig), rig);
  const owner = answer && rigOf.get(answer.chain);
  return useMemo(() => (answer && owner ? { ...answer, rig: owner } : null), [answer, owner]);
}
