import {
  buttonTable,
  cableCost,
  cableList,
  expectedF,
  findingOf,
  guideFor,
  takeMeasured,
  toleranceShare,
  type CableTest,
} from '../../src/build';
import {
  cableOfClass,
  deviceOfClass,
  entered,
  gearItem,
  plugOfShape,
  type GearItem,
} from '../../src/gear';
import { applyEdits, findCable, insertDevice, newRig, USUAL_WAYS } from '../../src/rig';

/// A cable held against what it should be.

const cable = {
  ...cableOfClass('ordinary', 'l1', entered(3), 'Patch'),
  cPerMF: entered(110e-12),
  plugF: entered(15e-12),
};

const TEST: CableTest = {
  id: 't1',
  cable: 'l1',
  label: 'A1',
  revision: 1,
  fingerprint: '',
  lengthM: 3,
  tipThrough: true,
  sleeveThrough: true,
  ringThrough: null,
  leakOhm: 100e6,
  silentPlugs: null,
  pull: true,
  wiggle: true,
  capacitanceF: null,
  by: 'bench meter',
  note: '',
  at: '2026-11-26T10:00:00Z',
};

test('3 m of 110 pF/m with two plugs of 15 pF: 360 pF, within 5.4 %', () => {
  expect(expectedF(cable)).toBeCloseTo(360e-12, 18);
  // 5 % of its kind and 2 % of its length, together.
  expect(toleranceShare(cable)).toBeCloseTo(Math.hypot(0.05, 0.02), 9);
});

test.each<readonly [string, Partial<CableTest>, boolean | null, RegExp | null]>([
  ['all is right', {}, true, null],
  ['the tip is open', { tipThrough: false }, false, /^A1: the tip is not through/u],
  ['it leaks', { leakOhm: 2e6 }, false, /2 MΩ between tip and sleeve; at least 20 MΩ is right/u],
  ['it comes off', { pull: false }, false, /does not hold when it is pulled/u],
  ['a silent plug fails', { silentPlugs: false }, false, /silent plug/u],
  ['not yet tried', { wiggle: null }, null, null],
  ['a reading within', { capacitanceF: 375e-12 }, true, null],
  [
    'a reading above',
    { capacitanceF: 420e-12 },
    false,
    /420 pF where 360 pF ± 5 % were expected. It may be another kind/u,
  ],
  ['a reading far below', { capacitanceF: 40e-12 }, false, /It may be open, or much shorter/u],
])('%s', (_, to, isPassed, says) => {
  const finding = findingOf({ ...TEST, ...to }, cable);
  expect(finding.isPassed).toBe(isPassed);
  const text = finding.says.join(' ').replaceAll('\u00a0', ' ');
  if (says) expect(text).toMatch(says);
  else expect(text).toBe('');
});

test('a measured cable goes into the rig as measured, with day and meter', () => {
  const rig = newRig('measured');
  const { id } = rig.electrical.rows[0]!.cables[0]!;
  const own = findCable(rig, id)!;
  const capacitanceF = own.lengthM.value * 95e-12 + 2 * own.plugF.value;
  const edit = takeMeasured(rig, { ...TEST, cable: id, capacitanceF });
  const after = findCable(applyEdits(rig, edit!), id)!;
  expect(after.cPerMF.value).toBeCloseTo(95e-12, 18);
  expect(after.cPerMF).toMatchObject({ from: 'measured', on: '2026-11-26', by: 'bench meter' });
  expect(takeMeasured(rig, { ...TEST, cable: id })).toBeNull();
  expect(takeMeasured(rig, { ...TEST, cable: 'l99', capacitanceF })).toBeNull();
});

test('what a cable costs made here, and bought', () => {
  const rig = newRig('costs');
  const own = cableList(rig)[0]!;
  const reel = gearItem('reel', 'cable', cableOfClass('low', 'l1', entered(100), 'Reel'));
  const whole = gearItem(
    'whole',
    'cable',
    cableOfClass('low', 'l1', entered(own.lengthM * 1.2), 'Whole'),
  );
  const plug = gearItem('plug', 'plug', plugOfShape('pancake', 'Flat'));
  const priced = <T extends GearItem>(
    item: T,
    price: number,
    form: 'reel' | 'madeUp' | null,
  ): T => ({
    ...item,
    qualities: { ...item.qualities, price, form },
  });
  const gear = [priced(reel, 2, 'reel'), priced(whole, 30, 'madeUp'), priced(plug, 5, null)];
  const cable = { ...own, cutM: 3 };
  expect(cableCost(rig, gear, cable)).toEqual({ made: 2 * 3 + 2 * 5, bought: 30 });
  expect(cableCost(rig, [], cable)).toEqual({ made: null, bought: null });
});

test('boots of neighbours differ, and every button of a switcher says what it switches', () => {
  const switcher = deviceOfClass('switcher', '', 'Locks');
  const rig = applyEdits(newRig('buttons'), insertDevice(newRig('buttons'), 0, switcher));
  const boots = cableList(rig).map(({ boot }) => boot);
  for (const [i, boot] of boots.entries()) expect(boot).not.toBe(boots[i + 1]);
  const { rows } = buttonTable(rig);
  expect(rows).toHaveLength(switcher.loops);
  expect(rows[0]).toEqual(['Locks', '1', 'nothing']);
  expect(buttonTable(newRig('none')).rows).toEqual([]);
});

test('a guide for every kind of cable and joint', () => {
  expect(guideFor({ kind: 'audio' }, USUAL_WAYS).order[0]).toMatch(
    /Thread the body and the insulator on/u,
  );
  expect(guideFor({ kind: 'audio' }, { ...USUAL_WAYS, joints: 'screwOn' }).wrong.join()).toMatch(
    /beside the core/u,
  );
  expect(guideFor({ kind: 'audio' }, { ...USUAL_WAYS, strand: 'solid' }).wrong.join()).toMatch(
    /bent twice/u,
  );
  expect(guideFor({ kind: 'dc' }, USUAL_WAYS).cautions.join()).toMatch(/stay closed/u);
});
