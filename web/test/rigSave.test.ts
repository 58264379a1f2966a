import type { Problem, StoredRig, UpdatedRig } from '@gullwind/contract';
import { applyEdits, newRig, setCableLength, type Rig } from '@gullwind/core';
import { resolveSave } from '../src/app/outbox/mergeSave';
import { followSave } from '../src/app/outbox/rigSave';
import type { RigSave } from '../src/app/outbox/unsavedRig';
import { WRITES } from '../src/app/outbox/writes';

/// What becomes of saves of a rig that wait for each other, or that others were quicker than.

const base = newRig('board');
const longer = applyEdits(base, setCableLength('l1', 9));
const named = (rig: Rig, name: string): Rig => ({ ...rig, texts: { ...rig.texts, name } });

const save = (rig: Rig, more: Partial<RigSave> = {}): RigSave => ({
  ...{ id: 'r', rig, basedOn: 1, lineage: 'x', base, stateFrom: base.state },
  ...more,
});

const updated = (revision: number, state = base.state): UpdatedRig => ({
  ...{ id: 'r', revision, lineage: 'x', updatedAt: '', state },
});

const saved = (args: RigSave) => ({ name: 'saveRig', args });

test('a later save starts from what the earlier one made', () => {
  const next = followSave(save(named(longer, 'b')), saved(save(longer)), updated(2));
  expect(next).toMatchObject({ basedOn: 2, lineage: 'x', isStateAlone: false });
  expect(next.base).toEqual(longer);
  expect(next.rig.texts.name).toBe('b');
});

test('a save of a rig that has just been made goes on from its first revision', () => {
  const made = { id: 'r', revision: 4, lineage: 'of the server', updatedAt: '' };
  const next = followSave(
    save(longer, { lineage: '' }),
    { name: 'createRig', args: { id: 'r', rig: base } },
    made,
  );
  expect(next).toMatchObject({ basedOn: 4, lineage: 'of the server', base, rig: longer });
});

test('switches that another hand moved meanwhile come along', () => {
  const state = { ...base.state, playing: null };
  const next = followSave(save(named(longer, 'b')), saved(save(longer)), updated(2, state));
  expect(next.rig.state.playing).toBeNull();
  expect(next.stateFrom).toEqual(state);
});

test('foot-switches alone do not say what the rest has become', () => {
  const before = save(base, { isStateAlone: true });
  expect(followSave(save(longer), saved(before), updated(5))).toMatchObject({ basedOn: 1, base });
  expect(followSave(save(longer), saved(before), updated(1))).toMatchObject({ basedOn: 1 });
});

test('what else happens to a rig is not what it was edited from', () => {
  const args = save(longer);
  expect(followSave(args, { name: 'nameRevision', args: {} }, null)).toBe(args);
});

const stale = (rig: Rig): Problem =>
  ({
    code: 'rig-stale',
    theirs: { id: 'r', revision: 7, lineage: 'x', rig } as StoredRig,
  }) as Problem;

test('different parts are put together, with the latest of what was made here', () => {
  const theirs = named(base, 'theirs');
  const latest = applyEdits(longer, setCableLength('l1', 12));
  const resolved = resolveSave(save(longer), stale(theirs), save(latest));
  expect(resolved).toMatchObject({ kind: 'again', args: { basedOn: 7, base: theirs } });
  const { rig } = (resolved as { args: RigSave }).args;
  expect(rig).toEqual(named(latest, 'theirs'));
});

test.each<[string, Problem, Partial<RigSave>]>([
  ['the same part', stale(applyEdits(base, setCableLength('l1', 3))), {}],
  ['what it was made on is not known', stale(named(base, 'theirs')), { base: undefined as never }],
  ['anything else', { code: 'rig-not-found' } as Problem, {}],
])('somebody has to decide: %s', (_, problem, more) => {
  const args = save(longer, more);
  expect(resolveSave(args, problem, args)).toEqual({ kind: 'parked' });
});

test('a save says what it was edited from; switches alone are a small document', () => {
  const { question } = WRITES.saveRig;
  expect(question(save(longer))).toMatchObject({
    path: '/rigs/r',
    method: 'PUT',
    body: { basedOn: 1, lineage: 'x', rig: longer },
  });
  expect(question(save(base, { isStateAlone: true }))).toEqual({
    path: '/rigs/r/state',
    method: 'PUT',
    body: { from: base.state, state: base.state },
  });
});

test('a change of an entry starts from the revision that the one before it made', () => {
  const { follow } = WRITES.putItem;
  const item = { id: 'a' } as never;
  const before = { name: 'putItem', args: {} };
  const stored = { item: { id: 'a' }, revision: 8 };
  expect(follow!({ basedOn: 7, item }, before, stored)).toEqual({ basedOn: 8, item });
  expect(follow!({ basedOn: 7, item }, before, { ...stored, item: { id: 'b' } }).basedOn).toBe(7);
  expect(follow!({ basedOn: 7, item }, { name: 'addGear', args: [] }, stored).basedOn).toBe(7);
});
