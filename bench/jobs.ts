import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RIG_SORTS } from '@gullwind/contract';
import { migrate, readMigrations } from '../server/src/db/migrate';
import { openPglite } from '../server/src/db/pgliteDatabase';
import { DEMO_RIGS } from '../server/src/demo/demoRigs';
import { listRigs } from '../server/src/rigs/rigList';
import { createRig } from '../server/src/rigs/rigStore';
import { amount } from './amount';

/// A page of the list of jobs with 20 rigs in the workshop, and with 2,000, by every order and by a word that is searched for.

const FEW = 20;
const MANY = amount(2000, 30);
const TIMES = amount(15);
const median = (values: readonly number[]) => values.toSorted((a, b) => a - b)[values.length >> 1]!;

const folder = mkdtempSync(join(tmpdir(), 'gullwind-bench-'));
const db = await openPglite(join(folder, 'store'), { template: '.cache/pglite-template' });
await migrate(db, await readMigrations('server/src/db/migrations'));
const first = randomUUID();
await createRig(db, first, DEMO_RIGS[0]!.rig);

/** Copies of the first one, each with a name, a deadline and some work of its own. */
async function fillTo(count: number): Promise<void> {
  await db.query(
    `insert into rigs (id, revision, document)
     select gen_random_uuid(), 1, document from rigs, generate_series((select count(*) from rigs) + 1, $2) where id = $1`,
    [first, count],
  );
  await db.query(
    `insert into rig_listings (rig_id, name_key, player_key, words, treble_db, listing, uses, made_by, deadline)
     select rigs.id, 'rig ' || rigs.id, player_key, words || ' ' || rigs.id, treble_db, listing, uses, made_by,
            '2027-01-' || lpad((1 + abs(hashtext(rigs.id::text)) % 28)::text, 2, '0')
     from rigs, rig_listings as one
     where one.rig_id = $1 and not exists (select from rig_listings where rig_id = rigs.id)`,
    [first],
  );
  await db.query(
    `insert into work_done (rig_id, step, fingerprint, length_m, revision, by_whom)
     select id, 'cut l' || n, '', null, 1, '' from rigs, generate_series(1, 20) as n
     on conflict do nothing`,
  );
}

async function timesOf(): Promise<Readonly<Record<string, number>>> {
  const ways = [
    ...RIG_SORTS.map((sort) => ({ sort, search: '' })),
    { sort: 'changed', search: 'pit dull' },
  ] as const;
  const times: Record<string, number> = {};
  for (const { sort, search } of ways) {
    const ms: number[] = [];
    for (let i = 0; i < TIMES; i++) {
      const began = performance.now();
      await listRigs(db, { search, sort, from: 0, removed: false });
      ms.push(performance.now() - began);
    }
    times[search === '' ? sort : `“${search}”`] = median(ms);
  }
  return times;
}

await fillTo(FEW);
const few = await timesOf();
await fillTo(MANY);
const many = await timesOf();
for (const [way, ms] of Object.entries(many))
  console.log(
    `${way.padEnd(12)} ${MANY} rigs: median ${ms.toFixed(1)} ms a page, ${(ms / few[way]!).toFixed(1)} times that of ${FEW} rigs`,
  );
await db.close();
rmSync(folder, { recursive: true });
