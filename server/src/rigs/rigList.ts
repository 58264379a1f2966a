import {
  MOST_LISTED,
  type RigPage,
  type RigQuery,
  type RigSort,
  MOST_USES,
  type RigUse,
  type UseCounts,
  type UseQuery,
} from '@gullwind/contract';
import type { GearUse, JobRecords } from '@gullwind/core';
import type { Queryable } from '../db/database';
import { keyOf, type Listing } from './listings';

const ORDER: Readonly<Record<RigSort, string>> = {
  changed: 'updated_at desc, created_at desc',
  // What is due first; where nobody waits last.
  deadline: 'deadline nulls last, name_key',
  name: 'name_key',
  player: 'player_key, name_key',
  // What has lost most first, what is silent last.
  treble: 'treble_db nulls last',
};

interface ListedRow {
  readonly id: string;
  readonly revision: number;
  readonly updated_at: Date | string;
  readonly deleted_at: Date | string | null;
  readonly listing: Listing;
  readonly records: JobRecords;
}

/** What is kept beside a rig, counted for those of one page alone. */
const RECORDS = `jsonb_build_object(
  'steps', (select count(*) from work_done where rig_id = page.id and step not like 'repair %'),
  'isPlayed', exists (select from work_done where rig_id = page.id and step = 'play'),
  'measured', (select count(*) from measurements where measurements.rig_id = page.id and struck is null),
  'heard', (select count(*) from hearings where hearings.rig_id = page.id),
  'hunts', (select count(*) from hunts where hunts.rig_id = page.id and ended_at is null),
  'named', (select count(*) from rig_revisions where rig_revisions.rig_id = page.id and name is not null))`;

const momentOf = (moment: Date | string): string => new Date(moment).toISOString();

/** A page of the rigs whose name, player and note hold every word that is searched for. */
export async function listRigs(
  db: Queryable,
  { search, sort, from, removed }: RigQuery,
): Promise<RigPage> {
  const words = keyOf(search).split(/\s+/u).filter(Boolean);
  const which = `from rigs join rig_listings on rig_id = rigs.id
    where (deleted_at is not null) = $1
      and not exists (select from unnest($2::text[]) as word where strpos(words, word) = 0)`;
  const order = removed ? 'deleted_at desc' : ORDER[sort];
  const rows = await db.query<ListedRow>(
    `select page.*, ${RECORDS} as records from (
       select rigs.id, revision, updated_at, deleted_at, listing, row_number() over (order by ${order}, rigs.id) as place
       ${which} order by ${order}, rigs.id limit ${MOST_LISTED} offset $3
     ) as page order by place`,
    [removed, words, from],
  );
  const [counted] = await db.query<{ total: number }>(`select count(*) as total ${which}`, [
    removed,
    words,
  ]);
  const rigs = rows.map(({ id, revision, updated_at, deleted_at, listing, records }) => ({
    id,
    revision,
    updatedAt: momentOf(updated_at),
    deletedAt: deleted_at === null ? null : momentOf(deleted_at),
    ...listing,
    job: { ...listing.job, ...records },
  }));
  return { total: counted!.total, rigs };
}

/** What all rigs on the list are called, by name. */
export const listNames = (
  db: Queryable,
): Promise<readonly { readonly id: string; readonly name: string }[]> =>
  db.query(
    `select id, listing ->> 'name' as name from rigs join rig_listings on rig_id = id
     where deleted_at is null order by name_key, id`,
  );

const USED = `from rigs join rig_listings on rig_id = rigs.id, jsonb_array_elements(uses) as use
     where deleted_at is null`;

/** In how many rigs entries of the gear list stand; those that stand in none are left out. */
export const countUses = (db: Queryable): Promise<UseCounts['counts']> =>
  db.query(
    `select use ->> 'gear' as gear, count(distinct rigs.id) as rigs ${USED} group by 1 order by 1`,
  );

/** Where entries of the gear list stand: one of them, or all that are in one rig; the earliest rigs first. */
export async function listUses(db: Queryable, { gear, rig }: UseQuery): Promise<readonly RigUse[]> {
  const rows = await db.query<{ id: string; name: string; use: GearUse }>(
    `select rigs.id, listing ->> 'name' as name, use ${USED}
       and ($1::text is null or use ->> 'gear' = $1) and ($2::uuid is null or rigs.id = $2)
     order by created_at, rigs.id limit ${MOST_USES}`,
    [gear ?? null, rig ?? null],
  );
  return rows.map(({ id, name, use }) => ({ ...use, rigId: id, rigName: name }));
}

/** One of those entries that stand in a rig, and where; null where none does. */
export async function findUsed(db: Queryable, ids: readonly string[]): Promise<RigUse | null> {
  const [found] = await db.query<{ id: string; name: string; use: GearUse }>(
    `select rigs.id, listing ->> 'name' as name, use ${USED} and use ->> 'gear' = any($1::text[])
     order by created_at, rigs.id limit 1`,
    [ids],
  );
  return found ? { ...found.use, rigId: found.id, rigName: found.name } : null;
}
