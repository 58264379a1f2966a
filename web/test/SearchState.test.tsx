import { type PlanSearch, type RankedPlan, type SearchProgress } from '@gullwind/core';
import { jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SearchState } from '../src/features/plans/SearchState';
import type { LongWork, WorkStateOf } from '../src/workers/useLongWork';
import { frontOf } from '../src/workers/usePlans';

afterEach(cleanup);

const asItIs: RankedPlan = {
  moves: [],
  score: {
    goal: 2,
    terms: { distance: 2, spread: 0, level: 0, resonance: 0, ends: 0, buffers: 0, rules: 0 },
  },
  effort: { minutes: 0, solders: false, cost: 0, isCostAssumed: false, boxes: 0, buys: [] },
};
const progress: SearchProgress = { moves: 60, depth: 2, done: 1200, of: 1677, front: [asItIs] };
const search: PlanSearch = {
  moves: [{} as PlanSearch['moves'][number]],
  asItIs,
  front: [asItIs],
  singles: [asItIs],
  looked: 1677,
  exactUpTo: 2,
  beyond: null,
};

type Drawing = LongWork<'withinTolerance'>['state'];

function show(state: WorkStateOf<'plans'>, drawn: Drawing = { kind: 'idle' }) {
  const work = { state, stop: jest.fn(), start: jest.fn() };
  const drawing = { state: drawn, stop: jest.fn(), start: jest.fn() };
  const onDepth = jest.fn();
  render(<SearchState work={work} drawing={drawing} depth={2} onDepth={onDepth} />);
  return { ...work, drawing, onDepth, says: screen.getByTestId('search-state').textContent };
}

test('while it runs it says how far it is, and can be stopped', async () => {
  const { says, stop } = show({ kind: 'running', progress });
  expect(says).toBe(
    '60 moves. Plans of 2: 1\u202f200 of 1\u202f677 looked at. The best so far is below.',
  );
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('72');
  await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
  expect(stop).toHaveBeenCalled();
});

test('before the first sign of life there is nothing to stop yet', () => {
  const { says } = show({ kind: 'running', progress: null });
  expect(says).toBe('Finding the moves …');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Stop' }).disabled).toBe(true);
});

test('stopped half way it promises nothing, and can be started again', async () => {
  const { says, start } = show({ kind: 'stopped', progress });
  expect(says).toMatch(
    /1\u202f200 of 1\u202f677 were looked at.*a better one may be among the rest/u,
  );
  await userEvent.click(screen.getByRole('button', { name: 'Search again' }));
  expect(start).toHaveBeenCalled();
});

test('done, it says what cannot be better', () => {
  expect(show({ kind: 'done', answer: search }).says).toMatch(
    /no better plan of up to 2 moves exists\.$/u,
  );
});

test('of three moves it says how many were looked at, unless all were', () => {
  const some = { ...search, beyond: { moves: 3, looked: 20_000, of: 31_234 } };
  expect(show({ kind: 'done', answer: some }).says).toMatch(
    /^20\u202f000 of 31\u202f234 plans of three moves.*None of up to two moves is better\.$/u,
  );
  cleanup();
  const whole = { ...search, exactUpTo: 3 };
  expect(show({ kind: 'done', answer: whole }).says).toMatch(/up to 3 moves exists/u);
});

test('a rig with nothing to change says so', () => {
  expect(show({ kind: 'done', answer: { ...search, moves: [] } }).says).toMatch(/no single move/u);
});

test('how many moves is chosen beside it', async () => {
  const { onDepth } = show({ kind: 'done', answer: search });
  await userEvent.selectOptions(screen.getByLabelText('Moves of a plan'), '3');
  expect(onDepth).toHaveBeenCalledWith(3);
});

test('how sure the gains are is drawn with its progress, can be stopped, and says when it was', async () => {
  const { says, drawing } = show(
    { kind: 'done', answer: search },
    { kind: 'running', progress: { done: 300, of: 1200 } },
  );
  expect(says).toMatch(/Now it is drawn how sure each gain is\.$/u);
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('25');
  await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
  expect(drawing.stop).toHaveBeenCalled();
  cleanup();
  const stopped = show({ kind: 'done', answer: search }, { kind: 'stopped', progress: null });
  expect(stopped.says).toMatch(/not drawn to the end/u);
});

test('a search that breaks off says why', () => {
  expect(show({ kind: 'failed', message: 'out of memory' }).says).toBe(
    'The search broke off: out of memory',
  );
});

test('the best so far is there while it runs, after a stop and at the end', () => {
  for (const state of [
    { kind: 'running', progress },
    { kind: 'stopped', progress },
    { kind: 'done', answer: search },
  ] as const)
    expect(frontOf(state)).toEqual([asItIs]);
  expect(frontOf({ kind: 'idle' })).toEqual([]);
  expect(frontOf({ kind: 'running', progress: null })).toEqual([]);
  expect(frontOf({ kind: 'failed', message: '' })).toEqual([]);
});
