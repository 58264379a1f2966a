import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { newRig } from '@gullwind/core';
import request from 'supertest';
import { openPglite } from '../src/db/pgliteDatabase';
import { demandRoomToStart, LEAST_ROOM_BYTES } from '../src/db/room';
import { keepHouse } from '../src/rigs/housekeeping';
import { temporaryFolder, TEMPLATE } from './support/databases';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';
import { mountSmallDisk } from './support/smallDisk';

/// A disk that fills up: nothing is lost, reading goes on, and with room again so does everything.

const MIB = 2 ** 20;
const sent = () => ({ id: randomUUID(), rig: newRig('board') });

describe('with a stand-in for the disk', () => {
  let free = Infinity;
  let app: RunningApp;

  beforeAll(async () => {
    app = await runApp({ free: async () => free });
  });
  beforeEach(() => (free = Infinity));
  afterAll(() => app.close());

  const save = () => request(app.url).post('/api/rigs').send(sent());

  test('what writes is refused with what is left and what is needed; what reads is answered', async () => {
    await save().expect(201);
    free = 9.5 * MIB;
    const { detail } = await expectProblem(save(), 507, 'no-room');
    expect(detail).toContain('only 9 MiB left, and 48 MiB must be free');
    await expectProblem(request(app.url).delete(`/api/rigs/${randomUUID()}`), 507, 'no-room');
    await expectProblem(request(app.url).post('/api/session').send({}), 507, 'no-room');
    await request(app.url).get('/api/health').expect(200);
    const { body } = await request(app.url).get('/api/rigs').expect(200);
    expect((body as { total: number }).total).toBe(1);
    free = LEAST_ROOM_BYTES + MIB;
    await save().expect(201);
  });

  test('what is large needs room for itself, in the log and in its table', async () => {
    free = LEAST_ROOM_BYTES + MIB;
    const large = { items: [], padding: 'x'.repeat(0.6 * MIB) };
    await expectProblem(request(app.url).post('/api/gear').send(large), 507, 'no-room');
  });

  test('a backup does not take the last room, and a restore looks for its own', async () => {
    const backup = await request(app.url).get('/api/workspace').buffer(true).expect(200);
    free = LEAST_ROOM_BYTES - 1;
    await expectProblem(request(app.url).get('/api/workspace'), 507, 'no-room');
    const restore = () =>
      request(app.url)
        .post('/api/workspace?overwrite=true')
        .set('Content-Type', 'application/x-ndjson')
        .send(backup.text);
    await expectProblem(restore(), 507, 'no-room');
    free = LEAST_ROOM_BYTES + 2 * backup.text.length;
    await restore().expect(200);
  });

  test('the house is not kept without room', async () => {
    const failures: unknown[] = [];
    const asked = () => Promise.reject(new Error('asked'));
    const broken = {
      isAlone: true,
      query: asked,
      transaction: asked,
      snapshot: asked,
      close: asked,
    };
    const keep = (bytes: number) =>
      keepHouse(
        broken,
        async () => bytes,
        (error) => failures.push(error),
      )();
    await keep(LEAST_ROOM_BYTES - 1);
    expect(failures).toEqual([]);
    await keep(LEAST_ROOM_BYTES);
    expect(failures).toHaveLength(1);
  });
});

test('a checkpoint is written through to the disk, by the real call', async () => {
  const synced = new Set<number>();
  let calls = 0;
  const db = await openPglite(join(temporaryFolder(), 'store'), {
    template: TEMPLATE,
    sync: (fd) => {
      calls++;
      synced.add(fd);
    },
  });
  await db.query('create table t as select n from generate_series(1, 1000) n');
  const before = calls;
  await db.query('checkpoint');
  expect(calls - before).toBeGreaterThan(2);
  await db.close();
});

describe('on a small disk', () => {
  const MAIN = fileURLToPath(new URL('../dist/main.js', import.meta.url));
  const disk = mountSmallDisk(192);
  if (!disk)
    process.stdout.write('SKIPPED: a small disk cannot be mounted here; the stand-in is tested.\n');
  const onDisk = disk ? test : test.skip;

  afterAll(() => disk?.unmount());

  const begin = (args: readonly string[]) => {
    const child = spawn(process.execPath, [...args], { stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    const heard = new Set<() => void>();
    const hear = (data: Buffer) => {
      said += data.toString();
      for (const one of heard) one();
    };
    child.stdout!.on('data', hear);
    child.stderr!.on('data', hear);
    const find = (words: RegExp) =>
      new Promise<RegExpExecArray>((resolve) => {
        const look = () => {
          const found = words.exec(said);
          if (found) resolve(found);
        };
        heard.add(look);
        look();
      });
    return { child, find, ended: endOf(child), said: () => said };
  };

  const endOf = (child: ChildProcess) =>
    new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));

  onDisk(
    'filled and emptied again: refused, read, and saved again by the same process',
    async () => {
      const data = join(disk!.folder, 'data');
      const { child, find, ended } = begin([MAIN, '--port', '0', '--data', data]);
      const url = (await find(/ready: (\S+)\//u))[1]!;
      await request(url).post('/api/rigs').send(sent()).expect(201);
      disk!.fillTo(4);
      await expectProblem(request(url).post('/api/rigs').send(sent()), 507, 'no-room');
      await request(url).get('/api/rigs').expect(200);
      disk!.empty();
      await request(url).post('/api/rigs').send(sent()).expect(201);
      child.kill('SIGTERM');
      expect(await ended).toBe(0);
    },
  );

  onDisk('a start without room says what is missing', async () => {
    disk!.fillTo(20);
    await expect(demandRoomToStart(disk!.folder, true)).rejects.toThrow(
      /only 20 MiB left\. Make room: 48 MiB must be free to start/u,
    );
    const data = join(disk!.folder, 'data');
    const { ended, said } = begin([MAIN, '--port', '0', '--data', data]);
    expect(await ended).toBe(1);
    expect(said()).toContain('has only 20 MiB left. Make room');
    disk!.empty();
  });

  onDisk('an engine that cannot go on ends its process with a clear last line', async () => {
    const script = fileURLToPath(new URL('support/writeUntilFull.ts', import.meta.url));
    const { find, ended, said } = begin(['--import', 'tsx', script, join(disk!.folder, 'panic')]);
    await find(/writing/u);
    disk!.fillTo(10);
    expect(await ended).toBe(1);
    expect(said().trim().split('\n').at(-1)).toMatch(
      /^The database cannot go on: .*No space left on device\. What was saved is on the disk/u,
    );
    disk!.empty();
  });
});
