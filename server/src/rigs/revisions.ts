import { MOST_REVISIONS, readRig, type RevisionPage } from '@gullwind/contract';
import type { Rig } from '@gullwind/core';
import type { Database, Queryable } from '../db/database';
import { unhurried } from '../letOthers';

/**
 * The latest revisions of a rig, and how many there are.
 *
 * @param before only those before this one
 * @param isNamed only those that have a name
 */
export async function listRevisions(
  db: Queryable,
  id: string,
  before: number | null = null,
  isNamed = false,
): Promise<RevisionPage> {
  const rows = await db.query<{ revision: number; saved_at: Date | string; name: string | null }>(
    `select revision, saved_at, name from rig_revisions
     where rig_id = $1 and revision < coalesce($2::integer, 2147483647) and (name is not null or not $3)
     order by revision desc limit ${MOST_REVISIONS}`,
    [id, before, isNamed],
  );
  const [counted] = await db.query<{ total: number }>(
    'select count(*) as total from rig_revisions where rig_id = $1 and (name is not null or not $2)',
    [id, isNamed],
  );
  return {
    total: counted!.total,
    revisions: rows.map(({ revision, saved_at, name }) => ({
      revision,
      savedAt: new Date(saved_at).toISOString(),
      name,
    })),
  };
}

/** A rig as it was at a revision, in the format of today; null where there is none that can be read. */
export async function findRevision(
  db: Queryable,
  id: string,
  revision: number,
): Promise<Rig | null> {
  const [row] = await db.query<{ document: unknown }>(
    'select document from rig_revisions where rig_id = $1 and revision = $2',
    [id, revision],
  );
  const read = row ? readRig(row.document) : null;
  return read?.kind === 'ok' ? read.value : null;
}

/** Names a revision, so that it stays; null takes its name. False when there is none. */
export async function nameRevision(
  db: Queryable,
  id: string,
  revision: number,
  name: string | null,
): Promise<boolean> {
  const rows = await db.query(
    'update rig_revisions set name = $3 where rig_id = $1 and revision = $2 returning revision',
    [id, revision, name === '' ? null : name],
  );
  return rows.length === 1;
}

/**
 * What is kept of revisions that were saved by themselves: all of the last day, the last of each hour for a week, of
 * each day for a year, and of each month for ever. The newest stays, and so does every one that has a name or at which
 * something was done at the bench or a hunt began.
 */
const THIN = `
  delete from rig_revisions as kept using (
    select revision, row_number() over (
      partition by case
        when saved_at > $2::timestamptz - interval '7 days' then date_trunc('hour', saved_at at time zone 'UTC')
        when saved_at > $2::timestamptz - interval '365 days' then date_trunc('day', saved_at at time zone 'UTC')
        else date_trunc('month', saved_at at time zone 'UTC')
      end,
      saved_at > $2::timestamptz - interval '7 days', saved_at > $2::timestamptz - interval '365 days'
      order by revision desc) as place
    from rig_revisions
    where rig_id = $1 and name is null and saved_at <= $2::timestamptz - interval '1 day'
      and revision < (select revision from rigs where id = $1)
      and not exists (select from cable_tests where cable_tests.rig_id = $1
                      and cable_tests.revision = rig_revisions.revision)
      and not exists (select from work_done where work_done.rig_id = $1
                      and work_done.revision = rig_revisions.revision)
      and not exists (select from hunts where hunts.rig_id = $1 and hunts.revision = rig_revisions.revision)
  ) as thinned
  where kept.rig_id = $1 and kept.revision = thinned.revision and thinned.place > 1
  returning kept.revision`;

/** So many rigs are looked up at once: all of them at once would be a wait of its own. */
const RIGS_AT_ONCE = 50;

/**
 * Thins the revisions of every rig, one after the other, with everybody else between them.
 *
 * @param over ends it after the rig that it is at
 * @returns how many went
 */
export async function thinRevisions(db: Database, now: Date, over?: AbortSignal): Promise<number> {
  const at = now.toISOString();
  let gone = 0;
  let last: string | null = null;
  do {
    const ids = await unhurried(() => rigsWithOld(db, at, last));
    for (const id of ids) {
      gone += (await unhurried(() => db.query(THIN, [id, at]))).length;
      if (over?.aborted) return gone;
    }
    last = ids.at(-1) ?? null;
  } while (last !== null);
  return gone;
}

/** The next rigs, by their ids, that have a revision of yesterday or before. */
async function rigsWithOld(db: Database, at: string, after: string | null): Promise<string[]> {
  const rows = await db.query<{ id: string }>(
    `select id from rigs
     where ($2::uuid is null or id > $2) and exists (
       select from rig_revisions where rig_id = id and saved_at <= $1::timestamptz - interval '1 day')
     order by id limit ${RIGS_AT_ONCE}`,
    [at, after],
  );
  return rows.map(({ id }) => id);
}
