import { newId } from './newId';

/// Which windows of this browser are open, and what this one is called. Each holds a lock of its name until it is
/// closed. A page that was not served securely has no locks: it cannot know of other windows, and leaves them alone.

const WINDOW_KEY = 'gullwind-window';
const CHANNEL = 'gullwind-windows';
const LOCK = 'gullwind-window-';

/** So long a page that is gone may still hold its window's name on a busy machine. */
const LEFT_BEHIND_MS = 5000;
/** A window that was let go of and comes back within this time was reloaded. */
const RELOADED_WITHIN_MS = 3000;

/** What windows say to each other: one asks who has a name, one has it. */
type Said = { readonly kind: 'asks' | 'has'; readonly id: string };

const hasLocks = (): boolean => 'locks' in navigator;

/** What this window is called, the same after a reload; a duplicate of it gets another one. */
export const windowId: () => Promise<string> = (() => {
  let known: Promise<string> | null = null;
  return () => (known ??= nameWindow());
})();

async function nameWindow(): Promise<string> {
  const before = ofSession(WINDOW_KEY);
  const id = before !== null && (await takeName(before)) ? before : newId();
  if (id !== before) await takeName(id);
  try {
    sessionStorage.setItem(WINDOW_KEY, id);
  } catch {
    // It has this name until it is reloaded.
  }
  if (hasLocks()) answerTo(id);
  return id;
}

/** Tells the others that this window has its name, now and when it is asked. */
function answerTo(id: string): void {
  const channel = new BroadcastChannel(CHANNEL);
  const has: Said = { kind: 'has', id };
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => {
    if (data.kind === 'asks' && data.id === id) channel.postMessage(has);
  });
  channel.postMessage(has);
}

/** What a browser keeps for a window until it is closed; null where it keeps nothing. */
export function ofSession(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}

/**
 * True where no open window has it; from then on this window does, until it closes. A page that is gone is waited for;
 * a window that is open, which this one is a duplicate of, says so.
 */
async function takeName(id: string): Promise<boolean> {
  if (!hasLocks()) return true;
  const stop = new AbortController();
  const channel = new BroadcastChannel(CHANNEL);
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => {
    if (data.kind === 'has' && data.id === id) stop.abort();
  });
  channel.postMessage({ kind: 'asks', id } satisfies Said);
  const timer = setTimeout(() => stop.abort(), LEFT_BEHIND_MS);
  const isTaken = await new Promise<boolean>((resolve) => {
    const hold = () => {
      resolve(true);
      return new Promise(() => undefined);
    };
    navigator.locks
      .request(LOCK + id, { signal: stop.signal }, hold)
      .catch(() => resolve(!stop.signal.aborted));
  });
  clearTimeout(timer);
  channel.close();
  return isTaken;
}

/**
 * Does something while a window is closed: it cannot come back meanwhile, and no other window does the same.
 *
 * @returns false where it is open, or this window cannot know
 */
export async function whileClosed(id: string, work: () => Promise<void>): Promise<boolean> {
  if (!hasLocks()) return false;
  return navigator.locks.request(LOCK + id, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
    return lock !== null;
  });
}

/** Calls back for each other window that is closed from now on, while it is; not for one that is only reloaded. */
export async function hearClosed(closed: (id: string) => Promise<void>): Promise<void> {
  if (!hasLocks()) return;
  const followed = new Set([await windowId()]);
  const follow = (id: string) => {
    if (followed.has(id)) return;
    followed.add(id);
    void untilClosed(id, () => closed(id)).finally(() => followed.delete(id));
  };
  const channel = new BroadcastChannel(CHANNEL);
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => {
    if (data.kind === 'has') follow(data.id);
  });
  const { held = [] } = await navigator.locks.query();
  for (const { name = '' } of held) if (name.startsWith(LOCK)) follow(name.slice(LOCK.length));
}

async function untilClosed(id: string, work: () => Promise<void>): Promise<void> {
  do {
    await navigator.locks.request(LOCK + id, () => undefined);
    await new Promise((resolve) => setTimeout(resolve, RELOADED_WITHIN_MS));
  } while (!(await whileClosed(id, work)));
}
