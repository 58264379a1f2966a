import { jest } from '@jest/globals';

/// Where the browser keeps nothing the page goes on with its own memory, and says so once.

let openDB = jest.fn<() => Promise<unknown>>();
jest.unstable_mockModule('idb', () => ({ openDB: () => openDB() }));

const KEPT = { id: 'one', windowId: 'w', args: { of: 1 } };

async function fresh() {
  jest.resetModules();
  const said: string[] = [];
  const { hearFailures } = await import('../src/app/failures');
  hearFailures((message) => said.push(message));
  const { windowId, hearClosed } = await import('../src/app/openWindows');
  return { ...(await import('../src/app/browserStore')), windowId, hearClosed, said };
}

test('with a store: kept, found, forgotten, and nothing said', async () => {
  const inside = new Map<string, unknown>();
  openDB = jest.fn(() =>
    Promise.resolve({
      put: (_: string, value: { readonly id?: string; readonly key?: string }) => {
        inside.set((value.id ?? value.key)!, value);
        return Promise.resolve();
      },
      delete: (_: string, key: string) => {
        inside.delete(key);
        return Promise.resolve();
      },
      getAll: () => Promise.resolve([...inside.values()]),
    }),
  );
  const store = await fresh();
  const me = await store.windowId();
  await store.keepOperation({ ...KEPT, windowId: me });
  expect(await store.takeOperations()).toEqual([{ ...KEPT, windowId: me }]);
  await store.forgetOperation('one');
  expect(await store.takeOperations()).toEqual([]);
  await store.keepDraft('form', { typed: '3' });
  expect(await store.findDrafts()).toMatchObject([{ key: 'form', value: { typed: '3' } }]);
  await store.forgetDraft('form');
  expect(await store.findDrafts()).toEqual([]);
  expect(openDB).toHaveBeenCalledTimes(1);
  expect(store.said).toEqual([]);
});

test('what is on its way into the store when the page goes is written down, and taken up by the next', async () => {
  const inside = new Map<string, unknown>();
  let arrive: () => void = () => undefined;
  const slow = {
    put: (_: string, value: { readonly id: string }) =>
      new Promise<void>((resolve) => {
        arrive = () => (inside.set(value.id, value), resolve());
      }),
    getAll: () => Promise.resolve([...inside.values()]),
  };
  openDB = jest.fn(() => Promise.resolve(slow));
  const going = await fresh();
  const me = await going.windowId();
  going.writeDownUnkept();
  const left = () => localStorage.getItem('gullwind-unkept');
  window.dispatchEvent(new Event('pagehide'));
  expect(left()).toBeNull();
  const picture = { id: 'picture', windowId: me, args: { file: new Blob(['x']) } };
  void going.keepOperation({ ...KEPT, windowId: me });
  void going.keepOperation(picture);
  window.dispatchEvent(new Event('pagehide'));
  expect(JSON.parse(left()!)).toEqual([{ ...KEPT, windowId: me }]);
  // The page is gone: nothing of it arrives any more.
  openDB = jest.fn(() =>
    Promise.resolve({
      put: (_: string, value: { readonly id: string }) => (
        inside.set(value.id, value),
        Promise.resolve()
      ),
      getAll: () => Promise.resolve([...inside.values()]),
    }),
  );
  const next = await fresh();
  expect(await next.takeOperations()).toEqual([{ ...KEPT, windowId: await next.windowId() }]);
  expect(left()).toBeNull();
  // What had come in was not on its way any more.
  openDB = jest.fn(() => Promise.resolve(slow));
  const resting = await fresh();
  resting.writeDownUnkept();
  const kept = resting.keepOperation({ ...KEPT, windowId: me });
  await new Promise((resolve) => setTimeout(resolve));
  arrive();
  await kept;
  localStorage.clear();
  // Those of the windows before are still on theirs: only what this one adds is looked for.
  window.dispatchEvent(new Event('pagehide'));
  expect(JSON.parse(left() ?? '[]')).toHaveLength(1);
  localStorage.clear();
});

test('one that cannot be opened is told once; what was kept lives on in this window', async () => {
  openDB = jest.fn(() => Promise.reject(new Error('denied')));
  const store = await fresh();
  const me = await store.windowId();
  await store.keepOperation({ ...KEPT, windowId: me });
  await store.keepOperation({ ...KEPT, windowId: me, args: { of: 2 } });
  expect(await store.takeOperations()).toEqual([{ ...KEPT, windowId: me, args: { of: 2 } }]);
  await store.forgetOperation('one');
  expect(await store.takeOperations()).toEqual([]);
  await store.keepDraft('form', 1);
  expect(await store.findDrafts()).toMatchObject([{ value: 1 }]);
  expect(store.said).toHaveLength(1);
  expect(store.said[0]).toMatch(/keeps nothing/u);
});

test('one that fails half way, as a full disk does, stops nothing either', async () => {
  openDB = jest.fn(() =>
    Promise.resolve({
      put: () => Promise.reject(new Error('quota')),
      getAll: () => Promise.resolve([]),
    }),
  );
  const store = await fresh();
  const me = await store.windowId();
  await store.keepOperation({ ...KEPT, windowId: me });
  expect(await store.takeOperations()).toEqual([{ ...KEPT, windowId: me }]);
  expect(store.said).toHaveLength(1);
});

/** The locks of a browser, which page by page lets go of as it closes. */
class FakeLocks {
  readonly held = new Set<string>();
  private readonly waiting: (() => void)[] = [];

  request = async (name: string, options: unknown, perhaps?: unknown): Promise<unknown> => {
    const work = (perhaps ?? options) as (lock: object | null) => unknown;
    const { signal, ifAvailable } = (perhaps ? options : {}) as {
      readonly signal?: AbortSignal;
      readonly ifAvailable?: boolean;
    };
    if (ifAvailable && this.held.has(name)) return work(null);
    while (this.held.has(name))
      await new Promise<void>((resolve, reject) => {
        this.waiting.push(resolve);
        signal?.addEventListener('abort', () => reject(new DOMException('', 'AbortError')));
      });
    this.held.add(name);
    const done = await work({});
    this.letGo(name);
    return done;
  };

  query = () => Promise.resolve({ held: [...this.held].map((name) => ({ name })) });

  letGo(name: string): void {
    this.held.delete(name);
    for (const go of this.waiting.splice(0)) go();
  }

  close = (id: string) => this.letGo(`gullwind-window-${id}`);
}

const withLocks = (): FakeLocks => {
  const locks = new FakeLocks();
  Object.defineProperty(navigator, 'locks', { configurable: true, value: locks });
  return locks;
};

const noStore = () => {
  openDB = jest.fn(() => Promise.reject(new Error('denied')));
};

test('a window keeps its name over a reload, however slowly the page before goes; a duplicate of it gets another', async () => {
  const locks = withLocks();
  const id = await (await fresh()).windowId();
  // The tab is duplicated: its session storage goes along, and the one that has the name says so.
  const asked = performance.now();
  const other = await (await fresh()).windowId();
  expect(other).not.toBe(id);
  expect(performance.now() - asked).toBeLessThan(4000);
  // Reloaded: the lock is let go of with the page, or well after the next one has begun.
  locks.close(other);
  jest.useFakeTimers();
  const reloaded = (await fresh()).windowId();
  await jest.advanceTimersByTimeAsync(4000);
  locks.close(other);
  await jest.advanceTimersByTimeAsync(0);
  jest.useRealTimers();
  expect(await reloaded).toBe(other);
});

test('what windows that are closed kept is taken up; what open ones keep stays theirs', async () => {
  const locks = withLocks();
  locks.held.add('gullwind-window-open');
  noStore();
  const taker = await fresh();
  const me = await taker.windowId();
  for (const windowId of ['open', me, 'long-gone'])
    await taker.keepOperation({ id: windowId, windowId });
  expect(await taker.takeOperations()).toEqual([
    { id: me, windowId: me },
    { id: 'long-gone', windowId: me },
  ]);
});

test('one that is closed while others are open is heard of, held meanwhile; one that is reloaded is not', async () => {
  const locks = withLocks();
  locks.held.add('gullwind-window-one');
  noStore();
  const { hearClosed, windowId } = await fresh();
  await windowId();
  const closed: string[] = [];
  await hearClosed((id) => {
    expect(locks.held).toContain(`gullwind-window-${id}`);
    closed.push(id);
    return Promise.resolve();
  });
  // One that is opened later tells so.
  locks.held.add('gullwind-window-two');
  const channel = new BroadcastChannel('gullwind-windows');
  channel.postMessage({ kind: 'has', id: 'two' });
  await new Promise((resolve) => setTimeout(resolve, 50));
  jest.useFakeTimers();
  locks.close('one');
  await jest.advanceTimersByTimeAsync(1000);
  locks.held.add('gullwind-window-one');
  locks.close('two');
  await jest.advanceTimersByTimeAsync(4000);
  expect(closed).toEqual(['two']);
  locks.close('one');
  await jest.advanceTimersByTimeAsync(4000);
  expect(closed).toEqual(['two', 'one']);
  jest.useRealTimers();
  channel.close();
});
