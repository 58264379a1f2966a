import { jest } from '@jest/globals';
import type { Changes } from '@gullwind/contract';

/// What others change is asked for by one window, told to all of them, and never what one did oneself.

const asked: string[] = [];
let answers: (Changes | 'away')[] = [];
let woken = 0;

jest.unstable_mockModule('../src/app/openWindows', () => ({
  windowId: () => Promise.resolve('me'),
}));
jest.unstable_mockModule('../src/app/outbox', () => ({ wakeOutbox: () => (woken += 1) }));
jest.unstable_mockModule('../src/app/http', () => ({
  ask: ({ path }: { readonly path: string }) => {
    asked.push(path);
    const answer = answers.shift();
    // Nothing more is said: it waits.
    if (answer === undefined) return new Promise(() => undefined);
    return Promise.resolve(answer === 'away' ? { kind: 'away' } : { kind: 'ok', data: answer });
  },
}));

const news = (cursor: string, ...changes: Changes['changes']): Changes => ({
  ...{ feed: 'f', cursor, isAll: false, changes },
});

/** Another window of the browser. */
let others: unknown[] = [];
let toWindow: (data: unknown) => void = () => undefined;
class Channel {
  postMessage = (data: unknown) => void others.push(data);
  addEventListener = (_: string, listen: (event: { data: unknown }) => void) => {
    toWindow = (data) => listen({ data });
  };
}

async function follow(isLeader: boolean | null, ...said: typeof answers): Promise<unknown[]> {
  jest.resetModules();
  jest.useFakeTimers();
  [answers, others, woken] = [[...said], [], 0];
  asked.length = 0;
  const lead = (_: string, ask: () => Promise<never>) => (isLeader ? ask() : new Promise(() => 0));
  Object.assign(globalThis, { BroadcastChannel: Channel });
  if (isLeader === null) delete (navigator as { locks?: unknown }).locks;
  else Object.defineProperty(navigator, 'locks', { configurable: true, value: { request: lead } });
  const { hearChanges } = await import('../src/app/changes/changeFeed');
  const heard: unknown[] = [];
  hearChanges((what) => heard.push(what));
  await jest.advanceTimersByTimeAsync(0);
  return heard;
}
afterEach(() => jest.useRealTimers());

const mine = { subject: 'rig:a', by: 'me' };
const theirs = { subject: 'rig:b', by: 'other' };

test('the leader asks on from where it was told to, and tells what others did', async () => {
  const heard = await follow(true, news('1'), news('2', mine, theirs), news('3', mine));
  expect(heard).toEqual([[theirs]]);
  expect(others).toEqual([[mine, theirs], [mine]]);
  expect(asked).toEqual([
    '/changes?',
    '/changes?feed=f&since=1&waitS=25',
    '/changes?feed=f&since=2&waitS=25',
    '/changes?feed=f&since=3&waitS=25',
  ]);
});

test('where too much was missed, all may be another', async () => {
  expect(await follow(true, { ...news('1', theirs), isAll: true })).toEqual([null]);
  expect(others).toEqual([null]);
});

test('a server that is away is asked again after growing pauses; back, it wakes what waits to be sent', async () => {
  await follow(true, 'away', 'away', 'away', 'away', 'away', news('1'), news('2'));
  const after: number[] = [];
  for (let ms = 250; ms <= 20_000; ms += 250) {
    const before = asked.length;
    await jest.advanceTimersByTimeAsync(250);
    if (asked.length > before) after.push(ms);
  }
  // Half as long again each time, six seconds at most.
  expect(after).toEqual([1500, 3750, 7250, 12_250, 18_250]);
  expect(woken).toBe(1);
  expect(await follow(true, news('1'), news('2', theirs))).toEqual([[theirs]]);
  expect(woken).toBe(0);
});

test('another window is told by the leader, and asks nobody', async () => {
  const heard = await follow(false);
  toWindow([mine]);
  toWindow([theirs]);
  toWindow(null);
  await jest.advanceTimersByTimeAsync(0);
  expect(heard).toEqual([[theirs], null]);
  expect(asked).toEqual([]);
});

test('a page that cannot know of other windows asks now and then, without waiting', async () => {
  const heard = await follow(null, news('1'), news('2', theirs));
  expect(asked).toEqual(['/changes?']);
  await jest.advanceTimersByTimeAsync(3000);
  expect(asked[1]).toBe('/changes?feed=f&since=1&waitS=0');
  expect(heard).toEqual([[theirs]]);
});
