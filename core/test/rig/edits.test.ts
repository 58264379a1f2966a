import fc from 'fast-check';
import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  checkRig,
  insertBuffer,
  insertDevice,
  MOST_DEVICES,
  newRig,
  removeDevice,
  sayDifferences,
  setLeadLength,
  type Edit,
  type Rig,
} from '../../src/rig';
import { devicesOf, leadsOf } from './straightRow';
import { editOf, randomRig, recipe } from './randomRig';

const withDevices = (count: number): Rig => {
  let rig = newRig('row');
  for (let i = 0; i < count; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `drive ${i + 1}`)));
  return rig;
};

test('random edits keep every invariant, and each inverse takes its edit back', () => {
  fc.assert(
    fc.property(randomRig, fc.array(recipe, { maxLength: 20 }), (start, recipes) => {
      let rig = start;
      for (const step of recipes) {
        const result = applyEdit(rig, editOf(rig, step));
        if (result.kind === 'refused') {
          expect(result.message.length).toBeGreaterThan(10);
          continue;
        }
        expect(checkRig(result.rig)).toEqual([]);
        const back = applyEdit(result.rig, result.inverse);
        expect(back.kind === 'ok' && back.rig).toEqual(rig);
        rig = result.rig;
      }
    }),
    { seed: 31, numRuns: 200 },
  );
});

test('an edit that changes nothing gives the same rig back', () => {
  const rig = withDevices(2);
  const length = leadsOf(rig)[0]!.lengthM;
  const nothing: Edit[] = [
    { kind: 'set', target: { of: 'lead', id: 'l1' }, field: 'lengthM', to: length },
    { kind: 'choose', target: { of: 'guitar', id: 'g1' }, field: 'wiring', to: 'modern' },
    { kind: 'rename', target: { of: 'rig' }, to: 'row' },
    { kind: 'describe', field: 'player', to: '' },
    { kind: 'move', row: 'r1', from: 1, to: 1 },
    { kind: 'stamp', positions: { d1: false } },
  ];
  for (const edit of nothing) expect(applyEdits(rig, edit)).toBe(rig);
});

describe('what people do to a row', () => {
  test('a first pedal splits the one lead into a lead in and a lead out', () => {
    const rig = withDevices(1);
    expect(leadsOf(rig).map(({ lengthM }) => lengthM.value)).toEqual([6, 6]);
    expect(checkRig(rig)).toEqual([]);
  });

  test('a buffer at either end of the board leaves the long leads whole', () => {
    const rig = applyEdits(withDevices(3), setLeadLength('l2', 18));
    const lengths = (edited: Rig) => leadsOf(edited).map(({ lengthM }) => lengthM.value);
    const before = lengths(rig);
    const atFront = applyEdits(rig, insertBuffer(rig, 0));
    expect(devicesOf(atFront).map(({ name }) => name)).toEqual([
      'buffer',
      'drive 1',
      'drive 2',
      'drive 3',
    ]);
    expect(lengths(atFront)).toEqual([before[0], 0.3, ...before.slice(1)]);
    const atEnd = applyEdits(rig, insertBuffer(rig, 3));
    expect(lengths(atEnd)).toEqual([...before.slice(0, 3), 0.3, before[3]]);
  });

  test('taking a pedal out keeps the longer lead, and undo brings its switch back', () => {
    const rig = applyEdits(withDevices(2), { kind: 'stamp', positions: { d2: true } });
    const result = applyEdit(rig, removeDevice(rig, 'd2'));
    expect(result.kind === 'ok' && leadsOf(result.rig).at(-1)!.lengthM.value).toBe(6);
    expect(result.kind === 'ok' && result.rig.standing.positions).toEqual({});
    expect(result.kind === 'ok' && applyEdits(result.rig, result.inverse)).toEqual(rig);
  });
});

describe('refusals name what is wrong', () => {
  const rig = withDevices(1);
  test.each<[string, Edit]>([
    ['Lead length: −3\u00a0m is below the least, 0\u00a0m.', setLeadLength('l1', -3)],
    ['Lead length: 1e99 is above the most, 100\u00a0m.', setLeadLength('l1', 1e99)],
    ['Lead length: NaN is not a number.', setLeadLength('l1', NaN)],
    [
      'Name: it is empty; at least 1 character is needed.',
      { kind: 'rename', target: { of: 'guitar', id: 'g1' }, to: '  ' },
    ],
    [
      'Name: 81 characters are above the most, 80.',
      { kind: 'rename', target: { of: 'rig' }, to: 'x'.repeat(81) },
    ],
    ['There is no lead “l77” in this rig.', setLeadLength('l77', 3)],
    ['There is no device “d77” in this rig.', { kind: 'stamp', positions: { d77: true } }],
    [
      'A lead has no field “constructor”.',
      { kind: 'set', target: { of: 'lead', id: 'l1' }, field: 'constructor', to: entered(1) },
    ],
    [
      'A device has no choice “colour”.',
      { kind: 'choose', target: { of: 'device', id: 'd1' }, field: 'colour', to: 'red' },
    ],
    [
      'bypass: “maybe” is not one of true, buffered, loaded, switchable, alwaysOn, passive.',
      { kind: 'choose', target: { of: 'device', id: 'd1' }, field: 'bypass', to: 'maybe' },
    ],
    ['Place 5 is not in this row of 1 devices.', { kind: 'move', row: 'r1', from: 0, to: 5 }],
    [
      'Leads: 1 for 1 devices; every hop needs one.',
      {
        kind: 'splice',
        row: 'r1',
        at: 0,
        remove: 0,
        devices: [deviceOfClass('drive', 'd9')],
        leads: [leadsOf(rig)[0]!],
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
        leads: [leadsOf(rig)[0]!, { ...leadsOf(rig)[0]!, id: 'l9' }],
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
      message: 'Devices: 65 is above the most, 64.',
    });
  });
});

test('differences between two rigs are said in words', () => {
  const mine = withDevices(2);
  expect(sayDifferences(mine, mine, 'metric')).toEqual([
    'only in foot-switch positions or settings',
  ]);
  const longer = applyEdits(mine, setLeadLength('l1', 9));
  const theirs = applyEdits(longer, removeDevice(longer, 'd2'));
  expect(sayDifferences(mine, theirs, 'metric')).toEqual([
    'drive 2 is in yours only',
    'lead, lead length: 9\u00a0m instead of 6\u00a0m',
  ]);
});
