import fc from 'fast-check';
import { analyseRig, analyseStates, measureRig, switchesOf } from '../../src/figures';
import { deviceOfClass, entered, type DeviceClass } from '../../src/gear';
import {
  adviseRig,
  explainRig,
  heed,
  sayAdvice,
  stepOf,
  worseInUse,
  type Said,
} from '../../src/judgements';
import { formatSignedDb } from '../../src/quantity';
import { Evaluator, makeMoves, searchToEnd, usedStates } from '../../src/plans';
import {
  applyEdit,
  applyEdits,
  editBrief,
  insertDevice,
  keepScene,
  mainRow,
  newRig,
  setCableLength,
  withoutMains,
  type Rig,
} from '../../src/rig';
import { randomRig } from '../rig/randomRig';
import { switchedTo, withDevices } from '../rig/straightRow';

/// One voice: headline, advice, explanation and plans name the same first step.

const board = (...names: readonly DeviceClass[]): Rig =>
  names.reduce(
    (rig, name) =>
      applyEdits(
        rig,
        insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '', name)),
      ),
    newRig('board'),
  );

const said = (rig: Rig): Said => heed(adviseRig(rig, [], 'metric'), rig.texts.dismissed);

const right = applyEdits(board('buffer', 'drive'), setCableLength('l1', 3));

/** A dull one for which nothing may be bought. */
const dull = applyEdits(board('drive', 'drive', 'modulation'), setCableLength('l1', 9));
const frugal = applyEdits(dull, editBrief(dull, { nothingBought: true, noSoldering: true }));

test('a first step says what is left of a loss that is plain to hear', () => {
  const { first } = said(dull);
  if (first?.kind !== 'move') throw new Error('there is a move');
  const after = measureRig(applyEdits(dull, first.edit));
  if (after.kind !== 'sounding') throw new Error('it sounds');
  const db = formatSignedDb(after.figures.trebleDb);
  expect(first.cuts).toMatch(
    after.figures.trebleDb < -0.5 ? /^It would cut the loss to/u : /^It would bring/u,
  );
  expect(first.cuts).toContain(db);
  expect(sayAdvice(said(dull))).toContain(`${first.cuts}: `);
  // Nothing is lost where the pickup drives no more than straight in.
  const { first: other } = said(withDevices(right, (device) => device));
  expect(other?.kind === 'move' ? other.cuts : null).toBeNull();
});

test('random rigs: all four say the same first step', () => {
  const kinds = new Set<string>();
  fc.assert(
    fc.property(randomRig, (rig) => {
      const analysis = analyseRig(rig);
      const advice = adviseRig(rig, [], 'metric');
      if (analysis.kind !== 'sounding' || !advice.step) {
        expect(advice).toEqual({ step: null, judgements: [] });
        return;
      }
      const { step } = advice;
      expect(stepOf(rig, searchToEnd(rig, [], { mostMoves: 2 }), 'metric')).toEqual(step);
      const heeded = heed(advice, []);
      const first = heeded.first!;
      kinds.add(first.kind);
      if (first.kind !== 'fine') expect(first).toBe(step);
      const states = analyseStates(rig, switchesOf(rig));
      const explained = explainRig(rig, analysis, states, 'metric')
        .map(({ text }) => text)
        .join(' ');
      const headline = sayAdvice(heeded);
      if (first.kind === 'move') {
        expect(explained).toContain(first.said);
        expect(headline.toLowerCase()).toContain(`first step: ${first.said.toLowerCase()}`);
        expect(applyEdit(rig, first.edit).kind).toBe('ok');
      }
      for (const text of [explained, headline])
        expect(text.includes('It’s fine, leave it')).toBe(first.kind === 'fine');
      expect(heeded.judgements.some(({ kind }) => kind === 'fine')).toBe(first.kind === 'fine');
    }),
    { seed: 5, numRuns: 12, examples: [[right], [frugal]] },
  );
  expect([...kinds].sort()).toEqual(['fine', 'leave', 'move']);
});

describe('it’s fine', () => {
  test('where treble and level are, in every state that is played', () => {
    expect(said(right).first).toEqual({ kind: 'fine' });
  });

  test('not beside a level that is off, unless somebody asked for it', () => {
    const at = (name: DeviceClass, gainDb: number, from: 'entered' | 'assumed') => {
      const rig = withDevices(board('buffer', name), (device) =>
        device.deviceClass === name
          ? { ...device, on: { ...device.on, gainDb: { value: gainDb, from } } }
          : device,
      );
      return said(applyEdits(rig, setCableLength('l1', 3))).first?.kind;
    };
    expect(at('boost', 20, 'entered')).toBe('fine');
    expect(at('boost', 20, 'assumed')).not.toBe('fine');
    expect(at('boost', -18.5, 'entered')).not.toBe('fine');
  });

  test('not where a scene is dull, though the rig as it stands is not', () => {
    const weak = withDevices(right, (device) =>
      device.deviceClass === 'drive'
        ? { ...device, on: { ...device.on, rOutOhm: entered(60e3) } }
        : device,
    );
    expect(measureRig(weak)).toMatchObject({ verdict: { size: 'unlikely' } });
    expect(said(weak).first?.kind).not.toBe('fine');
    const loud = applyEdits(weak, keepScene(weak, 'clean'));
    expect(said(loud).first?.kind).toBe('fine');
  });

  test('a low-impedance fuzz is meant to change the sound; what is warned of is not fine', () => {
    const fuzzed = applyEdits(board('lowImpedanceFuzz', 'buffer'), setCableLength('l1', 3));
    expect(said(fuzzed).first).toEqual({ kind: 'fine' });
    const late = applyEdits(board('buffer', 'lowImpedanceFuzz'), setCableLength('l1', 3));
    const advice = adviseRig(late, [], 'metric');
    expect(heed(advice, []).first?.kind).not.toBe('fine');
    expect(sayAdvice(heed(advice, []))).toMatch(/^Warning: lowImpedanceFuzz is fed by buffer/u);
    const { key } = advice.judgements[0]!;
    expect(sayAdvice(heed(advice, [key]))).not.toContain('Warning');
  });
});

test('without power it is not said what to do first, nor that it is fine; what comes in has no power either', () => {
  for (const rig of [right, dull]) {
    const dark = { ...rig, state: { ...rig.state, unpowered: withoutMains(rig) } };
    const { first, judgements } = said(dark);
    if (analyseRig(dark).kind !== 'sounding') expect(first).toBeNull();
    else expect(first).toEqual({ kind: 'unpowered' });
    expect(judgements.filter(({ kind, remedy }) => kind === 'fine' || remedy)).toEqual([]);
    const more = applyEdits(dark, insertDevice(dark, 0, deviceOfClass('buffer', '')));
    expect(more.state.unpowered).toHaveLength(withoutMains(rig).length + 1);
  }
  expect(said({ ...dull, state: { ...dull.state, unpowered: withoutMains(dull) } }).first).toEqual({
    kind: 'unpowered',
  });
});

test('used states: the scenes; or all off, as it stands, and each pedal alone, in its loop', () => {
  const rig = switchedTo(board('drive', 'tuner', 'delay'), { d1: true });
  expect(usedStates(rig).map(({ name, state }) => [name, state.positions])).toEqual([
    ['all off', {}],
    ['as it stands', { d1: true }],
    ['drive alone', { d1: true }],
    ['delay alone', { d3: true }],
  ]);
  const looped = board('switcher');
  const row = looped.electrical.rows.find(({ at }) => at.kind === 'loop')!.id;
  const inLoop = applyEdits(looped, insertDevice(looped, 0, deviceOfClass('drive', ''), row));
  expect(usedStates(inLoop).at(-1)!.state.positions).toEqual({ d2: true, 'd1.0': true });
  expect(usedStates(applyEdits(rig, keepScene(rig, 'loud'))).map(({ name }) => name)).toEqual([
    'loud',
  ]);
});

test('a remedy mends what is said, by the best of the moves that can', () => {
  const rig = applyEdits(board('wah', 'lowImpedanceFuzz', 'delay'), setCableLength('l1', 6));
  const { judgements } = adviseRig(rig, [], 'metric');
  const evaluator = new Evaluator();
  const now = evaluator.score(rig);
  const found = judgements.filter(({ remedy }) => remedy !== null);
  expect(found.map(({ kind }) => kind)).toEqual(
    expect.arrayContaining(['wahIntoFuzz', 'hardwiredBypass']),
  );
  for (const { remedy, kind, key } of found) {
    const made = applyEdit(rig, remedy!.edit);
    if (made.kind !== 'ok') throw new Error(made.message);
    expect(evaluator.score(made.rig).goal).toBeLessThan(now.goal);
    const after = adviseRig(made.rig, [], 'metric').judgements.map((one) => one.key);
    if (kind === 'wahIntoFuzz' || kind === 'hardwiredBypass') expect(after).not.toContain(key);
  }
});

test('what a plan makes worse in a state that is played is said, and so is a new warning', () => {
  const rig = applyEdits(board('lowImpedanceFuzz', 'delay', 'wah'), setCableLength('l1', 3));
  const { moves } = searchToEnd(rig, [], { mostMoves: 1 });
  const shift = moves.find(
    ({ action }) => action.kind === 'shift' && action.device === 'd3' && action.before === 'd1',
  );
  const forward = shift ? makeMoves(rig, [shift])!.rig : null;
  const other =
    forward ?? applyEdits(board('wah', 'lowImpedanceFuzz', 'delay'), setCableLength('l1', 3));
  const worse = worseInUse(rig, other, 'metric').join('\n');
  expect(worse).toMatch(/Warned of from then on: .*straight into/u);
  expect(worse).toMatch(/Treble, [^:]+: −\d/u);
  expect(worseInUse(rig, rig, 'metric')).toEqual([]);
});
