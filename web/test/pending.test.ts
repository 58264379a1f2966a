import { DEFAULT_SETTINGS } from '@gullwind/contract';
import { NO_RECORDS, type GearItem, type Hunt } from '@gullwind/core';
import type { Operation } from '../src/app/outbox/operation';
import { sayOutbox } from '../src/app/outbox/sayOutbox';
import { withPending, type ShownName } from '../src/app/outbox/pending';

/// What the page shows is what the server said with what waits to be sent.

let nth = 0;
const waiting = (
  name: string,
  args: unknown,
  state: Operation['state'] = 'waiting',
): Operation => ({
  ...{ id: `o${++nth}`, name, args, subject: '', windowId: 'w', state },
  nth: 1_000_000 + nth,
});

const shown = <T>(name: ShownName, data: T, arg: unknown, ...kept: readonly Operation[]): T =>
  withPending(name, data, arg, kept);

const item = (id: string, note = ''): GearItem => ({ id, note }) as GearItem;
const tick = (step: string, isDone = true) => ({
  ...{ step, fingerprint: 'f', lengthM: null, revision: 1, by: '', isDone },
});

test('gear that is added, changed and removed, in the order of the writes', () => {
  const list = { items: [{ item: item('a'), revision: 4 }] };
  const now = shown(
    'listGear',
    list,
    undefined,
    waiting('addGear', [item('b'), item('a', 'twice')]),
    waiting('putItem', { basedOn: 4, item: item('a', 'changed') }),
    waiting('addMeasurement', { accepted: { basedOn: 1, item: item('b', 'measured') } }),
    waiting('removeGear', ['c']),
  );
  expect(now.items.map(({ item: { id, note }, revision }) => [id, note, revision])).toEqual([
    ['a', 'changed', 4],
    ['b', 'measured', 1],
  ]);
  expect(shown('listGear', list, undefined, waiting('removeGear', ['a'])).items).toEqual([]);
  expect(shown('listGear', list, undefined, waiting('addMeasurement', {}))).toEqual(list);
});

test('steps ticked off and taken back, tests once each, of this rig alone', () => {
  const first = { id: 'r', ticks: [tick('cut l1'), tick('end l1')] };
  const back = { id: 'r', ticks: [tick('cut l1', false)] };
  const tested = { id: 'r', testId: 't', test: { cable: 'l1' } };
  const now = shown(
    'getBuild',
    NO_RECORDS,
    'r',
    waiting('setDone', first),
    waiting('setDone', back),
    waiting('setDone', { id: 'other', ticks: [tick('cut l9')] }),
    waiting('addTest', tested),
    waiting('addTest', tested),
    waiting('addTest', { ...tested, id: 'other', testId: 'another' }),
    waiting('setSettings', { id: 'r' }),
  );
  expect(now.done.map(({ step }) => step)).toEqual(['end l1']);
  expect(now.done[0]).not.toHaveProperty('isDone');
  expect(now.tests).toMatchObject([{ id: 't', cable: 'l1' }]);
});

test('off-cuts kept by a tick, and used up', () => {
  const offCut = { id: 'x', name: 'Reel', gear: null, lengthM: 1, note: '' };
  const ticked = waiting('setDone', { id: 'r', ticks: [], offCut });
  expect(shown('listOffCuts', { offCuts: [] }, undefined, ticked, ticked)).toEqual({
    offCuts: [offCut],
  });
  const used = waiting('removeOffCut', { id: 'x' });
  expect(shown('listOffCuts', { offCuts: [offCut] }, undefined, used)).toEqual({ offCuts: [] });
});

test('how a photograph lies, and that it is gone', () => {
  const photo = { photo: { brightness: 1, points: [] } };
  const laid = waiting('layPhoto', { id: 'r', lie: { brightness: 0.5 } });
  expect(shown('getPhoto', photo, 'r', laid).photo).toMatchObject({ brightness: 0.5 });
  expect(shown('getPhoto', photo, 'q', laid).photo).toMatchObject({ brightness: 1 });
  expect(shown('getPhoto', photo, 'r', waiting('removePhoto', { id: 'r' }))).toEqual({
    photo: null,
  });
  expect(shown('getPhoto', { photo: null }, 'r', laid)).toEqual({ photo: null });
});

test('settings, measurements, hearings', () => {
  const settings = { ...DEFAULT_SETTINGS, units: 'imperial' as const };
  expect(
    shown('getSettings', DEFAULT_SETTINGS, undefined, waiting('putSettings', settings)),
  ).toEqual(settings);
  const added = waiting('addMeasurement', { id: 'm', sent: { subject: 'reel' } });
  const struck = waiting('strikeMeasurement', { id: 'm', struck: 'open clip' });
  const pages = {
    pages: [
      { total: 1, measurements: [{ id: 'n' }] },
      { total: 1, measurements: [] },
    ],
    pageParams: [null, 'n'],
  };
  const measured = shown('listMeasurements', pages, null, added, added, struck);
  expect(measured.pages).toMatchObject([
    { total: 2, measurements: [{ id: 'm', subject: 'reel', struck: 'open clip' }, { id: 'n' }] },
    { measurements: [] },
  ]);
  // Of another rig it is not in this rig's list; what was read is in no list.
  expect(shown('listMeasurements', pages, 'r', added)).toEqual(pages);
  expect(measured.pages[0]!.measurements[0]).not.toHaveProperty('readings');
  const heard = waiting('addHearing', { id: 'h', heard: { listener: 'Mate' } });
  expect(shown('listHearings', { hearings: [] }, undefined, heard, heard).hearings).toMatchObject([
    { id: 'h', listener: 'Mate' },
  ]);
});

const HUNT = { rig: 'r', symptom: 'hum', note: '', weights: {} };

describe('hunts', () => {
  const begun = waiting('putHunt', { id: 'h', hunt: HUNT });
  const answered = waiting('addHuntAnswer', { id: 'h', answerId: 'a', answer: { test: 't' } });

  test('one that was begun while the server was away is there with its answers', () => {
    const hunt = shown<Hunt | undefined>('getHunt', undefined, 'h', begun, answered, answered)!;
    expect(hunt).toMatchObject({ id: 'h', symptom: 'hum', ending: null });
    expect(hunt.answers).toMatchObject([{ id: 'a', test: 't', takenBack: null }]);
    expect(shown('getHunt', undefined, 'other', begun, answered)).toBeUndefined();
    expect(shown('getHunt', undefined, 'h', answered)).toBeUndefined();
  });

  test('an answer taken back and given again, an ending and its end', () => {
    const hunt = shown<Hunt | undefined>('getHunt', undefined, 'h', begun, answered)!;
    const back = (isTakenBack: boolean) =>
      waiting('takeBackAnswer', { id: 'h', answerId: 'a', isTakenBack });
    expect(shown('getHunt', hunt, 'h', back(true)).answers[0]!.takenBack).not.toBeNull();
    expect(shown('getHunt', hunt, 'h', back(true), back(false)).answers[0]!.takenBack).toBeNull();
    const ended = waiting('endHunt', { id: 'h', ending: { kind: 'found' } });
    expect(shown('getHunt', hunt, 'h', ended)).toMatchObject({ ending: { kind: 'found' } });
    const again = waiting('endHunt', { id: 'h', ending: null });
    expect(shown('getHunt', hunt, 'h', ended, again)).toMatchObject({
      ending: null,
      endedAt: null,
    });
    const noted = waiting('setHunt', { id: 'h', setting: { note: 'by the window' } });
    expect(shown('getHunt', hunt, 'h', noted)).toEqual({ ...hunt, note: 'by the window' });
    const weigh = (weights: object) => waiting('setHunt', { id: 'h', setting: { weights } });
    const weighed = shown('getHunt', hunt, 'h', weigh({ a: 2, b: 3 }), weigh({ a: null, c: 4 }));
    expect(weighed.weights).toEqual({ ...hunt.weights, b: 3, c: 4 });
    expect(shown('getHunt', hunt, 'h', begun)).toEqual(hunt);
    const another = waiting('setHunt', { id: 'q', setting: { note: 'x' } });
    expect(shown('getHunt', hunt, 'h', another)).toEqual(hunt);
    // What belongs to another hunt changes nothing of this one.
    const elsewhere = waiting('endHunt', { id: 'q', ending: { kind: 'found' } });
    expect(shown('getHunt', hunt, 'h', elsewhere)).toEqual(hunt);
  });

  test('the list has it, where it is asked for', () => {
    const none = { hunts: [] as readonly Hunt[] };
    expect(shown('listHunts', none, null, begun).hunts).toHaveLength(1);
    expect(shown('listHunts', none, 'r', begun, answered).hunts[0]!.answers).toHaveLength(1);
    expect(shown('listHunts', none, 'q', begun).hunts).toEqual([]);
  });
});

test('rigs taken off their list, revisions named', () => {
  const pages = { pages: [{ total: 2, rigs: [{ id: 'a' }, { id: 'b' }] }], pageParams: [0] };
  const off = waiting('deleteRig', { id: 'a' });
  const on = shown('listRigs', pages, { removed: false }, off);
  expect(on.pages).toEqual([{ total: 1, rigs: [{ id: 'b' }] }]);
  expect(shown('listRigs', pages, { removed: true }, off)).toEqual(pages);
  const back = waiting('restoreRig', { id: 'b' });
  expect(shown('listRigs', pages, { removed: true }, back).pages[0]!.rigs).toEqual([{ id: 'a' }]);
  const revisions = { pages: [{ total: 1, revisions: [{ revision: 3, name: null }] }] };
  const named = waiting('nameRevision', { id: 'r', revision: 3, name: 'first night' });
  expect(shown('listRevisions', revisions, 'r', named).pages[0]!.revisions[0]!.name).toBe(
    'first night',
  );
  expect(shown('listRevisions', revisions, 'q', named)).toEqual(revisions);
});

test('what was refused or waits for a decision is not shown as if it were so', () => {
  const added = waiting('addHearing', { id: 'h', heard: {} }, 'refused');
  expect(shown('listHearings', { hearings: [] }, undefined, added).hearings).toEqual([]);
});

test('the mark says how many changes wait, and where', () => {
  const one = waiting('putSettings', {});
  const no = waiting('addTest', {}, 'refused');
  expect(sayOutbox([], 'away')).toEqual({ waiting: 0, notTaken: 0, words: '' });
  expect(sayOutbox([one], null).words).toBe('1 change waiting');
  expect(sayOutbox([one, one, one], 'away').words).toBe(
    'server away; 3 changes kept in this browser',
  );
  expect(sayOutbox([one], 'noRoom').words).toBe(
    'the server’s disk is full; 1 change kept in this browser',
  );
  expect(sayOutbox([one, no, no], null)).toEqual({
    waiting: 1,
    notTaken: 2,
    words: '1 change waiting, 2 changes not saved',
  });
});
