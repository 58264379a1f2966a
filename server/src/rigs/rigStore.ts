import type { SavedRig, StoredRig, UpdatedRig, UpdateRig, UpdateState } from '@gullwind/contract';
import { isSameState, mergeState, RIG_FORMAT, type Rig, type SwitchState } from '@gullwind/core';
import type { Database, Queryable } from '../db/database';
import { keepListing } from './listings';

interface SavedRow {
  readonly id: string;
  readonly revision: number;
  readonly lineage: string;
  readonly updated_at: Date | string;
}

interface RigRow extends SavedRow {
  readonly document: Rig;
}

const SAVED = 'id, revision, lineage, updated_at';
const COLUMNS = `${SAVED}, document`;

const savedRig = ({ id, revision, lineage, updated_at }: SavedRow): SavedRig => ({
  id,
  revision,
  lineage,
  updatedAt: new Date(updated_at).toISOString(),
});

const storedRig = (row: RigRow): StoredRig => ({ ...savedRig(row), rig: row.document });

export async function findRig(db: Queryable, id: string): Promise<StoredRig | null> {
  const [row] = await db.query<RigRow>(
    `select ${COLUMNS} from rigs where id = $1 and deleted_at is null`,
    [id],
  );
  return row ? storedRig(row) : null;
}

/** Null when there is a rig with this id already. */
export async function createRig(db: Database, id: string, rig: Rig): Promise<SavedRig | null> {
  return db.transaction(async (tx) => {
    const [row] = await tx.query<SavedRow>(
      `insert into rigs (id, revision, document)
       values ($1::uuid, coalesce((select revision from removed where id = $1::uuid::text), 0) + 1, $2::jsonb)
       on conflict (id) do nothing returning ${SAVED}`,
      [id, JSON.stringify(rig)],
    );
    if (!row) return null;
    await keepRevision(tx, id);
    await keepListing(tx, id, rig);
    return savedRig(row);
  });
}

export type UpdateResult =
  | { readonly kind: 'saved'; readonly saved: UpdatedRig }
  | { readonly kind: 'stale'; readonly theirs: StoredRig }
  | { readonly kind: 'notFound' };

/**
 * Saves a rig that was edited from revision `basedOn`, with the foot-switches that were changed since `stateFrom`:
 * those that another hand changed meanwhile stay as that hand put them. Foot-switches alone keep the revision;
 * any other change makes the next one. A rig equal to what is kept is accepted whatever it was based on, so that
 * a save whose answer was lost can be sent again.
 */
export async function updateRig(
  db: Database,
  id: string,
  { basedOn, lineage, rig, stateFrom }: UpdateRig,
): Promise<UpdateResult> {
  return db.transaction(async (tx) => {
    const [now] = await tx.query<RigRow & { same_path: boolean }>(
      `select ${COLUMNS}, document - 'state' = $2::jsonb - 'state' as same_path
       from rigs where id = $1 and deleted_at is null for update`,
      [id, JSON.stringify(rig)],
    );
    if (!now) return { kind: 'notFound' };
    const isBase = now.revision === basedOn && (lineage ?? now.lineage) === now.lineage;
    if (!now.same_path && !isBase) return { kind: 'stale', theirs: storedRig(now) };
    const merged = { ...rig, state: mergedState(rig, now.document, stateFrom) };
    return { kind: 'saved', saved: await putDocument(tx, now, merged) };
  });
}

/** Keeps foot-switches that were changed since `from`; null where there is no such rig that can be read. */
export async function updateState(
  db: Database,
  id: string,
  { from, state }: UpdateState,
): Promise<UpdatedRig | null> {
  return db.transaction(async (tx) => {
    const [now] = await tx.query<RigRow>(
      `select ${COLUMNS} from rigs where id = $1 and deleted_at is null for update`,
      [id],
    );
    if (now?.document.format !== RIG_FORMAT) return null;
    const rig = {
      ...now.document,
      state: mergeState(now.document, from, state, now.document.state),
    };
    return putDocument(tx, { ...now, same_path: true }, rig);
  });
}

function mergedState(rig: Rig, kept: Rig, from: SwitchState | undefined): SwitchState {
  const isKnown = from !== undefined && kept.format === RIG_FORMAT;
  return isKnown ? mergeState(rig, from, rig.state, kept.state) : rig.state;
}

/** Puts a document in the place of another; one that differs in nothing is not written. */
async function putDocument(
  tx: Queryable,
  now: RigRow & { readonly same_path: boolean },
  rig: Rig,
): Promise<UpdatedRig> {
  const isSame = now.same_path && isSameState(now.document.state, rig.state);
  const saved = isSame
    ? savedRig(now)
    : await appendRevision(tx, now.id, rig, now.same_path ? 0 : 1);
  return { ...saved, state: rig.state };
}

async function appendRevision(tx: Queryable, id: string, rig: Rig, step: 0 | 1): Promise<SavedRig> {
  const [row] = await tx.query<SavedRow>(
    `update rigs set document = $2::jsonb, revision = revision + $3::integer, updated_at = now()
     where id = $1 returning ${SAVED}`,
    [id, JSON.stringify(rig), step],
  );
  if (step === 1) await keepRevision(tx, id);
  await keepListing(tx, id, rig);
  return savedRig(row!);
}

async function keepRevision(tx: Queryable, id: string): Promise<void> {
  await tx.query(
    `insert into rig_revisions (rig_id, revision, document)
     select id, revision, document from rigs where id = $1`,
    [id],
  );
}

/** Takes a rig off the list, or puts it back; false when there is none to do it to. */
export async function setRigDeleted(db: Queryable, id: string, deleted: boolean): Promise<boolean> {
  const rows = await db.query(
    `update rigs set deleted_at = case when $2::boolean then now() end
     where id = $1 and (deleted_at is null) = $2::boolean returning id`,
    [id, deleted],
  );
  return rows.length === 1;
}
