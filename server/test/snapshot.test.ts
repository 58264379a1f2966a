import type { Database } from '../src/db/database';
import { isRead } from '../src/db/sharedSnapshot';
import { engines, openMigrated } from './support/databases';

/// While everything is read as it is at one moment, others are answered; who writes waits, and is seen by nobody before the end.

describe.each(engines().map((engine) => [engine.name, engine] as const))(
  'a snapshot on %s',
  (_, engine) => {
    let db: Database;
    beforeAll(async () => {
      db = await openMigrated(() => engine.open());
      await db.query('create table pieces (name text primary key)');
      await db.query(`insert into pieces select n::text from generate_series(1, 100) as n`);
    });
    afterAll(async () => {
      await db.close();
      engine.stop();
    });

    const countIn = async (on: Pick<Database, 'query'>): Promise<number> =>
      (await on.query<{ n: number }>('select count(*) as n from pieces'))[0]!.n;

    test('others read in the middle of it, also what fails; what is written is not in it', async () => {
      const before = await countIn(db);
      let written: Promise<unknown> = Promise.resolve();
      await db.snapshot(async (tx) => {
        await tx.query(
          'declare piece_rows no scroll cursor for select name from pieces order by name',
        );
        expect(await tx.query('fetch 40 from piece_rows')).toHaveLength(40);
        expect(await countIn(db)).toBe(before);
        await expect(db.query('select 1 / 0')).rejects.toThrow(/division by zero/u);
        await expect(db.query('select nothing from pieces')).rejects.toThrow(/nothing/u);
        written = db.query(`insert into pieces values ('while it is read')`);
        const [piece] = await Promise.all([tx.query('fetch 100 from piece_rows'), countIn(db)]);
        expect(piece).toHaveLength(before - 40);
        expect(await countIn(tx)).toBe(before);
      });
      await written;
      expect(await countIn(db)).toBe(before + 1);
    });

    test('what has been asked before its end is answered, and one that fails holds nobody up', async () => {
      let asked: Promise<number> = Promise.resolve(0);
      await expect(
        db.snapshot(() => {
          asked = countIn(db);
          return Promise.reject(new Error('the disk is full'));
        }),
      ).rejects.toThrow('the disk is full');
      expect(await asked).toBe(await countIn(db));
      await db.query(`insert into pieces values ('after it')`);
    });

    test('nothing can be written through it', async () => {
      await expect(
        db.snapshot((tx) => tx.query(`insert into pieces values ('through it')`)),
      ).rejects.toThrow(/read-only/u);
    });
  },
);

test.each([
  ['select 1', true],
  [' SELECT name\nfrom gear order by name', true],
  ['select id from rigs\n where id = $1 for update', false],
  ['select pg_advisory_xact_lock(1)', false],
  ['with gone as (delete from gear returning id) select * from gone', false],
  ['insert into gear select 1', false],
  ['set local enable_sort = off', false],
])('“%s” is a read: %s', (sql, is) => expect(isRead(sql)).toBe(is));
