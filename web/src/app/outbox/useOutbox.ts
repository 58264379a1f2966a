import { useSyncExternalStore } from 'react';
import { outbox, type Operation } from '.';

const keptNow = () => outbox.kept;
const isAwayNow = () => outbox.isAway;

/** What this browser keeps until the server has answered, and whether the server is away. */
export function useOutbox(): { readonly kept: readonly Operation[]; readonly isAway: boolean } {
  const kept = useSyncExternalStore(outbox.watch, keptNow);
  const isAway = useSyncExternalStore(outbox.watch, isAwayNow);
  return { kept, isAway };
}
