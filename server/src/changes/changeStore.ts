import type { Change, Changes } from '@gullwind/contract';
import type { Database, Queryable } from '../db/database';

/** So long what was changed can still be told; who comes later is told that all may be another. */
const HOURS_TOLD = 1;

interface ChangesRow {
  readonly feed: string;
  readonly cursor: string;
  readonly changes: readonly Change[];
  readonly is_all: boolean;
}

/**
 * What has been changed since a cursor that this feed gave. A cursor is the snapshot that was seen: what is told is what
 * transactions did that it did not see. One that comes from elsewhere, or from before what is still known, is told that
 * everything may be another.
 *
 * @param since null: nothing but the cursor of now
 */
export async function findChanges(
  db: Queryable,
  since: { readonly feed: string; readonly cursor: string } | null,
): Promise<Changes> {
  const [row] = await db.query<ChangesRow>(
    `with asked as (select coalesce($1::pg_snapshot, pg_current_snapshot()) as seen)
     select feed.id as feed, pg_current_snapshot()::text as cursor,
            $2::uuid is not null and ($2::uuid <> feed.id
              or pg_snapshot_xmin(seen) <= feed.forgotten_in
              or pg_snapshot_xmax(seen) > pg_snapshot_xmax(pg_current_snapshot())) as is_all,
            coalesce((select jsonb_agg(distinct jsonb_build_object('subject', subject, 'by', made_by))
                      from changes where not pg_visible_in_snapshot(made_in, seen)), '[]'::jsonb) as changes
     from change_feed as feed, asked`,
    [since?.cursor ?? null, since?.feed ?? null],
  );
  const { feed, cursor, changes, is_all } = row!;
  return { feed, cursor, isAll: is_all, changes: is_all ? [] : changes };
}

/** Gives the feed of a database that was copied a name of its own; one that has a name keeps it. */
export const nameFeed = async (db: Queryable): Promise<void> =>
  void (await db.query('insert into change_feed default values on conflict do nothing'));

/** Forgets what everybody has been told by now. */
export async function forgetChanges(db: Database, now: Date): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.query(
      `with gone as (
         delete from changes where made_at < $1::timestamptz - interval '${HOURS_TOLD} hours' returning made_in
       )
       update change_feed set forgotten_in = greatest(forgotten_in, (select max(made_in) from gone))
       where exists (select from gone)`,
      [now.toISOString()],
    );
  });
}
