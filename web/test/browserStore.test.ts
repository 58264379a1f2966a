import { jest } from '@jest/globals';
import type { KeptEdits } from '../src/app/browserStore';

/// Where the browser keeps nothing the page goes on with its own memory, and says so once.

let openDB = jest.fn<() => Promise<unknown>>();
jest.unstable_mockModule('idb', () => ({ openDB: () => openDB() }));

const EDITS: KeptEdits<unknown, unknown> = {
  rigId: 'rig',
  windowId: 'w',
  rig: { of: 1 },
  basedOn: 3,
};

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
      put: (_: string, edits: KeptEdits<unknown, unknown>) => {
        inside.set(`${edits.rigId} ${edits.windowId}`, edits);
        return Promise.resolve();
      },
      delete: (_: string, [rig, window]: [string, string]) => {
        inside.delete(`${rig} ${window}`);
        return Promise.resolve();
      },
      getAll: () => Promise.resolve([...inside.values()]),
    }),
  );
  const store = await fresh();
  await store.keepEdits(EDITS);
  expect(await store.findEdits()).toEqual([EDITS]);
  await store.forgetEdits('rig', 'w');
  expect(await store.findEdits()).toEqual([]);
  expect(openDB).toHaveBeenCalledTimes(1);
  expect(store.said).toEqual([]);
});

test('one that cannot be opened is told once; edits live on in this window', async () => {
  openDB = jest.fn(() => Promise.reject(new Error('denied')));
  const store = await fresh();
  await store.keepEdits(EDITS);
  await store.keepEdits({ ...EDITS, rig: { of: 2 } });
  expect(await store.findEdits()).toEqual([{ ...EDITS, rig: { of: 2 } }]);
  await store.forgetEdits('rig', 'w');
  expect(await store.findEdits()).toEqual([]);
  expect(store.said).toHaveLength(1);
  expect(store.said[0]).toMatch(/does not keep anything/u);
});

test('one that fails half way, as a full disk does, stops nothing either', async () => {
  openDB = jest.fn(() =>
    Promise.resolve({
      put: () => Promise.reject(new Error('quota')),
      getAll: () => Promise.resolve([]),
    }),
  );
  const store = await fresh();
  await store.keepEdits(EDITS);
  expect(await store.findEdits()).toEqual([EDITS]);
  expect(store.said).toHaveLength(1);
});

test('a window keeps its name over a reload; a duplicate of it gets another', async () => {
  const held = new Set<string>();
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      request: (name: string, _: object, hold: (lock: object | null) => unknown) => {
        if (held.has(name)) hold(null);
        else {
          held.add(name);
          hold({});
        }
        return Promise.resolve();
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
  const isClosed = await duplicate.closedWindows();
  expect([id, other, 'long-gone'].map(isClosed)).toEqual([false, false, true]);
  // Reloaded: the lock was let go of with the page.
  held.delete(`gullwind-window-${other}`);
  expect(await (await fresh()).windowId()).toBe(other);
});
