import {
  applyEdits,
  deviceOfClass,
  editBrief,
  insertDevice,
  newRig,
  pinRig,
  setCableLength,
  toggleSwitch,
  typicalBoard,
  supplyOfClass,
  type Chain,
  type Edit,
  type GearItem,
  type Rig,
} from '@gullwind/core';
import { jest } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';

/// Only what the signal feels is solved anew: counted at the border to the workers.

const analyse = jest.fn((chain: Chain) =>
  Promise.resolve({ r1: { kind: 'silent', of: chain } as unknown }),
);
const measureScenes = jest.fn((_: Chain) => Promise.resolve([]));
const advise = jest.fn((_: Rig) => Promise.resolve({ step: null, judgements: [] }));
jest.unstable_mockModule('../src/workers/workers', () => ({
  analysisWorker: () => ({ analyse }),
  questionsWorker: () => ({ measureScenes, measurePlaces: () => Promise.resolve([]), advise }),
  workerOf: () => ({ run: () => new Promise(() => undefined), stop: () => Promise.resolve() }),
}));

const { AT_REST_MS } = await import('../src/workers/useLatest');
const { useAnalysis } = await import('../src/workers/useAnalysis');
const { useScenes, useAdvice } = await import('../src/workers/useSideQuestions');

const empty = newRig('counted');
const rig = applyEdits(empty, insertDevice(empty, 0, deviceOfClass('drive', '', 'drive')));

const GEAR: readonly GearItem[] = [];

function useAll(now: Rig) {
  return {
    ways: useAnalysis(now),
    scenes: useScenes(now, 'r1'),
    advised: useAdvice(now, GEAR, 'r1', 'metric'),
  };
}

/** Until after what is asked while the hand rests. */
const rested = () => new Promise<void>((done) => setTimeout(done, 2 * AT_REST_MS));

async function show() {
  const hook = renderHook(({ now }) => useAll(now), { initialProps: { now: rig } });
  await act(rested);
  return {
    result: hook.result,
    edit: async (now: Rig) => {
      hook.rerender({ now });
      await act(rested);
      return now;
    },
  };
}

beforeEach(() => jest.clearAllMocks());
afterEach(cleanup);

const asked = () => [analyse, measureScenes, advise].map((f) => f.mock.calls.length);

const board: Edit = {
  kind: 'list',
  of: 'boards',
  at: 0,
  remove: 0,
  insert: [{ ...typicalBoard('pit deck'), id: 'b1' }],
};
const supply: Edit = {
  kind: 'list',
  of: 'supplies',
  at: 0,
  remove: 0,
  insert: [{ ...supplyOfClass('brick'), id: 'u1' }],
};

test.each<[string, (now: Rig) => Edit]>([
  ['a new name', () => ({ kind: 'rename', target: { of: 'rig' }, to: 'another' })],
  ['a note', () => ({ kind: 'describe', field: 'note', to: 'typed' })],
  ['what the brief says', (now) => editBrief(now, { deadline: '2027-01-01', hoursADay: 2 })],
  ['a judgement dismissed', () => ({ kind: 'assign', field: 'dismissed', to: ['spread:'] })],
  ['a board', () => board],
  ['a supply', () => supply],
  ['what is kept apart', () => ({ kind: 'assign', field: 'apart', to: ['d1'] })],
  ['parts at hand', () => ({ kind: 'assign', field: 'parts', to: [] })],
  ['a pin', (now) => pinRig(now, 'as it was')],
])('%s solves nothing, and is seen all the same', async (_, edit) => {
  const { result, edit: give } = await show();
  expect(asked()).toEqual([1, 1, 1]);
  const now = await give(applyEdits(rig, edit(rig)));
  expect(now).not.toBe(rig);
  expect(asked()).toEqual([1, 1, 1]);
  expect(result.current.ways!.rig).toBe(now);
  expect(result.current.scenes!.rig).toBe(now);
  expect(result.current.advised!.rig).toBe(now);
});

test('dragging on a board solves nothing either where no length follows, however often', async () => {
  const { edit: give } = await show();
  let now = applyEdits(rig, board);
  for (let mm = 100; mm < 160; mm++) {
    const to = { at: 'deck', board: 'b1', xM: mm / 1000, yM: 0, turn: 0 } as const;
    now = applyEdits(now, { kind: 'place', id: 'd1', to: { ...to, riserM: 0, isUnder: false } });
    await give(now);
  }
  expect(asked()).toEqual([1, 1, 1]);
});

test.each<[string, (now: Rig) => Edit]>([
  ['a longer cable', () => setCableLength('l1', 9)],
  ['a switch', (now) => toggleSwitch(now, 'd1')],
  ['no power', () => ({ kind: 'switch', unpowered: ['d1'] })],
])('%s is solved once', async (_, edit) => {
  const { result, edit: give } = await show();
  const now = await give(applyEdits(rig, edit(rig)));
  expect(asked()).toEqual([2, 2, 2]);
  expect(result.current.ways!.rig).toBe(now);
});
