import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import { newRig } from '@gullwind/core';
import request from 'supertest';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';

/// Requests that are meant to hurt: each is refused with a reason, and nothing is lost or changed.

let app: RunningApp;
let url: string;
beforeAll(async () => {
  app = await runApp();
  ({ url } = app);
});
afterAll(() => app.close());
afterEach(() => expect(app.log).toEqual([]));

const sendText = (path: string, text: string, method: 'post' | 'put' = 'post') =>
  request(url)[method](path).set('Content-Type', 'application/json').send(text);
const nested = (depth: number) => `${'{"a":'.repeat(depth)}1${'}'.repeat(depth)}`;
const id = randomUUID();

test.each<[string, string]>([
  ['a broken escape', '/api/rigs/%ff'],
  ['a list in place of an id', `/api/rigs/[${randomUUID()}]`],
  ['an id in capitals', `/api/rigs/${randomUUID().toUpperCase()}`],
])('%s in an address', async (_, path) => {
  await expectProblem(request(url).get(path), 400, 'invalid-request');
});

test.each<[string, string, string]>([
  ['nested beyond any stack', '/api/rigs', `{"id":"${id}","rig":${nested(6000)}}`],
  ['a word that cannot be said', '/api/gear', '{"items":[{"kind":{"toString":1}}]}'],
  ['a million things', '/api/gear', `{"items":[${'{},'.repeat(999_999)}{}]}`],
  [
    'a million of what should be one',
    '/api/rigs',
    `{"id":"${id}","rig":[${'{},'.repeat(600_000)}{}]}`,
  ],
])('%s', async (_, path, text) => {
  await expectProblem(sendText(path, text), 400, 'invalid-request');
});

test('gzip that is none', async () => {
  const test = request(url)
    .post('/api/rigs')
    .set('Content-Type', 'application/json')
    .set('Content-Encoding', 'gzip')
    .send('{"id":1}');
  expect((await test).status).toBe(400);
});

test('half a character or a NUL is told apart from a server that is away', async () => {
  const rig = newRig('x');
  const withNote = (note: string) => ({
    id: randomUUID(),
    rig: { ...rig, texts: { ...rig.texts, note } },
  });
  for (const note of ['cut \ud83d', 'a\u0000b']) {
    const problem = await expectProblem(
      request(url).post('/api/rigs').send(withNote(note)),
      422,
      'text-not-kept',
    );
    expect(problem.detail).toContain('rig.texts.note');
  }
  await request(url).post('/api/rigs').send(withNote('whole 😀')).expect(201);
});

describe('a workspace', () => {
  const kept = (more: object) => ({
    id: randomUUID(),
    revision: 1,
    createdAt: '2026-11-01T10:00:00.000001Z',
    updatedAt: '2026-11-01T10:00:00Z',
    deletedAt: null,
    document: newRig('kept'),
    revisions: [],
    ...more,
  });
  const restore = (...rigs: readonly object[]) =>
    request(url)
      .post('/api/workspace')
      .query({ overwrite: true })
      .type('application/x-ndjson')
      .send(
        JSON.stringify({ kind: 'gullwind-workspace', format: 2, rigs, gear: [], settings: null }),
      );

  test.each<[string, object]>([
    ['a day that is none', { createdAt: '2026-99-99T10:00:00Z' }],
    ['an hour that is none', { updatedAt: '2026-11-01T24:00:00Z' }],
    ['a revision after which there is none', { revision: 2_147_483_647 }],
    ['an id in capitals', { id: randomUUID().toUpperCase() }],
  ])('with %s is refused', async (_, more) => {
    const before = (await request(url).get('/api/rigs')).body as unknown;
    await expectProblem(restore(kept(more)), 400, 'invalid-request');
    expect((await request(url).get('/api/rigs')).body).toEqual(before);
  });

  test('that is whole is taken', async () => {
    await restore(kept({})).expect(200);
  });
});

test('who has not signed in is not heard at length', async () => {
  const guarded = await runApp({ passphrase: 'a long enough phrase' });
  try {
    const long = gzipSync(`{"items":[${'{},'.repeat(200_000)}{}]}`);
    for (const path of ['/api/gear', '/api/workspace', '/api/rigs'])
      await expectProblem(
        request(guarded.url)
          .post(path)
          .set('Content-Type', 'application/json')
          .set('Content-Encoding', 'gzip')
          .send(long),
        401,
        'sign-in-required',
      );
    await expectProblem(
      request(guarded.url)
        .post('/api/session')
        .send({ passphrase: 'x'.repeat(20_000) }),
      413,
      'body-too-large',
    );
    // Those who know the passphrase are not counted among the attempts.
    for (let k = 0; k < 12; k++)
      await request(guarded.url)
        .post('/api/session')
        .send({ passphrase: 'a long enough phrase' })
        .expect(200);
  } finally {
    await guarded.close();
  }
});
