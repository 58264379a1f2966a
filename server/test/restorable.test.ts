import { randomUUID } from 'node:crypto';
import { DEFAULT_SETTINGS, type WorkspacePart } from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import sharp from 'sharp';
import request from 'supertest';
import { DEMO_GEAR } from '../src/demo/demoGear';
import { expectProblem } from './support/expectProblem';
import { DONE, TEST } from './support/benchWork';
import { partsIn } from './support/workspaces';
import { runApp, type RunningApp } from './support/runningApp';

/// Whatever the API takes, a backup of it comes back; what would not is named while it is backed up.

let app: RunningApp;
let other: RunningApp;

beforeAll(async () => {
  [app, other] = [await runApp(), await runApp()];
});
afterAll(async () => {
  await app.close();
  await other.close();
});

const ask = () => request(app.url);
const backUp = async (from: RunningApp) =>
  (await request(from.url).get('/api/workspace').buffer(true).expect(200)).text;
const restoreInto = (to: RunningApp, text: string) =>
  request(to.url)
    .post('/api/workspace?overwrite=true')
    .set('Content-Type', 'application/x-ndjson')
    .send(text);
const makeRig = async (id = randomUUID()) => {
  await ask()
    .post('/api/rigs')
    .send({ id, rig: newRig('board') })
    .expect(201);
  return id;
};

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#884422' } })
    .jpeg()
    .toBuffer();
const sendPicture = (rig: string, bytes: Buffer) =>
  ask().put(`/api/rigs/${rig}/photo`).set('Content-Type', 'image/jpeg').send(bytes);

test('things of different kinds with one id, and ids that read like something else', async () => {
  const id = await makeRig();
  const [first] = DEMO_GEAR;
  for (const called of ['settings', 'photo', 'rig'])
    await ask()
      .post('/api/gear')
      .send({ items: [{ ...first, id: called }] })
      .expect(201);
  await ask().put('/api/settings').send(DEFAULT_SETTINGS).expect(200);
  await ask().put(`/api/rigs/${id}/tests/${id}`).send(TEST).expect(200);
  await ask()
    .put(`/api/rigs/${id}/done`)
    .send({ ticks: [{ ...DONE, step: '#photo' }], offCut: { ...OFF_CUT, id } })
    .expect(200);
  await sendPicture(id, await picture(400, 300)).expect(200);
  const text = await backUp(app);
  await restoreInto(other, text).expect(200);
  expect(await backUp(other)).toBe(text);
});

const OFF_CUT = { name: 'Pit cable', gear: null, lengthM: 1.5, note: '' };

test('a photograph as long and narrow as it may be; a narrower one is refused with both numbers', async () => {
  const id = await makeRig();
  await sendPicture(id, await picture(20, 400)).expect(200);
  await restoreInto(other, await backUp(app)).expect(200);
  const { detail } = await expectProblem(
    sendPicture(id, await picture(10, 400)),
    422,
    'picture-not-kept',
  );
  expect(detail).toContain('10 × 400 pixels; the long side may be 20 times the short one');
});

test('a photograph goes through backups without loss; one from elsewhere is made anew', async () => {
  const id = await makeRig();
  const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const;
  const detailed = await sharp({
    create: { width: 300, height: 200, channels: 3, background: '#888888', noise },
  })
    .jpeg({ quality: 95 })
    .toBuffer();
  await sendPicture(id, detailed).expect(200);
  const photoIn = async (text: string) =>
    (await partsIn(text.split('\n'))).find(
      (part): part is Extract<WorkspacePart, { kind: 'photo' }> =>
        part.kind === 'photo' && part.rig === id,
    )!.photo.picture;
  const text = await backUp(app);
  const kept = await photoIn(text);
  await restoreInto(other, text).expect(200);
  expect(await photoIn(await backUp(other))).toBe(kept);
  const bytes = Buffer.from(kept, 'base64');
  const foreign = [
    Buffer.concat([bytes, Buffer.from('behind its end')]),
    await sharp(bytes)
      .withExif({ IFD0: { Artist: 'Somebody' } })
      .jpeg()
      .toBuffer(),
    await sharp(bytes).png().toBuffer(),
  ];
  for (const one of foreign) {
    await restoreInto(other, text.replace(kept, one.toString('base64'))).expect(200);
    const again = Buffer.from(await photoIn(await backUp(other)), 'base64');
    expect((await sharp(again).metadata()).format).toBe('jpeg');
    expect(again.toString('latin1')).not.toMatch(/Somebody|behind its end/u);
  }
  const cut = bytes.subarray(0, bytes.length / 2).toString('base64');
  await expectProblem(restoreInto(other, text.replace(kept, cut)), 422, 'picture-not-kept');
});

test('the last revision that is counted is kept; a next one is refused instead of being lost', async () => {
  const id = await makeRig();
  const last = 2_000_000_000;
  await app.db.query('update rigs set revision = $2 where id = $1', [id, last]);
  await app.db.query('update rig_revisions set revision = $2 where rig_id = $1', [id, last]);
  const text = await backUp(app);
  await restoreInto(other, text).expect(200);
  await expectProblem(
    ask()
      .put(`/api/rigs/${id}`)
      .send({ basedOn: last, rig: newRig('changed') }),
    409,
    'counted-out',
  );
  // Over itself it would be the one after the last.
  await expectProblem(restoreInto(app, text), 409, 'counted-out');
  expect(await backUp(app)).toBe(text);
  await app.db.query('delete from rig_revisions where rig_id = $1', [id]);
  await app.db.query('delete from rigs where id = $1', [id]);
});

test('what would not come back is named at once, and there is no backup', async () => {
  const [first] = DEMO_GEAR;
  await ask()
    .post('/api/gear')
    .send({ items: [{ ...first, id: 'broken' }] })
    .expect(201);
  await app.db.query(`update gear set thing = jsonb_set(thing, '{name}', '5') where id = 'broken'`);
  const { detail } = await expectProblem(ask().get('/api/workspace'), 409, 'not-restorable');
  expect(detail).toMatch(
    /^gear “broken” could not be brought back: “thing.name” must be a string/u,
  );
  await app.db.query(`delete from gear where id = 'broken'`);
  await backUp(app);
});
