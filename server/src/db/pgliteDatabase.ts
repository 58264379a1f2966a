import { existsSync } from 'node:fs';
import { cp, mkdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { PGlite, types, type Transaction } from '@electric-sql/pglite';
import { BEGIN_SNAPSHOT, type Database, type Queryable } from './database';
import { takeFromOthers } from './ownerOnly';
import { isRead, SharedSnapshot } from './sharedSnapshot';
import { SyncedFolder } from './syncedFolder';

/** int8 and numeric as numbers, dates as text: the same as on a server. */
const PARSERS = {
  [types.INT8]: Number,
  [types.NUMERIC]: Number,
  [types.DATE]: (text: string) => text,
};

/**
 * The engine's usual flags hold -F (no fsync). It is left out here and the log is written through
 * (open_datasync), so that an acknowledged save survives a killed process.
 */
const START_PARAMETERS = [
  ...PGlite.defaultStartParams.filter((flag) => flag !== '-F'),
  ...['-c', 'wal_sync_method=open_datasync', '-c', 'shared_buffers=16MB'],
];

interface EngineOptions {
  /** A directory of an engine that was closed: to copy it is quicker than to initialise a new one. */
  readonly template?: string;
  /** Hears why the engine cannot go on; it would never come back from what it was asked. */
  readonly panicked?: (reason: string) => void;
  /** Writes a file through to the disk, by its descriptor. */
  readonly sync?: (fd: number) => void;
}

/** True where a directory holds a database already. */
export const isDatabase = (directory: string): boolean => existsSync(join(directory, 'PG_VERSION'));

/**
 * Opens the embedded engine on a directory, which the caller holds the lock of. A new one is made beside it and
 * moved there when it is whole: a start that was cut off leaves nothing that a later one would take for a database.
 * What a template does not know yet is migrated like any other.
 */
export async function openPglite(
  directory: string,
  options: EngineOptions = {},
): Promise<Database> {
  if (!isDatabase(directory)) await makeWhole(directory, options);
  return new PgliteDatabase(await startEngine(directory, options));
}

async function makeWhole(directory: string, options: EngineOptions): Promise<void> {
  const { template } = options;
  const beside = `${directory}.new`;
  await rm(beside, { recursive: true, force: true });
  await mkdir(beside, { recursive: true });
  if (template && existsSync(template)) await cp(template, beside, { recursive: true });
  else await (await startEngine(beside, options)).close();
  // A copy has the rights of what it was copied from.
  await takeFromOthers(beside);
  // What lies there and is no database is not known to be worthless: it is put aside, not deleted.
  if (existsSync(directory)) await rename(directory, `${directory}.aside-${Date.now()}`);
  await rename(beside, directory);
}

const startEngine = (
  directory: string,
  { panicked = endProcess, sync }: EngineOptions,
): Promise<PGlite> =>
  PGlite.create({
    fs: new SyncedFolder(directory, sync),
    parsers: PARSERS,
    startParams: START_PARAMETERS,
    onStderr: hearPanic(panicked),
  });

/** Told line by line what the engine says: why it panics, and then that it has aborted. */
function hearPanic(panicked: (reason: string) => void): (line: string) => boolean {
  let reason = 'it says no more';
  return (line) => {
    reason = /PANIC:\s+(.+)/u.exec(line)?.[1] ?? reason;
    if (line.startsWith('Aborted(')) panicked(reason);
    return false;
  };
}

function endProcess(reason: string): never {
  process.stderr.write(
    `The database cannot go on: ${reason}. What was saved is on the disk; start again when there is room.\n`,
  );
  process.exit(1);
}

class PgliteDatabase implements Database {
  readonly isAlone = true;
  /** One that is being read. */
  private shared: SharedSnapshot | null = null;

  constructor(private readonly engine: PGlite) {}

  query<Row>(sql: string, parameters: readonly unknown[] = []): Promise<readonly Row[]> {
    if (this.shared && isRead(sql)) return this.shared.read<Row>(sql, parameters);
    return queryOn<Row>(this.engine, sql, parameters);
  }

  snapshot<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    return this.transaction(async (tx) => {
      await tx.query(BEGIN_SNAPSHOT);
      const shared = new SharedSnapshot(tx);
      this.shared = shared;
      try {
        return await work(shared);
      } finally {
        this.shared = null;
        await shared.settled();
      }
    });
  }

  async transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    return this.engine.transaction((tx) =>
      work({ query: <Row>(sql: string, p: readonly unknown[] = []) => queryOn<Row>(tx, sql, p) }),
    );
  }

  close(): Promise<void> {
    return this.engine.close();
  }
}

async function queryOn<Row>(
  engine: PGlite | Transaction,
  sql: string,
  parameters: readonly unknown[],
): Promise<readonly Row[]> {
  if (parameters.length > 0) return (await engine.query<Row>(sql, [...parameters])).rows;
  const results = await engine.exec(sql);
  return (results.at(-1)?.rows ?? []) as Row[];
}
