import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  chmodSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ERROR_CATALOGUE, type StoredRig } from '@gullwind/contract';
import { applyEdits, newRig, setCableLength, type Rig } from '@gullwind/core';
import {
  DirectoryInUse,
  lockByFile,
  lockBySocketFile,
  lockDirectory,
} from '../src/db/directoryLock';
import { readOptions } from '../src/options';
import { temporaryFolder } from './support/databases';

/// The server as a process: locks, kills, stops.

/** As it is built: it starts several times as quickly as its sources. */
const MAIN = fileURLToPath(new URL('../dist/main.js', import.meta.url));
const PROJECT = fileURLToPath(new URL('../../', import.meta.url));

interface Started {
  readonly child: ChildProcess;
  readonly url: string;
}

function start(dataFolder: string): Promise<Started> {
  const child = spawn(
    process.execPath,
    ['--liftoff-only', MAIN, '--port', '0', '--data', dataFolder],
    {
      stdio: ['ignore', 'pipe', 'pipe'],
      cwd: PROJECT,
    },
  );
  return new Promise((resolve, reject) => {
    let said = '';
    const hear = (data: Buffer) => {
      said += data.toString();
      const match = /ready: (\S+)\//u.exec(said);
      if (match) resolve({ child, url: match[1]! });
    };
    child.stdout!.on('data', hear);
    child.stderr!.on('data', hear);
    child.once('exit', (code) => reject(new Error(`ended with ${code}: ${said}`)));
  });
}

const ended = (child: ChildProcess) =>
  new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));

const send = async (method: string, url: string, body: unknown) => {
  const response = await fetch(url, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: response.status, body: (await response.json()) as StoredRig };
};

const lengthened = (rig: Rig, lengthM: number): Rig =>
  applyEdits(rig, setCableLength('l1', lengthM));

test('what was acknowledged survives kill -9, several times over', async () => {
  const folder = temporaryFolder();
  const id = randomUUID();
  let rig = newRig('board');
  let revision = 0;
  for (let round = 0; round < 3; round++) {
    const { child, url } = await start(folder);
    if (round === 0) {
      expect((await send('POST', `${url}/api/rigs`, { id, rig })).status).toBe(201);
      revision = 1;
    }
    const found = (await (await fetch(`${url}/api/rigs/${id}`)).json()) as StoredRig;
    expect(found).toMatchObject({ revision, rig });
    for (let k = 0; k < 5; k++) {
      const longer = lengthened(rig, 10 + round + k / 10);
      const saved = await send('PUT', `${url}/api/rigs/${id}`, { basedOn: revision, rig: longer });
      expect(saved.status).toBe(200);
      rig = longer;
      revision = saved.body.revision;
    }
    const over = ended(child);
    child.kill('SIGKILL');
    await over;
  }
  const { child, url } = await start(folder);
  expect(await (await fetch(`${url}/api/rigs/${id}`)).json()).toMatchObject({ revision: 16, rig });
  const over = ended(child);
  child.kill('SIGTERM');
  expect(await over).toBe(0);
});

test('a second process on the same directory is refused, and told who holds it', async () => {
  const folder = temporaryFolder();
  const { child } = await start(folder);
  await expect(start(folder)).rejects.toThrow(
    new RegExp(`ended with 1: The data directory \\S+ is in use by process ${child.pid}\\.`, 'u'),
  );
  const over = ended(child);
  child.kill('SIGTERM');
  await over;
  const again = await start(folder);
  const overAgain = ended(again.child);
  again.child.kill('SIGTERM');
  await overAgain;
});

test('who sends nothing, half a head or half a body does not hold up the end', async () => {
  const { child, url } = await start(temporaryFolder());
  const { port } = new URL(url);
  const halves = [
    '',
    'GET /api/rigs HTTP/1.1\r\nHost: ',
    `POST /api/rigs HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\nContent-Length: 900\r\n\r\n{"id"`,
  ];
  for (const half of halves) {
    const socket = connect(Number(port), '127.0.0.1');
    socket.on('error', () => undefined);
    await new Promise((resolve) => socket.write(half, resolve));
  }
  const over = ended(child);
  child.kill('SIGTERM');
  expect(await over).toBe(0);
});

/** What others may read, write or enter below a folder; the engine makes a few files anew whenever it is at work. */
const ofOthers = (folder: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .concat(folder)
    .filter((path) => !lstatSync(path).isSymbolicLink() && (lstatSync(path).mode & 0o077) !== 0)
    .filter((path) => !path.endsWith('pg_internal.init'));

test('what a data directory holds is its owner’s alone: a new one, and one that was open to all', async () => {
  const folder = join(temporaryFolder(), 'data');
  const first = await start(folder);
  await send('POST', `${first.url}/api/rigs`, { id: randomUUID(), rig: newRig('mine') });
  expect(ofOthers(folder)).toEqual([]);
  first.child.kill('SIGTERM');
  await ended(first.child);
  const [elsewhere, open] = [join(temporaryFolder(), 'elsewhere'), join(folder, 'open')];
  writeFileSync(elsewhere, '', { mode: 0o644 });
  mkdirSync(open);
  symlinkSync(elsewhere, join(open, 'link'));
  for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' }))
    if (!lstatSync(join(folder, name)).isSymbolicLink()) chmodSync(join(folder, name), 0o777);
  chmodSync(folder, 0o755);
  expect(ofOthers(folder).length).toBeGreaterThan(100);
  const again = await start(folder);
  expect(ofOthers(folder)).toEqual([]);
  expect(lstatSync(elsewhere).mode & 0o777).toBe(0o644);
  const { rigs } = (await (await fetch(`${again.url}/api/rigs`)).json()) as { rigs: object[] };
  expect(rigs).toHaveLength(1);
  again.child.kill('SIGTERM');
  await ended(again.child);
});

test('asked twice it ends at once', async () => {
  const { child, url } = await start(temporaryFolder());
  const { port } = new URL(url);
  const socket = connect(Number(port), '127.0.0.1');
  socket.on('error', () => undefined);
  await new Promise((resolve) => socket.write('GET ', resolve));
  const over = ended(child);
  child.kill('SIGTERM');
  await new Promise((resolve) => setTimeout(resolve, 100));
  child.kill('SIGTERM');
  expect(await over).toBe(1);
});

test.each<NodeJS.Signals>(['SIGINT', 'SIGTERM'])(
  'the starter passes %s on, waits for the server, and ends with it',
  async (signal) => {
    const folder = temporaryFolder();
    const starter = spawn(
      process.execPath,
      [join(PROJECT, 'scripts/demo.mjs'), '--empty', '--port', '0', '--data', folder],
      { stdio: ['ignore', 'pipe', 'pipe'], cwd: PROJECT },
    );
    const end = ended(starter);
    await new Promise<void>((resolve) =>
      starter.stdout.on('data', (data: Buffer) => data.toString().includes('ready') && resolve()),
    );
    await expect(lockDirectory(folder)).rejects.toThrow(DirectoryInUse);
    starter.kill(signal);
    await end;
    await (await lockDirectory(folder)).release();
  },
);

test('a server whose starter is gone lets go of its directory', async () => {
  const folder = temporaryFolder();
  const starter = spawn(
    process.execPath,
    [
      '-e',
      `const { spawn } = require('node:child_process');
       const env = { ...process.env, GULLWIND_STARTER: String(process.pid) };
       spawn(process.execPath, ['--liftoff-only', ${JSON.stringify(MAIN)}, '--port', '0', '--data', ${JSON.stringify(folder)}], { env, stdio: 'inherit' });
       setInterval(() => undefined, 1000);`,
    ],
    { stdio: ['ignore', 'pipe', 'pipe'], cwd: PROJECT },
  );
  await new Promise<void>((resolve) =>
    starter.stdout.on('data', (data: Buffer) => data.toString().includes('ready') && resolve()),
  );
  await expect(lockDirectory(folder)).rejects.toThrow(DirectoryInUse);
  starter.kill('SIGKILL');
  const isFree = async () => {
    try {
      await (await lockDirectory(folder)).release();
      return true;
    } catch {
      return false;
    }
  };
  while (!(await isFree())) await new Promise((resolve) => setTimeout(resolve, 200));
});

test('a first start that was cut off leaves nothing that the next one takes for a database', async () => {
  const folder = temporaryFolder();
  for (const name of ['store', 'store.new']) mkdirSync(join(folder, name), { recursive: true });
  writeFileSync(join(folder, 'store.new', 'PG_VERSION'), '17\n');
  writeFileSync(join(folder, 'store', 'half'), '');
  const { child, url } = await start(folder);
  expect(await (await fetch(`${url}/api/rigs`)).json()).toEqual({ total: 0, rigs: [] });
  expect(existsSync(join(folder, 'store.new'))).toBe(false);
  // What lay there is put aside, not deleted.
  const aside = readdirSync(folder).find((name) => name.startsWith('store.aside-'))!;
  expect(readdirSync(join(folder, aside))).toEqual(['half']);
  const over = ended(child);
  child.kill('SIGTERM');
  await over;
});

test('the lock is let go of, and a link to the directory is the same directory', async () => {
  const folder = temporaryFolder();
  const lock = await lockDirectory(folder);
  await expect(lockDirectory(join(folder, '.', '..', folder.split('/').at(-1)!))).rejects.toThrow(
    DirectoryInUse,
  );
  await lock.release();
  await (await lockDirectory(folder)).release();
});

test('the lock is seen through the directory itself, and what a killed process leaves is taken over', async () => {
  const folder = join(temporaryFolder(), 'x'.repeat(90), 'y'.repeat(90));
  mkdirSync(folder, { recursive: true });
  const lock = (await lockBySocketFile(folder))!;
  await expect(lockBySocketFile(folder)).rejects.toThrow(`process ${process.pid}`);
  await lock.release();
  // Of a server that is killed the socket stays, and refuses.
  const { child } = await start(folder);
  await expect(lockBySocketFile(folder)).rejects.toThrow(`process ${child.pid}`);
  const over = ended(child);
  child.kill('SIGKILL');
  await over;
  expect(existsSync(join(folder, 'gullwind.sock'))).toBe(true);
  await (await lockBySocketFile(folder))!.release();
  expect(existsSync(join(folder, 'gullwind.sock'))).toBe(false);
});

test('where there are no abstract sockets, a file with the process id serves', async () => {
  const folder = temporaryFolder();
  const lock = lockByFile(folder);
  expect(() => lockByFile(folder)).toThrow(`in use by process ${process.pid}`);
  await lock.release();
  writeFileSync(join(folder, 'gullwind.lock'), '999999999');
  await lockByFile(folder).release();
});

describe('options', () => {
  test.each([
    [['--port', 'abc'], {}, '--port: “abc” is not a port'],
    [['--port', '70000'], {}, '--port: “70000” is not a port'],
    [['--host', '0.0.0.0'], {}, 'Set GULLWIND_PASSPHRASE to at least 12 characters'],
    [
      ['--host', '192.168.1.5'],
      { GULLWIND_PASSPHRASE: 'short' },
      'GULLWIND_PASSPHRASE is shorter than 12 characters',
    ],
    [['--colour', 'red'], {}, '--colour'],
  ])('%j is refused', (args, environment, message) => {
    expect(() => readOptions(args, environment)).toThrow(message);
  });

  test('a passphrase is asked for wherever it is set', () => {
    expect(readOptions([], { GULLWIND_PASSPHRASE: 'a long enough phrase' })).toMatchObject({
      host: '127.0.0.1',
      passphrase: 'a long enough phrase',
      demo: false,
    });
    expect(
      readOptions(['--host', '0.0.0.0', '--port', '0', '--demo'], {
        GULLWIND_PASSPHRASE: 'a long enough phrase',
        DATABASE_URL: 'postgresql://x',
      }),
    ).toMatchObject({
      host: '0.0.0.0',
      port: 0,
      demo: true,
      databaseUrl: 'postgresql://x',
      passphrase: 'a long enough phrase',
    });
  });
});

test('docs/errors.md lists the catalogue, no more and no less', () => {
  const text = readFileSync(new URL('../../docs/errors.md', import.meta.url), 'utf8');
  const listed = [...text.matchAll(/^\| `([a-z-]+)` +\| (\d{3}) +\|/gmu)].map(
    ([, code, status]) => [code, Number(status)],
  );
  expect(listed.sort()).toEqual(
    Object.entries(ERROR_CATALOGUE)
      .map(([code, { status }]) => [code, status])
      .sort(),
  );
});
