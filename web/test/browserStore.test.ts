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
  return { ...(await import('../src/app/browserStore')), said };
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

test('a window keeps its name over a reload; a duplicate of it gets another', async () => {
  const held = new Set<string>();
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      request: async (name: string, { signal }: { signal: AbortSignal }, hold: () => unknown) => {
        while (held.has(name)) {
          if (signal.aborted) throw new DOMException('', 'TimeoutError');
          await new Promise((resolve) => setTimeout(resolve, 20));
        }
        held.add(name);
        hold();
      },
      query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
    },
  });
  const first = await fresh();
  const id = await first.windowId();
  expect(await first.windowId()).toBe(id);
  // The tab is duplicated: its session storage goes along, its lock is still held.
  const duplicate = await fresh();
  const other = await duplicate.windowId();
  expect(other).not.toBe(id);
  // Reloaded: the lock is let go of with the page, or a little after the next one has begun.
  held.delete(`gullwind-window-${other}`);
  expect(await (await fresh()).windowId()).toBe(other);
  const reloaded = await fresh();
  setTimeout(() => held.delete(`gullwind-window-${other}`), 100);
  expect(await reloaded.windowId()).toBe(other);
  // What windows that are closed kept is taken up; what open ones keep stays theirs.
  openDB = jest.fn(() => Promise.reject(new Error('denied')));
  const taker = await fresh();
  const taking = await taker.windowId();
  for (const windowId of [id, other, taking, 'long-gone'])
    await taker.keepOperation({ id: windowId, windowId });
  expect(await taker.takeOperations()).toEqual([
    { id: taking, windowId: taking },
    { id: 'long-gone', windowId: taking },
  ]);
});
