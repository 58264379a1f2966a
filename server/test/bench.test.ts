import { randomUUID } from 'node:crypto';
import { MOST_MEASUREMENTS, type SentHearing, type SentMeasurement } from '@gullwind/contract';
import type { Measurement } from '@gullwind/core';
import {
  addHearing,
  addMeasurement,
  findHearings,
  findMeasurement,
  everyMeasurement,
  listMeasurements,
  strike,
} from '../src/bench/benchStore';
import type { Database } from '../src/db/database';
import { DEMO_RIGS } from '../src/demo/demoRigs';
import { createRig } from '../src/rigs/rigStore';
import { engines, openMigrated } from './support/databases';
import { linesIn, partsIn, put } from './support/workspaces';

/// What was measured and heard is kept as it was, on both engines.

const MEASURED: SentMeasurement = {
  job: 'lengths',
  rig: null,
  gear: 'tideline',
  subject: 'Tideline “reel”',
  instrument: 'Gullwind,Simulated meter,0,1',
  isSimulated: true,
  readings: [
    {
      label: '1 m',
      quantity: 'capacitance',
      values: [1.4e-10, 1.41e-10, 1.4e-10],
      conditions: { lengthM: 1, mode: 'Cp' },
    },
  ],
  responses: [
    { label: 'amp', frequencyHz: [100, 200], levelDb: [0, -1.5], conditions: { rLoadOhm: 1e6 } },
  ],
  figures: [{ label: 'C′', quantity: 'capacitancePerLength', value: 1.1e-10, error: 3e-13 }],
  words: '110 pF/m',
  by: 'Mate',
  note: "'; drop table measurements; --",
};

const HEARD: SentHearing = {
  listener: 'Mate',
  kind: 'abx',
  rig: null,
  one: 'straight in',
  other: 'as it is',
  seed: 4_000_000_000,
  planned: 10,
  trials: [
    { isRight: true, lossDb: null },
    { isRight: false, lossDb: 2.5 },
  ],
  isFinished: false,
  expected: 'nothing',
  model: 'plain',
  note: '',
};

const allOf = (db: Database): Promise<readonly Measurement[]> =>
  db.transaction(async (tx) => {
    const all: Measurement[] = [];
    for await (const some of everyMeasurement(tx)) all.push(...some);
    return all;
  });

describe.each(engines().map((engine) => [engine.name, engine] as const))(
  'records of the bench on %s',
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

    test('a measurement is kept with its raw readings, and sent twice it is the first', async () => {
      const id = randomUUID();
      const kept = await addMeasurement(db, id, MEASURED);
      expect(kept).toMatchObject({ id, ...MEASURED, struck: null });
      expect(await addMeasurement(db, id, { ...MEASURED, words: 'another' })).toEqual(kept);
    });

    test('what is struck out stays as it is, with the reason, and can count again', async () => {
      const id = randomUUID();
      await addMeasurement(db, id, MEASURED);
      await strike(db, id, 'wrong clip');
      expect(await findMeasurement(db, id)).toMatchObject({ ...MEASURED, struck: 'wrong clip' });
      await strike(db, id, null);
      expect((await findMeasurement(db, id))!.struck).toBeNull();
    });

    test('they are listed a page at a time, the latest first, of all or of one rig, without what was read', async () => {
      const rig = randomUUID();
      await createRig(db, rig, DEMO_RIGS[0]!.rig);
      const ids = Array.from({ length: MOST_MEASUREMENTS + 3 }, () => randomUUID());
      for (const id of ids) await addMeasurement(db, id, { ...MEASURED, job: 'rig', rig });
      // Two at one moment have their order, too.
      await db.query(
        `update measurements set measured_at = '2026-11-27T10:00:00Z' where id = any($1::uuid[])`,
        [ids.slice(0, MOST_MEASUREMENTS)],
      );
      const first = await listMeasurements(db, { rig });
      expect([first.total, first.measurements.length]).toEqual([ids.length, MOST_MEASUREMENTS]);
      expect(first.measurements[0]).toMatchObject({
        words: MEASURED.words,
        figures: MEASURED.figures,
      });
      expect(first.measurements[0]).not.toHaveProperty('readings');
      expect(first.measurements[0]).not.toHaveProperty('responses');
      const next = await listMeasurements(db, { rig, before: first.measurements.at(-1)!.id });
      const listed = [...first.measurements, ...next.measurements];
      expect(new Set(listed.map(({ id }) => id))).toEqual(new Set(ids));
      expect(listed.map(({ at }) => at)).toEqual(
        listed
          .map(({ at }) => at)
          .sort()
          .reverse(),
      );
      expect((await listMeasurements(db, { rig: randomUUID() })).total).toBe(0);
    });

    test('what was heard is kept whatever it was', async () => {
      const id = randomUUID();
      expect(await addHearing(db, id, HEARD)).toMatchObject({ id, ...HEARD });
      expect(await addHearing(db, id, { ...HEARD, trials: [] })).toMatchObject({
        trials: HEARD.trials,
      });
    });

    test('a backup brings all of it back, the measurements of a rig with it', async () => {
      const rig = randomUUID();
      await createRig(db, rig, DEMO_RIGS[0]!.rig);
      await addMeasurement(db, randomUUID(), { ...MEASURED, job: 'rig', rig });
      await addHearing(db, randomUUID(), { ...HEARD, kind: 'amp', rig, seed: null });
      const parts = await partsIn(await linesIn(db));
      expect((await put(other, parts)).kind).toBe('restored');
      expect(await allOf(other)).toEqual(await allOf(db));
      expect(await findHearings(other)).toEqual(await findHearings(db));
      // Where the rig is not in the file, what was measured of it is.
      const without = parts.filter(
        (part) => part.kind === 'measurement' || part.kind === 'settings',
      );
      await put(other, without);
      expect((await allOf(other)).every((one) => one.rig === null)).toBe(true);
      expect(await allOf(other)).toHaveLength((await allOf(db)).length);
    });
  },
);
