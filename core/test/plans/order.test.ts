import fc from 'fast-check';
import { DEVICE_CLASSES, deviceOfClass, type DeviceClass } from '../../src/gear';
import { orderBreaks } from '../../src/plans/order';
import { orderEdit, proposeOrder, USUAL_CONVENTIONS } from '../../src/plans';
import {
  addAmpLoop,
  allDevices,
  allCables,
  applyEdit,
  applyEdits,
  insertDevice,
  mainRow,
  newRig,
  toggleSwitch,
  type Rig,
} from '../../src/rig';

const rigOf = (...classes: readonly DeviceClass[]): Rig =>
  classes.reduce(
    (rig, name) =>
      applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, ''))),
    newRig('order'),
  );

const classesOf = (rig: Rig): readonly DeviceClass[] =>
  mainRow(rig).devices.map(({ deviceClass }) => deviceClass);
const put = (rig: Rig, conventions = USUAL_CONVENTIONS): Rig =>
  applyEdits(rig, orderEdit(rig, proposeOrder(rig, conventions)));

test('a usual order, each with its reason', () => {
  const rig = rigOf(
    'reverb',
    'delay',
    'modulation',
    'gate',
    'drive',
    'compressor',
    'octave',
    'wah',
    'lowImpedanceFuzz',
    'tuner',
  );
  expect(classesOf(put(rig))).toEqual([
    'tuner',
    'lowImpedanceFuzz',
    'wah',
    'octave',
    'compressor',
    'drive',
    'gate',
    'modulation',
    'delay',
    'reverb',
  ]);
  for (const { reason } of proposeOrder(rig)) expect(reason).toMatch(/\.$/u);
});

test('a tuner with a buffered bypass goes after a fuzz that wants the pickup', () => {
  const rig = rigOf('tuner', 'lowImpedanceFuzz', 'drive');
  const [tuner] = mainRow(rig).devices;
  const buffered = applyEdits(rig, {
    kind: 'choose',
    target: { of: 'device', id: tuner!.id },
    field: 'bypass',
    to: 'buffered',
  });
  expect(classesOf(put(buffered))).toEqual(['lowImpedanceFuzz', 'tuner', 'drive']);
  expect(classesOf(put(rig))).toEqual(['tuner', 'lowImpedanceFuzz', 'drive']);
});

test('other conventions are a choice', () => {
  const rig = rigOf('drive', 'modulation', 'passiveVolume');
  expect(classesOf(put(rig))).toEqual(['passiveVolume', 'drive', 'modulation']);
  const other = { ...USUAL_CONVENTIONS, modulationFirst: true, volumeAfterDrives: true };
  expect(classesOf(put(rig, other))).toEqual(['modulation', 'drive', 'passiveVolume']);
});

test('with the amp’s loop in use, what comes after its drive goes in there, and back again', () => {
  const before = rigOf('delay', 'drive', 'reverb');
  const rig = applyEdits(before, addAmpLoop(before, 'e1'));
  const there = put(rig);
  expect(classesOf(there)).toEqual(['drive']);
  expect(there.electrical.rows[1]!.devices.map(({ deviceClass }) => deviceClass)).toEqual([
    'delay',
    'reverb',
  ]);
  const back = put(there, { ...USUAL_CONVENTIONS, timeInLoop: false });
  expect(classesOf(back)).toEqual(['drive', 'delay', 'reverb']);
});

const classes = Object.keys(DEVICE_CLASSES) as DeviceClass[];

test('an order is an edit of the whole rig: nothing is lost, switches stay, one undo takes it back', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom(...classes), { maxLength: 9 }),
      fc.boolean(),
      (names, hasLoop) => {
        const row = rigOf(...names);
        const looped = hasLoop ? applyEdits(row, addAmpLoop(row, 'e1')) : row;
        const [first] = mainRow(looped).devices;
        const rig = first ? applyEdits(looped, toggleSwitch(looped, first.id)) : looped;
        const edit = orderEdit(rig, proposeOrder(rig));
        const result = applyEdit(rig, edit);
        if (result.kind === 'refused') throw new Error(result.message);
        const ids = (one: Rig) =>
          allDevices(one)
            .map(({ id }) => id)
            .sort();
        expect(ids(result.rig)).toEqual(ids(rig));
        expect(result.rig.state).toEqual(rig.state);
        expect(orderBreaks(mainRow(result.rig).devices)).toBe(0);
        expect(allCables(result.rig)[0]).toEqual(allCables(rig)[0]);
        const { nextIds } = result.rig;
        expect(applyEdit(result.rig, result.inverse)).toMatchObject({ rig: { ...rig, nextIds } });
      },
    ),
    { seed: 3, numRuns: 60 },
  );
});
