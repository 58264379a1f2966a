import {
  endLine,
  HEADER_LINE,
  readRig,
  readWorkspace,
  WorkspaceRefused,
  type WorkspaceCounts,
} from '@gullwind/contract';
import { upgradeThing, type GearKind } from '@gullwind/core';
import type { FileHandle } from 'node:fs/promises';
import { everyMeasurement, findHearings } from '../bench/benchStore';
import { findOffCuts, findRecords } from '../build/buildStore';
import { everyHunt } from '../hunts/huntStore';
import type { Database, Queryable } from '../db/database';
import { rowsOf } from '../db/rowsOf';
import { keptPicture } from '../photo/photoStore';
import type { FreeBytes } from '../db/room';
import { KnownError } from '../errors';
import { letOthers } from '../letOthers';
import { findSettings } from '../settings/settingsStore';
import { bytesOf, Writing } from './spool';

/** So many rows come at once: a document may have 2 MiB, and on the embedded engine nobody else is served meanwhile. */
const ROWS_AT_ONCE = 10;

/** Moments as text, to the microsecond that the database keeps. */
const MOMENT = (column: string) =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`;

/** Takes lines of a backup, and is waited for. */
export type TakeLine = (line: string) => Promise<void>;

/**
 * Writes a backup into a file, and reads it as a restore would.
 *
 * @throws KnownError "not-restorable", with the part that would not come back
 */
export async function backUpInto(
  db: Database,
  file: FileHandle,
  free: FreeBytes | null,
): Promise<WorkspaceCounts> {
  const writing = new Writing(file, free);
  const counts = await backUp(db, (line) => writing.write(`${line}\n`));
  await writing.flush();
  try {
    for await (const _ of readWorkspace(bytesOf(file))) await letOthers();
  } catch (error) {
    if (!(error instanceof WorkspaceRefused)) throw error;
    const { part, problems } = error;
    throw new KnownError(
      'not-restorable',
      `${part ?? 'The backup'} could not be brought back: ${problems[0]?.message ?? error.message} Change or remove it, then back up again.`,
    );
  }
  return counts;
}

/** Writes everything that is kept as it is at one moment, line by line. */
export function backUp(db: Database, take: TakeLine): Promise<WorkspaceCounts> {
  return db.snapshot(async (tx) => {
    await take(HEADER_LINE);
    if ((await tx.query('select from settings')).length > 0)
      await take(JSON.stringify({ kind: 'settings', settings: await findSettings(tx) }));
    const gear = await backUpGear(tx, take);
    const { records, ...counts } = await backUpRigs(tx, take);
    const offCuts = await findOffCuts(tx);
    for (const offCut of offCuts) await take(JSON.stringify({ kind: 'offCut', offCut }));
    const heard = await backUpBench(tx, take);
    const all = { gear, ...counts, records: records + offCuts.length + heard };
    await take(endLine(all));
    return all;
  });
}

async function backUpGear(tx: Queryable, take: TakeLine): Promise<number> {
  let count = 0;
  const sql =
    'select id, kind, note, thing, qualities, retired, place, revision from gear order by kind, place, name, id';
  for await (const rows of rowsOf<GearRow>(tx, 'gear_rows', sql, ROWS_AT_ONCE)) {
    for (const { place, revision, thing, ...row } of rows) {
      const item = { ...row, thing: upgradeThing(row.kind, thing) };
      await take(JSON.stringify({ kind: 'gear', place, revision, item }));
      count++;
    }
  }
  return count;
}

interface GearRow {
  readonly id: string;
  readonly kind: GearKind;
  readonly thing: unknown;
  readonly place: number;
  readonly revision: number;
}

/** Each rig, and behind it its revisions; documents go through as the text that the database has of them. */
async function backUpRigs(tx: Queryable, take: TakeLine) {
  // Revisions come in the order of their index; sorting would take all of their documents in hand first.
  await tx.query('set local enable_sort = off');
  const ids = await tx.query<{ id: string }>('select id from rigs order by created_at, id');
  let [revisions, records] = [0, 0];
  for (const { id } of ids) {
    const [rig] = await tx.query<LineRow>(
      `select document::text as document, jsonb_build_object('kind', 'rig', 'id', id,
              'revision', revision, 'createdAt', ${MOMENT('created_at')},
              'updatedAt', ${MOMENT('updated_at')}, 'deletedAt', ${MOMENT('deleted_at')})::text as head
       from rigs where id = $1`,
      [id],
    );
    const mark = isReadable(rig!.document) ? '' : ',"unreadable":true';
    await take(lineOf(rig!, mark));
    revisions += await backUpRevisions(tx, id, take);
    records += await backUpRecords(tx, id, take);
  }
  return { rigs: ids.length, revisions, records };
}

/** What happened to a rig at the bench. */
async function backUpRecords(tx: Queryable, rig: string, take: TakeLine): Promise<number> {
  const { tests, done } = await findRecords(tx, rig);
  for (const test of tests) await take(JSON.stringify({ kind: 'test', rig, test }));
  for (const one of done) await take(JSON.stringify({ kind: 'done', rig, done: one }));
  const photo = await keptPicture(tx, rig);
  if (photo) await take(JSON.stringify({ kind: 'photo', rig, photo }));
  return tests.length + done.length + (photo ? 1 : 0);
}

/** What was measured, heard and hunted for, the earliest first. */
async function backUpBench(tx: Queryable, take: TakeLine): Promise<number> {
  let measured = 0;
  for await (const measurements of everyMeasurement(tx)) {
    for (const measurement of measurements)
      await take(JSON.stringify({ kind: 'measurement', measurement }));
    measured += measurements.length;
  }
  const hearings = await findHearings(tx);
  for (const hearing of hearings.toReversed())
    await take(JSON.stringify({ kind: 'hearing', hearing }));
  const hunts = await everyHunt(tx);
  for (const hunt of hunts) await take(JSON.stringify({ kind: 'hunt', hunt }));
  return measured + hearings.length + hunts.length;
}

interface LineRow {
  /** All but the document, as JSON. */
  readonly head: string;
  readonly document: string;
}

const lineOf = ({ head, document }: LineRow, mark = '') =>
  `${head.slice(0, -1)},"document":${document}${mark}}`;

const isReadable = (document: string): boolean => readRig(JSON.parse(document)).kind === 'ok';

async function backUpRevisions(tx: Queryable, id: string, take: TakeLine): Promise<number> {
  let count = 0;
  const sql = `
    select document::text as document, jsonb_build_object('kind', 'revision', 'rig', rig_id,
           'revision', revision, 'savedAt', ${MOMENT('saved_at')}, 'name', name)::text as head
    from rig_revisions where rig_id = '${id}'::uuid order by revision`;
  for await (const rows of rowsOf<LineRow>(tx, 'revision_rows', sql, ROWS_AT_ONCE)) {
    for (const row of rows) await take(lineOf(row));
    count += rows.length;
  }
  return count;
}
