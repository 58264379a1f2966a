import { upgradeRig, type Rig } from '@gullwind/core';
import { openDB, type DBSchema } from 'idb';

/** A rig with edits that the server has not acknowledged, kept in this browser. */
export interface KeptRig {
  readonly rigId: string;
  readonly windowId: string;
  readonly rig: Rig;
  readonly basedOn: number;
}

interface KeptSchema extends DBSchema {
  rigs: { key: [string, string]; value: KeptRig };
}

const database = () =>
  openDB<KeptSchema>('gullwind', 1, {
    upgrade: (db) => {
      db.createObjectStore('rigs', { keyPath: ['rigId', 'windowId'] });
    },
  });

let opened: ReturnType<typeof database> | null = null;
const kept = () => (opened ??= database());

const WINDOW_KEY = 'gullwind-window';

/** This window's name, the same after a reload. A held lock tells others that it is alive. */
export function windowId(): string {
  const known = sessionStorage.getItem(WINDOW_KEY) ?? crypto.randomUUID();
  sessionStorage.setItem(WINDOW_KEY, known);
  return known;
}

const lockName = (id: string) => `gullwind-window-${id}`;

/** Holds this window's lock until it closes. */
export function announceWindow(): void {
  void navigator.locks.request(lockName(windowId()), () => new Promise(() => undefined));
}

export async function keepRig({ rigId, rig, basedOn }: Omit<KeptRig, 'windowId'>): Promise<void> {
  await (await kept()).put('rigs', { rigId, rig, basedOn, windowId: windowId() });
}

export async function forgetRig(rigId: string, owner = windowId()): Promise<void> {
  await (await kept()).delete('rigs', [rigId, owner]);
}

/** What this window, or one that is closed, kept of a rig. */
export async function findKeptRig(rigId: string): Promise<KeptRig | null> {
  const mine = (await findLeftBehind()).filter((entry) => entry.rigId === rigId);
  return mine.find((entry) => entry.windowId === windowId()) ?? mine[0] ?? null;
}

/** All that this window and closed ones kept; what other open windows keep is theirs. */
export async function findLeftBehind(): Promise<readonly KeptRig[]> {
  const all = await (await kept()).getAll('rigs');
  const { held = [] } = await navigator.locks.query();
  const alive = new Set(held.map(({ name }) => name));
  return all
    .filter((entry) => entry.windowId === windowId() || !alive.has(lockName(entry.windowId)))
    .map((entry) => ({ ...entry, rig: upgradeRig(entry.rig) as Rig }));
}
