import { randomUUID } from 'node:crypto';
import type { RigPage } from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import request from 'supertest';
import { fillListings } from '../src/rigs/listings';
import { runApp, type RunningApp } from './support/runningApp';

/// Documents of a later version, and broken ones, beside those that can be read.

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.close());

test('a rig that this version cannot read is listed as what it is, and stands in nobody’s way', async () => {
  const later = { ...newRig('from tomorrow'), format: 99 };
  const broken = { format: 4, texts: { name: 'half a rig' } };
  const ids = [randomUUID(), randomUUID()];
  for (const [i, document] of [later, broken].entries())
    await app.db.query('insert into rigs (id, revision, document) values ($1, 1, $2::jsonb)', [
      ids[i],
      JSON.stringify(document),
    ]);
  await fillListings(app.db);
  const whole = randomUUID();
  await request(app.url)
    .post('/api/rigs')
    .send({ id: whole, rig: newRig('whole') })
    .expect(201);
  const { rigs: list } = (await request(app.url).get('/api/rigs').expect(200)).body as RigPage;
  const [first, second] = ids.map((id) => list.find((entry) => entry.id === id)!);
  expect(first).toMatchObject({ name: 'from tomorrow', trebleDb: null });
  expect(first!.unreadable).toContain('99');
  expect(second).toMatchObject({ name: 'half a rig', unreadable: expect.any(String) as string });
  expect(list.find((entry) => entry.id === whole)).toMatchObject({ unreadable: null });
  await request(app.url).get('/api/gear/counts').expect(200);
  // What is kept of it can be had, and it can be taken off.
  expect((await request(app.url).get(`/api/rigs/${ids[0]}`)).body).toMatchObject({ rig: later });
  for (const id of ids) await request(app.url).delete(`/api/rigs/${id}`).expect(204);
});
