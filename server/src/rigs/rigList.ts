import {
  MOST_LISTED,
  type RigPage,
  type RigQuery,
  type RigSort,
  type RigUse,
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

/** Where entries of the gear list stand. */
export async function listUses(db: Queryable): Promise<readonly RigUse[]> {
  const rows = await db.query<{ id: string; name: string; uses: readonly GearUse[] }>(
    `select id, listing ->> 'name' as name, uses from rigs join rig_listings on rig_id = id
     where deleted_at is null order by created_at, id`,
  );
  return rows.flatMap(({ id, name, uses }) =>
    uses.map((use) => ({ ...use, rigId: id, rigName: name })),
  );
}
