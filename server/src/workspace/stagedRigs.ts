import type { WorkspacePart } from '@gullwind/contract';
import type { Database, Queryable } from '../db/database';
import { letOthers } from '../letOthers';
import { Batches } from './batches';
import { revisionsInto, rigsInto } from './inserts';

/// Rigs and their revisions are nearly all of a workspace. Where a long transaction would hold everybody up, they come in
/// beside what is there, a few at a time, and are put in its place at the end: to copy rows takes a tenth of the time.

const RIGS = 'staged_rigs';
const REVISIONS = 'staged_revisions';
const STATEMENTS = { rig: rigsInto(RIGS), revision: revisionsInto(REVISIONS) };
const ROWS_AT_ONCE = 100;

/** Takes rigs and revisions in; everybody else is served between one batch and the next. */
export async function stageRigs(db: Database, parts: AsyncIterable<WorkspacePart>): Promise<void> {
  await dropStaged(db);
  // What is in them when the process is killed is worth nothing: no log is written of it.
  await db.query(
    `create unlogged table ${RIGS} (nth serial primary key, id uuid, revision integer, created_at timestamptz, updated_at timestamptz,
       deleted_at timestamptz, document jsonb)`,
  );
  await db.query(
    `create unlogged table ${REVISIONS} (nth serial primary key, rig_id uuid, revision integer, saved_at timestamptz,
       name text, document jsonb)`,
  );
  const batches = new Batches(db, STATEMENTS);
  for await (const part of parts) {
    if (part.kind === 'rig' || part.kind === 'revision') await batches.add(part.kind, part);
    await letOthers();
  }
  await batches.flush();
}

/**
 * Puts what was taken in where it belongs, which is empty by now.
 *
 * @returns rigs under another revision than they had: one that nobody has seen
 */
export async function placeStaged(tx: Queryable): Promise<readonly string[]> {
  const renumbered: string[] = [];
  for await (const slice of slicesOf(tx, RIGS)) {
    const placed = await tx.query<{ id: string; is_other: boolean }>(
      `with placed as (
         insert into rigs (id, revision, created_at, updated_at, deleted_at, document)
         select staged.id, case when removed.id is null then staged.revision
                else greatest(removed.revision, staged.revision) + 1 end,
                created_at, updated_at, deleted_at, document
         from ${RIGS} as staged left join removed on removed.id = staged.id::text
         where nth > $1 and nth <= $2
         returning id, revision
       )
       select placed.id, placed.revision <> staged.revision as is_other
       from placed join ${RIGS} as staged on staged.id = placed.id and nth > $1 and nth <= $2`,
      slice,
    );
    renumbered.push(...placed.filter(({ is_other: isOther }) => isOther).map(({ id }) => id));
  }
  for await (const slice of slicesOf(tx, REVISIONS))
    await tx.query(
      `insert into rig_revisions (rig_id, revision, saved_at, name, document)
       select rig_id, revision, saved_at, name, document from ${REVISIONS} where nth > $1 and nth <= $2`,
      slice,
    );
  return renumbered;
}

/** Bounds of a few rows of a table at a time; everybody else is heard in between. */
async function* slicesOf(tx: Queryable, table: string): AsyncGenerator<readonly [number, number]> {
  const [found] = await tx.query<{ most: number | null }>(`select max(nth) as most from ${table}`);
  for (let from = 0; from < (found!.most ?? 0); from += ROWS_AT_ONCE) {
    yield [from, from + ROWS_AT_ONCE];
    await letOthers();
  }
}

export async function dropStaged(db: Queryable): Promise<void> {
  await db.query(`drop table if exists ${RIGS}`);
  await db.query(`drop table if exists ${REVISIONS}`);
}
