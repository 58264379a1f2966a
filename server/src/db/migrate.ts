import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Database, Queryable } from './database';

export interface Migration {
  readonly name: string;
  readonly sql: string;
}

/** The `.sql` files of a folder in the order of their names. */
export async function readMigrations(folder: string): Promise<readonly Migration[]> {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.sql')).sort();
  return Promise.all(
    names.map(async (name) => ({ name, sql: await readFile(join(folder, name), 'utf8') })),
  );
}

/** Any constant serves; it keeps two server processes from migrating at once. */
const MIGRATION_LOCK = 727_001;

/**
 * Runs what has not run yet, all in one transaction.
 *
 * @throws Error when what has run is not a prefix of what is known: the database belongs to a newer or another version
 */
export async function migrate(db: Database, migrations: readonly Migration[]): Promise<number> {
  return db.transaction(async (tx) => {
    await tx.query('select pg_advisory_xact_lock($1)', [MIGRATION_LOCK]);
    await tx.query(
      'create table if not exists migrations (place integer primary key, name text not null unique, ran_at timestamptz not null default now())',
    );
    const ran = await tx.query<{ name: string }>('select name from migrations order by place');
    ran.forEach(({ name }, i) => {
      if (migrations[i]?.name !== name) {
        throw new Error(
          `The database has run migration “${name}” at place ${i + 1}; this version knows “${migrations[i]?.name ?? 'none'}” there. It was written by another version.`,
        );
      }
    });
    await runRest(tx, migrations, ran.length);
    return migrations.length - ran.length;
  });
}

async function runRest(tx: Queryable, migrations: readonly Migration[], from: number) {
  for (let i = from; i < migrations.length; i++) {
    await tx.query(migrations[i]!.sql);
    await tx.query('insert into migrations (place, name) values ($1, $2)', [
      i,
      migrations[i]!.name,
    ]);
  }
}
