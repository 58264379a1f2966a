import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  editBrief,
  insertDevice,
  keepScene,
  keepPlace,
  newRig,
  NO_BRIEF,
  removeDevice,
  setLengthAt,
  switchInScene,
  toggleSwitch,
  type Brief,
} from '../../src/rig';

const rig = newRig('brief');

test.each<[Partial<Brief>, string]>([
  [{ mostMoney: -1 }, 'Money: -1 is not between 0 and 1000000.'],
  [{ mostMoney: Number.NaN }, 'Money: NaN is not between 0 and 1000000.'],
  [{ mostBoxes: 21 }, 'Added boxes: 21 is not between 0 and 20.'],
  [{ mostBoxes: 1.5 }, 'Added boxes: 1.5 is not a whole number of boxes.'],
  [{ reach: { l1: entered(500) } }, 'Cable length: 500\u00a0m, at most 100\u00a0m.'],
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
  expect(result.rig.texts.brief).toMatchObject({ noSoldering: true, uses: { d1: 'leftOn' } });
  expect(applyEdit(result.rig, result.inverse)).toMatchObject({
    rig: { texts: { brief: NO_BRIEF } },
  });
});

test('a length at one place leaves the other places as they are', () => {
  let there = applyEdits(rig, keepPlace(rig, 'home'));
  there = applyEdits(there, keepPlace(there, 'away'));
  const away = there.electrical.places[1]!.id;
  const after = applyEdits(there, setLengthAt(there, away, 'l1', entered(15)));
  expect(after.electrical.places.map(({ lengths }) => lengths.l1!.value)).toEqual([6, 15]);
});

test('a switch in a scene, on and off again', () => {
  const pedal = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '')));
  const scened = applyEdits(pedal, keepScene(pedal, 'loud'));
  const { id } = scened.electrical.scenes[0]!;
  const on = applyEdits(scened, switchInScene(scened, id, 'd1', true));
  expect(on.electrical.scenes[0]!.state.positions).toEqual({ d1: true });
  expect(applyEdits(on, switchInScene(on, id, 'd1', false))).toEqual(scened);
});

test('a pedal that was on when it lost its foot-switch can be taken out', () => {
  const pedal = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '')));
  const on = applyEdits(pedal, toggleSwitch(pedal, 'd1'), {
    kind: 'choose',
    target: { of: 'device', id: 'd1' },
    field: 'bypass',
    to: 'alwaysOn',
  });
  const result = applyEdit(on, removeDevice(on, 'd1'));
  if (result.kind === 'refused') throw new Error(result.message);
  expect(result.rig.state.positions).toEqual({});
  expect(applyEdit(result.rig, result.inverse)).toMatchObject({ rig: on });
});
