import { DAYS_REMOVED } from '@gullwind/contract';
import type { Database, Queryable } from '../db/database';
import { unhurried } from '../letOthers';
import { hasRoom, type FreeBytes } from '../db/room';
import { forgetChanges } from '../changes/changeStore';
import { forgetOperations } from '../operations/operationStore';
import { thinRevisions } from './revisions';

const LONG_GONE = `deleted_at <= $1::timestamptz - interval '${DAYS_REMOVED} days'`;

/**
 * Lets go of rigs that were taken off the list too long ago to be put back, one after the other, with everybody else between
 * them; their revisions are never used again.
 *
 * @param over ends it after the rig that it is at
 */
export async function forgetRemoved(db: Database, now: Date, over?: AbortSignal): Promise<number> {
  const at = now.toISOString();
  const old = await db.query<{ id: string }>(`select id from rigs where ${LONG_GONE}`, [at]);
  let gone = 0;
  for (const { id } of old) {
    gone += await unhurried(() => db.transaction((tx) => forget(tx, id, at)));
    if (over?.aborted) break;
  }
  return gone;
}

/** How many that were: none where it was put back meanwhile. */
async function forget(tx: Queryable, id: string, at: string): Promise<number> {
  const [rig] = await tx.query<{ revision: number }>(
    `select revision from rigs where id = $2 and ${LONG_GONE} for update`,
    [at, id],
  );
  if (!rig) return 0;
  await tx.query('delete from rig_revisions where rig_id = $1', [id]);
  await tx.query('delete from rigs where id = $1', [id]);
  await tx.query(
    `insert into removed (id, revision) values ($1, $2)
     on conflict (id) do update set revision = greatest(removed.revision, excluded.revision)`,
    [id, rig.revision],
  );
  return 1;
}

const EVERY_MS = 6 * 3_600_000;

/**
 * Thins and forgets now and every six hours, one after the other; not where the disk has no room for the log of it.
 *
 * @param free null where the database has a disk of its own
 * @param failed hears of a round that failed; the next one is tried all the same
 * @returns stops it, and waits for the rig that a round is at
 */
export function keepHouse(
  db: Database,
  free: FreeBytes | null,
  failed: (error: unknown) => void,
): () => Promise<void> {
  let round: Promise<void> = Promise.resolve();
  const over = new AbortController();
  const work = async () => {
    if (!(await hasRoom(free))) return;
    const now = new Date();
    await forgetRemoved(db, now, over.signal);
    await forgetOperations(db, now);
    await forgetChanges(db, now);
    if (!over.signal.aborted) await thinRevisions(db, now, over.signal);
  };
  const start = () => {
    round = round.then(work).catch(failed);
  };
  start();
  const timer = setInterval(start, EVERY_MS);
  timer.unref();
  return () => {
    clearInterval(timer);
    over.abort();
    return round;
  };
}
