import {
  MOST_HUNT_ANSWERS,
  MOST_HUNT_WEIGHTS,
  type HuntSetting,
  type SentAnswer,
  type SentHunt,
} from '@gullwind/contract';
import { repairOf, type Hunt, type HuntEnding, type Repair } from '@gullwind/core';
import type { Database, Queryable } from '../db/database';
import { KnownError } from '../errors';

const MOMENT = (column: string) =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/** So many at most in a list: who looks further back opens them by their rig. */
const MOST_LISTED = 400;

const COLUMNS = `hunts.id, rig_id as rig, revision, symptom, comes_and_goes as "comesAndGoes",
  test_order as "order", weights, note, ${MOMENT('begun_at')} as "begunAt",
  ${MOMENT('changed_at')} as "changedAt", ${MOMENT('ended_at')} as "endedAt", ending,
  coalesce((select jsonb_agg(jsonb_build_object('id', a.id, 'test', a.test, 'outcome', a.outcome,
      'says', a.says, 'minutes', a.minutes, 'by', a.by_whom, 'at', ${MOMENT('a.answered_at')},
      'takenBack', ${MOMENT('a.taken_back')}) order by a.nth)
    from hunt_answers as a where a.hunt_id = hunts.id), '[]'::jsonb) as answers`;

/** Hunts with their answers, the latest first. @param rig null is all of rigs on the list and those without one */
export const findHunts = (db: Queryable, rig: string | null = null): Promise<readonly Hunt[]> =>
  db.query<Hunt>(
    `select ${COLUMNS} from hunts
     where ($1::uuid is null or rig_id = $1::uuid)
       and not exists (select from rigs where rigs.id = rig_id and deleted_at is not null)
     order by begun_at desc, hunts.id limit ${MOST_LISTED}`,
    [rig],
  );

/** Every hunt, also of rigs that are off the list, the earliest first. */
export const everyHunt = (db: Queryable): Promise<readonly Hunt[]> =>
  db.query<Hunt>(`select ${COLUMNS} from hunts order by begun_at, hunts.id`);

/** @throws KnownError where there is none */
export async function demandHunt(db: Queryable, id: string): Promise<Hunt> {
  const [hunt] = await db.query<Hunt>(`select ${COLUMNS} from hunts where hunts.id = $1`, [id]);
  if (!hunt) throw noSuchHunt(id);
  return hunt;
}

const noSuchHunt = (id: string) => new KnownError('hunt-not-found', `There is no hunt “${id}”.`);

/** What hunts of a rig ask to be mended, the earliest first. */
export async function findRepairs(db: Queryable, rig: string): Promise<readonly Repair[]> {
  const hunts = await db.query<Hunt>(
    `select ${COLUMNS} from hunts where rig_id = $1 and ending is not null order by ended_at, hunts.id`,
    [rig],
  );
  return hunts.flatMap((hunt) => repairOf(hunt) ?? []);
}

/** Begins a hunt; sent twice under one id it is one: the first. */
export async function beginHunt(db: Queryable, id: string, hunt: SentHunt): Promise<Hunt> {
  const { rig, revision, symptom, comesAndGoes, order, weights, note } = hunt;
  await db.query(
    `insert into hunts (id, rig_id, revision, symptom, comes_and_goes, test_order, weights, note)
     values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8) on conflict (id) do nothing`,
    [id, rig, revision, symptom, comesAndGoes, order, JSON.stringify(weights), note],
  );
  const kept = await demandHunt(db, id);
  if (kept.rig !== rig || kept.symptom !== symptom)
    throw new KnownError('id-taken', `“${id}” is another hunt already. Nothing was changed.`);
  return kept;
}

/** Sets how a hunt goes on, each part by itself: two that set different parts of it at once both are heard. */
export const setHunt = (
  db: Database,
  id: string,
  { comesAndGoes, order, weights, note }: HuntSetting,
): Promise<Hunt> =>
  db.transaction(async (tx) => {
    const [set] = await tx.query<{ weighed: number }>(
      `update hunts set comes_and_goes = coalesce($2, comes_and_goes), test_order = coalesce($3, test_order),
         weights = jsonb_strip_nulls(weights || $4::jsonb), note = coalesce($5, note), changed_at = now()
       where id = $1
       returning (select count(*)::integer from jsonb_object_keys(weights)) as weighed`,
      [id, comesAndGoes ?? null, order ?? null, JSON.stringify(weights ?? {}), note ?? null],
    );
    if (!set) throw noSuchHunt(id);
    if (set.weighed > MOST_HUNT_WEIGHTS)
      throw new KnownError(
        'invalid-request',
        `weights: the hunt would have ${set.weighed} of its own, at most ${MOST_HUNT_WEIGHTS}.`,
      );
    return demandHunt(tx, id);
  });

/** Adds an answer at the end; sent twice under one id it is one. */
export const addAnswer = (
  db: Database,
  id: string,
  answerId: string,
  { test, outcome, says, minutes, by }: SentAnswer,
): Promise<Hunt> =>
  changed(db, id, async (tx) => {
    const [counted] = await tx.query<{ total: number }>(
      'select count(*)::integer as total from hunt_answers where hunt_id = $1 and id <> $2',
      [id, answerId],
    );
    if (counted!.total >= MOST_HUNT_ANSWERS)
      throw new KnownError(
        'hunt-full',
        `The hunt has ${MOST_HUNT_ANSWERS} answers, as many as it can hold. End it and begin another.`,
      );
    await tx.query(
      `insert into hunt_answers (id, hunt_id, nth, test, outcome, says, minutes, by_whom)
       select $1, $2, 1 + coalesce(max(nth), 0), $3, $4, $5, $6, $7
       from hunt_answers where hunt_id = $2
       on conflict (id) do nothing`,
      [answerId, id, test, outcome, says, minutes, by],
    );
    const [kept] = await tx.query('select from hunt_answers where id = $1 and hunt_id = $2', [
      answerId,
      id,
    ]);
    if (!kept)
      throw new KnownError('id-taken', `“${answerId}” is an answer of another hunt already.`);
  });

export const takeBack = (
  db: Database,
  id: string,
  answerId: string,
  isTakenBack: boolean,
): Promise<Hunt> =>
  changed(db, id, async (tx) => {
    await tx.query(
      `update hunt_answers set taken_back = case when $3 then now() end where hunt_id = $1 and id = $2`,
      [id, answerId, isTakenBack],
    );
  });

/** Ends a hunt, or takes it up again. One that has ended otherwise stays as it ended. */
export const endHunt = (db: Database, id: string, ending: HuntEnding | null): Promise<Hunt> =>
  db.transaction(async (tx) => {
    const sent = ending === null ? null : JSON.stringify(ending);
    const [hunt] = await tx.query<{ is_ended: boolean; is_same: boolean }>(
      `select ended_at is not null as is_ended, ending is not distinct from $2::jsonb as is_same
       from hunts where id = $1 for update`,
      [id, sent],
    );
    if (!hunt) throw noSuchHunt(id);
    if (!hunt.is_same) {
      if (hunt.is_ended && ending !== null)
        throw new KnownError(
          'hunt-ended',
          'The hunt has ended already, otherwise. Take it up again first.',
        );
      await tx.query(
        `update hunts set ending = $2::jsonb, ended_at = case when $2::jsonb is null then null else now() end,
           changed_at = now()
         where id = $1`,
        [id, sent],
      );
    }
    return demandHunt(tx, id);
  });

/** A change of a hunt that goes on, one after the other. */
function changed(
  db: Database,
  id: string,
  change: (tx: Queryable) => Promise<void>,
): Promise<Hunt> {
  return db.transaction(async (tx) => {
    const [hunt] = await tx.query<{ is_ended: boolean }>(
      'select ended_at is not null as is_ended from hunts where id = $1 for update',
      [id],
    );
    if (!hunt) throw noSuchHunt(id);
    if (hunt.is_ended)
      throw new KnownError('hunt-ended', 'The hunt has ended. Take it up again first.');
    await change(tx);
    await tx.query('update hunts set changed_at = now() where id = $1', [id]);
    return demandHunt(tx, id);
  });
}
