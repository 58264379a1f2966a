import fc from 'fast-check';
import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  checkRig,
  insertBuffer,
  insertDevice,
  MOST_DEVICES,
  mainRow,
  newRig,
  removeDevice,
  sayDifferences,
  setCableLength,
  type Edit,
  type Rig,
  editBrief,
  keepScene,
  touchedBy,
  toggleSwitch,
} from '../../src/rig';
import { idsIn } from '../../src/rig/ids';
import { devicesOf, cablesOf } from './straightRow';
import { editOf, randomRig, recipe } from './randomRig';

const withDevices = (count: number): Rig => {
  let rig = newRig('row');
  for (let i = 0; i < count; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `drive ${i + 1}`)));
  return rig;
};

/** The same rig but for its counter, which no inverse takes back. */
const alike = (a: Rig, b: Rig): void => expect({ ...a, nextIds: b.nextIds }).toEqual(b);

const everyId = (rig: Rig): readonly string[] => [...idsIn(rig), ...rig.pins.map(({ id }) => id)];

test('random edits of every kind keep every invariant, touch what they say, and are taken back by their inverses', () => {
  const made = new Set<string>();
  fc.assert(
    fc.property(randomRig, fc.array(recipe, { maxLength: 25 }), (start, recipes) => {
      let rig = start;
      for (const step of recipes) {
        const edit = editOf(rig, step);
        const result = applyEdit(rig, edit);
        if (result.kind === 'refused') {
          expect(result.message.length).toBeGreaterThan(10);
          continue;
        }
        if (result.rig !== rig) made.add(edit.kind);
        expect(checkRig(result.rig)).toEqual([]);
        for (const part of [
          'electrical',
          'state',
          'layout',
          'power',
          'build',
          'book',
          'texts',
          'pins',
        ] as const)
          if (!touchedBy(edit).has(part)) expect(result.rig[part]).toBe(rig[part]);
        const back = applyEdit(result.rig, result.inverse);
        if (back.kind === 'refused') throw new Error(back.message);
        alike(back.rig, rig);
        rig = result.rig;
      }
    }),
    { seed: 31, numRuns: 300 },
  );
  expect([...made].sort()).toEqual(
    'assign choose connect describe group list move place rename replace restore set splice switch'.split(
      ' ',
    ),
  );
});

test('no id is used twice, whatever is put in, taken out and put in again', () => {
  fc.assert(
    fc.property(randomRig, fc.array(recipe, { maxLength: 25 }), (start, recipes) => {
      let rig = start;
      const ever = new Set(everyId(start));
      for (const step of recipes) {
        const before = new Set(everyId(rig));
        const result = applyEdit(rig, editOf(rig, step));
        if (result.kind === 'refused') continue;
        rig = result.rig;
        // What is restored from a pin is the same thing again.
        if (step.kind !== 'restore')
          for (const id of everyId(rig)) if (!before.has(id)) expect(ever.has(id)).toBe(false);
        for (const id of everyId(rig)) ever.add(id);
      }
    }),
    { seed: 32, numRuns: 200 },
  );
});

test('a pedal put in after another was removed does not take its place in scenes and the brief', () => {
  const two = withDevices(2);
  const [, second] = devicesOf(two);
  const known = applyEdits(
    applyEdits(two, toggleSwitch(two, second!.id)),
    editBrief(two, { uses: { [second!.id]: 'leftOn' }, keptDevices: [second!.id] }),
  );
  const scened = applyEdits(known, keepScene(known, 'loud'));
  const gone = applyEdits(scened, removeDevice(scened, second!.id));
  const again = applyEdits(gone, insertDevice(gone, 1, deviceOfClass('delay', '')));
  const fresh = devicesOf(again)[1]!.id;
  expect(again.electrical.scenes[0]!.state.positions).not.toHaveProperty(fresh);
  expect(again.texts.brief.uses).not.toHaveProperty(fresh);
  expect(again.texts.brief.keptDevices).not.toContain(fresh);
  // The counter is not taken back either: undone and put in anew, it is another one.
  const put = applyEdit(gone, insertDevice(gone, 1, deviceOfClass('delay', '')));
  if (put.kind === 'refused') throw new Error(put.message);
  const undone = applyEdits(put.rig, put.inverse);
  expect(devicesOf(applyEdits(undone, insertBuffer(undone, 1)))[1]!.id).not.toBe(
    devicesOf(put.rig)[1]!.id,
  );
});

test('an edit that changes nothing gives the same rig back', () => {
  const rig = applyEdits(withDevices(2), {
    kind: 'place',
    id: 'd1',
    to: { at: 'stage', xM: 0, yM: 1 },
  });
  const length = cablesOf(rig)[0]!.lengthM;
  const nothing: Edit[] = [
    { kind: 'set', target: { of: 'cable', id: 'l1' }, field: 'lengthM', to: length },
    { kind: 'choose', target: { of: 'guitar', id: 'g1' }, field: 'wiring', to: 'modern' },
    { kind: 'rename', target: { of: 'rig' }, to: 'row' },
    { kind: 'describe', field: 'player', to: '' },
    { kind: 'move', row: 'r1', from: 1, to: 1 },
    { kind: 'switch', positions: { d1: false } },
    { kind: 'place', id: 'd1', to: { at: 'stage', xM: 0, yM: 1 } },
  ];
  for (const edit of nothing) expect(applyEdits(rig, edit)).toBe(rig);
});

describe('what people do to a row', () => {
  test('a first pedal splits the one cable into a cable in and a cable out', () => {
    const rig = withDevices(1);
    expect(cablesOf(rig).map(({ lengthM }) => lengthM.value)).toEqual([6, 6]);
    expect(checkRig(rig)).toEqual([]);
  });

  test('a buffer at either end of the board leaves the long cables whole', () => {
    const rig = applyEdits(withDevices(3), setCableLength('l2', 18));
    const lengths = (edited: Rig) => cablesOf(edited).map(({ lengthM }) => lengthM.value);
    const before = lengths(rig);
    const atFront = applyEdits(rig, insertBuffer(rig, 0));
    expect(devicesOf(atFront).map(({ name }) => name)).toEqual([
      'buffer',
      'drive 1',
      'drive 2',
      'drive 3',
    ]);
    expect(lengths(atFront)).toEqual([before[0], 0.3, ...before.slice(1)]);
    const atDestination = applyEdits(rig, insertBuffer(rig, 3));
    expect(lengths(atDestination)).toEqual([...before.slice(0, 3), 0.3, before[3]]);
  });

  test('taking a pedal out keeps the longer cable, and undo brings its switch back', () => {
    const rig = applyEdits(withDevices(2), { kind: 'switch', positions: { d2: true } });
    const result = applyEdit(rig, removeDevice(rig, 'd2'));
    expect(result.kind === 'ok' && cablesOf(result.rig).at(-1)!.lengthM.value).toBe(6);
    expect(result.kind === 'ok' && result.rig.state.positions).toEqual({});
    if (result.kind === 'refused') throw new Error(result.message);
    alike(applyEdits(result.rig, result.inverse), rig);
  });
});

describe('refusals name what is wrong', () => {
  const rig = withDevices(1);
  test.each<[string, Edit]>([
    ['Cable length: −3\u00a0m, at least 0\u00a0m.', setCableLength('l1', -3)],
    [
      'Place -1 is not in this row of 2 connections.',
      { kind: 'connect', row: 'r1', at: -1, cable: null },
    ],
    [
      'Place 0.5 is not in this row of 2 connections.',
      { kind: 'connect', row: 'r1', at: 0.5, cable: null },
    ],
    [
      'Place 2 is not in this row of 2 connections.',
      { kind: 'connect', row: 'r1', at: 2, cable: null },
    ],
    ['Cable length: 1e99, at most 100\u00a0m.', setCableLength('l1', 1e99)],
    ['Cable length: NaN is not a number.', setCableLength('l1', NaN)],
    [
      'Name: it is empty; at least 1 character is needed.',
      { kind: 'rename', target: { of: 'guitar', id: 'g1' }, to: '  ' },
    ],
    [
      'Name: 81 characters, at most 80.',
      { kind: 'rename', target: { of: 'rig' }, to: 'x'.repeat(81) },
    ],
    ['There is no cable “l77” in this rig.', setCableLength('l77', 3)],
    ['There is no device “d77” in this rig.', { kind: 'switch', positions: { d77: true } }],
    [
      'A cable has no field “constructor”.',
      { kind: 'set', target: { of: 'cable', id: 'l1' }, field: 'constructor', to: entered(1) },
    ],
    [
      'A device has no choice “colour”.',
      { kind: 'choose', target: { of: 'device', id: 'd1' }, field: 'colour', to: 'red' },
    ],
    [
      'bypass: “maybe” is not one of true, buffered, hardwired, switchable, alwaysOn, passive.',
      { kind: 'choose', target: { of: 'device', id: 'd1' }, field: 'bypass', to: 'maybe' },
    ],
    ['Place 5 is not in this row of 1 devices.', { kind: 'move', row: 'r1', from: 0, to: 5 }],
    [
      'Cables: 1 for 1 devices; every connection needs one.',
      {
        kind: 'splice',
        row: 'r1',
        at: 0,
        remove: 0,
        devices: [deviceOfClass('drive', 'd9')],
        cables: [cablesOf(rig)[0]!],
        positions: {},
      },
    ],
    [
      'Id “d1” is used twice, for drive and for drive 1: one thing stands in one place.',
      {
        kind: 'splice',
        row: 'r1',
        at: 0,
        remove: 0,
        devices: [deviceOfClass('drive', 'd1')],
        cables: [cablesOf(rig)[0]!, { ...cablesOf(rig)[0]!, id: 'l9' }],
        positions: {},
      },
    ],
  ])('%s', (message, edit) => {
    expect(applyEdit(rig, edit)).toEqual({ kind: 'refused', message });
  });

  test('the 65th device', () => {
    const full = withDevices(MOST_DEVICES);
    expect(applyEdit(full, insertBuffer(full, 0))).toEqual({
      kind: 'refused',
      message: 'Devices: 65, at most 64.',
    });
  });
});

test('of many differences eight are named, and the rest counted', () => {
  const many = (count: number) => {
    const mine = withDevices(count);
    const gone = mainRow(mine).devices.reduce(
      (rig, { id }) => applyEdits(rig, removeDevice(rig, id)),
      mine,
    );
    return sayDifferences(mine, gone, 'metric').filter((words) => !words.includes('cable'));
  };
  expect(many(8)).toHaveLength(8);
  expect(many(9).at(-1)).toMatch(/^and \d+ more$/u);
  expect(many(9)).toHaveLength(9);
});

test('differences between two rigs are said in words', () => {
  const mine = withDevices(2);
  expect(sayDifferences(mine, mine, 'metric')).toEqual([
    'only in foot-switch positions or settings',
  ]);
  const longer = applyEdits(mine, setCableLength('l1', 9));
  const theirs = applyEdits(longer, removeDevice(longer, 'd2'));
  expect(sayDifferences(mine, theirs, 'metric')).toEqual([
    'drive 2 is in yours only',
    'cable, cable length: 9\u00a0m instead of 6\u00a0m',
  ]);
});
