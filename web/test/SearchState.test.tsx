import { newRig, type PlanSearch, type RankedPlan, type SearchProgress } from '@gullwind/core';
import { jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SearchState } from '../src/features/plans/SearchState';
import { frontOf, type PlansFound } from '../src/workers/usePlans';

afterEach(cleanup);

const rig = newRig('searched');
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
  looked: 1677,
  exactUpTo: 2,
  beyond: null,
};

function show(found: PlansFound) {
  const work = { found, stop: jest.fn(), start: jest.fn() };
  const onDepth = jest.fn();
  render(<SearchState work={work} depth={2} onDepth={onDepth} />);
  return { ...work, onDepth, says: screen.getByTestId('search-state').textContent };
}

test('while it runs it says how far it is, and can be stopped', async () => {
  const { says, stop } = show({ kind: 'running', rig, progress });
  expect(says).toBe(
    '60 moves. Plans of 2: 1\u202f200 of 1\u202f677 looked at. The best so far is below.',
  );
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('72');
  await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
  expect(stop).toHaveBeenCalled();
});

test('before the first sign of life there is nothing to stop yet', () => {
  const { says } = show({ kind: 'running', rig, progress: null });
  expect(says).toBe('Finding the moves …');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Stop' }).disabled).toBe(true);
});

test('stopped half way it promises nothing, and can be started again', async () => {
  const { says, start } = show({ kind: 'stopped', rig, progress });
  expect(says).toMatch(
    /1\u202f200 of 1\u202f677 were looked at.*a better one may be among the rest/u,
  );
  await userEvent.click(screen.getByRole('button', { name: 'Search again' }));
  expect(start).toHaveBeenCalled();
});

test('done, it says what cannot be better', () => {
  expect(show({ kind: 'done', rig, search }).says).toMatch(
    /no better plan of up to 2 moves exists\.$/u,
  );
});

test('of three moves it says how many were looked at, unless all were', () => {
  const some = { ...search, beyond: { moves: 3, looked: 20_000, of: 31_234 } };
  expect(show({ kind: 'done', rig, search: some }).says).toMatch(
    /^20\u202f000 of 31\u202f234 plans of three moves.*None of up to two moves is better\.$/u,
  );
  cleanup();
  const whole = { ...search, exactUpTo: 3 };
  expect(show({ kind: 'done', rig, search: whole }).says).toMatch(/up to 3 moves exists/u);
});

test('a rig with nothing to change says so', () => {
  expect(show({ kind: 'done', rig, search: { ...search, moves: [] } }).says).toMatch(
    /no single move/u,
  );
});

test('how many moves is chosen beside it', async () => {
  const { onDepth } = show({ kind: 'done', rig, search });
  await userEvent.selectOptions(screen.getByLabelText('Moves of a plan'), '3');
  expect(onDepth).toHaveBeenCalledWith(3);
});

test('plans belong to the rig they were found for', () => {
  const other = { ...rig };
  for (const found of [
    { kind: 'running', rig, progress },
    { kind: 'stopped', rig, progress },
    { kind: 'done', rig, search },
  ] as const) {
    expect(frontOf(found, rig)).toEqual([asItIs]);
    expect(frontOf(found, other)).toEqual([]);
  }
  expect(frontOf({ kind: 'waiting' }, rig)).toEqual([]);
  expect(frontOf({ kind: 'running', rig, progress: null }, rig)).toEqual([]);
});
