import { useSyncExternalStore } from 'react';

/// Which rig is under the user's hands, for whoever need not know more of it than that.

let open: string | null = null;
const watchers = new Set<() => void>();
const hearers = new Set<(id: string) => void>();

export const openRigNow = (): string | null => open;

export function setOpenRig(id: string | null): void {
  open = id;
  for (const watcher of [...watchers]) watcher();
}

const watch = (watcher: () => void) => {
  watchers.add(watcher);
  return () => void watchers.delete(watcher);
};

export const useOpenRigId = (): string | null => useSyncExternalStore(watch, openRigNow);

/** A rig was taken off the list. */
export const tellRemoved = (id: string): void => hearers.forEach((hear) => hear(id));

export const hearRemoved = (hear: (id: string) => void): void => void hearers.add(hear);
