import {
  applyEdits,
  cableList,
  deviceOfClass,
  findCable,
  insertDevice,
  newRig,
  NO_RECORDS,
  progressOf,
  workPlan,
  type BuildCable,
  type BuildRecords,
} from '@gullwind/core';
import {
  AUDIO,
  isDoneBy,
  foundAgain,
  foundNext,
  NOTHING_TRIED,
  NOTHING_TYPED,
  OTHER,
  sayKeep,
  testNow,
  type Found,
  type Tried,
} from '../src/features/build/model/testing';
import { ticksFor } from '../src/features/build/model/ticking';

/// What a test of a cable and a tick on a step say to the records.

let rig = newRig('built');
for (const i of [0, 1]) rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '')));
const cables = cableList(rig, []);
const inner = rig.electrical.rows[0]!.cables[1]!.id;
const cable = cables.find(({ id }) => id === inner)!;
const audio = findCable(rig, inner)!;

const allRight = Object.fromEntries(Object.keys(NOTHING_TRIED).map((key) => [key, true])) as Record<
  Tried,
  boolean
>;

describe('a cable on the meter', () => {
  const now = (change: Partial<Parameters<typeof testNow>[0]>) =>
    testNow({
      ...{ cable, audio, revision: 7, tried: NOTHING_TRIED, typed: NOTHING_TYPED },
      ...change,
    });

  test('is kept as the cable that it is made as, of the revision that it was tested at', () => {
    const { test: kept, isReadable } = now({ typed: { ...NOTHING_TYPED, by: '  Ada ' } });
    expect(kept).toEqual({
      ...NOTHING_TRIED,
      ...{ cable: inner, label: cable.label, revision: 7, fingerprint: cable.fingerprint },
      ...{ lengthM: cable.lengthM, leakOhm: null, capacitanceF: null, by: 'Ada', note: '' },
    });
    expect(isReadable).toBe(true);
    expect(now({ revision: 0 }).test.revision).toBe(1);
    const long: BuildCable = { ...cable, fingerprint: 'x'.repeat(401) };
    expect(now({ cable: long }).test.fingerprint).toHaveLength(400);
  });

  test('readings are taken in the units that are typed; what is no reading is said where it was typed', () => {
    const read = now({ typed: { leak: '25 MΩ', reading: '120 pF', by: '' } });
    expect(read.test.leakOhm).toBeCloseTo(25e6, 0);
    expect(read.test.capacitanceF).toBeCloseTo(120e-12, 15);
    expect(read.isReadable).toBe(true);
    const far = now({ typed: { leak: '2000000 MΩ', reading: '2 µF', by: '' } });
    expect(far.leak).toEqual({
      value: null,
      message: expect.stringMatching(
        /^Tip to sleeve: 2[\d,. \u00A0]*\sMΩ is not between 0 and 1[\d,. \u00A0]*\sMΩ\.$/u,
      ),
    });
    expect(far.reading.message).toMatch(/^Reading: .* is not between 0 and /u);
    expect(far.isReadable).toBe(false);
    for (const typed of [
      { leak: 'much', reading: '', by: '' },
      { leak: '', reading: 'much', by: '' },
    ])
      expect(now({ typed }).isReadable).toBe(false);
    const edges = now({ typed: { leak: '1000000 MΩ', reading: '1 µF', by: '' } });
    expect(edges.isReadable).toBe(true);
    expect(now({ typed: { leak: '0 Ω', reading: '0 pF', by: '' } }).isReadable).toBe(true);
  });

  test('ticks its step off only where all of it was tried and is right', () => {
    const right = now({ tried: allRight, typed: { leak: '50 MΩ', reading: '', by: '' } });
    expect([isDoneBy(right.finding), sayKeep(right.finding)]).toEqual([true, 'Keep: it is right']);
    const wrong = now({ tried: { ...allRight, tipThrough: false } });
    expect([isDoneBy(wrong.finding), sayKeep(wrong.finding)]).toEqual([
      ...[false, 'Keep: it is not right'],
    ]);
    const begun = now({ tried: { ...NOTHING_TRIED, tipThrough: true } });
    expect([isDoneBy(begun.finding), sayKeep(begun.finding)]).toEqual([
      ...[false, 'Keep what was tried'],
    ]);
  });

  test('one that carries no sound is asked less', () => {
    expect(AUDIO.map(([key]) => key)).toEqual(Object.keys(NOTHING_TRIED));
    expect(OTHER.map(([key]) => key)).toEqual([
      ...['tipThrough', 'sleeveThrough', 'pull', 'wiggle'],
    ]);
    const tried = { ...NOTHING_TRIED, tipThrough: true, sleeveThrough: true };
    expect(isDoneBy(now({ audio: null, tried }).finding)).toBe(true);
  });
});

describe('a tick', () => {
  const moment = '2026-03-01T10:00:00.000Z';
  const stateOf = (of: typeof rig, records: BuildRecords) => ({
    ...{ cables: cableList(of, []), records, revision: 3 },
    progress: progressOf(workPlan(of, [], 'metric'), records),
  });
  const stepIn = (now: ReturnType<typeof stateOf>, id: string) =>
    now.progress.steps.find(({ step }) => step.id === id)!.step;

  test('says which step was done as what, cut how long, at which revision', () => {
    const now = stateOf(rig, NO_RECORDS);
    const step = stepIn(now, `cut ${inner}`);
    expect(ticksFor(step, true, now)).toEqual([
      {
        ...{ step: step.id, fingerprint: step.fingerprint, lengthM: cable.cutM },
        ...{ revision: 3, by: '', isDone: true },
      },
    ]);
    expect(ticksFor(step, false, now)[0]!.isDone).toBe(false);
    expect(ticksFor(step, true, { ...now, revision: 0 })[0]!.revision).toBe(1);
    const other = now.progress.steps.find((one) => one.step.cable === null)!.step;
    expect(ticksFor(other, true, now)).toEqual([expect.objectContaining({ lengthM: null })]);
  });

  test('a cable that serves for another one is cut and ended at once, and not what it was any more', () => {
    const now = stateOf(rig, NO_RECORDS);
    const [first, second] = rig.electrical.rows[0]!.cables.map((one) => one!.id) as string[];
    // The second was made; it serves as the first.
    const done = [`cut ${second}`, `end ${second}`, `cut ${inner}2`].map((step) => ({
      ...{ step, fingerprint: 'as it was', lengthM: 0.3, revision: 2, by: '', at: moment },
    }));
    const steps = now.progress.steps.map((state) =>
      state.step.id === `cut ${first}`
        ? { ...state, reuses: { of: done[0]!, spareM: 0.01 } }
        : state,
    );
    const reusing = { ...now, records: { done }, progress: { ...now.progress, steps } };
    const cut = stepIn(now, `cut ${first}`);
    const said = (isDone: boolean) =>
      ticksFor(cut, isDone, reusing).map((one) => [one.step, one.isDone, one.fingerprint]);
    expect(said(true)).toEqual([
      [`cut ${second}`, false, 'as it was'],
      [`end ${second}`, false, 'as it was'],
      [`cut ${first}`, true, cut.fingerprint],
      [`end ${first}`, true, stepIn(now, `end ${first}`).fingerprint],
    ]);
    for (const one of ticksFor(cut, true, reusing)) expect(one).not.toHaveProperty('at');
    // Taking it back is that alone, and so is another step of the same cable.
    expect(said(false)).toEqual([[`cut ${first}`, false, cut.fingerprint]]);
    expect(ticksFor(stepIn(now, `end ${first}`), true, reusing)).toHaveLength(1);
    // What serves again as itself is not taken back.
    const own = [{ ...done[0]!, step: `cut ${first}` }];
    const same = now.progress.steps.map((state) =>
      state.step.id === `cut ${first}` ? { ...state, reuses: { of: own[0]!, spareM: 0 } } : state,
    );
    const again = { ...now, records: { done: own }, progress: { ...now.progress, steps: same } };
    expect(ticksFor(cut, true, again).map(({ step, isDone }) => [step, isDone])).toEqual([
      [`cut ${first}`, true],
      [`end ${first}`, true],
    ]);
  });
});

describe('a test that was kept', () => {
  const found: Found = {
    tried: { ...NOTHING_TRIED, tipThrough: true },
    typed: { leak: '100M', reading: '480p', by: 'Ada' },
  };

  test('leaves room for the next one at once, by the same hand', () => {
    expect(foundNext(found)).toEqual({
      tried: NOTHING_TRIED,
      typed: { ...NOTHING_TYPED, by: 'Ada' },
    });
  });

  test('is there again where it was refused, unless another was begun', () => {
    expect(foundAgain(foundNext(found), found)).toBe(found);
    const begun = { ...foundNext(found), tried: { ...NOTHING_TRIED, pull: false } };
    expect(foundAgain(begun, found)).toBe(begun);
  });
});
