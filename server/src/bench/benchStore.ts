import {
  MOST_MEASUREMENTS,
  type MeasurementPage,
  type MeasurementQuery,
  type SentHearing,
  type SentMeasurement,
} from '@gullwind/contract';
import type { Hearing, Measurement, MeasurementHead } from '@gullwind/core';
import type { Queryable } from '../db/database';
import { rowsOf } from '../db/rowsOf';

/** One may have responses of 4,000 points each. */
const MEASUREMENTS_AT_ONCE = 10;

const MOMENT = (column: string) =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

const HEAD_COLUMNS = `id, job, rig_id as rig, gear, subject, instrument, is_simulated as "isSimulated",
  figures, words, by_whom as by, note, struck, ${MOMENT('measured_at')} as at`;
const MEASUREMENT_COLUMNS = `${HEAD_COLUMNS}, readings, responses`;

const HEARING_COLUMNS = `id, listener, kind, rig_id as rig, one, other, seed::float8 as seed, planned, trials,
  is_finished as "isFinished", expected, model, note, ${MOMENT('heard_at')} as at`;

/** A page of what was measured, the latest first, without what was read. */
export async function listMeasurements(
  db: Queryable,
  { rig, before }: MeasurementQuery,
): Promise<MeasurementPage> {
  const measurements = await db.query<MeasurementHead>(
    `select ${HEAD_COLUMNS} from measurements
     where ($1::uuid is null or rig_id = $1)
       and ($2::uuid is null or (measured_at, id) < (select measured_at, id from measurements where id = $2))
     order by measured_at desc, measurements.id desc limit ${MOST_MEASUREMENTS}`,
    [rig ?? null, before ?? null],
  );
  const [counted] = await db.query<{ total: number }>(
    'select count(*) as total from measurements where $1::uuid is null or rig_id = $1',
    [rig ?? null],
  );
  return { total: counted!.total, measurements };
}

/** Everything that was measured with all that was read, the earliest first, a few at a time. */
export const everyMeasurement = (tx: Queryable): AsyncGenerator<readonly Measurement[]> =>
  rowsOf<Measurement>(
    tx,
    'measurement_rows',
    `select ${MEASUREMENT_COLUMNS} from measurements order by measured_at, id`,
    MEASUREMENTS_AT_ONCE,
  );

export async function findMeasurement(db: Queryable, id: string): Promise<Measurement | undefined> {
  const [found] = await db.query<Measurement>(
    `select ${MEASUREMENT_COLUMNS} from measurements where id = $1`,
    [id],
  );
  return found;
}

/** Sent twice under one id, it is one measurement: the first. */
export async function addMeasurement(
  db: Queryable,
  id: string,
  sent: SentMeasurement,
): Promise<Measurement> {
  const { job, rig, gear, subject, instrument, isSimulated, words, by, note } = sent;
  const lists = [sent.readings, sent.responses, sent.figures].map((list) => JSON.stringify(list));
  await db.query(
    `insert into measurements (id, job, rig_id, gear, subject, instrument, is_simulated, readings, responses,
       figures, words, by_whom, note)
     values ($1, $2, $3, $4, $5, $6, $7, $8::jsonb, $9::jsonb, $10::jsonb, $11, $12, $13)
     on conflict (id) do nothing`,
    [id, job, rig, gear, subject, instrument, isSimulated, ...lists, words, by, note],
  );
  return (await findMeasurement(db, id))!;
}

/** Says why a measurement does not count any more, or that it does again. */
export const strike = (db: Queryable, id: string, why: string | null): Promise<unknown> =>
  db.query('update measurements set struck = $2 where id = $1', [id, why]);

/** Everything that was heard, the latest first. */
export const findHearings = (db: Queryable): Promise<readonly Hearing[]> =>
  db.query<Hearing>(`select ${HEARING_COLUMNS} from hearings order by heard_at desc, id`);

/** Sent twice under one id, it is one: the first. */
export async function addHearing(db: Queryable, id: string, heard: SentHearing): Promise<Hearing> {
  const { listener, kind, rig, one, other, seed, planned, trials, isFinished } = heard;
  const { expected, model, note } = heard;
  await db.query(
    `insert into hearings (id, listener, kind, rig_id, one, other, seed, planned, trials, is_finished,
       expected, model, note)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, $10, $11, $12, $13)
     on conflict (id) do nothing`,
    [
      ...[id, listener, kind, rig, one, other, seed, planned, JSON.stringify(trials)],
      ...[isFinished, expected, model, note],
    ],
  );
  const [kept] = await db.query<Hearing>(`select ${HEARING_COLUMNS} from hearings where id = $1`, [
    id,
  ]);
  return kept!;
}
