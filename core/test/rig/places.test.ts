import { measureRig, measureScenes, measurePlaces } from '../../src/figures';
import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  checkRig,
  insertDevice,
  keepScene,
  keepPlace,
  measureOutPlace,
  newRig,
  removeFrom,
  setCableLength,
  placeNow,
  goToPlace,
  type Rig,
  withElectrical,
} from '../../src/rig';
import { cablesOf } from './straightRow';

/// Home, rehearsal, the big stage: the same rig with other cables.

function board(): Rig {
  const one = applyEdits(newRig('board'), setCableLength('l1', 3));
  const two = applyEdits(one, insertDevice(one, 0, deviceOfClass('delay', '')));
  const out = cablesOf(two)[1]!.id;
  const home = applyEdits(two, setCableLength(out, 4));
  const kept = applyEdits(home, keepPlace(home, 'home'));
  const far = applyEdits(kept, setCableLength('l1', 9), setCableLength(out, 20));
  return applyEdits(far, keepPlace(far, 'big stage'));
}

const treble = (rig: Rig) => {
  const measured = measureRig(rig);
  return measured.kind === 'sounding' ? measured.figures.trebleDb : NaN;
};
const lengths = (rig: Rig) => cablesOf(rig).map(({ lengthM }) => lengthM.value);

test('all cable lengths follow a place, in one step that can be taken back', () => {
  const rig = board();
  const [home, stage] = rig.electrical.places;
  expect(placeNow(rig)).toBe(stage);
  const result = applyEdit(rig, goToPlace(rig, home!));
  if (result.kind === 'refused') throw new Error(result.message);
  expect(lengths(result.rig)).toEqual([3, 4]);
  expect(placeNow(result.rig)).toBe(result.rig.electrical.places[0]);
  expect(applyEdits(result.rig, result.inverse)).toEqual(rig);
  expect(checkRig(result.rig)).toEqual([]);
});

test('a patch stays as it is; a cable that is gone is left out', () => {
  const rig = board();
  const patched = applyEdits(rig, insertDevice(rig, 1, deviceOfClass('drive', '')));
  const [home] = patched.electrical.places;
  expect(Object.keys(home!.lengths)).toHaveLength(2);
  const cut = applyEdits(patched, { kind: 'connect', row: 'r1', at: 0, cable: null });
  expect(checkRig(applyEdits(cut, goToPlace(cut, home!)))).toEqual([]);
});

test('figures of all places side by side are those of the rig state there', () => {
  const rig = board();
  const sides = measurePlaces(rig, 'r1');
  expect(sides.map(({ id }) => id)).toEqual(rig.electrical.places.map(({ id }) => id));
  for (const [i, { sound }] of sides.entries()) {
    const there = applyEdits(rig, goToPlace(rig, rig.electrical.places[i]!));
    expect(sound!.figures.trebleDb).toBeCloseTo(treble(there), 9);
  }
  expect(sides[1]!.sound!.figures.trebleDb).toBeLessThan(sides[0]!.sound!.figures.trebleDb - 1);
  const withScene = applyEdits(rig, keepScene(rig, 'as it is'));
  expect(measureScenes(withScene, 'r1')[1]!.sound).toEqual(
    measureScenes(withScene, 'r1')[0]!.sound,
  );
});

test('a place can be measured out again, renamed, and let go', () => {
  const rig = applyEdits(board(), setCableLength('l1', 12));
  expect(placeNow(rig)).toBeUndefined();
  const [, stage] = rig.electrical.places;
  const set = applyEdits(rig, measureOutPlace(rig, stage!.id));
  expect(set.electrical.places[1]!.lengths.l1!.value).toBe(12);
  const named = applyEdits(set, {
    kind: 'rename',
    target: { of: 'place', id: stage!.id },
    to: 'town hall',
  });
  expect(placeNow(named)!.name).toBe('town hall');
  expect(applyEdits(named, removeFrom(named, 'places', stage!.id)).electrical.places).toHaveLength(
    1,
  );
});

test('absurd lengths are refused where they stand', () => {
  const rig = board();
  const [home] = rig.electrical.places;
  const bad = withElectrical(rig, { places: [{ ...home!, lengths: { l1: entered(500) } }] });
  expect(checkRig(bad)).toEqual([
    {
      path: 'electrical.places[0].lengths.l1',
      message: 'Cable length: 500\u00a0m is above the most, 100\u00a0m.',
    },
  ]);
});
