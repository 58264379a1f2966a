import {
  destinationOfKind,
  deviceOfClass,
  entered,
  guitarOfClass,
  type DeviceClass,
} from '../../src/gear';
import { Evaluator } from '../../src/plans';
import {
  addGuitar,
  applyEdits,
  editBrief,
  goToPlace,
  insertDevice,
  keepScene,
  keepPlace,
  linkSwitch,
  mainRow,
  newRig,
  plugInAtPlace,
  setCableLength,
  toggleSwitch,
  type Rig,
  withElectrical,
} from '../../src/rig';
import { scoreAfresh } from './scoreAfresh';

/// The score of rigs that are more than a short row, against the ordinary figures.

const append = (rig: Rig, name: DeviceClass, rowId = mainRow(rig).id): Rig => {
  const row = rig.electrical.rows.find(({ id }) => id === rowId)!;
  return applyEdits(rig, insertDevice(rig, row.devices.length, deviceOfClass(name, ''), rowId));
};
const rowOfClasses = (...names: readonly DeviceClass[]): Rig =>
  names.reduce((rig, name) => append(rig, name), newRig('score'));

function keptAt(rig: Rig, name: string, cableId: string, lengthM: number): Rig {
  const laid = applyEdits(rig, setCableLength(cableId, lengthM));
  return applyEdits(laid, keepPlace(laid, name));
}

function expectSame(rig: Rig): void {
  const [score, afresh] = [new Evaluator().score(rig), scoreAfresh(rig)];
  expect(score.goal).toBeCloseTo(afresh.goal, 6);
  for (const [term, value] of Object.entries(score.terms))
    expect([term, value]).toEqual([term, expect.closeTo(afresh.terms[term as 'spread'], 6)]);
}

test('cables so long that they are lines, after the pickup and after a driver', () => {
  const rig = rowOfClasses('drive', 'delay', 'drive');
  const last = mainRow(rig).cables.at(-1)!.id;
  expectSame(keptAt(keptAt(rig, 'near', last, 4), 'far', last, 70));
  expectSame(keptAt(keptAt(rig, 'near', 'l1', 4), 'far', 'l1', 70));
});

test('a tap whose cable is longer elsewhere: the way itself is another there', () => {
  const rig = rowOfClasses('tap', 'drive', 'wah');
  const side = rig.electrical.rows.find(({ at }) => at.kind === 'side')!.cables[0]!.id;
  const there = keptAt(keptAt(rig, 'here', side, 2), 'there', side, 12);
  expect(there.electrical.places[1]!.lengths[side]).toBeDefined();
  expectSame(there);
});

test('another amp that waits at a place, whether the rig stands there or not', () => {
  const rig = rowOfClasses('drive', 'wah');
  const last = mainRow(rig).cables.at(-1)!.id;
  const kept = keptAt(keptAt(rig, 'home', last, 4), 'hall', last, 9);
  const hall = kept.electrical.places[1]!.id;
  const desk = { ...destinationOfKind('mixer', 'hired desk'), id: 'e1' };
  const waits = applyEdits(kept, plugInAtPlace(kept, hall, { destination: desk }));
  expectSame(waits);
  expect(new Evaluator().score(waits).terms.distance).not.toBeCloseTo(
    new Evaluator().score(kept).terms.distance,
    1,
  );
  expectSame(applyEdits(waits, goToPlace(waits, waits.electrical.places[1]!)));
});

test('two guitars, a loop with pedals in it, linked switches, scenes that do not count', () => {
  let rig = rowOfClasses('selector', 'switcher', 'drive', 'delay');
  const loop = rig.electrical.rows.find(({ at }) => at.kind === 'loop')!.id;
  rig = append(append(rig, 'wah', loop), 'drive', loop);
  rig = applyEdits(rig, addGuitar(rig, guitarOfClass('hotHumbucker', 'dark'), 'cable'));
  rig = applyEdits(rig, keepScene(rig, 'dark'), { kind: 'switch', playing: 'g1' });
  rig = applyEdits(rig, toggleSwitch(rig, 'd3'));
  rig = applyEdits(rig, keepScene(rig, 'bright'));
  rig = applyEdits(rig, linkSwitch(rig, 'd3', 'd4'));
  expectSame(rig);
  expectSame(applyEdits(rig, editBrief(rig, { uncounted: [rig.electrical.scenes[0]!.id] })));
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

test('a cable that a place does not name stays as it is there', () => {
  const rig = rowOfClasses('drive');
  const kept = keptAt(rig, 'home', 'l1', 3);
  expectSame(applyEdits(kept, setCableLength(mainRow(kept).cables.at(-1)!.id, 0.9)));
  const [home] = kept.electrical.places;
  expectSame(withElectrical(kept, { places: [{ ...home!, lengths: { l1: entered(8) } }] }));
});

test('what is muted in every scene has no score', () => {
  const rig = rowOfClasses('tuner', 'drive');
  const on = applyEdits(rig, toggleSwitch(rig, 'd1'));
  expect(new Evaluator().score(applyEdits(on, keepScene(on, 'tuning'))).goal).toBe(Infinity);
});
