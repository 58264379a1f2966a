import { jest } from '@jest/globals';
import { ask, sayFailed } from '../src/app/http';
import { newId } from '../src/app/newId';

/// What comes of a question: an answer, a refusal in words, a sign-in, or nobody there.

const answer = (status: number, body?: unknown, headers: Record<string, string> = {}) => ({
  status,
  headers: new Headers(headers),
  ok: status < 300,
  json: () =>
    typeof body === 'string' ? Promise.reject(new SyntaxError(body)) : Promise.resolve(body),
});
const server = jest.fn<(...args: unknown[]) => Promise<unknown>>();
beforeEach(() => {
  server.mockReset();
  globalThis.fetch = server as unknown as typeof fetch;
});

const problem = { code: 'rig-stale', detail: 'It was changed.' };

test.each<[string, unknown, object]>([
  ['an answer', answer(200, { a: 1 }), { kind: 'ok', data: { a: 1 } }],
  [
    'one that was kept while the server is away',
    answer(200, { a: 1 }, { 'X-Kept': 'yes' }),
    { kind: 'ok', data: { a: 1 }, isKept: true },
  ],
  ['an answer with nothing in it', answer(204), { kind: 'ok', data: null }],
  ['a refusal', answer(409, problem), { kind: 'refused', problem }],
  ['a sign-in', answer(401, { code: 'sign-in-required' }), { kind: 'signInNeeded' }],
  [
    'a wrong passphrase',
    answer(401, { code: 'sign-in-failed', detail: 'no' }),
    { kind: 'refused', problem: { code: 'sign-in-failed', detail: 'no' } },
  ],
  ['a failing server', answer(503, problem), { kind: 'away', status: 503 }],
  ['something that is not the server', answer(200, '<html>'), { kind: 'away' }],
  ['a refusal by something that is not the server', answer(403, '<html>'), { kind: 'away' }],
])('%s', async (_, response, expected) => {
  server.mockResolvedValue(response);
  expect(await ask({ path: '/rigs' })).toEqual(expected);
});

test('nobody there', async () => {
  server.mockRejectedValue(new TypeError('network'));
  const found = await ask({ path: '/rigs' });
  expect(found).toEqual({ kind: 'away' });
  if (found.kind === 'away') expect(sayFailed(found)).toMatch(/does not answer/u);
});

test('a body goes as JSON, and only where there is one', async () => {
  server.mockResolvedValue(answer(200, null));
  await ask({ path: '/rigs/1', method: 'PUT', body: { basedOn: 1 } });
  await ask({ path: '/rigs' });
  const [sent, bare] = server.mock.calls.map(([url, init]) => [url, init as RequestInit]);
  expect(sent![0]).toBe('/api/rigs/1');
  expect(sent![1]).toMatchObject({
    method: 'PUT',
    body: '{"basedOn":1}',
    headers: { 'Content-Type': 'application/json' },
  });
  expect(bare![1]).not.toHaveProperty('body');
});

test('ids are version 4 UUIDs, on a page that was not served securely too', () => {
  const pattern = /^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/u;
  expect(newId()).toMatch(pattern);
  const { getRandomValues } = globalThis.crypto;
  const before = Object.getOwnPropertyDescriptor(globalThis, 'crypto')!;
  Object.defineProperty(globalThis, 'crypto', {
    configurable: true,
    value: { getRandomValues: getRandomValues.bind(globalThis.crypto) },
  });
  const ids = Array.from({ length: 50 }, newId);
  Object.defineProperty(globalThis, 'crypto', before);
  for (const id of ids) expect(id).toMatch(pattern);
  expect(new Set(ids).size).toBe(50);
});
