import { rename, rm } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { migrate, readMigrations } from '../server/src/db/migrate';
import { openPglite } from '../server/src/db/pgliteDatabase';

/** An empty database with all its tables, as a directory: copying it is quicker than making one. */
const inProject = (path: string) => fileURLToPath(new URL(`../${path}`, import.meta.url));
const [template, beside] = ['.cache/pglite-template', '.cache/pglite-template.making'].map(
  inProject,
) as [string, string];
await rm(beside, { recursive: true, force: true });
const db = await openPglite(beside);
await migrate(db, await readMigrations(inProject('server/src/db/migrations')));
// What is copied must not have the name of another.
await db.query('delete from change_feed');
await db.close();
await rm(template, { recursive: true, force: true });
await rename(beside, template);
