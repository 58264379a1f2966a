import { deviceOfClass, guitarOfClass } from '../../src/gear';
import { measureScenes } from '../../src/figures';
import {
  addGuitar,
  applyEdits,
  insertDevice,
  isEngaged,
  keepScene,
  knownState,
  mainRow,
  newRig,
  playingGuitar,
  recallScene,
  removeGuitar,
  removeRows,
  switchesOfDevice,
  withoutMains,
  type Edit,
} from '../../src/rig';

/// What a kept switch state means once the rig around it is another.

const SELECTOR = deviceOfClass('selector', '');

function twoGuitars() {
  const start = newRig('two guitars');
  const selecting = applyEdits(start, insertDevice(start, 0, SELECTOR, mainRow(start).id));
  const added = addGuitar(selecting, guitarOfClass('hotHumbucker', 'Dark'), 'cable');
  return applyEdits(selecting, added);
}

test('a scene knows the guitar that played; where that one is gone, the first plays', () => {
  const rig = twoGuitars();
  const [first, second] = rig.electrical.guitars.map(({ id }) => id) as [string, string];
  const states = [first, second, null].map((playing) => ({ ...rig.state, playing }));
  for (const state of states) expect(knownState(rig, state)).toBe(state);
  const heard = states.map((state) => playingGuitar({ electrical: rig.electrical, state }).id);
  expect(heard).toEqual([first, second, first]);
  expect(knownState(rig, { ...rig.state, playing: 'gone' }).playing).toBe(first);

  const onSecond = applyEdits(rig, { kind: 'switch', playing: second });
  const kept = applyEdits(onSecond, keepScene(onSecond, 'dark'));
  const scene = kept.electrical.scenes[0]!;
  const onFirst = applyEdits(kept, { kind: 'switch', playing: first });
  expect(applyEdits(onFirst, recallScene(onFirst, scene)).state.playing).toBe(second);
  const [now, dark] = measureScenes(onFirst, mainRow(onFirst).id);
  expect(dark!.sound!.figures).not.toEqual(now!.sound!.figures);
  const alone = applyEdits(onFirst, removeGuitar(onFirst, second));
  const [, left] = measureScenes(alone, mainRow(alone).id);
  expect(left!.sound!.figures).toEqual(now!.sound!.figures);
});

test('a switcher has a switch for each loop and none of its own; a pedal has one; what is always on has none', () => {
  const switcher = { ...deviceOfClass('switcher', 'd1'), loops: 3 };
  expect(switchesOfDevice(switcher)).toEqual(['d1.0', 'd1.1', 'd1.2']);
  expect(switchesOfDevice(deviceOfClass('drive', 'd2'))).toEqual(['d2']);
  expect(switchesOfDevice(deviceOfClass('buffer', 'd3'))).toEqual([]);
});

test('what is always on is engaged; anything else only while its switch says so', () => {
  const rig = newRig('one');
  const drive = deviceOfClass('drive', 'd1');
  const at = (on: boolean) => ({ ...rig, state: { ...rig.state, positions: { d1: on } } });
  expect([isEngaged(rig, drive), isEngaged(at(false), drive), isEngaged(at(true), drive)]).toEqual([
    false,
    false,
    true,
  ]);
  expect(isEngaged(rig, deviceOfClass('buffer', 'd2'))).toBe(true);
});

test('the mains feed every device of every row', () => {
  const rig = twoGuitars();
  expect(withoutMains(rig)).toEqual(mainRow(rig).devices.map(({ id }) => id));
});

test('the switches of what goes with a row go off, and no others', () => {
  const start = newRig('switcher');
  const put = applyEdits(
    start,
    insertDevice(start, 0, { ...deviceOfClass('switcher', '', 'Ferryman'), loops: 2 }),
  );
  const loop = put.electrical.rows.find(({ at }) => at.kind === 'loop')!;
  const rig = applyEdits(put, insertDevice(put, 0, deviceOfClass('drive', ''), loop.id));
  const inLoop = rig.electrical.rows.find(({ id }) => id === loop.id)!;
  const [drive, switcher] = [inLoop.devices[0]!.id, mainRow(rig).devices[0]!.id];
  const on = applyEdits(rig, {
    kind: 'switch',
    positions: { [drive]: true, [`${switcher}.1`]: true },
  });
  const [off] = removeRows(on, [inLoop]) as [Edit];
  const { positions } = applyEdits(on, off).state;
  expect([positions[drive] ?? false, positions[`${switcher}.1`]]).toEqual([false, true]);
});
