import type { Queryable } from '../db/database';
import { KnownError } from '../errors';

async function isRig(db: Queryable, id: string): Promise<boolean> {
  const rows = await db.query('select from rigs where id = $1 and deleted_at is null', [id]);
  return rows.length > 0;
}

/** @throws KnownError where there is no such rig, or it is off the list */
export async function demandRig(db: Queryable, id: string): Promise<void> {
  if (!(await isRig(db, id))) throw new KnownError('rig-not-found', `There is no rig “${id}”.`);
}
