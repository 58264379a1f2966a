import { upgradeThing, type GearItem } from '@gullwind/core';
import type { Queryable } from '../db/database';

type GearRow = { id: string; kind: GearItem['kind']; note: string; thing: GearItem['thing'] };

export async function listGear(db: Queryable): Promise<readonly GearItem[]> {
  const rows = await db.query<GearRow>(
    'select id, kind, note, thing from gear order by kind, place, name',
  );
  return rows.map((row) => ({ ...row, thing: upgradeThing(row.kind, row.thing) })) as GearItem[];
}

export async function putGear(db: Queryable, item: GearItem, place: number): Promise<void> {
  await db.query(
    `insert into gear (id, kind, name, note, place, thing) values ($1, $2, $3, $4, $5, $6::jsonb)
     on conflict (id) do nothing`,
    [item.id, item.kind, item.thing.name, item.note, place, JSON.stringify(item.thing)],
  );
}
