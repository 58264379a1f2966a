import { randomUUID } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { request as rawRequest } from 'node:http';
import { join } from 'node:path';
import type { RigPage, StoredRig } from '@gullwind/contract';
import {
  applyEdits,
  insertBuffer,
  mainRow,
  newRig,
  setCableLength,
  type Rig,
  withElectrical,
} from '@gullwind/core';
import request from 'supertest';
import { temporaryFolder } from './support/databases';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';

let app: RunningApp;
const page = join(temporaryFolder(), 'web');

beforeAll(async () => {
  mkdirSync(join(page, 'assets'), { recursive: true });
  writeFileSync(join(page, 'index.html'), '<!doctype html><title>page</title>');
  writeFileSync(join(page, 'assets/a-1.js'), 'export {}');
  app = await runApp({ webFolder: page });
});
afterAll(() => app.close());

async function create(rig: Rig = newRig('board')): Promise<string> {
  const id = randomUUID();
  await request(app.url).post('/api/rigs').send({ id, rig }).expect(201);
  return id;
}

test('a rig is made, read, changed, listed, taken off and put back', async () => {
  const rig = newRig('board');
  const id = await create(rig);
  const read = (await request(app.url).get(`/api/rigs/${id}`).expect(200)).body as StoredRig;
  expect(read).toMatchObject({ id, revision: 1, rig });
  const longer = applyEdits(rig, setCableLength('l1', 18));
  const saved = await request(app.url)
    .put(`/api/rigs/${id}`)
    .send({ basedOn: 1, rig: longer })
    .expect(200);
  // A save answers with its revision and the foot-switches: the rig is what was sent.
  expect(Object.keys(saved.body as object).sort()).toEqual([
    'id',
    'lineage',
    'revision',
    'state',
    'updatedAt',
  ]);
  expect(saved.body).toMatchObject({ id, revision: 2 });
  expect((await request(app.url).get(`/api/rigs/${id}`)).body).toMatchObject({ rig: longer });
  const { rigs, total } = (await request(app.url).get('/api/rigs').expect(200)).body as RigPage;
  expect(total).toBe(rigs.length);
  const listed = rigs.find((entry) => entry.id === id)!;
  expect(listed).toMatchObject({ name: 'board', revision: 2, pedals: 0, cableM: 18 });
  expect(listed.trebleDb).toBeLessThan(-3);
  expect(listed.points.at(-1)![1]).toBeCloseTo(listed.trebleDb!, 2);
  await request(app.url).delete(`/api/rigs/${id}`).expect(204);
  await expectProblem(request(app.url).get(`/api/rigs/${id}`), 404, 'rig-not-found');
  await request(app.url).post(`/api/rigs/${id}/restore`).expect(204);
  await request(app.url).get(`/api/rigs/${id}`).expect(200);
  const revisions = await request(app.url).get(`/api/rigs/${id}/revisions`).expect(200);
  expect(revisions.body).toMatchObject({ total: 2, revisions: [{ revision: 2 }, { revision: 1 }] });
});

test('a stale change is refused with both versions in hand', async () => {
  const rig = newRig('board');
  const id = await create(rig);
  const theirs = applyEdits(rig, setCableLength('l1', 9));
  const mine = applyEdits(rig, setCableLength('l1', 2));
  await request(app.url).put(`/api/rigs/${id}`).send({ basedOn: 1, rig: theirs }).expect(200);
  const problem = await expectProblem(
    request(app.url).put(`/api/rigs/${id}`).send({ basedOn: 1, rig: mine }),
    409,
    'rig-stale',
  );
  expect(problem.theirs).toMatchObject({ revision: 2, rig: theirs });
  expect(problem.yours).toEqual(mine);
});

describe('hostile values', () => {
  const rig = newRig('board');
  const broken = (change: (copy: Record<string, never>) => void): unknown => {
    const copy = structuredClone(rig) as unknown as Record<string, never>;
    change(copy);
    return copy;
  };
  const put = (copy: object, path: string, value: unknown) => {
    const keys = path.split('.');
    const last = keys.pop()!;
    const inner = keys.reduce(
      (at, key) => at[key] as Record<string, unknown>,
      copy as Record<string, unknown>,
    );
    inner[last] = value;
  };

  test.each<[string, unknown, string]>([
    ['electrical.rows.0.cables.0.lengthM.value', -3, 'Cable length: −3\u00a0m, at least 0\u00a0m.'],
    ['electrical.rows.0.cables.0.lengthM.value', 1e99, 'Cable length: 1e99, at most 100\u00a0m.'],
    [
      'electrical.rows.0.cables.0.lengthM.value',
      '5 volts',
      '“electrical.rows[0].cables[0].lengthM.value” must be a number.',
    ],
    [
      'electrical.rows.0.cables.0.lengthM.value',
      null,
      '“electrical.rows[0].cables[0].lengthM.value” must be a number.',
    ],
    [
      'electrical.rows.0.cables.0.lengthM.from',
      'heaven',
      '“electrical.rows[0].cables[0].lengthM.from” is “heaven”; it must be one of [assumed, entered, sheet, measured, laid].',
    ],
    ['texts.name', '', 'Name: it is empty; at least 1 character is needed.'],
    [
      'texts.name',
      'x'.repeat(81),
      '“texts.name” length must be less than or equal to 80 characters long.',
    ],
    ['electrical.guitars.0.lH.value', 0, 'Pickup inductance: 0\u00a0H, at least 10\u00a0mH.'],
    ['format', 8, '“format” is 8; this version reads format 7 and those before it.'],
    ['surprise', 1, '“surprise” is not allowed.'],
    ['state.positions', { d9: true }, 'There is no device “d9” in this rig.'],
    [
      'electrical.rows.0.cables',
      [],
      'Cables: 0 for 0 devices; every connection needs one, 1 in all.',
    ],
    ['electrical.rows.0.devices', 'none', '“electrical.rows[0].devices” must be an array.'],
  ])('%s = %p', async (path, value, message) => {
    const copy = broken((at) => put(at, path, value));
    const before = ((await request(app.url).get('/api/rigs')).body as RigPage).total;
    const problem = await expectProblem(
      request(app.url).post('/api/rigs').send({ id: randomUUID(), rig: copy }),
      400,
      'invalid-request',
    );
    expect(problem.problems!.map((found) => found.message)).toContain(message);
    expect((await request(app.url).get('/api/rigs')).body).toMatchObject({ total: before });
  });

  test('a number that no double can hold', async () => {
    const body = JSON.stringify({ id: randomUUID(), rig }).replace('"value":6,', '"value":1e999,');
    const problem = await expectProblem(
      request(app.url).post('/api/rigs').type('json').send(body),
      400,
      'invalid-request',
    );
    expect(problem.detail).toContain('Cable length: Infinity is not a number');
  });

  test('more than 64 devices', async () => {
    let full = newRig('full');
    for (let i = 0; i < 64; i++) full = applyEdits(full, insertBuffer(full, 0));
    await create(full);
    const row = mainRow(full);
    const longer = {
      ...row,
      devices: [...row.devices, { ...row.devices[0]!, id: 'd99' }],
      cables: [...row.cables, { ...row.cables[0]!, id: 'l99' }],
    };
    const more = withElectrical({ ...full, nextIds: { d: 100, l: 100 } }, { rows: [longer] });
    const problem = await expectProblem(
      request(app.url).post('/api/rigs').send({ id: randomUUID(), rig: more }),
      400,
      'invalid-request',
    );
    expect(problem.detail).toBe('Devices: 65, at most 64.');
  });

  test('keys that would reach a prototype', async () => {
    const body = JSON.stringify({ id: randomUUID(), rig }).replace(
      '"positions":{}',
      '"positions":{"__proto__":true,"constructor":true}',
    );
    await expectProblem(
      request(app.url).post('/api/rigs').type('json').send(body),
      400,
      'invalid-request',
    );
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });

  test('ids that are none, unknown ids, and one that is taken', async () => {
    await expectProblem(request(app.url).get('/api/rigs/1%27%20or%201=1'), 400, 'invalid-request');
    await expectProblem(request(app.url).get(`/api/rigs/${randomUUID()}`), 404, 'rig-not-found');
    await expectProblem(
      request(app.url).put(`/api/rigs/${randomUUID()}`).send({ basedOn: 1, rig }),
      404,
      'rig-not-found',
    );
    await expectProblem(
      request(app.url).put(`/api/rigs/${randomUUID()}`).send({ basedOn: 0, rig }),
      400,
      'invalid-request',
    );
    const id = await create();
    await expectProblem(request(app.url).post('/api/rigs').send({ id, rig }), 409, 'rig-exists');
  });

  test('a broken JSON, a body of 10 MB, a body that is no JSON', async () => {
    await expectProblem(
      request(app.url).post('/api/rigs').type('json').send('{"id": "5d0'),
      400,
      'malformed-json',
    );
    const large = JSON.stringify({ id: randomUUID(), note: 'x'.repeat(10 * 1024 * 1024) });
    const problem = await expectProblem(
      request(app.url).post('/api/rigs').type('json').send(large),
      413,
      'body-too-large',
    );
    expect(problem.detail).toBe('The body is larger than the most, 2048 KiB.');
    await expectProblem(
      request(app.url).post('/api/rigs').type('form').send('id=1'),
      415,
      'not-json',
    );
  });

  test('settings out of range', async () => {
    const settings = (await request(app.url).get('/api/settings').expect(200)).body;
    const far = {
      ...settings,
      reference: { ...settings.reference, lengthM: { value: 1000, from: 'entered' } },
    };
    const problem = await expectProblem(
      request(app.url).put('/api/settings').send(far),
      400,
      'invalid-request',
    );
    expect(problem.problems).toEqual([
      {
        path: 'reference.lengthM',
        message: 'Reference cable length: 1000\u00a0m, at most 100\u00a0m.',
      },
    ]);
    await expectProblem(
      request(app.url)
        .put('/api/settings')
        .send({ ...settings, units: 'cubits' }),
      400,
      'invalid-request',
    );
    expect((await request(app.url).get('/api/settings')).body).toEqual(settings);
  });
});

describe('manners', () => {
  test('other names and other sites are turned away', async () => {
    await expectProblem(
      request(app.url).get('/api/rigs').set('Host', 'evil.example'),
      403,
      'host-not-allowed',
    );
    await expectProblem(
      request(app.url).get('/api/rigs').set('Origin', 'http://evil.example'),
      403,
      'origin-not-allowed',
    );
    await request(app.url).get('/api/rigs').set('Origin', app.url).expect(200);
    await request(app.url)
      .get('/api/rigs')
      .set('Host', `localhost:${new URL(app.url).port}`)
      .expect(200);
  });

  test('the page comes with a policy that lets nothing in from elsewhere', async () => {
    const response = await request(app.url).get('/rigs/some/path').expect(200);
    expect(response.text).toContain('<title>page</title>');
    const policy = response.headers['content-security-policy']!;
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toMatch(/https?:|unsafe-eval|\*/u);
    expect(response.headers['x-content-type-options']).toBe('nosniff');
    expect(response.headers['x-powered-by']).toBeUndefined();
    const asset = await request(app.url).get('/assets/a-1.js').expect(200);
    expect(asset.headers['cache-control']).toContain('immutable');
  });

  test('unknown addresses are told apart from the page', async () => {
    await expectProblem(request(app.url).get('/api/nothing'), 404, 'route-not-found');
    await expectProblem(request(app.url).get('/assets/none.js'), 404, 'route-not-found');
    await expectProblem(request(app.url).post('/rigs'), 404, 'route-not-found');
  });

  test('a path that climbs out of the folder gets nothing', async () => {
    const status = await new Promise<number>((resolve) => {
      const { port } = new URL(app.url);
      rawRequest({ host: '127.0.0.1', port, path: '/assets/../../../../etc/passwd' }, (response) =>
        resolve(response.statusCode!),
      ).end();
    });
    expect([403, 404]).toContain(status);
  });

  test('an unknown error is logged and not told', async () => {
    const other = await runApp();
    await other.db.query('drop table gear');
    const problem = await expectProblem(request(other.url).get('/api/gear'), 500, 'internal');
    expect(problem.detail).not.toContain('gear');
    expect(other.log.join()).toContain('relation \\"gear\\" does not exist');
    // The line is found by what the answer says, and names the route; what was asked is not in it.
    const line = JSON.parse(other.log[0]!) as { readonly req: object; readonly route: string };
    expect(line.req).toEqual({ id: problem.requestId });
    expect(line.route).toBe('GET /api/gear');
    await other.close();
  });

  test('every answer has an id of its own, a problem says it, and its type leads somewhere', async () => {
    const fine = await request(app.url).get('/api/settings').expect(200);
    const problem = await expectProblem(
      request(app.url).get(`/api/rigs/${randomUUID()}`),
      404,
      'rig-not-found',
    );
    expect(fine.headers['request-id']).toMatch(/^[0-9a-f-]{36}$/u);
    expect(problem.requestId).toMatch(/^[0-9a-f-]{36}$/u);
    expect(problem.requestId).not.toBe(fine.headers['request-id']);
    const [path, anchor] = problem.type.split('#');
    const page = await request(app.url).get(path!).expect(200);
    expect(page.headers['content-type']).toContain('text/html');
    expect(page.text).toContain(`id="${anchor}"`);
  });

  test('health says which version answers', async () => {
    const { body } = await request(app.url).get('/api/health').expect(200);
    expect(body).toEqual({
      state: 'ready',
      version: expect.stringMatching(/^\d+\.\d+\.\d+$/u),
      commit: '',
    });
  });
});
