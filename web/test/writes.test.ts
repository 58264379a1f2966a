import { newRig, toggleSwitch, applyEdits, deviceOfClass, insertDevice } from '@gullwind/core';
import type { Write } from '../src/app/outbox/operation';
import { WRITES } from '../src/app/outbox/writes';

/// Each write of the page: what it waits behind, what the server is asked, and what it is called meanwhile.

const rig = newRig('Pit');
const entry = (id: string, name = id) => ({ id, thing: { name } });
const lie = { points: [], brightness: 1 };
const save = { id: 'r', rig, basedOn: 4, base: rig };
const deviced = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '')));
const { state } = applyEdits(deviced, toggleSwitch(deviced, 'd1'));

type Row = readonly [
  name: keyof typeof WRITES,
  args: unknown,
  subject: string,
  asks: string,
  says: string,
];

const ROWS: readonly Row[] = [
  ['createRig', { id: 'r', rig }, 'rig:r', 'POST /rigs', 'New rig “Pit”'],
  ['saveRig', save, 'rig:r', 'PUT /rigs/r', 'The rig “Pit”'],
  [
    ...(['saveRig', { ...save, stateFrom: rig.state, isStateAlone: true }] as const),
    ...(['rig:r', 'PUT /rigs/r/state', 'The rig “Pit”'] as const),
  ],
  ['deleteRig', { id: 'r' }, 'rig:r', 'DELETE /rigs/r', 'Taking a rig off the list'],
  ['restoreRig', { id: 'r' }, 'rig:r', 'POST /rigs/r/restore', 'Putting a rig back on the list'],
  [
    ...(['nameRevision', { id: 'r', revision: 3, name: 'club' }] as const),
    ...(['rig:r', 'PUT /rigs/r/revisions/3', 'Revision “club”'] as const),
  ],
  [
    ...(['nameRevision', { id: 'r', revision: 3, name: null }] as const),
    ...(['rig:r', 'PUT /rigs/r/revisions/3', 'Revision 3 without its name'] as const),
  ],
  ['addGear', [entry('a')], 'gear', 'POST /gear', 'Gear: “a”'],
  ['addGear', [entry('a'), entry('b')], 'gear', 'POST /gear', 'Gear: 2 entries'],
  ['removeGear', ['a'], 'gear', 'POST /gear/remove', 'Removing an entry from Gear'],
  ['removeGear', ['a', 'b'], 'gear', 'POST /gear/remove', 'Removing 2 entries from Gear'],
  ['putItem', { basedOn: 1, item: entry('a') }, 'gear', 'PUT /gear/a', 'Gear: “a”'],
  ['setDone', { id: 'r', ticks: [1] }, 'build:r', 'PUT /rigs/r/done', 'A step in Build'],
  ['setDone', { id: 'r', ticks: [1, 2] }, 'build:r', 'PUT /rigs/r/done', '2 steps in Build'],
  [
    ...(['addTest', { id: 'r', testId: 't', test: { label: 'A1' } }] as const),
    ...(['build:r', 'PUT /rigs/r/tests/t', 'The test of A1'] as const),
  ],
  ['putPhoto', { id: 'r', file: 'f' }, 'photo:r', 'PUT /rigs/r/photo', 'A photograph of a board'],
  [
    ...(['putPhoto', { id: 'r', file: 'f', lie }] as const),
    'photo:r',
    `PUT /rigs/r/photo?lie=${encodeURIComponent(JSON.stringify(lie))}`,
    'A photograph of a board',
  ],
  ['layPhoto', { id: 'r', lie }, 'photo:r', 'PUT /rigs/r/photo/lie', 'Where a photograph lies'],
  ['removePhoto', { id: 'r' }, 'photo:r', 'DELETE /rigs/r/photo', 'Removing a photograph'],
  ['removeOffCut', { id: 'o' }, 'offCuts', 'DELETE /off-cuts/o', 'An off-cut that is used up'],
  [
    ...(['addMeasurement', { id: 'm', sent: { subject: 'A1' } }] as const),
    ...(['gear', 'PUT /measurements/m', 'The measurement of “A1”'] as const),
  ],
  [
    ...(['strikeMeasurement', { id: 'm', struck: 'wet' }] as const),
    ...(['gear', 'PUT /measurements/m/struck', 'A measurement struck out'] as const),
  ],
  [
    ...(['strikeMeasurement', { id: 'm', struck: null }] as const),
    ...(['gear', 'PUT /measurements/m/struck', 'A measurement that counts again'] as const),
  ],
  [
    ...(['addHearing', { id: 'h', heard: { listener: 'Ada' } }] as const),
    ...(['hearings', 'PUT /hearings/h', 'What Ada heard'] as const),
  ],
  ['putHunt', { id: 'h', hunt: {} }, 'hunt:h', 'PUT /hunts/h', 'A fault to trace'],
  [
    'setHunt',
    { id: 'h', setting: {} },
    'hunt:h',
    'PUT /hunts/h/setting',
    'How a fault search goes on',
  ],
  [
    ...(['addHuntAnswer', { id: 'h', answerId: 'a', answer: { says: 'Hum?' } }] as const),
    ...(['hunt:h', 'PUT /hunts/h/answers/a', 'An answer in Trace: Hum?'] as const),
  ],
  [
    ...(['takeBackAnswer', { id: 'h', answerId: 'a', isTakenBack: true }] as const),
    ...(['hunt:h', 'PUT /hunts/h/answers/a/taken-back', 'Taking back an answer in Trace'] as const),
  ],
  [
    ...(['endHunt', { id: 'h', ending: {} }] as const),
    ...(['hunt:h', 'PUT /hunts/h/ending', 'Ending a fault search'] as const),
  ],
  [
    ...(['endHunt', { id: 'h', ending: null }] as const),
    ...(['hunt:h', 'PUT /hunts/h/ending', 'Taking a fault search up again'] as const),
  ],
  ['putSettings', { units: 'metric' }, 'settings', 'PUT /settings', 'Settings'],
];

const writeOf = (name: keyof typeof WRITES) => WRITES[name] as unknown as Write<unknown, unknown>;

test.each(ROWS)('%s of %p', (name, args, subject, asks, says) => {
  const write = writeOf(name);
  const { method, path } = write.question(args);
  expect([write.subject(args), `${method} ${path}`, write.says(args)]).toEqual([
    ...[subject, asks, says],
  ]);
});

test('every write is among them; what is only of now replaces what waits', () => {
  expect(new Set(ROWS.map(([name]) => name))).toEqual(new Set(Object.keys(WRITES)));
  const replacing = Object.entries(WRITES).filter(
    ([, write]) => (write as { replaces?: boolean }).replaces === true,
  );
  expect(replacing.map(([name]) => name).sort()).toEqual(['layPhoto', 'putSettings', 'saveRig']);
});

test('a save says what it starts from; foot-switches alone are sent alone', () => {
  const bodyOf = (args: unknown) => writeOf('saveRig').question(args).body;
  expect(bodyOf(save)).toEqual({ basedOn: 4, rig });
  expect(bodyOf({ ...save, lineage: 'l', stateFrom: state, isStateAlone: false })).toEqual({
    ...{ basedOn: 4, rig, lineage: 'l', stateFrom: state },
  });
  expect(bodyOf({ ...save, stateFrom: state, isStateAlone: true })).toEqual({
    ...{ from: state, state: rig.state },
  });
});

test('what is taken over goes with what it rests on, and starts from what the change before it made', () => {
  const accepted = { basedOn: 4, item: entry('a') };
  const measured = { id: 'm', sent: { subject: 'A1' }, accepted };
  const write = writeOf('addMeasurement');
  expect(write.question(measured).body).toEqual({ subject: 'A1', accepted });
  expect(write.question({ id: 'm', sent: { subject: 'A1' } }).body).toEqual({ subject: 'A1' });
  const before = { name: 'putItem', args: null };
  const stored = (id: string) => ({ item: entry(id), revision: 9 });
  expect(write.follow!(measured, before, stored('a'))).toEqual({
    ...{ ...measured, accepted: { ...accepted, basedOn: 9 } },
  });
  for (const change of ['addMeasurement', 'putItem'] as const) {
    const args = change === 'putItem' ? accepted : measured;
    expect(writeOf(change).follow!(args, before, stored('b'))).toEqual(args);
    expect(writeOf(change).follow!(args, { name: 'addGear', args: [] }, null)).toEqual(args);
  }
  expect(writeOf('putItem').follow!(accepted, before, stored('a'))).toMatchObject({ basedOn: 9 });
});
