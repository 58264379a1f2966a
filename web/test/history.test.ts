import { newRig, type Rig } from '@gullwind/core';
import { historyOf, keepHistory } from '../src/features/editor/history';
import type { OpenRig } from '../src/features/editor/model/editorSlice';

/// What can be undone is kept when the window is left, for the rig it belongs to.

const rig = newRig('board');
const past = [{ kind: 'whole', rig: newRig('before') }] as const;
const NONE = { past: [], future: [] };

beforeEach(() => sessionStorage.clear());

test('nothing was kept, or something that cannot be read', () => {
  expect(historyOf('a', rig)).toEqual(NONE);
  sessionStorage.setItem('gullwind-reload', '{');
  expect(historyOf('a', rig)).toEqual(NONE);
});

test('it comes back for that rig as it was, and for no other', () => {
  keepHistory(() => ({ id: 'a', rig, past, future: [] }) as unknown as OpenRig);
  window.dispatchEvent(new Event('pagehide'));
  expect(historyOf('a', JSON.parse(JSON.stringify(rig)) as Rig)).toEqual({ past, future: [] });
  expect(historyOf('b', rig)).toEqual(NONE);
  expect(historyOf('a', newRig('another'))).toEqual(NONE);
});

test('the last two hundred steps, and none where the browser has no room', () => {
  const many = Array.from({ length: 300 }, (_, i) => ({ kind: 'whole', rig: i }));
  keepHistory(() => ({ id: 'a', rig, past: many, future: [] }) as unknown as OpenRig);
  window.dispatchEvent(new Event('pagehide'));
  expect(historyOf('a', rig).past).toEqual(many.slice(100));
  const huge = [{ kind: 'whole', rig: 'x'.repeat(20_000_000) }];
  keepHistory(() => ({ id: 'a', rig, past: huge, future: [] }) as unknown as OpenRig);
  window.dispatchEvent(new Event('pagehide'));
  expect(historyOf('a', rig)).toEqual(NONE);
});
