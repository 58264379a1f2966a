import { jobDocumentOf, sayDue, stagesOfJob, type Job } from '../../src/book';
import { newRig } from '../../src/rig';
import { laidOut } from '../build/laidOut';

/// A rig as a job: how far each stage is, and what is due.

const BUILT: Job = {
  ...jobDocumentOf(newRig('mine')),
  deadline: '2026-12-01',
  spoken: [8, 8],
  placed: [9, 9],
  fed: [8, 8],
  walked: [10, 10],
  songs: 3,
  steps: 60,
  isPlayed: true,
  measured: 2,
  heard: 1,
  hunts: 0,
  named: 1,
};

const stateOf = (job: Job, stage: string) => stagesOfJob(job).find((one) => one.stage === stage)!;

test('what the document says is counted from it', () => {
  const laid = jobDocumentOf(laidOut(4));
  expect(laid.placed[0]).toBe(laid.placed[1]);
  expect(laid.placed[1]).toBeGreaterThan(4);
  expect(laid.fed).toEqual([4, 4]);
  expect(laid.spoken).toEqual([0, 4]);
  expect(laid.walked).toEqual([0, 10]);
  const bare = jobDocumentOf(newRig('bare'));
  expect([bare.placed, bare.fed, bare.deadline]).toEqual([[0, 0], [0, 0], null]);
});

test('each stage is open, begun or done', () => {
  const job: Job = {
    ...BUILT,
    spoken: [3, 8],
    placed: [0, 9],
    fed: [0, 0],
    isPlayed: false,
    steps: 4,
  };
  expect(stagesOfJob(job).map(({ stage, state }) => `${stage} ${state}`)).toEqual([
    'brief begun',
    'board open',
    'power open',
    'build begun',
    'bench begun',
    'listen begun',
    'trace open',
    'book done',
  ]);
  expect(stateOf(job, 'brief').says).toBe('3 of 8 pedals spoken of');
  expect(stateOf(job, 'power').says).toBe('nothing yet');
  expect(stateOf(BUILT, 'build')).toMatchObject({ state: 'done', says: 'built and played' });
  expect(stateOf({ ...BUILT, hunts: 1 }, 'trace').says).toBe('1 hunt goes on');
});

test.each([
  ['2026-11-27', 'due in 4 days: ready'],
  ['2026-11-30', 'due in 1 day: ready'],
  ['2026-12-01', 'due today: ready'],
  ['2026-12-02', '1 day late: ready'],
  ['2026-12-04', '3 days late: ready'],
])('on %s: %s', (today, says) => {
  expect(sayDue(BUILT, today)).toBe(says);
});

test.each<readonly [Partial<Job>, string | null]>([
  [{ hunts: 2 }, 'due today: a fault is being hunted'],
  [{ placed: [0, 0] }, 'due today: no board yet'],
  [{ placed: [5, 9] }, 'due today: 4 to place'],
  [{ fed: [6, 8] }, 'due today: 2 to feed'],
  [{ isPlayed: false, steps: 0 }, 'due today: to build'],
  [{ isPlayed: false }, 'due today: building'],
  [{ walked: [7, 10] }, 'due today: 3 to walk through'],
  [{ deadline: null }, null],
  [{ deadline: null, hunts: 1 }, 'a fault is being hunted'],
])('%j: %s', (change, says) => {
  expect(sayDue({ ...BUILT, ...change }, '2026-12-01')).toBe(says);
});
