import { deviceOfClass, entered } from '../../src/gear';
import { measureRig } from '../../src/figures';
import {
  applyEdit,
  applyEdits,
  arriveByLead,
  arriveByWireless,
  editBrief,
  insertDevice,
  keepScene,
  keepSituation,
  mainRow,
  newRig,
  NO_BRIEF,
  removeDevice,
  setLengthAt,
  stampInScene,
  stampSwitch,
  upgradeRig,
  wirelessOf,
  type Brief,
} from '../../src/rig';

const rig = newRig('brief');

test.each<[Partial<Brief>, string]>([
  [{ mostMoney: -1 }, 'Money: -1 is not between 0 and 1000000.'],
  [{ mostMoney: Number.NaN }, 'Money: NaN is not between 0 and 1000000.'],
  [{ mostBoxes: 21 }, 'Added boxes: 21 is not between 0 and 20.'],
  [{ mostBoxes: 1.5 }, 'Added boxes: 1.5 is not a whole number of boxes.'],
  [{ reach: { l1: entered(500) } }, 'Lead length: 500\u00a0m is above the most, 100\u00a0m.'],
  [
    { weights: { distance: 11, spread: 0, level: 0, resonance: 0, ends: 0, buffers: 0, rules: 0 } },
    'Weight of distance: 11 is not between 0 and 10.',
  ],
])('a brief out of its limits is refused in words: %j', (change, message) => {
  expect(applyEdit(rig, editBrief(rig, change))).toEqual({ kind: 'refused', message });
});

test('a brief is changed and taken back like everything else', () => {
  const edit = editBrief(rig, {
    noSoldering: true,
    uses: { d1: 'leftOn' },
    reach: { l1: entered(4) },
  });
  const result = applyEdit(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  expect(result.rig.brief).toMatchObject({ noSoldering: true, uses: { d1: 'leftOn' } });
  expect(applyEdit(result.rig, result.inverse)).toMatchObject({ rig: { brief: NO_BRIEF } });
});

test('by wireless: the guitar drives a short lead, the receiver what the first lead was', () => {
  const there = applyEdits(rig, arriveByWireless(rig));
  expect(wirelessOf(there)).toBeDefined();
  expect(mainRow(there).leads.map((lead) => lead!.lengthM.value)).toEqual([0.5, 6]);
  const measured = measureRig(there);
  expect(measured.sections).toMatchObject([{ leadM: 0.5 }, { leadM: 6 }]);
  const back = applyEdits(there, arriveByLead(there));
  expect(mainRow(back)).toEqual(mainRow(rig));
  expect(() => arriveByLead(back)).toThrow(/by a lead already/u);
});

test('a length at one place leaves the other places as they are', () => {
  let there = applyEdits(rig, keepSituation(rig, 'home'));
  there = applyEdits(there, keepSituation(there, 'away'));
  const away = there.situations[1]!.id;
  const after = applyEdits(there, setLengthAt(there, away, 'l1', entered(15)));
  expect(after.situations.map(({ lengths }) => lengths.l1!.value)).toEqual([6, 15]);
});

test('a switch in a scene, on and off again', () => {
  const pedal = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '')));
  const scened = applyEdits(pedal, keepScene(pedal, 'loud'));
  const { id } = scened.scenes[0]!;
  const on = applyEdits(scened, stampInScene(scened, id, 'd1', true));
  expect(on.scenes[0]!.standing.positions).toEqual({ d1: true });
  expect(applyEdits(on, stampInScene(on, id, 'd1', false))).toEqual(scened);
});

test('a pedal that was on when it lost its foot-switch can be taken out', () => {
  const pedal = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '')));
  const on = applyEdits(pedal, stampSwitch(pedal, 'd1'), {
    kind: 'choose',
    target: { of: 'device', id: 'd1' },
    field: 'bypass',
    to: 'alwaysOn',
  });
  const result = applyEdit(on, removeDevice(on, 'd1'));
  if (result.kind === 'refused') throw new Error(result.message);
  expect(result.rig.standing.positions).toEqual({});
  expect(applyEdit(result.rig, result.inverse)).toMatchObject({ rig: on });
});

test('format 2 gets an empty brief, pins too', () => {
  const { brief: _, ...old } = { ...rig, format: 2 };
  const { pins: _pins, ...pinned } = old;
  const upgraded = upgradeRig({ ...old, pins: [{ id: 'p1', name: 'pin', rig: pinned }] });
  const { pins, ...now } = rig;
  expect(pins).toEqual([]);
  expect(upgraded).toEqual({ ...now, pins: [{ id: 'p1', name: 'pin', rig: now }] });
  expect(upgradeRig({ ...old, pins: 'none' })).toMatchObject({ pins: 'none' });
});
