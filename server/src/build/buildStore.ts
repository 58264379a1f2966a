import type { SentDone, SentTest } from '@gullwind/contract';
import type { BuildRecords, CableTest, OffCut, WorkDone } from '@gullwind/core';
import type { Queryable } from '../db/database';
import { KnownError } from '../errors';
import { findRepairs } from '../hunts/huntStore';

const MOMENT = (column: string) =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

const TEST_COLUMNS = `id, cable, label, revision, fingerprint, length_m as "lengthM",
  tip_through as "tipThrough", sleeve_through as "sleeveThrough", ring_through as "ringThrough",
  leak_ohm as "leakOhm", silent_plugs as "silentPlugs", pull, wiggle, capacitance_f as "capacitanceF",
  by_whom as by, note, ${MOMENT('tested_at')} as at`;

const DONE_COLUMNS = `step, fingerprint, length_m as "lengthM", revision, by_whom as by, ${MOMENT('done_at')} as at`;

const OFF_CUT_COLUMNS = 'id, name, gear, length_m as "lengthM", note';

/** Everything that has happened to a rig at the bench, the earliest first. */
export async function findRecords(db: Queryable, rig: string): Promise<BuildRecords> {
  const tests = await db.query<CableTest>(
    `select ${TEST_COLUMNS} from cable_tests where rig_id = $1 order by tested_at, id`,
    [rig],
  );
  const done = await db.query<WorkDone>(
    `select ${DONE_COLUMNS} from work_done where rig_id = $1 order by done_at, step`,
    [rig],
  );
  return { tests, done, repairs: await findRepairs(db, rig) };
}

/** Sent twice under one id, it is one test; what was found is never changed. */
export async function addTest(
  db: Queryable,
  rig: string,
  id: string,
  test: SentTest,
): Promise<CableTest> {
  await db.query(
    `insert into cable_tests (id, rig_id, cable, label, revision, fingerprint, length_m, tip_through,
       sleeve_through, ring_through, leak_ohm, silent_plugs, pull, wiggle, capacitance_f, by_whom, note)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)
     on conflict (id) do nothing`,
    [
      id,
      rig,
      test.cable,
      test.label,
      test.revision,
      test.fingerprint,
      test.lengthM,
      test.tipThrough,
      test.sleeveThrough,
      test.ringThrough,
      test.leakOhm,
      test.silentPlugs,
      test.pull,
      test.wiggle,
      test.capacitanceF,
      test.by,
      test.note,
    ],
  );
  const [kept] = await db.query<CableTest>(
    `select ${TEST_COLUMNS} from cable_tests where id = $1 and rig_id = $2`,
    [id, rig],
  );
  if (!kept) throw new KnownError('id-taken', `“${id}” is a test of another rig already.`);
  return kept;
}

/** A step as done, or not any more. */
export async function setDone(
  db: Queryable,
  rig: string,
  { step, fingerprint, lengthM, revision, by, isDone }: SentDone,
): Promise<void> {
  if (!isDone) {
    await db.query('delete from work_done where rig_id = $1 and step = $2', [rig, step]);
    return;
  }
  await db.query(
    `insert into work_done (rig_id, step, fingerprint, length_m, revision, by_whom)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (rig_id, step) do update set fingerprint = excluded.fingerprint,
       length_m = excluded.length_m, revision = excluded.revision, by_whom = excluded.by_whom,
       done_at = now()`,
    [rig, step, fingerprint, lengthM, revision, by],
  );
}

export const findOffCuts = (db: Queryable): Promise<readonly OffCut[]> =>
  db.query<OffCut>(`select ${OFF_CUT_COLUMNS} from off_cuts order by name, length_m desc, id`);

export async function putOffCut(
  db: Queryable,
  { id, name, gear, lengthM, note }: OffCut,
): Promise<void> {
  await db.query(
    `insert into off_cuts (id, name, gear, length_m, note) values ($1, $2, $3, $4, $5)
     on conflict (id) do update set name = excluded.name, gear = excluded.gear,
       length_m = excluded.length_m, note = excluded.note`,
    [id, name, gear, lengthM, note],
  );
}

export async function removeOffCut(db: Queryable, id: string): Promise<void> {
  await db.query('delete from off_cuts where id = $1', [id]);
}
