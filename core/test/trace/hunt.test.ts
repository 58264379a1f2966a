import {
  NO_RECORDS,
  progressOf,
  workPlan,
  type BuildRecords,
  type CableTest,
} from '../../src/build';
import { cableList } from '../../src/build';
import { deviceOfClass, guitarOfClass, outletGroup } from '../../src/gear';
import { hang } from '../../src/power';
import {
  addAmpLoop,
  addGuitar,
  applyEdits,
  insertDevice,
  newRig,
  toggleSwitch,
  type Rig,
} from '../../src/rig';
import {
  allParts,
  expectedOf,
  FAULT_KINDS,
  huntState,
  LARGEST_FACTOR,
  remedyFor,
  REMEDY,
  repairOf,
  suspectsFor,
  SURE_SHARE,
  SYMPTOM_WORDS,
  SYMPTOMS,
  testsFor,
  wayOf,
  type FaultName,
  type Hunt,
  type HuntAnswer,
  type Outcome,
  type Symptom,
  type TraceCase,
} from '../../src/trace';
import { brick, hung, rigOf } from '../power/poweredRig';

/// One hunt: how it stands after what was answered, what is known of the rig, and what it ends in.

const caseOf = (rig: Rig, symptom: Symptom, more: Partial<TraceCase> = {}): TraceCase => ({
  rig,
  symptom,
  comesAndGoes: false,
  records: NO_RECORDS,
  weights: {},
  ...more,
});

let nth = 0;
const answer = (test: string, outcome: Outcome, takenBack: string | null = null): HuntAnswer => ({
  id: `a${nth++}`,
  test,
  outcome,
  says: test,
  minutes: 1,
  by: '',
  at: '2026-11-27T20:00:00Z',
  takenBack,
});
const stateOf = (trace: TraceCase, ...answers: readonly HuntAnswer[]) =>
  huntState(trace, { answers, order: 'best' });
const shareOf = (state: ReturnType<typeof huntState>, id: string): number =>
  state.suspects.find((suspect) => suspect.id === id)!.share;

const three = rigOf([{ of: 'tuner' }, { of: 'wah' }, { of: 'lowImpedanceFuzz' }]);

test('every symptom has suspects and tests on one guitar, one cable and one amp', () => {
  for (const symptom of SYMPTOMS) {
    const state = stateOf(caseOf(newRig('bare'), symptom));
    expect([symptom, state.suspects.length > 0]).toEqual([symptom, true]);
    expect([symptom, state.next !== null || state.finding !== null]).toEqual([symptom, true]);
    expect(state.suspects.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    for (const test of testsFor(wayOf(newRig('bare')), symptom)) {
      expect(test.does.length).toBeGreaterThan(10);
      expect(test.hold.length).toBeGreaterThan(5);
      expect(test.asks).toMatch(/\?$/u);
      expect(test.minutes).toBeGreaterThan(0);
    }
    expect(SYMPTOM_WORDS[symptom].asks).toMatch(/\?$/u);
  }
});

test('what is taken back counts no more, and “not sure” says nothing', () => {
  const trace = caseOf(three, 'hum');
  const before = stateOf(trace);
  const test = before.next!.id;
  expect(stateOf(trace, answer(test, 'notSure')).shares).toEqual(before.shares);
  expect(stateOf(trace, answer(test, 'yes', 'later')).shares).toEqual(before.shares);
  expect(stateOf(trace, answer('switchOff:d99', 'yes')).shares).toEqual(before.shares);
  expect(stateOf(trace, answer(test, 'yes')).shares).not.toEqual(before.shares);
  // What nobody was sure of is not asked at once again.
  expect(stateOf(trace, answer(test, 'notSure')).next!.id).not.toBe(test);
});

test('the amp alone hums: nobody before it is left', () => {
  const state = stateOf(caseOf(three, 'hum'), answer('ampAlone:e1', 'yes'));
  // What comes in by the guitar cannot come in either.
  for (const { id, part, fault, isRuledOut } of state.suspects)
    expect([id, isRuledOut]).toEqual([id, part !== 'e1' && fault !== 'houseCircuit']);
  const left = state.suspects.filter(({ isRuledOut }) => !isRuledOut);
  expect(left.reduce((sum, { share }) => sum + share, 0)).toBeGreaterThan(0.6);
  expect(state.suspects.slice(0, left.length).every(({ isRuledOut }) => !isRuledOut)).toBe(true);
});

test('where it comes and goes, its absence rules nobody out, and the same is asked again', () => {
  const trace = caseOf(three, 'hum', { comesAndGoes: true });
  const state = stateOf(trace, answer('ampAlone:e1', 'no'));
  expect(state.suspects.some(({ isRuledOut }) => isRuledOut)).toBe(false);
  const often = stateOf(trace, ...Array.from({ length: 4 }, () => answer('ampAlone:e1', 'no')));
  expect(shareOf(often, 'e1:ampNoise')).toBeLessThan(shareOf(state, 'e1:ampNoise'));
});

test('a remedy that does not help clears its suspect, and one that does ends the search', () => {
  const trace = caseOf(three, 'squeal');
  const found = stateOf(trace, answer('switchOff:d2', 'no'), answer('straightIn:g1', 'no'));
  const { id } = found.suspects[0]!;
  const failed = stateOf(
    trace,
    ...found.answers.map((one) => one as HuntAnswer),
    answer(`${REMEDY}${id}`, 'no'),
  );
  expect(failed.suspects.find((one) => one.id === id)).toMatchObject({ isRuledOut: true });
  expect(failed.finding?.id).not.toBe(id);
  const helped = stateOf(trace, answer(`${REMEDY}${id}`, 'yes'));
  expect(helped).toMatchObject({ cured: { id }, next: null });
});

test('enough suspicion on one names them; a hand can put it there', () => {
  const trace = caseOf(three, 'noSignal', { weights: { 'd1:muted': LARGEST_FACTOR } });
  const state = stateOf(trace);
  expect(state.suspects[0]!.id).toBe('d1:muted');
  expect(state.suspects[0]!.share).toBeGreaterThan(SURE_SHARE);
  expect(state).toMatchObject({ next: null, finding: { id: 'd1:muted' } });
});

test('the usual order asks for knobs, the amp, its cable, the guitar, and then the board from its end', () => {
  const trace = caseOf(three, 'hum');
  const asked: string[] = [];
  const answers: HuntAnswer[] = [];
  for (let i = 0; i < 6; i++) {
    const { next } = huntState(trace, { answers, order: 'usual' });
    if (!next) break;
    asked.push(next.id);
    answers.push(
      answer(next.id, next.kind === 'ampAlone' || next.kind === 'closedCable' ? 'no' : 'yes'),
    );
  }
  expect(asked.slice(0, 2)).toEqual(['ampAlone:e1', 'closedCable:l2']);
  const { best, usual } = expectedOf(trace, { answers: [], order: 'best' });
  expect(best).toBeLessThan(usual);
});

test('a tuner that is on is suspected first of silence; one that is off is not', () => {
  const weightOf = (rig: Rig) =>
    suspectsFor(caseOf(rig, 'noSignal')).find(({ id }) => id === 'd1:muted')!;
  const on = weightOf(applyEdits(three, toggleSwitch(three, 'd1')));
  expect(on.weight / weightOf(three).weight).toBeCloseTo(12, 9);
  expect(on.reasons).toEqual([{ says: 'it is switched on now', factor: 12 }]);
});

test('a wah before a fuzz is suspected of a squeal, one before anything else hardly', () => {
  const weightOf = (rig: Rig) =>
    suspectsFor(caseOf(rig, 'squeal')).find(({ fault }) => fault === 'fightsNext')!.weight;
  expect(weightOf(three)).toBeGreaterThan(10 * weightOf(rigOf([{ of: 'wah' }, { of: 'delay' }])));
});

/** A test of a cable as it is. */
const tested = (rig: Rig, cable: string, more: Partial<CableTest>): BuildRecords => {
  const { fingerprint, label, lengthM } = cableList(rig).find(({ id }) => id === cable)!;
  const test: CableTest = {
    id: 't1',
    cable,
    label,
    revision: 1,
    fingerprint,
    lengthM,
    tipThrough: true,
    sleeveThrough: true,
    ringThrough: null,
    leakOhm: 1e9,
    silentPlugs: null,
    pull: true,
    wiggle: true,
    capacitanceF: null,
    by: 'Mate',
    note: '',
    at: '2026-11-20T10:00:00Z',
    ...more,
  };
  return { ...NO_RECORDS, tests: [test] };
};

test('a cable that was tested right is suspected less, one that was not far more, and one that is another as usual', () => {
  const weightOf = (records: BuildRecords, rig = three) =>
    suspectsFor(caseOf(rig, 'hum', { records })).find(({ id }) => id === 'l3:sleeveOpen')!;
  const usual = weightOf(NO_RECORDS).weight;
  const right = weightOf(tested(three, 'l3', {}));
  expect(right.weight).toBeCloseTo(0.3 * usual, 9);
  expect(right.reasons[0]!.says).toBe('tested 2026-11-20, right then');
  expect(weightOf(tested(three, 'l3', { sleeveThrough: false })).weight).toBeCloseTo(6 * usual, 9);
  expect(weightOf(tested(three, 'l3', { sleeveThrough: null })).weight).toBeCloseTo(usual, 9);
  expect(weightOf(tested(three, 'l3', { fingerprint: 'another' })).weight).toBeCloseTo(usual, 9);
});

test('what Power calls wrong weighs: unfed, overloaded, beside a clocked one', () => {
  const bricked = rigOf(
    [{ of: 'drive' }, { of: 'delay', wants: [9, 9, 0.3] }],
    [brick(outletGroup(4, 9, 0.1))],
  );
  const shared = hung(
    bricked,
    ['d1', { supply: 'u1', outlet: 0 }],
    ['d2', { supply: 'u1', outlet: 0 }],
  );
  const apart = hung(
    bricked,
    ['d1', { supply: 'u1', outlet: 0 }],
    ['d2', { supply: 'u1', outlet: 1 }],
  );
  const noise = (rig: Rig) =>
    suspectsFor(caseOf(rig, 'buzz')).find(
      ({ fault, feeds }) => fault === 'sharedNoise' && feeds[0] === 'd1',
    )!;
  expect(noise(shared).weight).toBeGreaterThan(5 * noise(apart).weight);
  const supply = suspectsFor(caseOf(shared, 'hum')).find(({ fault }) => fault === 'supplyHum')!;
  expect(supply.reasons.map(({ says }) => says)).toContain(
    'more is asked of it than it should give',
  );
});

test('the way has loops, side cables and the cable of the guitar that plays', () => {
  const looped = applyEdits(three, addAmpLoop(three, 'e1'));
  const loop = wayOf(looped).ampLoop;
  expect(loop.length).toBeGreaterThan(0);
  expect(testsFor(wayOf(looped), 'weak').some(({ kind }) => kind === 'loopOut')).toBe(true);
  const selector = applyEdits(
    three,
    insertDevice(three, 0, deviceOfClass('selector', '', 'Points')),
  );
  const two = applyEdits(
    selector,
    addGuitar(selector, guitarOfClass('bassSingle', 'Bass'), 'cable'),
  );
  const other = applyEdits(two, { kind: 'switch', playing: 'g2' });
  const names = wayOf(other).front.map(({ name }) => name);
  expect(names[0]).toBe('Bass');
  expect(names).toContain('Points');
  const ids = allParts(wayOf(other)).map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
});

test('every kind of fault has a remedy with its proof, and none tells anybody to open the mains', () => {
  for (const fault of Object.keys(FAULT_KINDS) as FaultName[]) {
    const { does, proof, minutes, caution, task } = remedyFor({ fault, name: 'Ember' });
    expect([fault, does.length > 10, proof.length > 10, minutes > 0]).toEqual([
      fault,
      true,
      true,
      true,
    ]);
    expect(`${does} ${task ?? ''}`).not.toMatch(/lift|open the (?:amp|supply)/iu);
    const { on } = FAULT_KINDS[fault];
    if (on === 'supply' || (on === 'destination' && task !== null))
      expect([fault, caution.includes('qualified technician')]).toEqual([fault, true]);
  }
});

const ended = (more: Partial<Hunt>): Hunt => ({
  id: 'h1',
  rig: 'r',
  revision: 1,
  symptom: 'hum',
  comesAndGoes: false,
  order: 'best',
  weights: {},
  note: '',
  begunAt: '2026-11-27T20:00:00Z',
  changedAt: '2026-11-27T20:10:00Z',
  endedAt: '2026-11-27T20:10:00Z',
  ending: {
    kind: 'found',
    suspect: 'l3:sleeveOpen',
    finding: 'The sleeve.',
    remedy: 'A spare.',
    caution: 'Hot.',
    proof: 'Play.',
    task: 'Make it again',
    taskMinutes: 15,
    note: '',
  },
  answers: [],
  ...more,
});

test('what a hunt asks for is the first step of Build, until it is ticked off', () => {
  const repair = repairOf(ended({}))!;
  expect(repairOf(ended({ rig: null }))).toBeNull();
  expect(repairOf(ended({ ending: null, endedAt: null }))).toBeNull();
  const steps = workPlan(three);
  const open = progressOf(steps, { ...NO_RECORDS, repairs: [repair] });
  expect(open.next!.step).toMatchObject({
    id: 'repair h1',
    says: 'Make it again',
    caution: 'Hot.',
  });
  expect(open.leftMinutes).toBeCloseTo(progressOf(steps, NO_RECORDS).leftMinutes + 15, 9);
  const { id, fingerprint } = open.next!.step;
  const done = { step: id, fingerprint, lengthM: null, revision: 1, by: '', at: '' };
  const ticked = progressOf(steps, { ...NO_RECORDS, repairs: [repair], done: [done] });
  expect(ticked.next!.step.kind).not.toBe('repair');
});

test('a pedal that hangs on a supply is fed, whatever is switched', () => {
  const fed = hung(rigOf([{ of: 'drive' }], [brick(outletGroup(2, 9, 0.1))]), [
    'd1',
    { supply: 'u1', outlet: 0 },
  ]);
  expect(wayOf(fed).supplies[0]!.feeds).toMatchObject([{ device: 'd1', takesBattery: true }]);
  expect(hang(fed, 'd1', { supply: 'u1', outlet: 1 })).not.toBeNull();
});
