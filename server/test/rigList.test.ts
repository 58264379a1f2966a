import { randomUUID } from 'node:crypto';
import { MOST_LISTED, type RigPage, type RigQuery } from '@gullwind/contract';
import { newRig, setCableLength, applyEdits, type Rig } from '@gullwind/core';
import request from 'supertest';
import { setDone } from '../src/build/buildStore';
import type { Database } from '../src/db/database';
import { endHunt, beginHunt } from '../src/hunts/huntStore';
import { forgetRemoved, keepHouse } from '../src/rigs/housekeeping';
import { fillListings } from '../src/rigs/listings';
import { findRevision, listRevisions, nameRevision, thinRevisions } from '../src/rigs/revisions';
import { countUses, listNames, listRigs } from '../src/rigs/rigList';
import { createRig, findRig, setRigDeleted, updateRig } from '../src/rigs/rigStore';
import { engines, openMigrated } from './support/databases';
import { ENDED, HUNTED } from './support/hunted';
import { expectProblem } from './support/expectProblem';
import { runApp } from './support/runningApp';

/// What is kept of rigs beside their documents, and for how long.

const all = engines();
const QUERY: RigQuery = { search: '', sort: 'changed', from: 0, removed: false };
const named = (name: string, player = '', note = '', cableM = 6): Rig => {
  const rig = applyEdits(newRig(name), setCableLength('l1', cableM));
  return { ...rig, texts: { ...rig.texts, name, player, note } };
};

describe.each(all.map((engine) => [engine.name, engine] as const))('on %s', (_, engine) => {
  let db: Database;
  beforeEach(async () => {
    db = await openMigrated(() => engine.open());
  });
  afterEach(() => db.close());
  afterAll(() => engine.stop());

  const create = async (rig: Rig) => {
    const id = randomUUID();
    await createRig(db, id, rig);
    return id;
  };
  const names = async (query: Partial<RigQuery>) =>
    (await listRigs(db, { ...QUERY, ...query })).rigs.map(({ name }) => name);

  test('rigs are searched by every word and sorted', async () => {
    await create(named('Öland', 'Zoë', 'the 100% board', 18));
    await create(named('apple', 'Ann', '', 2));
    const last = await create(named('Banana', 'bert', 'spare_one', 9));
    expect(await names({})).toEqual(['Banana', 'apple', 'Öland']);
    expect(await names({ sort: 'name' })).toEqual(['apple', 'Banana', 'Öland']);
    expect(await names({ sort: 'player' })).toEqual(['apple', 'Banana', 'Öland']);
    expect(await names({ sort: 'treble' })).toEqual(['Öland', 'Banana', 'apple']);
    expect(await names({ search: 'zoe oland' })).toEqual(['Öland']);
    expect(await names({ search: '100% BOARD' })).toEqual(['Öland']);
    // What means anything in a pattern means itself here.
    expect(await names({ search: '%' })).toEqual(['Öland']);
    expect(await names({ search: '_' })).toEqual(['Banana']);
    expect(await names({ search: 'zoe apple' })).toEqual([]);
    expect((await listNames(db)).map(({ name }) => name)).toEqual(['apple', 'Banana', 'Öland']);
    await setRigDeleted(db, last, true);
    expect(await names({})).toEqual(['apple', 'Öland']);
    expect(await names({ removed: true })).toEqual(['Banana']);
  });

  test('a page at a time, with how many there are', async () => {
    for (let i = 0; i < MOST_LISTED + 3; i++) await create(named(`rig ${i}`));
    const first = await listRigs(db, { ...QUERY, sort: 'name' });
    const second = await listRigs(db, { ...QUERY, sort: 'name', from: MOST_LISTED });
    expect([first.total, first.rigs.length]).toEqual([MOST_LISTED + 3, MOST_LISTED]);
    expect([second.total, second.rigs.length]).toEqual([MOST_LISTED + 3, 3]);
    const ids = [...first.rigs, ...second.rigs].map(({ id }) => id);
    expect(new Set(ids).size).toBe(MOST_LISTED + 3);
    expect(await listRigs(db, { ...QUERY, from: 1000 })).toMatchObject({ rigs: [] });
  });

  test('what the list shows follows every save, and is made where it is missing', async () => {
    const id = await create(named('short', '', '', 2));
    const [before] = (await listRigs(db, QUERY)).rigs;
    await updateRig(db, id, { basedOn: 1, rig: named('long', '', '', 30) });
    const [after] = (await listRigs(db, QUERY)).rigs;
    expect(after).toMatchObject({ name: 'long', revision: 2 });
    expect(after!.trebleDb!).toBeLessThan(before!.trebleDb! - 3);
    await db.query(`update rig_listings set made_by = 0, listing = '{}', uses = '[]'`);
    await fillListings(db);
    expect((await listRigs(db, QUERY)).rigs).toEqual([after]);
    await db.query('delete from rig_listings');
    expect((await listRigs(db, QUERY)).rigs).toEqual([]);
    await fillListings(db);
    expect((await listRigs(db, QUERY)).rigs).toEqual([after]);
    expect(await countUses(db)).toEqual([]);
  });

  test('a rig is a job: what is kept beside it is counted, and what is due comes first', async () => {
    const due = (name: string, deadline: string | null): Rig => {
      const rig = named(name);
      return { ...rig, texts: { ...rig.texts, brief: { ...rig.texts.brief, deadline } } };
    };
    const later = await create(due('later', '2027-03-01'));
    await create(due('no hurry', null));
    await create(due('sooner', '2027-01-15'));
    expect(await names({ sort: 'deadline' })).toEqual(['sooner', 'later', 'no hurry']);

    const done = { fingerprint: '', lengthM: null, revision: 1, by: '', isDone: true };
    for (const step of ['cut l1', 'end l1', 'play', 'repair x'])
      await setDone(db, later, { ...done, step });
    await nameRevision(db, later, 1, 'handed over');
    const open = await beginHunt(db, randomUUID(), { ...HUNTED, rig: later, revision: 1 });
    const over = await beginHunt(db, randomUUID(), { ...HUNTED, rig: later, revision: 1 });
    await endHunt(db, over.id, ENDED);
    const jobOf = async (name: string) =>
      (await listRigs(db, QUERY)).rigs.find((rig) => rig.name === name)!.job;
    expect(await jobOf('later')).toMatchObject({
      deadline: '2027-03-01',
      steps: 3,
      isPlayed: true,
      hunts: 1,
      named: 1,
      measured: 0,
      heard: 0,
      walked: [0, 10],
    });
    expect(await jobOf('sooner')).toMatchObject({ steps: 0, isPlayed: false, hunts: 0, named: 0 });
    await endHunt(db, open.id, ENDED);
    expect((await jobOf('later')).hunts).toBe(0);
  });

  test('automatic saves are thinned by age; the newest and the named stay', async () => {
    const id = await create(named('saved often'));
    const now = new Date('2026-11-26T12:00:00Z');
    const at = async (revision: number, savedAt: string) =>
      db.query(
        `insert into rig_revisions (rig_id, revision, saved_at, document)
         select $1, $2, $3, document from rigs where id = $1
         on conflict (rig_id, revision) do update set saved_at = excluded.saved_at`,
        [id, revision, savedAt],
      );
    const kept: [number, string, boolean][] = [
      [1, '2024-02-03T10:00:00Z', false],
      [2, '2024-02-27T10:00:00Z', true], // the last of its month
      [3, '2024-03-01T00:00:00Z', true],
      [4, '2025-12-24T08:00:00Z', false],
      [5, '2025-12-24T09:00:00Z', true], // named below
      [6, '2025-12-24T22:00:00Z', true], // the last of its day
      [7, '2026-11-19T13:00:00Z', true],
      [8, '2026-11-20T10:05:00Z', false],
      [9, '2026-11-20T10:55:00Z', true], // the last of its hour
      [10, '2026-11-20T11:05:00Z', true],
      [11, '2026-11-25T11:50:00Z', false],
      [12, '2026-11-25T11:55:00Z', true],
      [13, '2026-11-25T12:05:00Z', true], // within a day
      [14, '2026-11-25T12:06:00Z', true],
      [15, '2026-11-26T11:59:00Z', true],
    ];
    for (const [revision, savedAt] of kept) await at(revision, savedAt);
    await db.query('update rigs set revision = 15 where id = $1', [id]);
    expect(await nameRevision(db, id, 5, 'as at the first night')).toBe(true);
    const left = async () =>
      (await listRevisions(db, id)).revisions.map(({ revision }) => revision).toReversed();
    const stays = kept.filter(([, , stay]) => stay).map(([revision]) => revision);
    expect(await thinRevisions(db, now)).toBe(kept.length - stays.length);
    expect(await left()).toEqual(stays);
    expect(await thinRevisions(db, now)).toBe(0);
    // In ten years: one a month, those that have a name, and the newest, however old.
    await thinRevisions(db, new Date('2036-11-26T12:00:00Z'));
    expect(await left()).toEqual([2, 3, 5, 6, 14, 15]);
  });

  test('revisions come a page at a time, are named, and can be read', async () => {
    const id = await create(named('one'));
    await updateRig(db, id, { basedOn: 1, rig: named('two') });
    await db.query(
      `insert into rig_revisions (rig_id, revision, document)
       select $1, n, document from rig_revisions, generate_series(3, 130) as n
       where rig_id = $1 and revision = 2`,
      [id],
    );
    const page = await listRevisions(db, id);
    expect(page.total).toBe(130);
    expect(page.revisions).toHaveLength(100);
    const next = await listRevisions(db, id, page.revisions.at(-1)!.revision);
    expect(next.revisions.map(({ revision }) => revision)).toEqual(
      Array.from({ length: 30 }, (__, i) => 30 - i),
    );
    await nameRevision(db, id, 1, 'the first');
    expect((await listRevisions(db, id, 2)).revisions).toMatchObject([{ name: 'the first' }]);
    await nameRevision(db, id, 1, null);
    expect((await listRevisions(db, id, 2)).revisions).toMatchObject([{ name: null }]);
    expect(await nameRevision(db, id, 999, 'none')).toBe(false);
    expect((await findRevision(db, id, 1))!.texts.name).toBe('one');
    expect(await findRevision(db, id, 999)).toBeNull();
    await db.query(`update rig_revisions set document = '{"format": 99}' where revision = 1`);
    expect(await findRevision(db, id, 1)).toBeNull();
  });

  test('a rig that was removed more than thirty days ago is gone, and its revisions are never used again', async () => {
    const [old, young, here] = [
      await create(named('old')),
      await create(named('young')),
      await create(named('here')),
    ];
    await updateRig(db, old, { basedOn: 1, rig: named('older') });
    for (const id of [old, young]) await setRigDeleted(db, id, true);
    const now = Date.now();
    const inDays = (days: number) => new Date(now + days * 86_400_000);
    await db.query(`update rigs set deleted_at = now() - interval '5 days' where id = $1`, [old]);
    expect(await forgetRemoved(db, inDays(24))).toBe(0);
    expect(await forgetRemoved(db, inDays(26))).toBe(1);
    expect(await names({ removed: true })).toEqual(['young']);
    expect(await setRigDeleted(db, old, false)).toBe(false);
    expect(await createRig(db, old, named('old again'))).toMatchObject({ revision: 3 });
    expect(await findRig(db, here)).not.toBeNull();
  });

  test('every rig is thinned, however many, and none after the word to end', async () => {
    const first = randomUUID();
    await createRig(db, first, named('one'));
    await db.query(
      `insert into rigs (id, revision, document)
       select gen_random_uuid(), 3, document from rigs, generate_series(2, 120)`,
    );
    await db.query(
      `insert into rig_revisions (rig_id, revision, saved_at, document)
       select id, n, '2024-02-03T10:00:00Z'::timestamptz + n * interval '1 minute', document
       from rigs, generate_series(1, 2) as n where id <> $1`,
      [first],
    );
    expect(await thinRevisions(db, new Date(), AbortSignal.abort())).toBe(1);
    expect(await thinRevisions(db, new Date())).toBe(118);
    expect(await thinRevisions(db, new Date())).toBe(0);
  });

  test('housekeeping works at once, goes on after a failure, and can be waited for', async () => {
    const id = await create(named('old'));
    await setRigDeleted(db, id, true);
    await db.query(`update rigs set deleted_at = now() - interval '40 days'`);
    const failures: unknown[] = [];
    await keepHouse(db, null, (error) => failures.push(error))();
    expect(await names({ removed: true })).toEqual([]);
    const away = () => Promise.reject(new Error('away'));
    const broken: Database = {
      isAlone: true,
      query: away,
      transaction: away,
      snapshot: away,
      close: away,
    };
    await keepHouse(broken, null, (error) => failures.push(error))();
    expect(failures).toEqual([new Error('away')]);
  });
});

test('somebody else is heard between one rig and the next while the house is kept', async () => {
  const ids = Array.from({ length: 40 }, (_, i) => ({ id: `r${i}` }));
  let busy = true;
  const heard: number[] = [];
  let asked = 0;
  const db = {
    query: async (sql: string, values: unknown[] = []) =>
      sql.startsWith('select id') ? (values[1] ? [] : ids) : (asked++, []),
    transaction: async (work: (tx: unknown) => unknown) =>
      work({ query: async () => (asked++, []) }),
  } as unknown as Database;
  const listen = () => {
    heard.push(asked);
    if (busy) setImmediate(listen);
  };
  setImmediate(listen);
  await forgetRemoved(db, new Date());
  await thinRevisions(db, new Date());
  busy = false;
  expect(asked).toBe(80);
  const steps = heard.map((at, i) => at - (heard[i - 1] ?? 0));
  expect(Math.max(...steps)).toBeLessThanOrEqual(2);
});

test('asked for by its address', async () => {
  const app = await runApp();
  try {
    const get = (query: object) => request(app.url).get('/api/rigs').query(query);
    const id = randomUUID();
    await request(app.url)
      .post('/api/rigs')
      .send({ id, rig: named('one') })
      .expect(201);
    for (const removed of [true, false]) {
      const page = (await get({ removed, search: 'ONE', sort: 'treble', from: 0 }).expect(200))
        .body as RigPage;
      expect(page.total).toBe(removed ? 0 : 1);
    }
    for (const bad of [
      { from: -1 },
      { from: 'x' },
      { sort: 'price' },
      { removed: 'maybe' },
      { boats: 1 },
      { search: 'x'.repeat(201) },
      { 'search[a]': 'b' },
    ])
      await expectProblem(get(bad), 400, 'invalid-request');
    expect((await request(app.url).get('/api/rigs/names').expect(200)).body).toEqual([
      { id, name: 'one' },
    ]);
    const at = (revision: unknown) => `/api/rigs/${id}/revisions/${String(revision)}`;
    await request(app.url).put(at(1)).send({ name: 'first night' }).expect(204);
    await expectProblem(
      request(app.url)
        .put(at(1))
        .send({ name: 'x'.repeat(81) }),
      400,
      'invalid-request',
    );
    await expectProblem(
      request(app.url).put(at(2)).send({ name: null }),
      404,
      'revision-not-found',
    );
    await expectProblem(request(app.url).get(at(2)), 404, 'revision-not-found');
    await expectProblem(request(app.url).get(at('x')), 400, 'invalid-request');
    expect((await request(app.url).get(at(1)).expect(200)).body).toMatchObject({
      rig: { texts: { name: 'one' } },
    });
    const revisions = await request(app.url).get(`/api/rigs/${id}/revisions?before=5`).expect(200);
    expect(revisions.body).toMatchObject({ total: 1, revisions: [{ name: 'first night' }] });
  } finally {
    await app.close();
  }
});
