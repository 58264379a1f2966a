import { deviceOfClass, entered, guitarOfClass, type DeviceClass } from '../../src/gear';
import { Evaluator } from '../../src/plans';
import {
  addGuitar,
  applyEdits,
  editBrief,
  insertDevice,
  keepScene,
  keepSituation,
  linkSwitch,
  mainRow,
  newRig,
  setLeadLength,
  stampSwitch,
  type Rig,
} from '../../src/rig';
import { scoreAfresh } from './scoreAfresh';

/// The score of rigs that are more than a short row, against the ordinary figures.

const append = (rig: Rig, name: DeviceClass, rowId = mainRow(rig).id): Rig => {
  const row = rig.rows.find(({ id }) => id === rowId)!;
  return applyEdits(rig, insertDevice(rig, row.devices.length, deviceOfClass(name, ''), rowId));
};
const rowOfClasses = (...names: readonly DeviceClass[]): Rig =>
  names.reduce((rig, name) => append(rig, name), newRig('score'));

function keptAt(rig: Rig, name: string, leadId: string, lengthM: number): Rig {
  const laid = applyEdits(rig, setLeadLength(leadId, lengthM));
  return applyEdits(laid, keepSituation(laid, name));
}

function expectSame(rig: Rig): void {
  const [score, afresh] = [new Evaluator().score(rig), scoreAfresh(rig)];
  expect(score.goal).toBeCloseTo(afresh.goal, 6);
  for (const [term, value] of Object.entries(score.terms))
    expect([term, value]).toEqual([term, expect.closeTo(afresh.terms[term as 'spread'], 6)]);
}

test('leads so long that they are lines, behind the pickup and behind a driver', () => {
  const rig = rowOfClasses('drive', 'delay', 'drive');
  const last = mainRow(rig).leads.at(-1)!.id;
  expectSame(keptAt(keptAt(rig, 'near', last, 4), 'far', last, 70));
  expectSame(keptAt(keptAt(rig, 'near', 'l1', 4), 'far', 'l1', 70));
});

test('a tap whose lead is longer elsewhere: the way itself is another there', () => {
  const rig = rowOfClasses('tap', 'drive', 'wah');
  const side = rig.rows.find(({ at }) => at.kind === 'side')!.leads[0]!.id;
  const there = keptAt(keptAt(rig, 'here', side, 2), 'there', side, 12);
  expect(there.situations[1]!.lengths[side]).toBeDefined();
  expectSame(there);
});

test('two guitars, a loop with pedals in it, linked switches, scenes that do not count', () => {
  let rig = rowOfClasses('selector', 'switcher', 'drive', 'delay');
  const loop = rig.rows.find(({ at }) => at.kind === 'loop')!.id;
  rig = append(append(rig, 'wah', loop), 'drive', loop);
  rig = applyEdits(rig, addGuitar(rig, guitarOfClass('hotTwin', 'dark'), 'd1'));
  rig = applyEdits(rig, keepScene(rig, 'dark'), { kind: 'stamp', playing: 'g1' });
  rig = applyEdits(rig, stampSwitch(rig, 'd3'));
  rig = applyEdits(rig, keepScene(rig, 'bright'));
  rig = applyEdits(rig, linkSwitch(rig, 'd3', 'd4'));
  expectSame(rig);
  expectSame(applyEdits(rig, editBrief(rig, { uncounted: [rig.scenes[0]!.id] })));
});

test('pedals that are left on, and fuzzes, stand still while the spread is taken', () => {
  const rig = rowOfClasses('lowImpedanceFuzz', 'compressor', 'drive', 'wah');
  expectSame(rig);
  const left = applyEdits(rig, editBrief(rig, { uses: { d2: 'leftOn' } }));
  expectSame(left);
  expect(new Evaluator().score(left).terms.spread).toBeLessThan(
    new Evaluator().score(rig).terms.spread,
  );
});

test('a lead that a place does not name stays as it is there', () => {
  const rig = rowOfClasses('drive');
  const kept = keptAt(rig, 'home', 'l1', 3);
  expectSame(applyEdits(kept, setLeadLength(mainRow(kept).leads.at(-1)!.id, 0.9)));
  expectSame({ ...kept, situations: [{ ...kept.situations[0]!, lengths: { l1: entered(8) } }] });
});

test('what is muted in every scene has no score', () => {
  const rig = rowOfClasses('tuner', 'drive');
  const on = applyEdits(rig, stampSwitch(rig, 'd1'));
  expect(new Evaluator().score(applyEdits(on, keepScene(on, 'tuning'))).goal).toBe(Infinity);
});
