import { useSyncExternalStore } from 'react';
import { outbox, type Absence, type Operation } from '.';

const keptNow = () => outbox.kept;
const absenceNow = () => outbox.absence;

/** What this browser keeps until the server has answered, and why the server took nothing when it was asked last. */
export function useOutbox(): {
  readonly kept: readonly Operation[];
  readonly absence: Absence | null;
} {
  const kept = useSyncExternalStore(outbox.watch, keptNow);
  const absence = useSyncExternalStore(outbox.watch, absenceNow);
  return { kept, absence };
}
