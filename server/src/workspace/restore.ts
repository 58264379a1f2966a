import type { KeptPhoto, KeptRig, Restored, WorkspacePart } from '@gullwind/contract';
import type { Database, Queryable } from '../db/database';
import { putPhoto } from '../photo/photoStore';
import { broughtBack } from '../photo/picture';
import { fillListings } from '../rigs/listings';
import { letOthers } from '../letOthers';
import { upgradeRigs } from '../rigs/upgradeRigs';
import { Batches } from './batches';
import { INSERT } from './inserts';
import { dropStaged, placeStaged, stageRigs } from './stagedRigs';

/** Any constant serves; it keeps two server processes from restoring at once. */
const RESTORE_LOCK = 727_002;
/** So many go together; others are heard in between. */
const RIGS_AT_ONCE = 50;

export type RestoreResult =
  | { readonly kind: 'restored'; readonly restored: Restored }
  /** There are rigs or gear already, and it was not told to overwrite them. */
  | { readonly kind: 'notEmpty' }
  /** Another restore is at it. */
  | { readonly kind: 'busy' };

const busy = new WeakSet<Database>();

/** The parts of a workspace from its beginning, each time it is called; what they hold was looked at before. */
type Parts = () => AsyncIterable<WorkspacePart>;

/**
 * Puts a workspace in the place of everything that is there, all of it or nothing. Of two at once one wins. What is saved
 * before that moment is replaced with the rest.
 *
 * @param overwrite false refuses where there are rigs or gear already; settings alone are replaced
 */
export async function restore(
  db: Database,
  parts: Parts,
  overwrite: boolean,
): Promise<RestoreResult> {
  if (busy.has(db)) return { kind: 'busy' };
  busy.add(db);
  try {
    if (!overwrite && !(await isEmpty(db))) return { kind: 'notEmpty' };
    if (db.isAlone) await stageRigs(db, parts());
    const result = await db.transaction((tx) => putBack(tx, parts(), overwrite, db.isAlone));
    if (result.kind !== 'restored') return result;
    await upgradeRigs(db);
    await fillListings(db);
    return result;
  } finally {
    // What cannot be dropped now is dropped by the next restore.
    if (db.isAlone) await dropStaged(db).catch(() => undefined);
    busy.delete(db);
  }
}

async function putBack(
  tx: Queryable,
  parts: AsyncIterable<WorkspacePart>,
  overwrite: boolean,
  isStaged: boolean,
): Promise<RestoreResult> {
  const [lock] = await tx.query<{ held: boolean }>('select pg_try_advisory_xact_lock($1) as held', [
    RESTORE_LOCK,
  ]);
  if (!lock!.held) return { kind: 'busy' };
  // Whoever saves meanwhile waits, and then finds what was put here.
  await tx.query(
    'lock table rigs, rig_revisions, gear, settings, cable_tests, work_done, off_cuts, board_photos, measurements, hearings, hunts, hunt_answers in exclusive mode',
  );
  if (!overwrite && !(await isEmpty(tx))) return { kind: 'notEmpty' };
  const removed = await rememberRemoved(tx);
  await removeAll(tx);
  const writer = new Writer(tx, removed, isStaged ? await placeStaged(tx) : null);
  for await (const part of parts) {
    await writer.take(part);
    await letOthers();
  }
  return { kind: 'restored', restored: await writer.end() };
}

/** What belongs to a rig goes with it. */
async function removeAll(tx: Queryable): Promise<void> {
  const rigs = await tx.query<{ id: string }>('select id from rigs');
  for (let at = 0; at < rigs.length; at += RIGS_AT_ONCE) {
    const ids = [rigs.slice(at, at + RIGS_AT_ONCE).map(({ id }) => id)];
    await tx.query('delete from rig_revisions where rig_id = any($1::uuid[])', ids);
    await tx.query('delete from rigs where id = any($1::uuid[])', ids);
    await letOthers();
  }
  for (const table of ['gear', 'settings', 'off_cuts', 'measurements', 'hearings', 'hunts'])
    await tx.query(`delete from ${table}`);
}

async function isEmpty(tx: Queryable): Promise<boolean> {
  const [found] = await tx.query<{ some: boolean }>(
    'select exists (select from rigs) or exists (select from gear) as some',
  );
  return !found!.some;
}

/** Remembers at which revision everything that is here is removed. */
async function rememberRemoved(tx: Queryable): Promise<ReadonlyMap<string, number>> {
  await tx.query(
    `insert into removed (id, revision)
     select id::text, revision from rigs union all select id, revision from gear
     on conflict (id) do update set revision = greatest(removed.revision, excluded.revision)`,
  );
  const rows = await tx.query<{ id: string; revision: number }>('select id, revision from removed');
  return new Map(rows.map(({ id, revision }) => [id, revision]));
}

/** Writes parts in batches, in the order in which they depend on each other. */
class Writer {
  private readonly counts = { rigs: 0, revisions: 0, gear: 0, records: 0 };
  private readonly batches: Batches<keyof typeof INSERT>;
  /** Rigs under another revision than they had, which is kept as one of its own. */
  private readonly renumbered: string[];

  /** @param placed rigs that are there already, those that were renumbered; null where they come as parts */
  constructor(
    private readonly tx: Queryable,
    private readonly removed: ReadonlyMap<string, number>,
    private readonly placed: readonly string[] | null,
  ) {
    this.batches = new Batches(tx, INSERT);
    this.renumbered = [...(placed ?? [])];
  }

  async take(part: WorkspacePart): Promise<void> {
    switch (part.kind) {
      case 'rig':
        this.counts.rigs++;
        return this.placed ? undefined : this.batches.add('rig', this.renumber(part));
      case 'revision':
        this.counts.revisions++;
        return this.placed ? undefined : this.batches.add('revision', part);
      case 'gear':
        this.counts.gear++;
        return this.batches.add('gear', {
          ...part,
          revision: this.after(part.item.id, part.revision),
        });
      case 'test':
      case 'done':
      case 'offCut':
      case 'measurement':
      case 'hearing':
      case 'hunt':
        this.counts.records++;
        return this.batches.add(part.kind, part);
      case 'photo':
        return this.putPicture(part);
      case 'settings':
        await this.tx.query('insert into settings (document) values ($1::jsonb)', [
          JSON.stringify(part.settings),
        ]);
    }
  }

  async end(): Promise<Restored> {
    await this.batches.flush();
    await this.tx.query(
      `insert into rig_revisions (rig_id, revision, saved_at, document)
       select id, revision, updated_at, document from rigs where id = any($1::uuid[])`,
      [this.renumbered],
    );
    return this.counts;
  }

  /** A picture that was not made here is made anew, as if it were sent: what a file says of it is not believed. */
  private async putPicture({ rig, photo: { picture, ...lie } }: KeptPhoto): Promise<void> {
    await this.batches.flush();
    this.counts.records++;
    await putPhoto(this.tx, rig, await broughtBack(Buffer.from(picture, 'base64')), lie);
  }

  /** A revision that nobody has seen: what was seen before is not saved over what is put in its place. */
  private after(id: string, revision: number): number {
    const before = this.removed.get(id);
    return before === undefined ? revision : Math.max(before, revision) + 1;
  }

  private renumber(rig: KeptRig): KeptRig {
    const revision = this.after(rig.id, rig.revision);
    if (revision !== rig.revision) this.renumbered.push(rig.id);
    return { ...rig, revision };
  }
}
