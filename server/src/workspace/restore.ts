import type { KeptPhoto, KeptRig, Restored, WorkspacePart } from '@gullwind/contract';
import type { Database, Queryable } from '../db/database';
import { putPhoto } from '../photo/photoStore';
import { broughtBack } from '../photo/picture';
import { fillListings } from '../rigs/listings';
import { upgradeRigs } from '../rigs/upgradeRigs';

/** So much of a document text goes to the database at once. */
const BATCH_LENGTH = 2 ** 20;
/** Any constant serves; it keeps two server processes from restoring at once. */
const RESTORE_LOCK = 727_002;

export type RestoreResult =
  | { readonly kind: 'restored'; readonly restored: Restored }
  /** There are rigs or gear already, and it was not told to overwrite them. */
  | { readonly kind: 'notEmpty' }
  /** Another restore is at it. */
  | { readonly kind: 'busy' };

const busy = new WeakSet<Database>();

/**
 * Puts a workspace in the place of everything that is there, all of it or nothing. Of two at once one wins.
 *
 * @param parts as they come; what they hold was looked at before
 * @param overwrite false refuses where there are rigs or gear already; settings alone are replaced
 */
export async function restore(
  db: Database,
  parts: AsyncIterable<WorkspacePart>,
  overwrite: boolean,
): Promise<RestoreResult> {
  if (busy.has(db)) return { kind: 'busy' };
  busy.add(db);
  try {
    const result = await db.transaction((tx) => putBack(tx, parts, overwrite));
    if (result.kind !== 'restored') return result;
    await upgradeRigs(db);
    await fillListings(db);
    return result;
  } finally {
    busy.delete(db);
  }
}

async function putBack(
  tx: Queryable,
  parts: AsyncIterable<WorkspacePart>,
  overwrite: boolean,
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
  for (const table of [
    'rig_revisions',
    'rigs',
    'gear',
    'settings',
    'off_cuts',
    'measurements',
    'hearings',
    'hunts',
  ])
    await tx.query(`delete from ${table}`);
  const writer = new Writer(tx, removed);
  for await (const part of parts) await writer.take(part);
  return { kind: 'restored', restored: await writer.end() };
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

const INSERT = {
  rig: `insert into rigs (id, revision, created_at, updated_at, deleted_at, document)
        select id, revision, "createdAt"::timestamptz, "updatedAt"::timestamptz,
               "deletedAt"::timestamptz, document
        from jsonb_to_recordset($1::jsonb) as kept
             (id uuid, revision integer, "createdAt" text, "updatedAt" text, "deletedAt" text, document jsonb)`,
  revision: `insert into rig_revisions (rig_id, revision, saved_at, name, document)
             select rig, revision, "savedAt"::timestamptz, name, document
             from jsonb_to_recordset($1::jsonb) as kept
                  (rig uuid, revision integer, "savedAt" text, name text, document jsonb)`,
  gear: `insert into gear (id, kind, name, note, place, thing, qualities, retired, revision)
         select item ->> 'id', item ->> 'kind', item -> 'thing' ->> 'name', item ->> 'note', place,
                item -> 'thing', item -> 'qualities', (item ->> 'retired')::boolean, revision
         from jsonb_to_recordset($1::jsonb) as kept (place integer, revision integer, item jsonb)`,
  test: `insert into cable_tests (id, rig_id, cable, label, revision, fingerprint, length_m, tip_through,
           sleeve_through, ring_through, leak_ohm, silent_plugs, pull, wiggle, capacitance_f, by_whom, note, tested_at)
         select (test ->> 'id')::uuid, rig, test ->> 'cable', test ->> 'label', (test ->> 'revision')::integer,
                test ->> 'fingerprint', (test ->> 'lengthM')::double precision, (test ->> 'tipThrough')::boolean,
                (test ->> 'sleeveThrough')::boolean, (test ->> 'ringThrough')::boolean,
                (test ->> 'leakOhm')::double precision, (test ->> 'silentPlugs')::boolean,
                (test ->> 'pull')::boolean, (test ->> 'wiggle')::boolean,
                (test ->> 'capacitanceF')::double precision, test ->> 'by', test ->> 'note',
                (test ->> 'at')::timestamptz
         from jsonb_to_recordset($1::jsonb) as kept (rig uuid, test jsonb)`,
  done: `insert into work_done (rig_id, step, fingerprint, length_m, revision, by_whom, done_at)
         select rig, done ->> 'step', done ->> 'fingerprint', (done ->> 'lengthM')::double precision,
                (done ->> 'revision')::integer, done ->> 'by', (done ->> 'at')::timestamptz
         from jsonb_to_recordset($1::jsonb) as kept (rig uuid, done jsonb)`,
  offCut: `insert into off_cuts (id, name, gear, length_m, note)
           select ("offCut" ->> 'id')::uuid, "offCut" ->> 'name', "offCut" ->> 'gear',
                  ("offCut" ->> 'lengthM')::double precision, "offCut" ->> 'note'
           from jsonb_to_recordset($1::jsonb) as kept ("offCut" jsonb)`,
  measurement: `insert into measurements (id, job, rig_id, gear, subject, instrument, is_simulated, readings,
                  responses, figures, words, by_whom, note, struck, measured_at)
                select (m ->> 'id')::uuid, m ->> 'job',
                       (select id from rigs where id = (m ->> 'rig')::uuid), m ->> 'gear', m ->> 'subject',
                       m ->> 'instrument', (m ->> 'isSimulated')::boolean, m -> 'readings', m -> 'responses',
                       m -> 'figures', m ->> 'words', m ->> 'by', m ->> 'note', m ->> 'struck',
                       (m ->> 'at')::timestamptz
                from jsonb_to_recordset($1::jsonb) as kept (measurement jsonb), lateral (select measurement as m) as one`,
  hearing: `insert into hearings (id, listener, kind, rig_id, one, other, seed, planned, trials, is_finished,
              expected, model, note, heard_at)
            select (h ->> 'id')::uuid, h ->> 'listener', h ->> 'kind',
                   (select id from rigs where id = (h ->> 'rig')::uuid), h ->> 'one', h ->> 'other',
                   (h ->> 'seed')::bigint, (h ->> 'planned')::integer, h -> 'trials',
                   (h ->> 'isFinished')::boolean, h ->> 'expected', h ->> 'model', h ->> 'note',
                   (h ->> 'at')::timestamptz
            from jsonb_to_recordset($1::jsonb) as kept (hearing jsonb), lateral (select hearing as h) as one`,
  hunt: `with kept as (
           select hunt as h from jsonb_to_recordset($1::jsonb) as kept (hunt jsonb)
           where hunt ->> 'rig' is null or exists (select from rigs where id = (hunt ->> 'rig')::uuid)
         ), put as (
           insert into hunts (id, rig_id, revision, symptom, comes_and_goes, test_order, weights, note,
             begun_at, changed_at, ended_at, ending)
           select (h ->> 'id')::uuid, (h ->> 'rig')::uuid, (h ->> 'revision')::integer, h ->> 'symptom',
                  (h ->> 'comesAndGoes')::boolean, h ->> 'order', h -> 'weights', h ->> 'note',
                  (h ->> 'begunAt')::timestamptz, (h ->> 'changedAt')::timestamptz,
                  (h ->> 'endedAt')::timestamptz, nullif(h -> 'ending', 'null'::jsonb)
           from kept returning id
         )
         insert into hunt_answers (id, hunt_id, nth, test, outcome, says, minutes, by_whom, answered_at, taken_back)
         select (a ->> 'id')::uuid, put.id, nth, a ->> 'test', a ->> 'outcome', a ->> 'says',
                (a ->> 'minutes')::double precision, a ->> 'by', (a ->> 'at')::timestamptz,
                (a ->> 'takenBack')::timestamptz
         from kept join put on put.id = (h ->> 'id')::uuid,
              jsonb_array_elements(h -> 'answers') with ordinality as answers (a, nth)`,
} as const;

/** Writes parts in batches, in the order in which they depend on each other. */
class Writer {
  private readonly counts = { rigs: 0, revisions: 0, gear: 0, records: 0 };
  private batch: { readonly kind: keyof typeof INSERT; readonly rows: string[] } | null = null;
  private length = 0;
  /** Rigs under another revision than they had, which is kept as one of its own. */
  private renumbered: string[] = [];

  constructor(
    private readonly tx: Queryable,
    private readonly removed: ReadonlyMap<string, number>,
  ) {}

  async take(part: WorkspacePart): Promise<void> {
    switch (part.kind) {
      case 'rig':
        this.counts.rigs++;
        return this.add('rig', this.renumber(part));
      case 'revision':
        this.counts.revisions++;
        return this.add('revision', part);
      case 'gear':
        this.counts.gear++;
        return this.add('gear', { ...part, revision: this.after(part.item.id, part.revision) });
      case 'test':
      case 'done':
      case 'offCut':
      case 'measurement':
      case 'hearing':
      case 'hunt':
        this.counts.records++;
        return this.add(part.kind, part);
      case 'photo':
        return this.putPicture(part);
      case 'settings':
        await this.tx.query('insert into settings (document) values ($1::jsonb)', [
          JSON.stringify(part.settings),
        ]);
    }
  }

  async end(): Promise<Restored> {
    await this.flush();
    await this.tx.query(
      `insert into rig_revisions (rig_id, revision, saved_at, document)
       select id, revision, updated_at, document from rigs where id = any($1::uuid[])`,
      [this.renumbered],
    );
    return this.counts;
  }

  /** A picture that was not made here is made anew, as if it were sent: what a file says of it is not believed. */
  private async putPicture({ rig, photo: { picture, ...lie } }: KeptPhoto): Promise<void> {
    await this.flush();
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

  private async add(
    kind: keyof typeof INSERT,
    row: Exclude<WorkspacePart, { readonly kind: 'settings' | 'photo' }>,
  ): Promise<void> {
    if (this.batch?.kind !== kind) await this.flush();
    this.batch ??= { kind, rows: [] };
    const text = JSON.stringify(row);
    this.batch.rows.push(text);
    this.length += text.length;
    if (this.length >= BATCH_LENGTH) await this.flush();
  }

  private async flush(): Promise<void> {
    const { batch } = this;
    this.batch = null;
    this.length = 0;
    if (batch) await this.tx.query(INSERT[batch.kind], [`[${batch.rows.join(',')}]`]);
  }
}
