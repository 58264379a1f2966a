import { DEFAULT_SETTINGS, type Settings } from '@gullwind/contract';
import type { Queryable } from '../db/database';

export async function findSettings(db: Queryable): Promise<Settings> {
  const [row] = await db.query<{ document: Settings }>('select document from settings');
  return { ...DEFAULT_SETTINGS, ...row?.document };
}

export async function putSettings(db: Queryable, settings: Settings): Promise<void> {
  await db.query(
    `insert into settings (document) values ($1::jsonb)
     on conflict (only_row) do update set document = excluded.document`,
    [JSON.stringify(settings)],
  );
}
