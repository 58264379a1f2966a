import request from 'supertest';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';

/// What may run on a page: nothing but what ships with it; WebAssembly in one worker alone. And which pages may ask.

let app: RunningApp;
beforeAll(async () => {
  app = await runApp({});
});
afterAll(() => app.close());

const scriptsOf = async (path: string): Promise<string> => {
  const answer = await request(app.url).get(path);
  return /script-src ([^;]*)/u.exec(answer.headers['content-security-policy']!)![1]!;
};

test('the worker with the solver may compile WebAssembly', async () => {
  expect(await scriptsOf('/assets/solver.worker-FpWMkTum.js')).toBe("'self' 'wasm-unsafe-eval'");
});

test.each([
  '/',
  '/rigs/x/power',
  '/api/health',
  '/assets/index-abc.js',
  '/assets/long.worker-abc.js',
  '/assets/solver.worker-abc.js.map',
  '/assets/x/solver.worker-abc.js',
  '/solver.worker-abc.js',
])('%s may not', async (path) => {
  expect(await scriptsOf(path)).toBe("'self'");
});

test('a page of another site asks for nothing, not even by a picture in it', async () => {
  const ask = (site: string) => request(app.url).get('/api/workspace').set('Sec-Fetch-Site', site);
  for (const site of ['cross-site', 'same-site'])
    await expectProblem(ask(site), 403, 'origin-not-allowed');
  for (const site of ['same-origin', 'none']) await ask(site).expect(200);
  // The page itself may be linked to from anywhere.
  const { status } = await request(app.url).get('/').set('Sec-Fetch-Site', 'cross-site');
  expect(status).toBe(404);
});
