import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import type { Database } from '../../src/db/database';
import { nameFeed } from '../../src/changes/changeStore';
import { migrate, readMigrations } from '../../src/db/migrate';
import { openPglite } from '../../src/db/pgliteDatabase';
import { openPostgres } from '../../src/db/postgresDatabase';

/// The two engines that every database test runs against.

export const MIGRATIONS = fileURLToPath(new URL('../../src/db/migrations', import.meta.url));
export const TEMPLATE = fileURLToPath(new URL('../../../.cache/pglite-template', import.meta.url));

export const temporaryFolder = (): string => mkdtempSync(join(tmpdir(), 'gullwind-'));

export async function openMigrated(open: () => Promise<Database>): Promise<Database> {
  const db = await open();
  await migrate(db, await readMigrations(MIGRATIONS));
  await nameFeed(db);
  return db;
}

export interface Engine {
  readonly name: string;
  /** A new, empty database each time. */
  open(): Promise<Database>;
  /** Where a new, empty database is, for a server process; null is its own data directory. */
  newUrl(): Promise<string | null>;
  stop(): void;
}

const pglite: Engine = {
  name: 'PGlite',
  open: () => openPglite(join(temporaryFolder(), 'store'), { template: TEMPLATE }),
  newUrl: async () => null,
  stop: () => undefined,
};

const DEBIAN_POSTGRES = '/usr/lib/postgresql';

function postgresFolder(): string | null {
  if (!existsSync(DEBIAN_POSTGRES)) return null;
  const folders = readdirSync(DEBIAN_POSTGRES)
    .map((version) => join(DEBIAN_POSTGRES, version, 'bin'))
    .filter((folder) => existsSync(join(folder, 'initdb')));
  return folders.at(-1) ?? null;
}

/** The server refuses to run as root; Debian's package comes with a user for it. */
function asPostgres(command: string, args: readonly string[]): void {
  const [program, all] =
    process.getuid?.() === 0
      ? ['runuser', ['-u', 'postgres', '--', command, ...args]]
      : [command, args];
  execFileSync(program, all as string[], { stdio: 'ignore' });
}

/** Starts a PostgreSQL server on a socket of its own, without TCP; null where Debian's is not installed. */
function startPostgres(): Engine | null {
  const bin = postgresFolder();
  if (!bin) return null;
  const folder = temporaryFolder();
  if (process.getuid?.() === 0) spawnSync('chown', ['postgres', folder]);
  const data = join(folder, 'data');
  asPostgres(join(bin, 'initdb'), [
    '-D',
    data,
    '-A',
    'trust',
    '-U',
    'postgres',
    '--no-sync',
    '-E',
    'UTF8',
  ]);
  const settings = `-c listen_addresses='' -c unix_socket_directories=${folder} -c fsync=off`;
  asPostgres(join(bin, 'pg_ctl'), [
    '-D',
    data,
    '-w',
    '-l',
    join(folder, 'log'),
    '-o',
    settings,
    'start',
  ]);
  let count = 0;
  const url = (name: string) =>
    `postgresql://postgres@localhost/${name}?host=${encodeURIComponent(folder)}`;
  const newUrl = async () => {
    const name = `t${++count}`;
    const admin = new pg.Client({ connectionString: url('postgres') });
    await admin.connect();
    await admin.query(`create database ${name}`);
    await admin.end();
    return url(name);
  };
  return {
    name: 'PostgreSQL',
    newUrl,
    open: async () => openPostgres(await newUrl()),
    stop: () => asPostgres(join(bin, 'pg_ctl'), ['-D', data, '-m', 'immediate', 'stop']),
  };
}

/** PGlite always; PostgreSQL where it is installed, skipped aloud where it is not. */
export function engines(): readonly Engine[] {
  const postgres = startPostgres();
  if (!postgres)
    process.stdout.write(
      'SKIPPED: the database suite on PostgreSQL; no server under /usr/lib/postgresql.\n',
    );
  return postgres ? [pglite, postgres] : [pglite];
}
