import { randomUUID } from 'node:crypto';
import { newRig } from '@gullwind/core';
import request from 'supertest';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.close());

test('foot-switches are kept by themselves, and only as what they are', async () => {
  const rig = newRig('board');
  const id = randomUUID();
  await request(app.url).post('/api/rigs').send({ id, rig }).expect(201);
  const put = (body: object) => request(app.url).put(`/api/rigs/${id}/state`).send(body);
  const { state } = rig;
  const muted = { ...state, playing: null };
  const kept = await put({ from: state, state: muted }).expect(200);
  expect(kept.body).toMatchObject({ id, revision: 1, state: muted });
  await expectProblem(
    put({ from: state, state: { ...state, positions: { d1: 2 } } }),
    400,
    'invalid-request',
  );
  await expectProblem(put({ state }), 400, 'invalid-request');
  await expectProblem(
    request(app.url).put(`/api/rigs/${randomUUID()}/state`).send({ from: state, state }),
    404,
    'rig-not-found',
  );
});
