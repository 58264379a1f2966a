import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createWriteStream, statSync } from 'node:fs';
import { once } from 'node:events';
import { join } from 'node:path';
import { endLine, HEADER_LINE } from '@gullwind/contract';
import { applyEdits, setCableLength, type Rig } from '@gullwind/core';
import { engines, temporaryFolder, type Engine } from '../server/test/support/databases';
import { twentyPedals } from './twentyPedals';
import { amount, isSmallest } from './amount';

/// Revisions by the thousand backed up and restored, thousands of rigs listed: times and memory beside those of a
/// tenth as many, in one run. Memory is the most that the process ever had.

const MAIN = new URL('../server/dist/main.js', import.meta.url).pathname;
const SAYS_MEMORY =
  'data:text/javascript,process.on("exit",()=>console.error("KiB",process.resourceUsage().maxRSS))';
const MOMENT = '2026-11-26T08:00:00.000000Z';

const rig: Rig = twentyPedals();
const variant = (i: number): Rig => applyEdits(rig, setCableLength('l1', 1 + (i % 300) / 10));

async function runMain(args: readonly string[], databaseUrl: string | null) {
  const start = performance.now();
  const child = spawn(process.execPath, ['--import', SAYS_MEMORY, MAIN, ...args], {
    env: { ...process.env, ...(databaseUrl && { DATABASE_URL: databaseUrl }) },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (text: Buffer) => (said += text.toString()));
  const [code] = (await once(child, 'exit')) as [number];
  if (code !== 0) throw new Error(said);
  const mib = Number(/KiB (\d+)/u.exec(said)![1]) / 1024;
  return { seconds: (performance.now() - start) / 1000, mib };
}

async function writeBackup(path: string, rigs: number, revisions: number): Promise<void> {
  const file = createWriteStream(path);
  const write = async (line: string) => {
    if (!file.write(`${line}\n`)) await once(file, 'drain');
  };
  await write(HEADER_LINE);
  for (let r = 0; r < rigs; r++) {
    const id = randomUUID();
    const kept = { id, revision: revisions, createdAt: MOMENT, updatedAt: MOMENT, deletedAt: null };
    await write(JSON.stringify({ kind: 'rig', ...kept, document: variant(r) }));
    for (let i = 1; i <= revisions; i++) {
      const at = { rig: id, revision: i, savedAt: MOMENT, name: null };
      await write(JSON.stringify({ kind: 'revision', ...at, document: variant(i) }));
    }
  }
  await write(endLine({ rigs, revisions: rigs * revisions, gear: 0, records: 0 }));
  file.end();
  await once(file, 'finish');
}

const say = (words: string, { seconds, mib }: { seconds: number; mib: number }) =>
  console.log(
    `${words.padEnd(44)} ${seconds.toFixed(1).padStart(7)} s ${mib.toFixed(0).padStart(6)} MiB`,
  );

/** The median of a few requests, ms, and the length of an answer, kB. */
async function ask(url: string, init?: () => RequestInit) {
  const times: number[] = [];
  let length = 0;
  for (let i = 0; i < amount(9); i++) {
    const start = performance.now();
    const answer = await fetch(url, init?.());
    length = (await answer.text()).length;
    if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
    times.push(performance.now() - start);
  }
  return { ms: times.toSorted((a, b) => a - b)[times.length >> 1]!, kB: length / 1000 };
}

async function serve<T>(
  folder: string,
  databaseUrl: string | null,
  work: (address: string) => Promise<T>,
): Promise<T> {
  const child = spawn(process.execPath, [MAIN, '--port', '0', '--data', folder], {
    env: { ...process.env, ...(databaseUrl && { DATABASE_URL: databaseUrl }) },
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => {
      const found = /ready: (\S+)/u.exec(text.toString());
      if (found) resolve(found[1]!);
    });
    child.once('exit', () => reject(new Error('it did not start')));
  });
  try {
    return await work(address);
  } finally {
    child.kill('SIGTERM');
    await once(child, 'exit');
  }
}

async function measureRevisions(engine: Engine, revisions: number): Promise<void> {
  const folder = temporaryFolder();
  const [from, to] = [join(folder, 'in.jsonl'), join(folder, 'out.jsonl')];
  const url = await engine.newUrl();
  await writeBackup(from, 1, revisions);
  const many = `${revisions.toLocaleString('en')} revisions`;
  console.log(`${engine.name}, ${many}, ${(statSync(from).size / 2 ** 20).toFixed(0)} MiB`);
  say('restore', await runMain(['restore', from, '--data', folder], url));
  say('backup', await runMain(['backup', to, '--data', folder], url));
  await serve(folder, url, async (address) => {
    const { rigs } = (await (await fetch(`${address}api/rigs`)).json()) as {
      rigs: readonly { id: string; revision: number }[];
    };
    const { id } = rigs[0]!;
    let { revision } = rigs[0]!;
    const saved = await ask(`${address}api/rigs/${id}`, () => ({
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ basedOn: revision++, rig: variant(revision + 7) }),
    }));
    const listed = await ask(`${address}api/rigs/${id}/revisions`);
    console.log(
      `  a save ${saved.ms.toFixed(1)} ms, a page of revisions ${listed.ms.toFixed(1)} ms`,
    );
  });
}

async function measureRigs(engine: Engine, rigs: number): Promise<void> {
  const folder = temporaryFolder();
  const from = join(folder, 'in.jsonl');
  const url = await engine.newUrl();
  await writeBackup(from, rigs, 1);
  console.log(`${engine.name}, ${rigs.toLocaleString('en')} rigs of twenty pedals`);
  say('restore', await runMain(['restore', from, '--data', folder], url));
  await serve(folder, url, async (address) => {
    for (const query of ['', '?sort=treble&from=400', '?search=pedals', '?sort=name&search=zzz']) {
      const { ms, kB } = await ask(`${address}api/rigs${query}`);
      console.log(`  list${query.padEnd(24)} ${ms.toFixed(1)} ms, ${kB.toFixed(0)} kB`);
    }
  });
}

for (const engine of isSmallest ? engines().slice(-1) : engines()) {
  for (const revisions of isSmallest ? [20] : [10_000, 100_000])
    await measureRevisions(engine, revisions);
  for (const rigs of isSmallest ? [] : [200, 2000]) await measureRigs(engine, rigs);
  engine.stop();
}
