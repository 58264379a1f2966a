import request from 'supertest';
import { runApp, type RunningApp } from './support/runningApp';

/// What may run on a page: nothing but what ships with it; WebAssembly in one worker alone.

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
