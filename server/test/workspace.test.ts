import { randomUUID } from 'node:crypto';
import { DEFAULT_SETTINGS, type WorkspacePart } from '@gullwind/contract';
import { newRig, type Rig } from '@gullwind/core';
import fc from 'fast-check';
import { randomItem } from '../../contract/test/randomGear';
import { editOf, randomRig, recipe } from '../../core/test/rig/randomRig';
import { applyEdit } from '@gullwind/core';
import type { Database } from '../src/db/database';
import { addGear, listGear, updateItem } from '../src/gear/gearStore';
import { listRigs } from '../src/rigs/rigList';
import { listRevisions, nameRevision } from '../src/rigs/revisions';
import { createRig, findRig, setRigDeleted, updateRig } from '../src/rigs/rigStore';
import { putSettings } from '../src/settings/settingsStore';
import { DEMO_GEAR } from '../src/demo/demoGear';
import { seedDemo } from '../src/demo/seedDemo';
import { restore } from '../src/workspace/restore';
import { engines, openMigrated } from './support/databases';
import { linesIn, partsIn, put } from './support/workspaces';

const all = engines();

describe.each(all.map((engine) => [engine.name, engine] as const))(
  'workspace on %s',
  (_, engine) => {
    let db: Database;
    let other: Database;
    beforeAll(async () => {
      [db, other] = [
        await openMigrated(() => engine.open()),
        await openMigrated(() => engine.open()),
      ];
    });
    afterAll(async () => {
      await db.close();
      await other.close();
      engine.stop();
    });

    test('backed up, restored elsewhere and backed up again it is the same, whatever is in it', async () => {
      await fc.assert(
        fc.asyncProperty(
          fc.array(fc.tuple(randomRig, fc.array(recipe, { maxLength: 3 }), fc.boolean()), {
            maxLength: 3,
          }),
          fc.uniqueArray(randomItem, { maxLength: 4, selector: ({ id }) => id }),
          async (rigs, items) => {
            for (const database of [db, other]) await put(database, EMPTY);
            for (const [rig, recipes, isDeleted] of rigs) {
              const id = randomUUID();
              let { revision } = (await createRig(db, id, rig))!;
              let now = rig;
              for (const step of recipes) {
                const edited = applyEdit(now, editOf(now, step));
                if (edited.kind === 'refused') continue;
                now = edited.rig;
                const result = await updateRig(db, id, { basedOn: revision, rig: now });
                if (result.kind !== 'saved') throw new Error(result.kind);
                ({ revision } = result.saved);
              }
              if (isDeleted) await setRigDeleted(db, id, true);
              else await nameRevision(db, id, 1, 'first night');
            }
            await addGear(db, items);
            await putSettings(db, { ...DEFAULT_SETTINGS, units: 'imperial' });
            const lines = await linesIn(db);
            expect(await put(other, await partsIn(lines), false)).toMatchObject({
              kind: 'restored',
            });
            expect(await linesIn(other)).toEqual(lines);
          },
        ),
        { seed: 12, numRuns: 12 },
      );
    });

    test('over something it is only put when told to, and the demo is as it was', async () => {
      for (const database of [db, other]) await put(database, EMPTY);
      await seedDemo(db);
      const parts = await partsIn(await linesIn(db));
      const id = randomUUID();
      await createRig(other, id, newRig('mine'));
      expect(await put(other, parts, false)).toEqual({ kind: 'notEmpty' });
      expect((await findRig(other, id))!.rig.texts.name).toBe('mine');
      const countOf = (kind: string) => parts.filter((part) => part.kind === kind).length;
      expect(await put(other, parts)).toEqual({
        kind: 'restored',
        restored: {
          rigs: countOf('rig'),
          revisions: countOf('revision'),
          gear: countOf('gear'),
          records: 0,
        },
      });
      expect(await findRig(other, id)).toBeNull();
      const query = { search: '', sort: 'changed', from: 0, removed: false } as const;
      expect(await listRigs(other, query)).toEqual(await listRigs(db, query));
    });

    test('of two restores at once one wins and the other is refused', async () => {
      const parts = await partsIn(await linesIn(db));
      let go = () => undefined as void;
      const gate = new Promise<void>((resolve) => (go = resolve));
      async function* slow() {
        yield* parts.slice(0, 1);
        await gate;
        yield* parts.slice(1);
      }
      const first = restore(other, slow, true);
      expect(await put(other, EMPTY)).toEqual({ kind: 'busy' });
      go();
      expect((await first).kind).toBe('restored');
      expect((await put(other, parts)).kind).toBe('restored');
    });

    test('while a restore comes in, others read what is there; at its end it is all there, and nothing beside it', async () => {
      const id = randomUUID();
      await createRig(db, id, newRig('comes back'));
      const parts = await partsIn(await linesIn(db));
      await put(other, EMPTY);
      const before = randomUUID();
      await createRig(other, before, newRig('is there'));
      let seen: unknown = null;
      async function* watched() {
        for (const part of parts) {
          seen ??= await Promise.race([
            findRig(other, before),
            new Promise((resolve) => setTimeout(() => resolve('waits'), 5000)),
          ]);
          yield part;
        }
      }
      expect((await restore(other, watched, true)).kind).toBe('restored');
      expect(seen).toMatchObject({ id: before });
      expect(await findRig(other, before)).toBeNull();
      expect((await findRig(other, id))!.rig.texts.name).toBe('comes back');
      expect(await stagedTables()).toEqual([]);
    });

    test.each([1, 2])(
      'a restore that fails when its parts are read for the %s. time changes nothing',
      async (time) => {
        await put(other, await partsIn(await linesIn(db)));
        const kept = await linesIn(other);
        const parts = await partsIn(kept);
        let times = 0;
        async function* failing() {
          times += 1;
          yield* parts.slice(0, -1);
          if (times === Math.min(time, other.isAlone ? 2 : 1)) throw new Error('the disk is gone');
          yield* parts.slice(-1);
        }
        await expect(restore(other, failing, true)).rejects.toThrow('the disk is gone');
        expect(await linesIn(other)).toEqual(kept);
        expect(await stagedTables()).toEqual([]);
        expect((await put(other, parts)).kind).toBe('restored');
      },
    );

    const stagedTables = () =>
      other.query(`select relname from pg_class where relname like 'staged%' and relkind = 'r'`);

    test('a rig that cannot be read is written as what it is, and is there again', async () => {
      const id = randomUUID();
      await createRig(db, id, newRig('of a later version'));
      await db.query(
        `update rigs set document = document || '{"format": 99}'::jsonb where id = $1`,
        [id],
      );
      const lines = await linesIn(db);
      expect(lines.find((line) => line.includes(id))).toMatch(/"unreadable":true\}$/u);
      await put(other, await partsIn(lines));
      const { rigs } = await listRigs(other, {
        search: 'of a later version',
        sort: 'name',
        from: 0,
        removed: false,
      });
      expect(rigs).toMatchObject([{ id, unreadable: expect.stringContaining('format') }]);
      await put(db, EMPTY);
    });

    test('thousands of revisions go out and come in again', async () => {
      await put(db, EMPTY);
      const id = randomUUID();
      await createRig(db, id, newRig('saved often'));
      await db.query(
        `insert into rig_revisions (rig_id, revision, document)
         select rig_id, 1 + n, document from rig_revisions, generate_series(1, 5000) as n
         where rig_id = $1`,
        [id],
      );
      await db.query('update rigs set revision = 5001 where id = $1', [id]);
      const lines = await linesIn(db);
      expect(lines).toHaveLength(5001 + 3);
      await put(other, await partsIn(lines));
      expect((await listRevisions(other, id)).total).toBe(5001);
      await put(db, EMPTY);
    });

    test('what was seen before a restore is not saved over what was put in its place', async () => {
      const id = randomUUID();
      const rig = newRig('seen');
      await createRig(other, id, rig);
      const backup = await partsIn(await linesIn(other));
      const named = (name: string): Rig => ({ ...rig, texts: { ...rig.texts, name } });
      expect(await updateRig(other, id, { basedOn: 1, rig: named('later') })).toMatchObject({
        saved: { revision: 2 },
      });
      for (const parts of [backup, EMPTY, backup]) await put(other, parts);
      const { revision } = (await findRig(other, id))!;
      for (const basedOn of [1, 2, revision - 1])
        expect(await updateRig(other, id, { basedOn, rig: named('over it') })).toMatchObject({
          kind: 'stale',
        });
      expect(
        await updateRig(other, id, { basedOn: revision, rig: named('after it') }),
      ).toMatchObject({
        kind: 'saved',
      });
    });

    test('on a fresh machine, too, what was seen elsewhere is not saved over it', async () => {
      await put(db, EMPTY);
      await put(other, EMPTY);
      const id = randomUUID();
      const rig = newRig('seen');
      await createRig(db, id, rig);
      const seen = (await findRig(db, id))!;
      await put(other, await partsIn(await linesIn(db)));
      const there = (await findRig(other, id))!;
      const later = { ...rig, texts: { ...rig.texts, name: 'later' } };
      // Both are at revision 1, and not of one line.
      expect([seen.revision, there.revision]).toEqual([1, 1]);
      const save = ({ lineage }: typeof seen) =>
        updateRig(other, id, { basedOn: 1, lineage, rig: later });
      expect(await save(seen)).toMatchObject({ kind: 'stale', theirs: { lineage: there.lineage } });
      expect(await save(there)).toMatchObject({
        kind: 'saved',
        saved: { revision: 2, lineage: there.lineage },
      });
    });

    test('a restore that fails half-way leaves everything as it was', async () => {
      const lines = await linesIn(db);
      const parts = await partsIn(lines);
      const first = parts.find(({ kind }) => kind === 'rig')!;
      await expect(put(db, [...parts, first])).rejects.toThrow();
      expect(await linesIn(db)).toEqual(lines);
    });

    test('an entry is changed from the revision it was seen at, added once, and listed', async () => {
      await addGear(db, DEMO_GEAR);
      const [stored] = await listGear(db);
      const item = { ...stored!.item, note: 'another note', retired: true };
      const saved = await updateItem(db, item, stored!.revision);
      expect(saved).toEqual({ kind: 'saved', stored: { item, revision: stored!.revision + 1 } });
      expect(await updateItem(db, item, 1)).toEqual(saved);
      expect(await updateItem(db, { ...item, note: 'late' }, stored!.revision)).toEqual({
        kind: 'stale',
        revision: stored!.revision + 1,
      });
      expect(await updateItem(db, { ...item, id: 'not-there' }, 1)).toEqual({ kind: 'notFound' });
      expect(await addGear(db, [item])).toEqual([item.id]);
    });
  },
);

const EMPTY: readonly WorkspacePart[] = [];
