import fc from 'fast-check';
import {
  asOffCut,
  cableList,
  cableStates,
  inward,
  partsMissing,
  partsNeeded,
  progressOf,
  timeLeft,
  withPartAtHand,
  withSpares,
  workPlan,
  type Step,
  type WorkDone,
} from '../../src/build';
import { applyFollowing } from '../../src/board';
import { laidOut } from './laidOut';
import {
  applyEdits,
  findDevice,
  newRig,
  removeDevice,
  NO_BRIEF,
  type BuildWays,
  type Edit,
  type Rig,
} from '../../src/rig';

/// The order of work, and what of it stays done.

const follow = (rig: Rig, edit: Edit): Rig => {
  const result = applyFollowing(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return result.rig;
};

const withWays = (rig: Rig, ways: Partial<BuildWays>): Rig => ({
  ...rig,
  build: { ...rig.build, ways: { ...rig.build.ways, ...ways } },
});

const RIGS = [1, 3, 6].map(laidOut);
const anyRig = fc.constantFrom(...RIGS, newRig('empty'));
const anyWays: fc.Arbitrary<BuildWays> = fc.record({
  joints: fc.constantFrom('soldered', 'screwOn'),
  strand: fc.constantFrom('solid', 'stranded'),
  dcEnds: fc.constantFrom('newAtSupply', 'asBought'),
  lanes: fc.constantFrom('together', 'apart'),
  change: fc.constantFrom('fixed', 'modular'),
  spares: fc.constantFrom('none', 'oneEach', 'halfMore', 'twice'),
});

const at = (steps: readonly Step[], id: string): number => steps.findIndex((one) => one.id === id);

test('no step needs what comes later; every school keeps the order', () => {
  fc.assert(
    fc.property(anyRig, anyWays, (rig, ways) => {
      const steps = workPlan(withWays(rig, ways));
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
      for (const [i, step] of steps.entries())
        for (const need of step.needs) {
          expect([step.id, need, at(steps, need) >= 0]).toEqual([step.id, need, true]);
          expect(at(steps, need)).toBeLessThan(i);
        }
      const play = at(steps, 'play');
      for (const [i, { kind }] of steps.entries()) {
        if (kind === 'tie') expect(i).toBeGreaterThan(play);
        if (kind === 'lay' || kind === 'test') expect(i).toBeLessThan(play);
      }
    }),
    { seed: 1, numRuns: 60 },
  );
});

test('DC before audio, from the edges inward, each tested before it is laid', () => {
  const rig = RIGS[2]!;
  const steps = workPlan(rig);
  const laid = steps.filter(({ kind }) => kind === 'lay').map(({ cable }) => cable!);
  const lastDc = laid.findLastIndex((id) => id.startsWith('k'));
  const firstAudio = laid.findIndex((id) => id.startsWith('l'));
  expect(lastDc).toBeLessThan(firstAudio);
  const audio = rig.electrical.rows[0]!.cables.map((cable) => cable!.id);
  expect(laid.slice(firstAudio)).toEqual(inward(audio));
  expect(inward([1, 2, 3, 4, 5])).toEqual([1, 5, 2, 4, 3]);
  for (const id of laid) expect(at(steps, `test ${id}`)).toBeLessThan(at(steps, `lay ${id}`));
});

test.each<readonly [Partial<BuildWays>, (steps: readonly Step[]) => unknown, unknown]>([
  [
    { joints: 'soldered' },
    (s) => s.find(({ kind }) => kind === 'end')!.tools.includes('iron'),
    true,
  ],
  [
    { joints: 'screwOn' },
    (s) => s.find(({ kind }) => kind === 'end')!.tools.includes('iron'),
    false,
  ],
  [{ dcEnds: 'newAtSupply' }, (s) => s.some(({ id }) => id === 'cut k1'), true],
  [{ dcEnds: 'asBought' }, (s) => s.some(({ id }) => id === 'cut k1'), false],
  [
    { change: 'modular' },
    (s) => s.find(({ id }) => id === 'tape')!.says,
    'Put on the tape that comes off again',
  ],
  [{ spares: 'none' }, (s) => s.some(({ kind }) => kind === 'spares'), false],
  [{ spares: 'twice' }, (s) => s.some(({ kind }) => kind === 'spares'), true],
])('a school changes what it should: %j', (ways, ask, expected) => {
  expect(ask(workPlan(withWays(RIGS[2]!, ways)))).toEqual(expected);
});

test('screwed on takes less time, a solid core more', () => {
  const minutes = (ways: Partial<BuildWays>) =>
    workPlan(withWays(RIGS[2]!, ways)).reduce((sum, one) => sum + one.minutes, 0);
  expect(minutes({ joints: 'screwOn' })).toBeLessThan(minutes({ joints: 'soldered' }));
  expect(minutes({ strand: 'solid' })).toBeGreaterThan(minutes({ strand: 'stranded' }));
});

const doneOf = (steps: readonly Step[], rig: Rig): WorkDone[] =>
  steps.map(({ id, fingerprint, cable }) => ({
    step: id,
    fingerprint,
    lengthM: cableList(rig).find((one) => one.id === cable)?.cutM ?? null,
    revision: 1,
    by: '',
    at: '2026-11-26T10:00:00Z',
  }));

test('when the layout changes, cables that kept ends and length keep their ticks; the others are off-cuts', () => {
  const rig = RIGS[2]!;
  const steps = workPlan(rig);
  const done = doneOf(steps, rig);
  expect(progressOf(steps, { tests: [], repairs: [], done }).next).toBeNull();
  const placement = rig.layout.placements.d6!;
  if (placement.at !== 'deck') throw new Error('it stands on the board');
  const moved = follow(rig, {
    kind: 'place',
    id: 'd6',
    to: { ...placement, yM: placement.yM + 0.003 },
  });
  const cables = cableList(moved);
  const changed = cables.filter(
    (cable) => cableList(rig).find(({ id }) => id === cable.id)!.fingerprint !== cable.fingerprint,
  );
  const stays = cables.filter((cable) => !changed.includes(cable));
  expect([changed.length > 0, stays.length > 0]).toEqual([true, true]);
  const now = progressOf(workPlan(moved), { tests: [], repairs: [], done });
  for (const { id } of stays)
    for (const { step, isDone } of now.steps)
      if (step.cable === id && step.kind !== 'lay')
        expect([step.id, isDone]).toEqual([step.id, true]);
  for (const { id } of changed)
    for (const { step, isDone, was } of now.steps)
      if (step.cable === id)
        expect([step.id, isDone, was !== null]).toEqual([step.id, false, true]);
  const made = changed.filter(({ isBought }) => !isBought);
  expect(now.freed.map(({ step }) => step).sort()).toEqual(
    made.map(({ id }) => `cut ${id}`).sort(),
  );
  const [first] = now.freed;
  if (first) expect(asOffCut('o1', first, 'patch').lengthM).toBeCloseTo(first.lengthM! - 0.03, 6);
});

test('a cable of a pedal that has gone is an off-cut', () => {
  const rig = RIGS[1]!;
  const done = doneOf(workPlan(rig), rig);
  const fewer = applyEdits(rig, removeDevice(rig, 'd2'));
  expect(findDevice(fewer, 'd2')).toBeUndefined();
  const { freed } = progressOf(workPlan(fewer), { tests: [], repairs: [], done });
  const ids = cableList(fewer).map(({ id }) => id);
  const gone = cableList(rig).filter(({ id, isBought }) => !ids.includes(id) && !isBought);
  expect(gone.length).toBeGreaterThan(0);
  for (const { id } of gone) expect(freed.map(({ step }) => step)).toContain(`cut ${id}`);
});

test('the next step has all that it needs, and waits for parts that have not come', () => {
  const rig = RIGS[1]!;
  const steps = workPlan(rig);
  const first = progressOf(steps, { tests: [], repairs: [], done: [] });
  expect(first.next!.step.id).toBe('photo-before');
  const done = doneOf(
    steps.filter(
      ({ kind }) =>
        ![
          'cut',
          'end',
          'test',
          'lay',
          'play',
          'tie',
          'powerCheck',
          'labels',
          'spares',
          'photoAfter',
        ].includes(kind),
    ),
    rig,
  );
  expect(progressOf(steps, { tests: [], repairs: [], done }).next!.step.id).toBe('cut k1');
  const waiting = progressOf(steps, { tests: [], repairs: [], done }, new Set(['cable DC cable']));
  expect(waiting.next!.step.kind).toBe('cut');
  expect(waiting.next!.step.cable).toMatch(/^l/u);
  expect(waiting.steps.find(({ step }) => step.id === 'cut k1')!.waitsFor).toEqual([
    'cable DC cable',
  ]);
  const states = cableStates(
    progressOf(steps, { tests: [], repairs: [], done: doneOf(steps, rig) }).steps,
  );
  expect(new Set(states.values())).toEqual(new Set(['tied']));
});

test('hours left against the deadline, and what may be left out', () => {
  const steps = workPlan(RIGS[1]!);
  const progress = progressOf(steps, { tests: [], repairs: [], done: [] });
  const brief = { ...NO_BRIEF, deadline: '2026-11-27', hoursADay: 1 };
  const left = timeLeft(brief, progress, '2026-11-26');
  expect([left.dueIn, left.minutes]).toEqual([1, 120]);
  expect(left.isEnough).toBe(progress.leftMinutes <= 120);
  const short = timeLeft({ ...brief, hoursADay: 0.5 }, progress, '2026-11-27');
  expect(short.leaveOut.every(({ isSpare }) => isSpare)).toBe(true);
  expect(short.leaveOut.length).toBeGreaterThan(0);
  expect(timeLeft({ ...brief, deadline: '2027-03-01' }, progress, '2026-02-28').dueIn).toBe(366);
  expect(timeLeft({ ...brief, deadline: null }, progress, '2026-11-26').dueIn).toBeNull();
});

test('what remains undone when all that may be is left out, and when that would be ready', () => {
  const steps = workPlan(RIGS[1]!);
  const progress = progressOf(steps, { tests: [], repairs: [], done: [] });
  const spareMinutes = progress.steps
    .filter(({ step }) => step.isSpare)
    .reduce((sum, { leftMinutes }) => sum + leftMinutes, 0);
  const needed = progress.leftMinutes - spareMinutes;
  const brief = { ...NO_BRIEF, deadline: '2026-11-27', hoursADay: 1 };
  const on = (today: string, hoursADay = 1) => timeLeft({ ...brief, hoursADay }, progress, today);
  expect(needed).toBeGreaterThan(120);
  const short = on('2026-11-26');
  expect(short.missingMinutes).toBeCloseTo(needed - 120, 9);
  expect(short.readyIn).toBe(Math.ceil(needed / 60) - 1);
  const late = on('2026-11-30');
  expect([late.dueIn, late.minutes]).toEqual([-3, 0]);
  expect(late.missingMinutes).toBeCloseTo(needed, 9);
  const enough = on('2026-11-26', 24);
  expect([enough.missingMinutes, enough.leaveOut, enough.readyIn]).toEqual([0, [], 0]);
  expect(on('2026-11-27', needed / 60)).toMatchObject({ isEnough: false, readyIn: 0 });
  expect(on('2026-11-26', 0)).toMatchObject({ readyIn: null });
});

test('spares by the schools', () => {
  const of = (spares: BuildWays['spares']) => [
    withSpares(5, spares, 'pieces'),
    withSpares(0.33, spares, 'm'),
  ];
  expect(of('none')).toEqual([5, 0.4]);
  expect(of('oneEach')).toEqual([6, 1.4]);
  expect(of('halfMore')).toEqual([8, 0.5]);
  expect(of('twice')).toEqual([10, 0.7]);
});

test('what is needed, at hand and still to buy; steps wait for what has been ordered and has not come', () => {
  const rig = withWays(RIGS[1]!, { spares: 'none' });
  const plug =
    partsNeeded(rig).find(({ key }) => key === 'plug pancake plug') ??
    partsNeeded(rig).find(({ key }) => key.startsWith('plug'))!;
  expect(plug.missing).toBe(plug.needed);
  const parts = withPartAtHand(rig.build.parts, {
    key: plug.key,
    owned: 1,
    ordered: 2,
    arrived: 1,
    buyer: 'Mate',
  });
  const told = { ...rig, build: { ...rig.build, parts } };
  const now = partsNeeded(told).find(({ key }) => key === plug.key)!;
  expect(now.missing).toBe(Math.max(0, plug.needed - 3));
  expect(partsMissing(partsNeeded(told)).has(plug.key)).toBe(plug.needed > 2);
  expect(partsMissing(partsNeeded(rig)).size).toBe(0);
});
