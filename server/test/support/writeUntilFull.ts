import { openPglite } from '../../src/db/pgliteDatabase';

/// Writes into a database until the disk ends it; a process of its own, which does not come back from that.

const db = await openPglite(process.argv[2]!);
await db.query(
  'create table filled as select repeat(md5(n::text), 20) as x from generate_series(1, 200) n',
);
process.stdout.write('writing\n');
for (;;) {
  await db.query('update filled set x = reverse(x)');
  await db.query('vacuum filled');
}
