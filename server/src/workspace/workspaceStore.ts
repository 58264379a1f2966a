import {
  WORKSPACE_FORMAT,
  WORKSPACE_KIND,
  type KeptRig,
  type Restored,
  type Workspace,
} from '@gullwind/contract';
import type { Settings } from '@gullwind/contract';
import type { Database, Queryable } from '../db/database';
import { listGear } from '../gear/gearStore';
import { upgradeRigs } from '../rigs/upgradeRigs';

/** Moments as text, to the microsecond that the database keeps. */
const MOMENT = (column: string) =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`;

/** Everything that is kept, as it is at one moment. */
export function findWorkspace(db: Database): Promise<Workspace> {
  return db.transaction(async (tx) => {
    await tx.query('set transaction isolation level repeatable read');
    const rigs = await tx.query<Omit<KeptRig, 'revisions'>>(
      `select id, revision, ${MOMENT('created_at')} as "createdAt",
              ${MOMENT('updated_at')} as "updatedAt", ${MOMENT('deleted_at')} as "deletedAt", document
       from rigs order by created_at, id`,
    );
    const revisions = await tx.query<KeptRig['revisions'][number] & { id: string }>(
      `select rig_id as id, revision, ${MOMENT('saved_at')} as "savedAt", document
       from rig_revisions order by rig_id, revision`,
    );
    const places = await tx.query<{ id: string; place: number }>('select id, place from gear');
    const placeOf = new Map(places.map(({ id, place }) => [id, place]));
    const [settings] = await tx.query<{ document: Settings }>('select document from settings');
    return {
      kind: WORKSPACE_KIND,
      format: WORKSPACE_FORMAT,
      rigs: rigs.map((rig) => ({
        ...rig,
        revisions: revisions.filter(({ id }) => id === rig.id).map(({ id: _, ...kept }) => kept),
      })),
      gear: (await listGear(tx)).map(({ item, revision }) => ({
        place: placeOf.get(item.id)!,
        revision,
        item,
      })),
      settings: settings?.document ?? null,
    };
  });
}

/** True where a workspace has nothing that a restore could lose. */
async function isEmpty(db: Queryable): Promise<boolean> {
  const [row] = await db.query<{ some: boolean }>(
    'select exists (select 1 from rigs) or exists (select 1 from gear) as some',
  );
  return !row!.some;
}

/**
 * Puts a workspace in the place of everything that is kept, all at once or not at all; null, and nothing
 * done, where there is something already and `overwrite` is not said.
 */
export async function restoreWorkspace(
  db: Database,
  workspace: Workspace,
  overwrite: boolean,
): Promise<Restored | null> {
  const restored = await db.transaction(async (tx) => {
    if (!overwrite && !(await isEmpty(tx))) return null;
    const removed = await rememberRemoved(tx);
    for (const table of ['rig_revisions', 'rigs', 'gear', 'settings'])
      await tx.query(`delete from ${table}`);
    await insertRigs(
      tx,
      workspace.rigs.map((rig) => atRevision(rig, removed.after(rig.id, rig.revision))),
    );
    await tx.query(
      `insert into gear (id, kind, name, note, place, thing, qualities, retired, revision)
       select item ->> 'id', item ->> 'kind', item -> 'thing' ->> 'name', item ->> 'note', place,
              item -> 'thing', item -> 'qualities', (item ->> 'retired')::boolean, revision
       from jsonb_to_recordset($1::jsonb) as kept (place integer, revision integer, item jsonb)`,
      [
        JSON.stringify(
          workspace.gear.map((kept) => ({
            ...kept,
            revision: removed.after(kept.item.id, kept.revision),
          })),
        ),
      ],
    );
    if (workspace.settings)
      await tx.query('insert into settings (document) values ($1::jsonb)', [
        JSON.stringify(workspace.settings),
      ]);
    return { rigs: workspace.rigs.length, gear: workspace.gear.length };
  });
  if (restored) await upgradeRigs(db);
  return restored;
}

/** Remembers at which revision everything that is here is removed. */
async function rememberRemoved(tx: Queryable) {
  await tx.query(
    `insert into removed (id, revision)
     select id::text, revision from rigs union all select id, revision from gear
     on conflict (id) do update set revision = greatest(removed.revision, excluded.revision)`,
  );
  const rows = await tx.query<{ id: string; revision: number }>('select id, revision from removed');
  const seen = new Map(rows.map(({ id, revision }) => [id, revision]));
  return {
    /** A revision that nobody has seen: what was seen before is not saved over what is put in its place. */
    after: (id: string, revision: number): number => {
      const before = seen.get(id);
      return before === undefined ? revision : Math.max(before, revision) + 1;
    },
  };
}

/** A rig under another revision, which is kept as one of its own. */
function atRevision(rig: KeptRig, revision: number): KeptRig {
  if (revision === rig.revision) return rig;
  const { document, updatedAt: savedAt } = rig;
  return { ...rig, revision, revisions: [...rig.revisions, { revision, savedAt, document }] };
}

async function insertRigs(tx: Queryable, rigs: readonly KeptRig[]): Promise<void> {
  for (const rig of rigs) {
    await tx.query(
      `insert into rigs (id, revision, created_at, updated_at, deleted_at, document)
       values ($1, $2, $3::timestamptz, $4::timestamptz, $5::timestamptz, $6::jsonb)`,
      [
        rig.id,
        rig.revision,
        rig.createdAt,
        rig.updatedAt,
        rig.deletedAt,
        JSON.stringify(rig.document),
      ],
    );
    await tx.query(
      `insert into rig_revisions (rig_id, revision, saved_at, document)
       select $1::uuid, revision, "savedAt"::timestamptz, document
       from jsonb_to_recordset($2::jsonb) as kept (revision integer, "savedAt" text, document jsonb)`,
      [rig.id, JSON.stringify(rig.revisions)],
    );
  }
}
