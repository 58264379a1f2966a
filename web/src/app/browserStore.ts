import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { sayFailure } from './failures';
import { newId } from './newId';

/// What this browser keeps for the page, and which of its windows are open. Where the browser keeps nothing
/// (a private window, a full disk, a store that cannot be opened), the page goes on with its own memory, says so
/// once, and nothing else stops.

/** A rig with edits that the server has not acknowledged. */
export interface KeptEdits<Rig, State> {
  readonly rigId: string;
  readonly windowId: string;
  readonly rig: Rig;
  readonly basedOn: number;
  /** Of that revision. */
  readonly lineage?: string;
  /** The foot-switches that the server last told of. */
  readonly stateFrom?: State;
}

type Kept = KeptEdits<unknown, unknown>;

interface Schema extends DBSchema {
  rigs: { key: [string, string]; value: Kept };
}

type Store = Pick<IDBPDatabase<Schema>, 'put' | 'delete' | 'getAll'>;

const open = (): Promise<Store> =>
  openDB<Schema>('gullwind', 1, {
    upgrade: (db) => {
      db.createObjectStore('rigs', { keyPath: ['rigId', 'windowId'] });
    },
  });

/** In the place of the browser's store: as long as this window is open. */
const memory = new Map<string, Kept>();
const memoryKey = (rigId: string, windowId: string) => `${rigId} ${windowId}`;

let opened: Promise<Store> | null = null;
let hasFailed = false;

/** Does something with the browser's store, or without it where that fails. */
async function withStore<T>(work: (store: Store) => Promise<T>, instead: () => T): Promise<T> {
  if (hasFailed) return instead();
  try {
    return await work(await (opened ??= open()));
  } catch {
    hasFailed = true;
    sayFailure(
      'This browser does not keep anything for this page. Your edits are saved on the server; while it is away they live in this window alone.',
    );
    return instead();
  }
}

export const keepEdits = (edits: Kept): Promise<void> =>
  withStore(
    async (store) => void (await store.put('rigs', edits)),
    () => void memory.set(memoryKey(edits.rigId, edits.windowId), edits),
  );

export const forgetEdits = (rigId: string, windowId: string): Promise<void> =>
  withStore(
    (store) => store.delete('rigs', [rigId, windowId]),
    () => void memory.delete(memoryKey(rigId, windowId)),
  );

export const findEdits = (): Promise<readonly Kept[]> =>
  withStore(
    (store) => store.getAll('rigs'),
    () => [...memory.values()],
  );

const WINDOW_KEY = 'gullwind-window';
const lockName = (id: string) => `gullwind-window-${id}`;

/** What this window is called, the same after a reload; a duplicate of it gets a name of its own. */
export const windowId: () => Promise<string> = (() => {
  let known: Promise<string> | null = null;
  return () => (known ??= nameWindow());
})();

async function nameWindow(): Promise<string> {
  const before = ofSession(WINDOW_KEY);
  const id = before !== null && (await holdLock(before)) ? before : newId();
  if (id !== before) await holdLock(id);
  try {
    sessionStorage.setItem(WINDOW_KEY, id);
  } catch {
    // It has this name until it is reloaded.
  }
  return id;
}

function ofSession(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}

const RELOAD_KEY = 'gullwind-reload';

/** Keeps a text over a reload of this window, where the browser has room for it. */
export function keepOverReload(text: string): void {
  try {
    sessionStorage.setItem(RELOAD_KEY, text);
  } catch {
    sessionStorage.removeItem(RELOAD_KEY);
  }
}

export const keptOverReload = (): string | null => ofSession(RELOAD_KEY);

/** True where nobody else held it; from then on this window does until it closes. */
function holdLock(id: string): Promise<boolean> {
  if (!('locks' in navigator)) return Promise.resolve(true);
  return new Promise((resolve) => {
    const hold = (lock: Lock | null) => {
      resolve(lock !== null);
      return lock === null ? undefined : new Promise(() => undefined);
    };
    navigator.locks.request(lockName(id), { ifAvailable: true }, hold).catch(() => resolve(true));
  });
}

/**
 * Whether another window is certainly closed. A page that was not served securely cannot know: what other
 * windows keep is then left to them.
 */
export async function closedWindows(): Promise<(id: string) => boolean> {
  if (!('locks' in navigator)) return () => false;
  const { held = [] } = await navigator.locks.query();
  const alive = new Set(held.map(({ name }) => name));
  return (id) => !alive.has(lockName(id));
}
