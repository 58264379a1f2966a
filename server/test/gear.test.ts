import { randomUUID } from 'node:crypto';
import {
  WORKSPACE_FORMAT,
  type GearList,
  type RigUse,
  type UseCounts,
  type WorkspacePart,
} from '@gullwind/contract';
import {
  applyEdits,
  deviceOfClass,
  entered,
  gearItem,
  insertDevice,
  cableOfClass,
  newRig,
  type GearItem,
} from '@gullwind/core';
import request from 'supertest';
import { expectProblem } from './support/expectProblem';
import { partsIn } from './support/workspaces';
import { runApp, type RunningApp } from './support/runningApp';

/// The gear list and the whole workspace over HTTP.

let app: RunningApp;
beforeAll(async () => {
  app = await runApp({});
});
afterAll(() => app.close());

const drive = (id: string, name = 'Drive'): GearItem =>
  gearItem(id, 'device', deviceOfClass('drive', 'd1', name));
const add = (...items: unknown[]) => request(app.url).post('/api/gear').send({ items });
const list = async () =>
  ((await request(app.url).get('/api/gear').expect(200)).body as GearList).items;

test('entries are added, changed from the revision they were seen at, and removed', async () => {
  await add(drive('one'), gearItem('reel', 'cable', cableOfClass('low', 'l1', entered(50)))).expect(
    201,
  );
  const stored = (await list()).find(({ item }) => item.id === 'one')!;
  expect(stored).toEqual({ item: drive('one'), revision: 1 });
  const put = (basedOn: number, item: GearItem, id = item.id) =>
    request(app.url).put(`/api/gear/${id}`).send({ basedOn, item });
  const renamed = { ...drive('one', 'Other'), retired: true };
  expect((await put(1, renamed).expect(200)).body).toEqual({ item: renamed, revision: 2 });
  await expectProblem(put(1, drive('one', 'Late')), 409, 'gear-stale');
  await expectProblem(put(1, drive('two')), 404, 'gear-not-found');
  await expectProblem(put(2, renamed, 'reel'), 404, 'gear-not-found');
  // Another kind under the same id is another thing.
  await expectProblem(
    put(2, gearItem('one', 'cable', cableOfClass('low', 'l1', entered(1)))),
    404,
    'gear-not-found',
  );
  await request(app.url)
    .post('/api/gear/remove')
    .send({ ids: ['one', 'reel'] })
    .expect(204);
  expect((await list()).map(({ item }) => item.id)).not.toContain('one');
  // Added again it goes on from there: what was seen before is not saved over it.
  await add(drive('one')).expect(201);
  expect((await list()).find(({ item }) => item.id === 'one')!.revision).toBe(3);
  for (const basedOn of [1, 2]) await expectProblem(put(basedOn, renamed), 409, 'gear-stale');
});

test('an id that stands in one import twice keeps it out', async () => {
  const problem = await expectProblem(
    add(drive('twin'), drive('other'), drive('twin', 'Second')),
    400,
    'invalid-request',
  );
  expect(problem.detail).toContain('“twin” stands there twice');
  expect((await list()).map(({ item }) => item.id)).not.toContain('other');
});

test('all or none: one bad entry, or one that is there already, keeps the others out', async () => {
  const problem = await expectProblem(
    add(drive('good-1'), { ...drive('bad'), thing: { ...drive('bad').thing, name: '' } }),
    400,
    'invalid-request',
  );
  expect(problem.problems![0]).toEqual({
    path: 'items[1].thing.name',
    message: 'Name: it is empty; at least 1 character is needed.',
  });
  await add(drive('there')).expect(201);
  await expectProblem(add(drive('good-2'), drive('there')), 409, 'gear-exists');
  await expectProblem(add(drive('Bad Id')), 400, 'invalid-request');
  await expectProblem(add(), 400, 'invalid-request');
  await expectProblem(add(...Array<object>(10_001).fill({})), 400, 'invalid-request');
  const ids = (await list()).map(({ item }) => item.id);
  expect(ids).toContain('there');
  expect(ids.filter((id) => id.startsWith('good'))).toEqual([]);
});

test('what a rig was built from is told, and cannot be removed', async () => {
  await add(drive('used')).expect(201);
  const id = randomUUID();
  const rig = applyEdits(
    newRig('uses it'),
    insertDevice(newRig(''), 0, { ...deviceOfClass('drive', '', 'Drive'), gear: 'used' }),
  );
  await request(app.url).post('/api/rigs').send({ id, rig }).expect(201);
  const { uses } = (await request(app.url).get('/api/gear/uses?gear=used').expect(200)).body as {
    uses: RigUse[];
  };
  expect(uses).toEqual([{ kind: 'device', id: 'd1', gear: 'used', rigId: id, rigName: 'uses it' }]);
  const inRig = await request(app.url).get(`/api/gear/uses?rig=${id}`).expect(200);
  expect(inRig.body).toEqual({ uses });
  expect((await request(app.url).get('/api/gear/uses?gear=nowhere').expect(200)).body).toEqual({
    uses: [],
  });
  await expectProblem(request(app.url).get('/api/gear/uses'), 400, 'invalid-request');
  const { counts } = (await request(app.url).get('/api/gear/counts').expect(200)).body as UseCounts;
  expect(counts).toContainEqual({ gear: 'used', rigs: 1 });
  const problem = await expectProblem(
    request(app.url)
      .post('/api/gear/remove')
      .send({ ids: ['used'] }),
    409,
    'gear-in-use',
  );
  expect(problem.detail).toContain('uses it');
  const retired = { ...drive('used'), retired: true };
  await request(app.url).put('/api/gear/used').send({ basedOn: 1, item: retired }).expect(200);
  const kept = await request(app.url).get(`/api/rigs/${id}`).expect(200);
  expect((kept.body as { rig: unknown }).rig).toEqual(rig);
});

test('a workspace goes out, and comes back over what is there only when told to', async () => {
  const out = async () => {
    const answer = await request(app.url)
      .get('/api/workspace')
      .buffer(true)
      .parse((response, done) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (piece: string) => (text += piece));
        response.on('end', () => done(null, text));
      })
      .expect(200);
    expect(answer.headers['content-disposition']).toMatch(
      /^attachment; filename="gullwind-.*\.jsonl"$/u,
    );
    return answer.body as string;
  };
  const text = await out();
  const restore = (query: object, body = text) =>
    request(app.url).post('/api/workspace').query(query).type('application/x-ndjson').send(body);
  await expectProblem(restore({}), 409, 'workspace-not-empty');
  await expectProblem(restore({ overwrite: 'yes' }), 400, 'invalid-request');
  await expectProblem(restore({ overwrite: true }, '{"kind":'), 400, 'invalid-request');
  await expectProblem(
    restore(
      { overwrite: true },
      text.replace(`"format":${WORKSPACE_FORMAT}`, `"format":${WORKSPACE_FORMAT + 1}`),
    ),
    400,
    'invalid-request',
  );
  await expectProblem(
    request(app.url).post('/api/workspace').send({ kind: 'gullwind-workspace' }),
    415,
    'not-json',
  );
  await expectProblem(
    restore({ overwrite: true }).set('Content-Encoding', 'gzip'),
    415,
    'not-json',
  );
  await add(drive('after-the-backup')).expect(201);
  await restore({ overwrite: true }).expect(200);
  // All is as it was, under revisions that nobody has seen.
  const [before, now] = [await partsIn([text]), await partsIn([await out()])];
  for (const part of before) {
    const again = now.find((one) => nameOf(one) === nameOf(part));
    if (part.kind !== 'rig' && part.kind !== 'gear') expect(again).toEqual(part);
    else expect((again as typeof part).revision).toBeGreaterThan(part.revision);
  }
  expect(now.some((part) => nameOf(part).includes('after-the-backup'))).toBe(false);
});

function nameOf(part: WorkspacePart): string {
  switch (part.kind) {
    case 'rig':
      return part.id;
    case 'revision':
      return `${part.rig} at ${part.revision}`;
    case 'gear':
      return part.item.id;
    case 'settings':
      return 'settings';
    case 'test':
      return part.test.id;
    case 'done':
      return `${part.rig} ${part.done.step}`;
    case 'photo':
      return `${part.rig} photo`;
    case 'offCut':
      return part.offCut.id;
    case 'measurement':
      return part.measurement.id;
    case 'hearing':
      return part.hearing.id;
    case 'hunt':
      return part.hunt.id;
  }
}

test('an import of ten thousand cables is one request', async () => {
  const items = Array.from({ length: 10_000 }, (_, i) =>
    gearItem(`cable-${i}`, 'cable', cableOfClass('low', 'l1', entered(3), `Cable ${i}`)),
  );
  const before = (await list()).length;
  await add(...items).expect(201);
  expect(await list()).toHaveLength(before + 10_000);
});
