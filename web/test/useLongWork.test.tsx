import { jest } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { Outcome } from '../src/workers/workRunner';

/// How a piece of long work stands, whatever order the messages of its worker come in.

interface Asked {
  readonly question: unknown;
  readonly tell: (progress: unknown) => void;
  readonly end: (outcome: Outcome<unknown>) => Promise<void>;
}

let asked: Asked[] = [];
const stop = jest.fn((_: string) => Promise.resolve());
const run = (_key: string, _job: string, question: unknown, tell: (progress: unknown) => void) =>
  new Promise<Outcome<unknown>>((resolve) => {
    const end = (outcome: Outcome<unknown>) => act(async () => resolve(outcome));
    asked.push({ question, tell: (progress) => act(() => tell(progress)), end });
  });
jest.unstable_mockModule('../src/workers/workers', () => ({ workerOf: () => ({ run, stop }) }));

const { useLongWork } = await import('../src/workers/useLongWork');

const QUESTION = { way: 'one' } as never;
const show = (question: never | null = QUESTION) =>
  renderHook(({ of }) => useLongWork('tolerance', of, { begins: true }), {
    initialProps: { of: question },
  });

beforeEach(() => {
  asked = [];
  jest.clearAllMocks();
});
afterEach(cleanup);

test('progress, then the answer; progress that comes after it changes nothing', async () => {
  const { result } = show();
  const [work] = asked as [Asked];
  work.tell({ done: 1, of: 2 });
  expect(result.current.state).toEqual({ kind: 'running', progress: { done: 1, of: 2 } });
  await work.end({ kind: 'done', answer: 42 });
  work.tell({ done: 2, of: 2 });
  expect(result.current.state).toEqual({ kind: 'done', answer: 42 });
});

test('a failure is an answer', async () => {
  const { result } = show();
  await asked[0]!.end({ kind: 'failed', message: 'out of memory' });
  expect(result.current.state).toEqual({ kind: 'failed', message: 'out of memory' });
});

test('what is stopped keeps its best so far, and can be begun again', async () => {
  const { result } = show();
  asked[0]!.tell({ done: 1, of: 2 });
  act(() => result.current.stop());
  expect(stop).toHaveBeenCalledTimes(1);
  const stopped = { kind: 'stopped', progress: { done: 1, of: 2 } };
  asked[0]!.tell({ done: 2, of: 2 });
  expect(result.current.state).toEqual(stopped);
  await asked[0]!.end({ kind: 'stopped' });
  asked[0]!.tell({ done: 2, of: 2 });
  expect(result.current.state).toEqual(stopped);
  act(() => result.current.start());
  expect(asked).toHaveLength(2);
  expect(result.current.state).toEqual({ kind: 'running', progress: null });
});

test('another question lets go of the one before, which says nothing any more', async () => {
  const { result, rerender } = show();
  rerender({ of: { way: 'another' } as never });
  expect(asked.map(({ question }) => question)).toEqual([{ way: 'one' }, { way: 'another' }]);
  expect(stop).toHaveBeenCalledTimes(1);
  await asked[0]!.end({ kind: 'stopped' });
  asked[0]!.tell({ done: 1, of: 2 });
  expect(result.current.state).toEqual({ kind: 'running', progress: null });
  await asked[1]!.end({ kind: 'done', answer: 7 });
  expect(result.current.state).toEqual({ kind: 'done', answer: 7 });
});

test('no question, no work', () => {
  const { result } = show(null);
  expect(asked).toEqual([]);
  expect(result.current.state).toEqual({ kind: 'idle' });
});
