import { jest } from '@jest/globals';

/// What was begun is there again after another page, a reload, or a closed tab.

const DAY_MS = 86_400_000;
const inside = new Map<string, { key: string; value: unknown; at: number }>();

jest.unstable_mockModule('../src/app/browserStore', () => ({
  keepDraft: (key: string, value: unknown) => {
    inside.set(key, { key, value, at: Date.now() });
    return Promise.resolve();
  },
  forgetDraft: (key: string) => Promise.resolve(void inside.delete(key)),
  findDrafts: () => Promise.resolve([...inside.values()]),
}));

/** As a page has it that was just loaded. */
async function loaded() {
  jest.resetModules();
  const drafts = await import('../src/app/drafts');
  const { act, renderHook } = await import('@testing-library/react/pure');
  await new Promise((resolve) => setTimeout(resolve, 0));
  return { ...drafts, act, renderHook };
}

beforeEach(() => inside.clear());

test('it begins with what it is given, and is what was last put there', async () => {
  const { useDraft, act, renderHook } = await loaded();
  const { result } = renderHook(() => useDraft<readonly number[]>('measure/coil', []));
  expect(result.current[0]).toEqual([]);
  act(() => result.current[1]([1]));
  act(() => result.current[1]((before) => [...before, 2]));
  expect(result.current[0]).toEqual([1, 2]);
  // Another page that shows the same sees the same.
  expect(renderHook(() => useDraft('measure/coil', [])).result.current[0]).toEqual([1, 2]);
});

test('it outlives a reload; what nobody came back to for months does not', async () => {
  const first = await loaded();
  const { result } = first.renderHook(() => first.useDraft('test/r/l1', ''));
  first.act(() => result.current[1]('61p'));
  inside.set('old', { key: 'old', value: 'x', at: Date.now() - 61 * DAY_MS });
  const second = await loaded();
  expect(second.renderHook(() => second.useDraft('test/r/l1', '')).result.current[0]).toBe('61p');
  expect(second.renderHook(() => second.useDraft('old', 'none')).result.current[0]).toBe('none');
  expect(inside.has('old')).toBe(false);
});

test('what was sent stays in sight but is not taken up again; what is dropped is gone', async () => {
  const { useDraft, draftsSent, dropDrafts, act, renderHook } = await loaded();
  const one = renderHook(() => useDraft('measure/cables/pieces', 0));
  const other = renderHook(() => useDraft('measure/cablesOfOthers', 0));
  act(() => {
    one.result.current[1](5);
    other.result.current[1](6);
  });
  act(() => draftsSent('measure/cables'));
  expect([one.result.current[0], inside.has('measure/cables/pieces')]).toEqual([5, false]);
  expect(inside.has('measure/cablesOfOthers')).toBe(true);
  act(() => dropDrafts('measure/cables'));
  expect([one.result.current[0], other.result.current[0]]).toEqual([0, 6]);
});
