import {
  MOST_LISTED,
  type RigPage,
  type RigQuery,
  type RigSort,
  type RigUse,
} from '@gullwind/contract';
import type { GearUse } from '@gullwind/core';
import type { Queryable } from '../db/database';
import { keyOf, type Listing } from './listings';

const ORDER: Readonly<Record<RigSort, string>> = {
  changed: 'updated_at desc, created_at desc',
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
}

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
    `select rigs.id, revision, updated_at, deleted_at, listing ${which}
     order by ${order}, rigs.id limit ${MOST_LISTED} offset $3`,
    [removed, words, from],
  );
  const [counted] = await db.query<{ total: number }>(`select count(*) as total ${which}`, [
    removed,
    words,
  ]);
  const rigs = rows.map(({ id, revision, updated_at, deleted_at, listing }) => ({
    id,
    revision,
    updatedAt: momentOf(updated_at),
    deletedAt: deleted_at === null ? null : momentOf(deleted_at),
    ...listing,
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
