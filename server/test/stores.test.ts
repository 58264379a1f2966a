import { randomUUID } from 'node:crypto';
import { DEFAULT_SETTINGS } from '@gullwind/contract';
import { readFileSync } from 'node:fs';
import {
  applyEdits,
  insertBuffer,
  newRig,
  RIG_FORMAT,
  setCableLength,
  type Edit,
  type Rig,
} from '@gullwind/core';
import type { Database } from '../src/db/database';
import { findChanges } from '../src/changes/changeStore';
import { migrate, readMigrations } from '../src/db/migrate';
import { DEMO_GEAR } from '../src/demo/demoGear';
import { seedDemo } from '../src/demo/seedDemo';
import { listGear } from '../src/gear/gearStore';
import { createRig, findRig, setRigDeleted, updateRig, updateState } from '../src/rigs/rigStore';
import { listRevisions } from '../src/rigs/revisions';
import { listRigs as listPage } from '../src/rigs/rigList';
import { upgradeRigs } from '../src/rigs/upgradeRigs';
import { findSettings, putSettings } from '../src/settings/settingsStore';
import { engines, MIGRATIONS, openMigrated } from './support/databases';

const format1 = JSON.parse(
  readFileSync(new URL('../../contract/test/older/rigs1.json', import.meta.url), 'utf8'),
) as { rig: { name: string } }[];

const listRigs = async (db: Database) =>
  (await listPage(db, { search: '', sort: 'changed', from: 0, removed: false })).rigs;

const all = engines();

describe.each(all.map((engine) => [engine.name, engine] as const))('stores on %s', (_, engine) => {
  let db: Database;
  beforeAll(async () => {
    db = await openMigrated(() => engine.open());
  });
  afterAll(async () => {
    await db.close();
    engine.stop();
  });

  const rig = newRig('Pit “board”; drop table rigs; --');
  const switchable = (id: string): Edit => ({
    kind: 'choose',
    target: { of: 'device', id },
    field: 'bypass',
    to: 'true',
  });
  const create = async () => {
    const id = randomUUID();
    await createRig(db, id, rig);
    return id;
  };

  test('a rig comes back as it was kept', async () => {
    const id = await create();
    const found = await findRig(db, id);
    expect(found).toMatchObject({ id, revision: 1, rig });
    expect(Date.parse(found!.updatedAt)).not.toBeNaN();
    expect(await createRig(db, id, rig)).toBeNull();
    expect(await findRig(db, randomUUID())).toBeNull();
  });

  test('rigs of the first format are brought up in place, under their revision', async () => {
    const id = randomUUID();
    const old = { ...format1[0]!.rig };
    await db.query('insert into rigs (id, revision, document) values ($1, 4, $2::jsonb)', [
      id,
      JSON.stringify(old),
    ]);
    expect(await upgradeRigs(db)).toBe(1);
    expect(await upgradeRigs(db)).toBe(0);
    const found = await findRig(db, id);
    expect(found).toMatchObject({
      revision: 4,
      rig: { format: RIG_FORMAT, texts: { name: old.name } },
    });
    expect(found!.rig.electrical.rows[0]!.devices).toHaveLength(8);
    await setRigDeleted(db, id, true);
  });

  test('each change is the next revision, and every revision stays', async () => {
    const id = await create();
    const longer = applyEdits(rig, setCableLength('l1', 9));
    expect(await updateRig(db, id, { basedOn: 1, rig: longer })).toMatchObject({
      kind: 'saved',
      saved: { revision: 2 },
    });
    expect(
      await updateRig(db, id, { basedOn: 2, rig: applyEdits(longer, insertBuffer(longer, 0)) }),
    ).toMatchObject({
      saved: { revision: 3 },
    });
    expect((await listRevisions(db, id)).revisions.map(({ revision }) => revision)).toEqual([
      3, 2, 1,
    ]);
    const kept = await db.query<{ document: Rig }>(
      'select document from rig_revisions where rig_id = $1 and revision = 2',
      [id],
    );
    expect(kept[0]!.document).toEqual(longer);
  });

  test('switch positions alone are kept without a revision', async () => {
    const id = await create();
    const pedal = applyEdits(rig, insertBuffer(rig, 0), switchable('d1'));
    await updateRig(db, id, { basedOn: 1, rig: pedal });
    const on = applyEdits(pedal, { kind: 'switch', positions: { d1: true } });
    expect(await updateRig(db, id, { basedOn: 2, rig: on })).toMatchObject({
      kind: 'saved',
      saved: { revision: 2 },
    });
    expect(await findRig(db, id)).toMatchObject({ rig: { state: { positions: { d1: true } } } });
    expect((await listRevisions(db, id)).revisions).toHaveLength(2);
  });

  test('a foot-switch toggled by one hand is not lost by what another saves', async () => {
    const id = await create();
    const board = applyEdits(rig, insertBuffer(rig, 0), switchable('d1'));
    const two = applyEdits(board, insertBuffer(board, 0), switchable('d2'));
    await updateRig(db, id, { basedOn: 1, rig: two });
    const from = two.state;
    const on = { ...from, positions: { d1: true } };
    expect(await updateState(db, id, { from, state: on })).toMatchObject({
      revision: 2,
      state: on,
    });
    // Another window knows nothing of it, switches the other pedal, and moves a cable.
    const theirs = applyEdits(
      two,
      { kind: 'switch', positions: { d2: true } },
      setCableLength('l1', 9),
    );
    const both = { ...on, positions: { d1: true, d2: true } };
    expect(await updateRig(db, id, { basedOn: 2, rig: theirs, stateFrom: from })).toMatchObject({
      saved: { revision: 3, state: both },
    });
    // The first goes on from what it knew: no conflict, and what it did not touch stays.
    expect(
      await updateState(db, id, { from: on, state: { ...on, unpowered: ['d1', 'd9'] } }),
    ).toMatchObject({ revision: 3, state: { ...both, unpowered: ['d1'] } });
    expect(await findRig(db, id)).toMatchObject({
      revision: 3,
      rig: { ...theirs, state: { ...both, unpowered: ['d1'] } },
    });
    expect(await updateState(db, randomUUID(), { from, state: on })).toBeNull();
  });

  test('a stale change is refused with what is there, and changes nothing', async () => {
    const id = await create();
    const theirs = applyEdits(rig, setCableLength('l1', 9));
    await updateRig(db, id, { basedOn: 1, rig: theirs });
    const result = await updateRig(db, id, {
      basedOn: 1,
      rig: applyEdits(rig, setCableLength('l1', 2)),
    });
    expect(result).toMatchObject({ kind: 'stale', theirs: { revision: 2, rig: theirs } });
    expect(await findRig(db, id)).toMatchObject({ revision: 2, rig: theirs });
    expect(await updateRig(db, randomUUID(), { basedOn: 1, rig })).toEqual({ kind: 'notFound' });
  });

  test('a save sent twice, because its answer was lost, is one revision', async () => {
    const id = await create();
    const longer = applyEdits(rig, setCableLength('l1', 9));
    await updateRig(db, id, { basedOn: 1, rig: longer });
    expect(await updateRig(db, id, { basedOn: 1, rig: longer })).toMatchObject({
      kind: 'saved',
      saved: { revision: 2 },
    });
    expect((await listRevisions(db, id)).revisions).toHaveLength(2);
  });

  test('of two changes at once exactly one is saved', async () => {
    const id = await create();
    const results = await Promise.all(
      [4, 5, 7, 8].map((lengthM) =>
        updateRig(db, id, { basedOn: 1, rig: applyEdits(rig, setCableLength('l1', lengthM)) }),
      ),
    );
    expect(results.map(({ kind }) => kind).sort()).toEqual(['saved', 'stale', 'stale', 'stale']);
    expect(await findRig(db, id)).toMatchObject({ revision: 2 });
  });

  test('a rig off the list is not found, and comes back whole', async () => {
    const id = await create();
    expect(await setRigDeleted(db, id, true)).toBe(true);
    expect(await setRigDeleted(db, id, true)).toBe(false);
    expect(await findRig(db, id)).toBeNull();
    expect((await listRigs(db)).map((listed) => listed.id)).not.toContain(id);
    expect(await updateRig(db, id, { basedOn: 1, rig })).toEqual({ kind: 'notFound' });
    expect(await setRigDeleted(db, id, false)).toBe(true);
    expect(await findRig(db, id)).toMatchObject({ rig });
  });

  test('a transaction that throws leaves nothing after', async () => {
    const before = (await listRigs(db)).length;
    const failing = db.transaction(async (tx) => {
      await tx.query('insert into rigs (id, revision, document) values ($1, 1, $2::jsonb)', [
        randomUUID(),
        JSON.stringify(rig),
      ]);
      throw new Error('stop here');
    });
    await expect(failing).rejects.toThrow('stop here');
    expect(await listRigs(db)).toHaveLength(before);
  });

  test('numbers and times come back alike on every engine', async () => {
    const [row] = await db.query<{ big: unknown; exact: unknown; day: unknown; at: unknown }>(
      `select 9007199254740991::int8 as big, 1.25::numeric as exact, '2026-02-03'::date as day, '2026-02-03T04:05:06Z'::timestamptz as at where $1::text = 'x'`,
      ['x'],
    );
    expect(row).toEqual({
      big: 9007199254740991,
      exact: 1.25,
      day: '2026-02-03',
      at: new Date('2026-02-03T04:05:06Z'),
    });
  });

  test('settings: the defaults, then what was put', async () => {
    expect(await findSettings(db)).toEqual(DEFAULT_SETTINGS);
    const night = { ...DEFAULT_SETTINGS, theme: 'night' as const };
    await putSettings(db, { ...night, units: 'imperial' });
    await putSettings(db, night);
    expect(await findSettings(db)).toEqual(night);
  });

  test('seeding twice adds nothing, and keeps what a user changed', async () => {
    await seedDemo(db);
    const first = (await listRigs(db)).find(({ name }) => name === 'Pit board');
    const { rig: pit } = (await findRig(db, first!.id))!;
    const renamed = { ...pit, texts: { ...pit.texts, name: 'Mine now' } };
    await updateRig(db, first!.id, { basedOn: 1, rig: renamed });
    await seedDemo(db);
    expect(await findRig(db, first!.id)).toMatchObject({ rig: renamed });
    expect(await listGear(db)).toHaveLength(DEMO_GEAR.length);
  });

  test('migrations run once; a database of another version is refused', async () => {
    const known = await readMigrations(MIGRATIONS);
    expect(await migrate(db, known)).toBe(0);
    await expect(migrate(db, [])).rejects.toThrow('It was written by another version.');
    await expect(migrate(db, [{ ...known[0]!, name: '0001_other.sql' }])).rejects.toThrow(
      '“0001_start.sql” at place 1',
    );
    const bad = [
      ...known,
      { name: '9999_bad.sql', sql: 'create table half (a int); select nonsense;' },
    ];
    await expect(migrate(db, bad)).rejects.toThrow();
    expect(
      await db.query(`select 1 from information_schema.tables where table_name = 'half'`),
    ).toEqual([]);
  });
});

test('each new database has a feed with a name of its own', async () => {
  const [engine] = all;
  const nameOf = async () => {
    const db = await openMigrated(() => engine!.open());
    const { feed } = await findChanges(db, null);
    await db.close();
    return feed;
  };
  expect(await nameOf()).not.toBe(await nameOf());
});
