import { measureRig, measureScenes, measureSituations } from '../../src/figures';
import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  checkRig,
  insertDevice,
  keepScene,
  keepSituation,
  measureOutSituation,
  newRig,
  removeFrom,
  setLeadLength,
  situationNow,
  standAt,
  type Rig,
} from '../../src/rig';
import { leadsOf } from './straightRow';

/// Home, rehearsal, the big stage: the same rig with other leads.

function board(): Rig {
  const one = applyEdits(newRig('board'), setLeadLength('l1', 3));
  const two = applyEdits(one, insertDevice(one, 0, deviceOfClass('delay', '')));
  const out = leadsOf(two)[1]!.id;
  const home = applyEdits(two, setLeadLength(out, 4));
  const kept = applyEdits(home, keepSituation(home, 'home'));
  const far = applyEdits(kept, setLeadLength('l1', 9), setLeadLength(out, 20));
  return applyEdits(far, keepSituation(far, 'big stage'));
}

const treble = (rig: Rig) => {
  const measured = measureRig(rig);
  return measured.kind === 'sounding' ? measured.figures.trebleDb : NaN;
};
const lengths = (rig: Rig) => leadsOf(rig).map(({ lengthM }) => lengthM.value);

test('all lead lengths follow a place, in one step that can be taken back', () => {
  const rig = board();
  const [home, stage] = rig.situations;
  expect(situationNow(rig)).toBe(stage);
  const result = applyEdit(rig, standAt(rig, home!));
  if (result.kind === 'refused') throw new Error(result.message);
  expect(lengths(result.rig)).toEqual([3, 4]);
  expect(situationNow(result.rig)).toBe(result.rig.situations[0]);
  expect(applyEdits(result.rig, result.inverse)).toEqual(rig);
  expect(checkRig(result.rig)).toEqual([]);
});

test('a patch stays as it is; a lead that is gone is left out', () => {
  const rig = board();
  const patched = applyEdits(rig, insertDevice(rig, 1, deviceOfClass('drive', '')));
  const [home] = patched.situations;
  expect(Object.keys(home!.lengths)).toHaveLength(2);
  const cut = applyEdits(patched, { kind: 'hop', row: 'r1', at: 0, lead: null });
  expect(checkRig(applyEdits(cut, standAt(cut, home!)))).toEqual([]);
});

test('figures of all places side by side are those of the rig standing there', () => {
  const rig = board();
  const sides = measureSituations(rig, 'r1');
  expect(sides.map(({ id }) => id)).toEqual(rig.situations.map(({ id }) => id));
  for (const [i, { sound }] of sides.entries()) {
    const there = applyEdits(rig, standAt(rig, rig.situations[i]!));
    expect(sound!.figures.trebleDb).toBeCloseTo(treble(there), 9);
  }
  expect(sides[1]!.sound!.figures.trebleDb).toBeLessThan(sides[0]!.sound!.figures.trebleDb - 1);
  const withScene = applyEdits(rig, keepScene(rig, 'as it is'));
  expect(measureScenes(withScene, 'r1')[1]!.sound).toEqual(
    measureScenes(withScene, 'r1')[0]!.sound,
  );
});

test('a place can be measured out again, renamed, and let go', () => {
  const rig = applyEdits(board(), setLeadLength('l1', 12));
  expect(situationNow(rig)).toBeUndefined();
  const [, stage] = rig.situations;
  const set = applyEdits(rig, measureOutSituation(rig, stage!.id));
  expect(set.situations[1]!.lengths.l1!.value).toBe(12);
  const named = applyEdits(set, {
    kind: 'rename',
    target: { of: 'situation', id: stage!.id },
    to: 'town hall',
  });
  expect(situationNow(named)!.name).toBe('town hall');
  expect(applyEdits(named, removeFrom(named, 'situations', stage!.id)).situations).toHaveLength(1);
});

test('absurd lengths are refused where they stand', () => {
  const rig = board();
  const bad = { ...rig, situations: [{ ...rig.situations[0]!, lengths: { l1: entered(500) } }] };
  expect(checkRig(bad)).toEqual([
    {
      path: 'situations[0].lengths.l1',
      message: 'Lead length: 500\u00a0m is above the most, 100\u00a0m.',
    },
  ]);
});
