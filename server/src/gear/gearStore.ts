import type { StoredItem } from '@gullwind/contract';
import { upgradeThing, type GearItem } from '@gullwind/core';
import type { Queryable } from '../db/database';

type GearRow = Omit<GearItem, 'thing'> & { thing: unknown; revision: number };

const COLUMNS = 'id, kind, note, thing, qualities, retired, revision';

const storedItem = ({ revision, ...row }: GearRow): StoredItem => ({
  item: { ...row, thing: upgradeThing(row.kind, row.thing) } as GearItem,
  revision,
});

export async function listGear(db: Queryable): Promise<readonly StoredItem[]> {
  const rows = await db.query<GearRow>(
    `select ${COLUMNS} from gear order by kind, place, name, id`,
  );
  return rows.map(storedItem);
}

/** Adds what is not there yet, after what is; ids that are there already come back, untouched. */
export async function addGear(
  db: Queryable,
  items: readonly GearItem[],
): Promise<readonly string[]> {
  const rows = await db.query<{ id: string }>(
    `insert into gear (id, kind, name, note, place, thing, qualities, retired, revision)
     select item ->> 'id', item ->> 'kind', item -> 'thing' ->> 'name', item ->> 'note',
            (select coalesce(max(place), 0) from gear) + ordinality,
            item -> 'thing', item -> 'qualities', (item ->> 'retired')::boolean,
            coalesce((select revision from removed where id = item ->> 'id'), 0) + 1
     from jsonb_array_elements($1::jsonb) with ordinality as listed (item, ordinality)
     on conflict (id) do nothing returning id`,
    [JSON.stringify(items)],
  );
  const added = new Set(rows.map(({ id }) => id));
  return items.map(({ id }) => id).filter((id) => !added.has(id));
}

export type UpdateItemResult =
  | { readonly kind: 'saved'; readonly stored: StoredItem }
  | { readonly kind: 'stale'; readonly revision: number }
  | { readonly kind: 'notFound' };

/** Keeps an entry that was edited from revision `basedOn`; one equal to what is kept is accepted as it is. In a transaction. */
export async function updateItem(
  tx: Queryable,
  item: GearItem,
  basedOn: number,
): Promise<UpdateItemResult> {
  const values = [
    item.id,
    item.thing.name,
    item.note,
    JSON.stringify(item.thing),
    JSON.stringify(item.qualities),
    item.retired,
  ];
  const [now] = await tx.query<GearRow & { same: boolean }>(
    `select ${COLUMNS}, name = $2 and note = $3 and thing = $4::jsonb and qualities = $5::jsonb
            and retired = $6::boolean as same
     from gear where id = $1 and kind = $7 for update`,
    [...values, item.kind],
  );
  if (!now) return { kind: 'notFound' };
  const { same, ...row } = now;
  if (same) return { kind: 'saved', stored: storedItem(row as GearRow) };
  if (now.revision !== basedOn) return { kind: 'stale', revision: now.revision };
  const [saved] = await tx.query<GearRow>(
    `update gear set name = $2, note = $3, thing = $4::jsonb, qualities = $5::jsonb,
            retired = $6::boolean, revision = revision + 1
     where id = $1 returning ${COLUMNS}`,
    values,
  );
  return { kind: 'saved', stored: storedItem(saved!) };
}

/** Removes entries; their revisions are not used again. */
export async function removeGear(db: Queryable, ids: readonly string[]): Promise<void> {
  await db.query(
    `with gone as (delete from gear where id = any($1::text[]) returning id, revision)
     insert into removed (id, revision) select id, revision from gone
     on conflict (id) do update set revision = excluded.revision`,
    [ids],
  );
}
