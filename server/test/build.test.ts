import { randomUUID } from 'node:crypto';
import type { SentTest } from '@gullwind/contract';
import {
  forgottenIn,
  applyEdits,
  cableList,
  setCableLength,
  workPlan,
  type Edit,
  type Rig,
} from '@gullwind/core';
import type { Database } from '../src/db/database';
import {
  addTest,
  findOffCuts,
  findRecords,
  putOffCut,
  removeOffCut,
  setDone,
} from '../src/build/buildStore';
import { listBuilds } from '../src/build/workshop';
import { DEMO_RIGS } from '../src/demo/demoRigs';
import { listRevisions, thinRevisions } from '../src/rigs/revisions';
import { createRig, updateRig } from '../src/rigs/rigStore';
import { engines, openMigrated } from './support/databases';
import { linesIn, partsIn, put } from './support/workspaces';

/// What happens at the bench is kept beside the rig, on both engines.

const TEST: SentTest = {
  cable: 'l2',
  label: 'A2',
  revision: 1,
  fingerprint: 'd1 out 0|d2 in 0|250|usual plug|usual plug',
  lengthM: 0.25,
  tipThrough: true,
  sleeveThrough: true,
  ringThrough: null,
  leakOhm: 1e8,
  silentPlugs: null,
  pull: true,
  wiggle: false,
  capacitanceF: 61.5e-12,
  by: 'Mate “one”',
  note: 'breaks up at the second plug',
};

const pit = DEMO_RIGS[0]!.rig;

describe.each(engines().map((engine) => [engine.name, engine] as const))(
  'the bench on %s',
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

    const create = async (rig: Rig = pit) => {
      const id = randomUUID();
      await createRig(db, id, rig);
      return id;
    };
    const done = { step: 'cut l2', fingerprint: 'a', lengthM: 0.27, revision: 1, by: '' };

    test('a test comes back as it was found, and sent twice it is one', async () => {
      const id = await create();
      const testId = randomUUID();
      const kept = await addTest(db, id, testId, TEST);
      expect(kept).toMatchObject({ ...TEST, id: testId });
      expect(Date.parse(kept.at)).not.toBeNaN();
      await addTest(db, id, testId, { ...TEST, wiggle: true });
      expect((await findRecords(db, id)).tests).toEqual([kept]);
    });

    test('a step is ticked off, ticked again for what it is now, and taken back', async () => {
      const id = await create();
      await setDone(db, id, { ...done, isDone: true });
      await setDone(db, id, { ...done, fingerprint: 'b', revision: 2, isDone: true });
      expect((await findRecords(db, id)).done).toMatchObject([
        { ...done, fingerprint: 'b', revision: 2 },
      ]);
      await setDone(db, id, { ...done, isDone: false });
      expect((await findRecords(db, id)).done).toEqual([]);
    });

    test.each([
      ['cable_tests', 'length_m', '-1'],
      ['cable_tests', 'cable', "'no cable'"],
      ['cable_tests', 'capacitance_f', '1'],
      ['work_done', 'length_m', '1000'],
      ['work_done', 'step', "''"],
      ['off_cuts', 'length_m', '0'],
    ])('%s keeps no %s of %s', async (table, column, value) => {
      const id = await create();
      await addTest(db, id, randomUUID(), TEST);
      await setDone(db, id, { ...done, isDone: true });
      await putOffCut(db, { id: randomUUID(), name: 'Reel', gear: null, lengthM: 1, note: '' });
      await expect(db.query(`update ${table} set ${column} = ${value}`)).rejects.toThrow();
    });

    test('off-cuts of the workshop: kept, changed, let go of', async () => {
      for (const { id } of await findOffCuts(db)) await removeOffCut(db, id);
      const piece = {
        id: randomUUID(),
        name: 'Reel',
        gear: 'reel-low',
        lengthM: 0.42,
        note: 'from A2',
      };
      await putOffCut(db, piece);
      await putOffCut(db, { ...piece, lengthM: 0.3 });
      expect(await findOffCuts(db)).toEqual([{ ...piece, lengthM: 0.3 }]);
      await removeOffCut(db, piece.id);
      expect(await findOffCuts(db)).toEqual([]);
    });

    test('a revision at which something was done stays when others are thinned', async () => {
      const id = await create();
      let rig = pit;
      for (let i = 1; i <= 4; i++) {
        rig = applyEdits(rig, setCableLength('l2', 0.3 + i / 100));
        await updateRig(db, id, { basedOn: i, rig } as never);
      }
      await setDone(db, id, { ...done, revision: 2, isDone: true });
      await addTest(db, id, randomUUID(), { ...TEST, revision: 3 });
      await db.query(`update rig_revisions set saved_at = '2020-01-01' where rig_id = $1`, [id]);
      await thinRevisions(db, new Date());
      const { revisions } = await listRevisions(db, id);
      expect(revisions.map(({ revision }) => revision)).toEqual(expect.arrayContaining([5, 3, 2]));
      expect(revisions.map(({ revision }) => revision)).not.toContain(1);
    });

    test('it is in the backup and comes back with it', async () => {
      const id = await create();
      await addTest(db, id, randomUUID(), TEST);
      await setDone(db, id, { ...done, isDone: true });
      await putOffCut(db, { id: randomUUID(), name: 'Reel', gear: null, lengthM: 0.3, note: '' });
      // What another workshop had is not among it.
      await putOffCut(other, { id: randomUUID(), name: 'Old', gear: null, lengthM: 2, note: '' });
      const lines = await linesIn(db);
      const parts = await partsIn(lines);
      await put(other, parts);
      expect(await findRecords(other, id)).toEqual(await findRecords(db, id));
      expect(await findOffCuts(other)).toEqual(await findOffCuts(db));
    });

    test('what is due comes first, with how far it is and what is next', async () => {
      const dated = (deadline: string): Rig => ({
        ...pit,
        texts: { ...pit.texts, name: deadline, brief: { ...pit.texts.brief, deadline } },
      });
      const [late, soon] = [await create(dated('2031-02-01')), await create(dated('2030-02-01'))];
      const [first] = workPlan(pit);
      await setDone(db, soon, {
        ...done,
        step: first!.id,
        fingerprint: first!.fingerprint,
        isDone: true,
      });
      const builds = await listBuilds(db);
      const ids = builds.map(({ id }) => id);
      expect(ids.indexOf(soon)).toBeLessThan(ids.indexOf(late));
      const [a, b] = [soon, late].map((id) => builds.find((one) => one.id === id)!);
      expect([a!.done, b!.done]).toEqual([1, 0]);
      expect(a!.leftMinutes).toBe(b!.leftMinutes - first!.minutes);
      expect(b!.next).toBe(first!.says);
    });
  },
);

describe('what is forgotten of the demo rigs', () => {
  const kinds = (rig: Rig) =>
    forgottenIn(rig)
      .filter(({ isMust }) => isMust)
      .map(({ kind }) => kind);
  const [pitBoard, storm, tavern] = DEMO_RIGS.map(({ rig }) => rig) as [Rig, Rig, Rig];
  const without = (rig: Rig, row: number, at: number): Rig =>
    applyEdits(rig, {
      kind: 'connect',
      row: rig.electrical.rows[row]!.id,
      at,
      cable: null,
    } as Edit);

  test('nothing, as they are fed and cabled', () => {
    expect(kinds(pitBoard)).toEqual([]);
    for (const rig of [storm, tavern]) expect(new Set(kinds(rig))).toEqual(new Set(['dc']));
  });

  test('the cable to the amp, taken out', () => {
    for (const rig of [pitBoard, storm, tavern])
      expect(kinds(without(rig, 0, rig.electrical.rows[0]!.devices.length))).toContain('toAmp');
  });

  test('a patch, taken out, by the name of its connection', () => {
    const found = forgottenIn(without(pitBoard, 0, 2)).find(({ kind }) => kind === 'cable');
    expect(found!.says).toMatch(/^The patch to Ballast is missing/u);
  });

  test('a MIDI cable and a jumper, taken out', () => {
    const fixture = {
      kind: 'list',
      of: 'fixtures',
      at: 0,
      remove: 0,
      insert: [CONTROLLER],
    } as Edit;
    const withFeet = applyEdits(pitBoard, fixture);
    expect(kinds(withFeet)).toEqual(expect.arrayContaining(['midi', 'dc']));
    const cable = {
      id: 'k90',
      name: 'MIDI',
      carries: 'midi',
      from: { thing: 'f1', nth: 0 },
      to: { thing: 'd8', nth: 0 },
      lengthM: { value: 1, from: 'entered' },
    };
    const cabled = applyEdits(withFeet, {
      kind: 'list',
      of: 'controls',
      at: 0,
      remove: 0,
      insert: [cable],
    } as Edit);
    expect(kinds(cabled)).not.toContain('midi');
    const looped = DEMO_RIGS.map(({ rig }) => rig)
      .flatMap((rig) => rig.electrical.rows.map((row, i) => ({ rig, row, i })))
      .find(({ row }) => row.at.kind === 'loop' && row.devices.length === 0);
    if (looped) expect(kinds(without(looped.rig, looped.i, 0))).toContain('jumper');
  });

  test('every cable has a label of its own, the same at both ends', () => {
    for (const { rig } of DEMO_RIGS) {
      const labels = cableList(rig).map(({ label }) => label);
      expect(new Set(labels).size).toBe(labels.length);
    }
  });
});

const CONTROLLER = {
  id: 'f1',
  name: 'Feet',
  fixtureClass: 'controller',
  body: {
    widthM: { value: 0.23, from: 'assumed' },
    depthM: { value: 0.09, from: 'assumed' },
    heightM: { value: 0.05, from: 'assumed' },
    massKg: { value: 0.9, from: 'assumed' },
    jacks: [{ kind: 'midi', side: 'back', alongM: 0.1 }],
    switches: [],
    placesFrom: 'assumed',
    supplyV: { value: 9, from: 'assumed' },
    supplyMaxV: { value: 9, from: 'assumed' },
    supplyA: { value: 0.1, from: 'assumed' },
    idleA: { value: 0.1, from: 'assumed' },
    polarity: 'centreNegative',
    ground: 'negative',
    powerNote: '',
  },
} as const;
