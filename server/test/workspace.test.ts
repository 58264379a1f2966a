import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DEFAULT_SETTINGS, readWorkspace, type Workspace } from '@gullwind/contract';
import { newRig, withElectrical, type Rig } from '@gullwind/core';
import fc from 'fast-check';
import { randomItem } from '../../contract/test/randomGear';
import { editOf, randomRig, recipe } from '../../core/test/rig/randomRig';
import { applyEdit } from '@gullwind/core';
import type { Database } from '../src/db/database';
import { addGear, listGear, updateItem } from '../src/gear/gearStore';
import { createRig, findRig, listRigs, setRigDeleted, updateRig } from '../src/rigs/rigStore';
import { putSettings } from '../src/settings/settingsStore';
import { seedDemo } from '../src/demo/seedDemo';
import { findWorkspace, restoreWorkspace } from '../src/workspace/workspaceStore';
import { engines, openMigrated, temporaryFolder } from './support/databases';

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
            for (const database of [db, other]) await restoreWorkspace(database, EMPTY, true);
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
            }
            await addGear(db, items);
            await putSettings(db, { ...DEFAULT_SETTINGS, units: 'imperial' });
            const workspace = await findWorkspace(db);
            const read = readWorkspace(JSON.parse(JSON.stringify(workspace)));
            if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
            await restoreWorkspace(other, read.value, false);
            expect(await findWorkspace(other)).toEqual(workspace);
          },
        ),
        { seed: 12, numRuns: 12 },
      );
    });

    test('over something it is only put when told to, and the demo is as it was', async () => {
      for (const database of [db, other]) await restoreWorkspace(database, EMPTY, true);
      await seedDemo(db);
      const workspace = await findWorkspace(db);
      const id = randomUUID();
      await createRig(other, id, newRig('mine'));
      expect(await restoreWorkspace(other, workspace, false)).toBeNull();
      expect((await findRig(other, id))!.rig.texts.name).toBe('mine');
      expect(await restoreWorkspace(other, workspace, true)).toEqual({
        rigs: workspace.rigs.length,
        gear: workspace.gear.length,
      });
      expect(await findRig(other, id)).toBeNull();
      expect(await listRigs(other)).toEqual(await listRigs(db));
    });

    test('what was seen before a restore is not saved over what was put in its place', async () => {
      const id = randomUUID();
      const rig = newRig('seen');
      await createRig(other, id, rig);
      const backup = await findWorkspace(other);
      const named = (name: string): Rig => ({ ...rig, texts: { ...rig.texts, name } });
      expect(await updateRig(other, id, { basedOn: 1, rig: named('later') })).toMatchObject({
        saved: { revision: 2 },
      });
      for (const put of [backup, EMPTY, backup]) await restoreWorkspace(other, put, true);
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

    test('a restore that fails half-way leaves everything as it was', async () => {
      const before = await findWorkspace(db);
      const [first] = before.rigs;
      const broken = { ...before, rigs: [first!, { ...first!, id: first!.id }] };
      await expect(restoreWorkspace(db, broken, true)).rejects.toThrow();
      expect(await findWorkspace(db)).toEqual(before);
    });

    test('an entry is changed from the revision it was seen at, added once, and listed', async () => {
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

const EMPTY: Workspace = {
  kind: 'gullwind-workspace',
  format: 2,
  rigs: [],
  gear: [],
  settings: null,
};

describe('what is no workspace is refused with a sentence', () => {
  const rig = { ...newRig('one') };
  const kept = {
    id: randomUUID(),
    revision: 1,
    createdAt: '2026-11-25T10:00:00.000000Z',
    updatedAt: '2026-11-25T10:00:00.000000Z',
    deletedAt: null,
    document: rig,
    revisions: [],
  };
  const circle = withElectrical(rig, {
    rows: [
      ...rig.electrical.rows,
      { id: 'r2', at: { kind: 'loop', device: 'd9', loop: 0 }, devices: [], cables: [null] },
    ],
  });
  test.each<[string, unknown, RegExp]>([
    ['nothing', null, /must be of type object/u],
    ['another format', { ...EMPTY, format: 9 }, /format.* is 9; this version reads format 2/u],
    [
      'a rig of a future format',
      { ...EMPTY, rigs: [{ ...kept, document: { ...rig, format: 5 } }] },
      /format.* is 5; this version reads format 4 and those before it/u,
    ],
    [
      'a graph that ends nowhere',
      { ...EMPTY, rigs: [{ ...kept, document: circle }] },
      /which is not in the rig/u,
    ],
    ['a rig twice', { ...EMPTY, rigs: [kept, kept] }, /duplicate/u],
    [
      'absurd gear',
      { ...EMPTY, gear: [{ place: 1, revision: 1, item: { kind: 'boat' } }] },
      /must be one of/u,
    ],
    [
      'a polluting key',
      JSON.parse(
        '{"kind":"gullwind-workspace","format":1,"rigs":[],"gear":[],"settings":null,"__proto__":{"polluted":1}}',
      ),
      /not allowed/u,
    ],
    [
      'a moment that is none',
      { ...EMPTY, rigs: [{ ...kept, createdAt: 'yesterday' }] },
      /not a moment/u,
    ],
  ])('%s', (_, value, message) => {
    const read = readWorkspace(value);
    expect(read.kind).toBe('refused');
    expect(read.kind === 'refused' && read.problems[0]!.message).toMatch(message);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
});

describe('from the command line', () => {
  const MAIN = fileURLToPath(new URL('../src/main.ts', import.meta.url));
  const run = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      ['--import', 'tsx', MAIN, ...args],
      {
        encoding: 'utf8',
      },
    );
    return { status, said: `${stdout}${stderr}`.trim() };
  };

  test('backup, restore on a fresh machine, refusal over work that is there', () => {
    const [one, two] = [temporaryFolder(), temporaryFolder()];
    const file = join(one, 'all.json');
    writeFileSync(join(one, 'small.json'), JSON.stringify({ ...EMPTY, gear: [] }));
    expect(run('restore', join(one, 'small.json'), '--data', one)).toMatchObject({ status: 0 });
    expect(run('backup', file, '--data', one)).toMatchObject({ status: 0 });
    expect(run('backup', file, '--data', one).said).toContain('is there already');
    const workspace = JSON.parse(readFileSync(file, 'utf8')) as Workspace;
    const withRig = join(one, 'rig.json');
    const moment = '2026-11-25T10:00:00.000000Z';
    writeFileSync(
      withRig,
      JSON.stringify({
        ...workspace,
        rigs: [
          {
            id: randomUUID(),
            revision: 1,
            createdAt: moment,
            updatedAt: moment,
            deletedAt: null,
            document: newRig('kept'),
            revisions: [],
          },
        ],
      }),
    );
    expect(run('restore', withRig, '--data', two).said).toContain(
      '1 rigs and 0 pieces of gear are back',
    );
    expect(run('restore', withRig, '--data', two)).toMatchObject({
      status: 1,
      said: expect.stringContaining('--overwrite'),
    });
    expect(run('restore', withRig, '--data', two, '--overwrite').status).toBe(0);
    writeFileSync(join(one, 'half.json'), '{"kind":');
    expect(run('restore', join(one, 'half.json'), '--data', two).said).toContain('is not JSON');
  });
});
