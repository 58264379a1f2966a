import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServerProcess, type ServerProcess } from '../e2e/src/serverProcess';
import { migrate, readMigrations } from '../server/src/db/migrate';
import { openPglite } from '../server/src/db/pgliteDatabase';
import { DEMO_RIGS } from '../server/src/demo/demoRigs';
import { createRig } from '../server/src/rigs/rigStore';
import { amount } from './amount';

/// How long somebody waits for an answer while the server, on its embedded engine, does what is long: housekeeping of 2,000
/// rigs, a backup of them, and a restore over them.

const RIGS = amount(2000, 20);
const REVISIONS_EACH = amount(4);
const ASK_EVERY_MS = 20;

const folder = mkdtempSync(join(tmpdir(), 'gullwind-bench-'));

/** Rigs whose revisions housekeeping thins: many within one day, long ago. */
async function fill(): Promise<void> {
  const db = await openPglite(join(folder, 'store'), { template: '.cache/pglite-template' });
  await migrate(db, await readMigrations('server/src/db/migrations'));
  const first = randomUUID();
  await createRig(db, first, DEMO_RIGS[0]!.rig);
  await db.query(
    `insert into rigs (id, revision, document)
     select gen_random_uuid(), ${REVISIONS_EACH + 1}, document from rigs, generate_series(2, $2) where id = $1`,
    [first, RIGS],
  );
  await db.query(
    `insert into rig_listings (rig_id, name_key, player_key, words, treble_db, listing, uses, made_by, deadline)
     select rigs.id, name_key, player_key, words, treble_db, listing, uses, one.made_by, one.deadline
     from rigs, rig_listings as one
     where one.rig_id = $1 and not exists (select from rig_listings where rig_id = rigs.id)`,
    [first],
  );
  await db.query(
    `insert into rig_revisions (rig_id, revision, saved_at, document)
     select id, n, now() - interval '400 days' + n * interval '1 minute', document
     from rigs, generate_series(1, ${REVISIONS_EACH}) as n where id <> $1`,
    [first],
  );
  await db.close();
}

/** Asks again and again until something has ended; says the longest wait of each question. */
async function meanwhile(
  what: string,
  { address }: ServerProcess,
  work: () => Promise<unknown>,
  questions: readonly string[] = ['health', 'rigs', 'settings'],
): Promise<void> {
  let isOver = false;
  const began = performance.now();
  const over = work().finally(() => (isOver = true));
  const asked = questions.map(async (question) => {
    const waits: number[] = [];
    while (!isOver) {
      const at = performance.now();
      await (await fetch(`${address}api/${question}`)).arrayBuffer();
      waits.push(performance.now() - at);
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
    }
    const [longest = 0] = waits.sort((a, b) => b - a);
    const [hundredth] = waits.slice(Math.floor(waits.length / 100));
    return `${question} ${longest.toFixed(0)} ms at most, 99 of 100 within ${hundredth?.toFixed(0)} ms, of ${waits.length}`;
  });
  const [, ...answers] = await Promise.all([over, ...asked]);
  const tookMs = performance.now() - began;
  console.log(`${what} (${(tookMs / 1000).toFixed(1)} s): ${answers.join(', ')}`);
}

const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

await fill();
const server = await startServerProcess({ demo: false, dataFolder: folder });
/// Of the first two the longest wait is the machine's as much as the server's: one stands beside the other.
await meanwhile('housekeeping', server, () => rest(amount(15_000, 200)), ['health']);
await meanwhile('nothing', server, () => rest(amount(15_000, 200)), ['health']);
let backup = new Blob();
await meanwhile('backup', server, async () => {
  backup = await (await fetch(`${server.address}api/workspace`)).blob();
});
console.log(`${(backup.size / 2 ** 20).toFixed(0)} MiB`);
await meanwhile('restore', server, async () => {
  const answer = await fetch(`${server.address}api/workspace?overwrite=true`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/x-ndjson' },
    body: backup,
  });
  if (!answer.ok) throw new Error(await answer.text());
});
await server.stop();
rmSync(folder, { recursive: true });
