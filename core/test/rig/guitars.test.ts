import { measureRig } from '../../src/figures';
import { destinationOfKind, deviceOfClass, guitarOfClass } from '../../src/gear';
import {
  addGuitar,
  applyEdit,
  applyEdits,
  arrivalOf,
  arriveBy,
  canSplit,
  checkRig,
  inputsOf,
  insertDevice,
  mainRow,
  newRig,
  placeReceiver,
  receiverAt,
  removeGuitar,
  replaceDestination,
  secondHalfOf,
  selectorOf,
  setCableLength,
  splitIntoLoop,
  toggleSwitch,
  wirelessOf,
  type Edit,
  type Rig,
} from '../../src/rig';

const empty = newRig('rig');
const rig = applyEdits(empty, insertDevice(empty, 0, deviceOfClass('gate', '', 'Lock Gate')));
const dark = guitarOfClass('hotHumbucker', 'Dark');

/** Made, whole, and taken back to what it was. */
function made(before: Rig, edit: Edit): Rig {
  const result = applyEdit(before, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  expect(checkRig(result.rig)).toEqual([]);
  const back = applyEdit(result.rig, result.inverse);
  expect(back.kind === 'ok' && back.rig.electrical).toEqual(before.electrical);
  return result.rig;
}

describe('how a guitar arrives', () => {
  test('by wireless: it drives a short cable, the receiver what the first cable was', () => {
    const there = made(rig, arriveBy(rig, 'g1', 'wireless'));
    expect(arrivalOf(there, 'g1')).toBe('wireless');
    expect(mainRow(there).cables.map((cable) => cable!.lengthM.value)).toEqual([0.5, 6, 6]);
    expect(measureRig(there).sections[0]).toMatchObject({ cableM: 0.5 });
    const back = applyEdits(there, arriveBy(there, 'g1', 'cable'));
    expect(mainRow(back).cables).toHaveLength(mainRow(rig).cables.length);
    expect(wirelessOf(back)).toBeUndefined();
  });

  test('another one has an input of its own at a selector, put in where there is none', () => {
    const two = made(rig, addGuitar(rig, dark, 'cable'));
    const selector = selectorOf(two)!;
    expect(mainRow(two).devices[0]).toBe(selector);
    expect(inputsOf(two, selector.id).map(({ name }) => name)).toEqual(['guitar', 'Dark']);
    expect(two.state.playing).toBe('g2');
    const three = made(two, addGuitar(two, { ...dark, name: 'Third' }, 'wireless'));
    expect(
      mainRow(three).devices.filter(({ deviceClass }) => deviceClass === 'selector'),
    ).toHaveLength(1);
    expect(inputsOf(three, selector.id)).toHaveLength(3);
    expect(arrivalOf(three, 'g3')).toBe('wireless');
    const both = made(three, arriveBy(three, 'g1', 'wireless'));
    expect(wirelessOf(three, 'g3')!.name).toBe('wireless pair');
    expect(wirelessOf(both, 'g1')!.name).toBe(`wireless pair, ${both.electrical.guitars[0]!.name}`);
    expect(arrivalOf(three, 'g2')).toBe('cable');
    expect(measureRig(three).kind).toBe('sounding');
  });

  test('each is turned into each', () => {
    let now = made(rig, addGuitar(rig, dark));
    expect(arrivalOf(now, 'g2')).toBe('shared');
    expect(selectorOf(now)).toBeUndefined();
    for (const by of ['wireless', 'cable', 'shared', 'cable', 'wireless', 'shared'] as const) {
      now = made(now, arriveBy(now, 'g2', by));
      expect(arrivalOf(now, 'g2')).toBe(by);
    }
    expect(() => arriveBy(now, 'g1', 'shared')).toThrow(/that others share/u);
    const alone = made(now, removeGuitar(now, 'g2'));
    expect(alone.electrical.guitars).toHaveLength(1);
  });

  test('a receiver in the rack sends the signal to the board by as much cable as brings it back', () => {
    const there = made(rig, arriveBy(rig, 'g1', 'wireless'));
    expect(receiverAt(rig, 'g1')).toBeNull();
    expect(() => placeReceiver(rig, 'g1', 'rack')).toThrow(/no receiver/u);
    const onBoard = made(there, placeReceiver(there, 'g1', 'board'));
    expect(receiverAt(onBoard, 'g1')).toBe('board');
    const far = applyEdits(onBoard, setCableLength(mainRow(onBoard).cables.at(-1)!.id, 18));
    const inRack = made(far, placeReceiver(far, 'g1', 'rack'));
    expect(receiverAt(inRack, 'g1')).toBe('rack');
    expect(mainRow(inRack).cables.map((cable) => cable!.lengthM.value)).toEqual([0.5, 18, 18]);
  });

  test('after the first one’s wireless pair stands the selector', () => {
    const there = made(rig, arriveBy(rig, 'g1', 'wireless'));
    const two = made(there, addGuitar(there, dark, 'cable'));
    expect(mainRow(two).devices.map(({ deviceClass }) => deviceClass)).toEqual([
      'wireless',
      'selector',
      'gate',
    ]);
  });
});

describe('a gate in four cables', () => {
  test('its second half stands in the amp’s loop, and one switch moves both', () => {
    expect(canSplit(rig, 'd1')).toBe(true);
    const split = made(rig, splitIntoLoop(rig, 'd1'));
    const loop = split.electrical.rows.find(({ at }) => at.kind === 'ampLoop')!;
    expect(loop.devices.map(({ name }) => name)).toEqual(['Lock Gate, second half']);
    const [cables, front] = [loop.cables, mainRow(split).cables];
    expect([...front, ...cables]).toHaveLength(4);
    expect(secondHalfOf(split, 'd1')).toBe(loop.devices[0]!.id);
    expect(canSplit(split, 'd1')).toBe(false);
    // Whatever it is called from then on.
    const id = loop.devices[0]!.id;
    const renamed = { kind: 'rename', target: { of: 'device', id }, to: 'Back' } as const;
    expect(secondHalfOf(applyEdits(split, renamed), 'd1')).toBe(id);
    const on = applyEdits(split, toggleSwitch(split, 'd1'));
    expect(on.state.positions).toMatchObject({ d1: true, [loop.devices[0]!.id]: true });
    expect(measureRig(on).kind).toBe('sounding');
  });

  test('pedals in a loop that is used already stay behind it', () => {
    const split = made(rig, splitIntoLoop(rig, 'd1'));
    const again = applyEdits(split, insertDevice(split, 1, deviceOfClass('gate', '', 'Other')));
    const both = made(again, splitIntoLoop(again, mainRow(again).devices[1]!.id));
    const loop = both.electrical.rows.find(({ at }) => at.kind === 'ampLoop')!;
    expect(loop.devices.map(({ name }) => name)).toEqual([
      'Other, second half',
      'Lock Gate, second half',
    ]);
  });

  test('a DI in the amp’s place takes what stood in its loop out with it', () => {
    const split = made(rig, splitIntoLoop(rig, 'd1'));
    const di = made(split, replaceDestination(split, 'e1', destinationOfKind('activeDi', 'DI')));
    expect(di.electrical.rows.map(({ at }) => at.kind)).toEqual(['main']);
    expect(di.electrical.destinations).toMatchObject([{ id: 'e1', kind: 'activeDi' }]);
    const other = made(split, replaceDestination(split, 'e1', destinationOfKind('amp', 'Other')));
    expect(other.electrical.rows).toHaveLength(2);
  });

  test('nothing else is split, nor anything without an amp', () => {
    const drive = applyEdits(empty, insertDevice(empty, 0, deviceOfClass('drive', '', 'Drive')));
    expect(canSplit(drive, 'd1')).toBe(false);
    expect(canSplit(rig, 'd9')).toBe(false);
  });
});
