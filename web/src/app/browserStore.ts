import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { sayFailure } from './failures';
import { newId } from './newId';
import { ofSession, whileClosed, windowId } from './openWindows';

/// What this browser keeps for the page. Where it keeps nothing (a private window, a full disk, a store that cannot be
/// opened), the page goes on with its own memory, says so once, and nothing else stops.

/** A rig with edits that the server has not acknowledged, as versions before the outbox kept it. */
interface KeptEdits {
  readonly rigId: string;
  readonly windowId: string;
  readonly [more: string]: unknown;
}

interface Kept {
  readonly id: string;
  readonly windowId: string;
}

/** What was begun and is not sent: readings, a form half typed, a run of answers. */
interface Draft {
  readonly key: string;
  readonly value: unknown;
  readonly at: number;
}

interface Schema extends DBSchema {
  operations: { key: string; value: Kept };
  drafts: { key: string; value: Draft };
}

type Store = IDBPDatabase<Schema>;

const NAME = 'gullwind';
const VERSION = 2;

const open = (): Promise<Store> =>
  openDB<Schema>(NAME, VERSION, {
    upgrade: async (db, from, _to, transaction) => {
      db.createObjectStore('operations', { keyPath: 'id' });
      db.createObjectStore('drafts', { keyPath: 'key' });
      if (from !== 1) return;
      const old = db as unknown as IDBPDatabase;
      const edits = await (
        transaction as unknown as { objectStore(name: string): { getAll(): Promise<KeptEdits[]> } }
      )
        .objectStore('rigs')
        .getAll();
      const operations = transaction.objectStore('operations');
      for (const [i, one] of edits.entries()) await operations.put(operationOfEdits(one, i));
      old.deleteObjectStore('rigs');
    },
    // Another window brings a newer version along: it is not held up.
    blocking: (_from, _to, event) => (event.target as IDBDatabase).close(),
  });

const operationOfEdits = ({ rigId, windowId, ...rest }: KeptEdits, nth: number): Kept =>
  ({
    id: newId(),
    name: 'saveRig',
    args: { id: rigId, ...rest },
    subject: `rig:${rigId}`,
    windowId,
    nth,
    state: 'waiting',
  }) as Kept;

/** In the place of the browser's store: as long as this window is open. */
const memory = { operations: new Map<string, Kept>(), drafts: new Map<string, Draft>() };

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
      'This browser keeps nothing for this page. Your work is saved on the server; while the server is away it lives in this window alone.',
    );
    return instead();
  }
}

/** What is on its way into the store: a page that goes now writes it down where that takes no time. */
const onTheWay = new Map<string, Kept>();
const UNKEPT_KEY = 'gullwind-unkept';

export async function keepOperation<Operation extends Kept>(operation: Operation): Promise<void> {
  onTheWay.set(operation.id, operation);
  await withStore(
    async (store) => void (await store.put('operations', operation)),
    () => void memory.operations.set(operation.id, operation),
  );
  if (onTheWay.get(operation.id) === operation) onTheWay.delete(operation.id);
}

/** A picture cannot be written down so. */
const isText = (operation: Kept): boolean =>
  !Object.values((operation as { readonly args?: object }).args ?? {}).some(
    (value) => value instanceof Blob,
  );

/** Writes down what has not come into the store when the window goes; sent twice, it is done once. */
export function writeDownUnkept(): void {
  window.addEventListener('pagehide', () => {
    const texts = [...onTheWay.values()].filter(isText);
    if (texts.length === 0) return;
    try {
      localStorage.setItem(UNKEPT_KEY, JSON.stringify([...writtenDown(), ...texts]));
    } catch {
      // The browser has no room: what came into the store is there.
    }
  });
}

function writtenDown(): readonly Kept[] {
  try {
    return JSON.parse(localStorage.getItem(UNKEPT_KEY) ?? '[]') as readonly Kept[];
  } catch {
    return [];
  }
}

/** What was written down comes into the store. */
async function takeWrittenDown(): Promise<void> {
  for (const one of writtenDown()) await keepOperation(one);
  try {
    localStorage.removeItem(UNKEPT_KEY);
  } catch {
    // Nothing was written down.
  }
}

export const forgetOperation = (id: string): Promise<void> =>
  withStore(
    (store) => store.delete('operations', id),
    () => void memory.operations.delete(id),
  );

const findOperations = (): Promise<readonly Kept[]> =>
  withStore(
    (store) => store.getAll('operations'),
    () => [...memory.operations.values()],
  );

/**
 * Operations that this window kept before it was reloaded, and those of windows that are closed, which are this one's
 * from now on. What another open window keeps is that one's.
 */
export async function takeOperations<Operation extends Kept>(): Promise<readonly Operation[]> {
  await takeWrittenDown();
  const [me, all] = await Promise.all([windowId(), findOperations()]);
  const taken = all.filter(({ windowId: of }) => of === me);
  const others = new Set(all.map(({ windowId: of }) => of).filter((of) => of !== me));
  for (const id of others)
    await whileClosed(id, async () => {
      for (const one of await operationsOf<Kept>(id)) taken.push(await takeOver(one));
    });
  return taken as unknown as readonly Operation[];
}

/** What a window has kept. */
export async function operationsOf<Operation extends Kept>(
  id: string,
): Promise<readonly Operation[]> {
  const all = (await findOperations()) as unknown as readonly Operation[];
  return all.filter(({ windowId: of }) => of === id);
}

/** An operation is this window's from now on. */
export async function takeOver<Operation extends Kept>(operation: Operation): Promise<Operation> {
  const mine = { ...operation, windowId: await windowId() };
  await keepOperation(mine);
  return mine;
}

export const keepDraft = (key: string, value: unknown): Promise<void> =>
  withStore(
    async (store) => void (await store.put('drafts', { key, value, at: Date.now() })),
    () => void memory.drafts.set(key, { key, value, at: Date.now() }),
  );

export const forgetDraft = (key: string): Promise<void> =>
  withStore(
    (store) => store.delete('drafts', key),
    () => void memory.drafts.delete(key),
  );

export const findDrafts = (): Promise<readonly Draft[]> =>
  withStore(
    (store) => store.getAll('drafts'),
    () => [...memory.drafts.values()],
  );

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
