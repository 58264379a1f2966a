import { measureRig, measureScenes, measurePlaces } from '../../src/figures';
import { deviceOfClass, destinationOfKind, entered, type Cable } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  checkRig,
  insertDevice,
  isPatch,
  keepScene,
  keepPlace,
  measureOutPlace,
  newRig,
  plugInAtPlace,
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
      message: 'Cable length: 500\u00a0m, at most 100\u00a0m.',
    },
  ]);
});

describe('another amp that waits at a place', () => {
  const hired = { ...destinationOfKind('mixer', 'Hired desk', 'e1') };
  const own = (rig: Rig) => rig.electrical.destinations[0]!;
  const rig = board();
  const stage = rig.electrical.places[1]!;
  const plugged = applyEdits(rig, plugInAtPlace(rig, stage.id, { destination: hired }));
  const there = plugged.electrical.places[1]!;

  test('figures of that place are of that amp, everywhere; those of the others and of the rig stay', () => {
    const [homeBefore] = measurePlaces(rig, 'r1');
    const [home, big] = measurePlaces(plugged, 'r1');
    expect(home).toEqual(homeBefore);
    expect(measureRig(plugged)).toEqual(measureRig(rig));
    const withHired = applyEdits(rig, { kind: 'replace', part: { of: 'destination', to: hired } });
    const expected = measureRig(withHired);
    if (expected.kind !== 'sounding') throw new Error('silent');
    expect(big!.sound!.figures).toEqual(expected.figures);
    expect(big!.sound!.figures.trebleDb).not.toBeCloseTo(treble(rig), 1);
  });

  test('going there plugs it in, going elsewhere plugs the rig’s own in again, and one undo takes it back', () => {
    const moved = applyEdit(plugged, goToPlace(plugged, there));
    if (moved.kind === 'refused') throw new Error(moved.message);
    expect(own(moved.rig).name).toBe('Hired desk');
    expect(placeNow(moved.rig)).toEqual(there);
    expect(checkRig(moved.rig)).toEqual([]);
    expect(applyEdits(moved.rig, moved.inverse)).toEqual(plugged);
    const back = applyEdits(moved.rig, goToPlace(moved.rig, moved.rig.electrical.places[0]!));
    expect(own(back)).toEqual(own(rig));
    expect(placeNow(back)!.name).toBe('home');
  });

  test('a place kept while it is plugged in keeps that amp; one kept elsewhere has none of its own', () => {
    const moved = applyEdits(plugged, goToPlace(plugged, there));
    const kept = applyEdits(moved, keepPlace(moved, 'the same hall'));
    expect(kept.electrical.places[2]!.destination!.name).toBe('Hired desk');
    expect(applyEdits(rig, keepPlace(rig, 'yard')).electrical.places[2]!.destination).toBeNull();
  });

  test('a loop of its own is the rig’s amp with another loop', () => {
    const loop = { sendOhm: entered(600), returnOhm: entered(10e3), returnF: entered(50e-12) };
    const looped = applyEdits(rig, plugInAtPlace(rig, stage.id, { loop }));
    const moved = applyEdits(looped, goToPlace(looped, looped.electrical.places[1]!));
    expect(own(moved)).toMatchObject({ name: own(rig).name, ...loop });
  });
});

test('a metre is a patch still, more is not', () => {
  const [cable] = cablesOf(board()) as [Cable];
  const isPatchOf = (m: number) => isPatch({ ...cable, lengthM: entered(m) });
  expect([0.15, 1, 1.01].map(isPatchOf)).toEqual([true, true, false]);
});
