import { randomUUID } from 'node:crypto';
import {
  DEFAULT_SETTINGS,
  OPERATION_HEADER,
  WINDOW_HEADER,
  type Changes,
  type Settings,
} from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import request from 'supertest';
import { forgetChanges } from '../src/changes/changeStore';
import { DEMO_GEAR } from '../src/demo/demoGear';
import { forgetOperations } from '../src/operations/operationStore';
import { engines } from './support/databases';
import { expectProblem } from './support/expectProblem';
import { ANSWERED, HUNTED } from './support/hunted';
import { runApp, type RunningApp } from './support/runningApp';

/// Writes that come twice are done once, and whoever follows hears of every change, on both engines.

const DAY_MS = 24 * 3_600_000;

describe.each(engines().map((engine) => [engine.name, engine] as const))(
  'operations on %s',
  (_, engine) => {
    let app: RunningApp;
    beforeAll(async () => {
      app = await runApp({ open: () => engine.open() });
    });
    afterAll(async () => {
      await app.close();
      engine.stop();
    });

    const write = (
      method: 'put' | 'post' | 'delete',
      path: string,
      body: object | undefined,
      id: string,
      by = '',
    ) =>
      request(app.url)
        [method](`/api${path}`)
        .set(OPERATION_HEADER, id)
        .set(WINDOW_HEADER, by)
        .send(body);

    const changes = async (
      from: Pick<Changes, 'feed' | 'cursor'> | null,
      waitS = 0,
    ): Promise<Changes> => {
      const query = from ? { feed: from.feed, since: from.cursor, waitS } : {};
      const answer = await request(app.url).get('/api/changes').query(query);
      expect(answer.status).toBe(200);
      return answer.body as Changes;
    };

    const newRigIn = async () => {
      const id = randomUUID();
      await request(app.url)
        .post('/api/rigs')
        .send({ id, rig: newRig('x') })
        .expect(201);
      return id;
    };

    test('an operation sent again is done once and answered the same', async () => {
      const [id, rig] = [randomUUID(), randomUUID()];
      const body = { id: rig, rig: newRig('once') };
      const first = await write('post', '/rigs', body, id).expect(201);
      const again = await write('post', '/rigs', body, id).expect(201);
      expect(again.body).toEqual(first.body);
      expect(again.headers['content-type']).toBe(first.headers['content-type']);
      // Without its name it is another.
      await expectProblem(request(app.url).post('/api/rigs').send(body), 409, 'rig-exists');
    });

    test('an answer without content comes again without content', async () => {
      const [id, rig] = [randomUUID(), await newRigIn()];
      for (let i = 0; i < 2; i++) {
        const { text } = await write('delete', `/rigs/${rig}`, undefined, id).expect(204);
        expect(text).toBe('');
      }
    });

    test('a refusal is the answer, even where it would be taken by now', async () => {
      const id = randomUUID();
      const hunt = randomUUID();
      const send = () => write('put', `/hunts/${hunt}/answers/${randomUUID()}`, ANSWERED, id);
      await expectProblem(send(), 404, 'hunt-not-found');
      await request(app.url).put(`/api/hunts/${hunt}`).send(HUNTED).expect(200);
      // Another address under the same name is another operation.
      await expectProblem(send(), 409, 'operation-reused');
    });

    test('the same refusal comes again word for word', async () => {
      const [id, test] = [randomUUID(), randomUUID()];
      const path = `/rigs/${randomUUID()}/tests/${test}`;
      const [first, again] = [await write('put', path, {}, id), await write('put', path, {}, id)];
      expect([first.status, again.status]).toEqual([404, 404]);
      expect(again.text).toBe(first.text);
      expect(again.headers['content-type']).toContain('application/problem+json');
    });

    test('of two that come at once one is done', async () => {
      const [id, rig] = [randomUUID(), randomUUID()];
      const body = { id: rig, rig: newRig('at once') };
      const answers = await Promise.all(
        Array.from({ length: 6 }, () => write('post', '/rigs', body, id)),
      );
      expect(answers.map(({ status }) => status)).toEqual(Array(6).fill(201));
      expect(new Set(answers.map(({ text }) => text)).size).toBe(1);
    });

    test('another body under the same id is refused, and changes nothing', async () => {
      const id = randomUUID();
      const put = (change: Partial<Settings>) =>
        write('put', '/settings', { ...DEFAULT_SETTINGS, ...change }, id);
      await put({ units: 'imperial' }).expect(200);
      await expectProblem(put({ units: 'metric' }), 409, 'operation-reused');
      const { body } = await request(app.url).get('/api/settings');
      expect((body as Settings).units).toBe('imperial');
    });

    test('ticks of one press are kept together or not at all', async () => {
      const rig = await newRigIn();
      const tick = (step: string) => ({
        step,
        fingerprint: 'a',
        lengthM: null,
        revision: 1,
        by: '',
        isDone: true,
      });
      const put = (ticks: readonly object[]) =>
        write('put', `/rigs/${rig}/done`, { ticks }, randomUUID());
      const done = async () => {
        const { body } = await request(app.url).get(`/api/rigs/${rig}/build`);
        return (body as { done: readonly { step: string }[] }).done.map(({ step }) => step);
      };
      await put([tick('cut l1'), { ...tick('end l1'), revision: 0 }]).expect(400);
      expect(await done()).toEqual([]);
      await put([tick('cut l1'), tick('end l1')]).expect(200);
      expect(await done()).toEqual(['cut l1', 'end l1']);
      await put([]).expect(400);
    });

    test('an operation is known for sixty days', async () => {
      const [id, rig] = [randomUUID(), randomUUID()];
      const body = { id: rig, rig: newRig('known') };
      await write('post', '/rigs', body, id).expect(201);
      await forgetOperations(app.db, new Date(Date.now() + 59 * DAY_MS));
      await write('post', '/rigs', body, id).expect(201);
      await forgetOperations(app.db, new Date(Date.now() + 61 * DAY_MS));
      await expectProblem(write('post', '/rigs', body, id), 409, 'rig-exists');
    });

    test('a name that is none is refused', async () => {
      await expectProblem(
        write('put', '/settings', DEFAULT_SETTINGS, 'mine'),
        400,
        'invalid-request',
      );
    });

    test('every kind of write is told, with who did it, once', async () => {
      const rig = await newRigIn();
      const [hunt, me] = [randomUUID(), 'window one'];
      const start = await changes(null);
      expect(start.changes).toEqual([]);
      const tick = {
        step: 'cut l1',
        fingerprint: 'a',
        lengthM: null,
        revision: 1,
        by: '',
        isDone: true,
      };
      const item = { ...DEMO_GEAR[0]!, id: 'told-of' };
      const cut = { name: 'Reel', gear: null, lengthM: 1, note: '' };
      const kept = randomUUID();
      await write('put', `/rigs/${rig}/done`, { ticks: [tick] }, randomUUID(), me).expect(200);
      await write('put', `/hunts/${hunt}`, HUNTED, randomUUID()).expect(200);
      await write('post', '/gear', { items: [item] }, randomUUID(), me).expect(201);
      await write('put', `/off-cuts/${kept}`, cut, randomUUID(), me).expect(200);
      await write('put', '/settings', DEFAULT_SETTINGS, randomUUID(), me).expect(200);
      await write('put', `/rigs/${rig}/revisions/1`, { name: 'n' }, randomUUID(), me).expect(204);
      await request(app.url).delete(`/api/rigs/${rig}`).expect(204);
      const told = await changes(start);
      expect(told.isAll).toBe(false);
      const said = told.changes.map(({ subject, by }) => `${subject} by ${by}`).sort();
      expect(said).toEqual(
        [
          `build:${rig} by ${me}`,
          `gear by ${me}`,
          `hunt:${hunt} by null`,
          `offCuts by ${me}`,
          `revisions:${rig} by ${me}`,
          `rig:${rig} by null`,
          `settings by ${me}`,
        ].sort(),
      );
      expect((await changes(told)).changes).toEqual([]);
    });

    test('a write that ends after a later one is not missed', async () => {
      if (engine.name === 'PGlite') return; // One transaction at a time.
      const rig = await newRigIn();
      const start = await changes(null);
      const first = deferred();
      const slow = app.db.transaction(async (tx) => {
        await tx.query('update rigs set updated_at = now() where id = $1', [rig]);
        await first.promise;
      });
      await write('put', '/settings', DEFAULT_SETTINGS, randomUUID()).expect(200);
      const between = await changes(start);
      expect(between.changes.map(({ subject }) => subject)).toEqual(['settings']);
      expect((await changes(between)).changes).toEqual([]);
      first.resolve();
      await slow;
      expect((await changes(between)).changes.map(({ subject }) => subject)).toEqual([
        `rig:${rig}`,
      ]);
    });

    test('who waits is told when something is changed', async () => {
      const start = await changes(null);
      const waiting = changes(start, 20);
      await write('put', '/settings', DEFAULT_SETTINGS, randomUUID(), 'w').expect(200);
      expect((await waiting).changes).toEqual([{ subject: 'settings', by: 'w' }]);
    });

    test('who comes too late, or from another feed, is told that all may be another', async () => {
      const start = await changes(null);
      await write('put', '/settings', DEFAULT_SETTINGS, randomUUID()).expect(200);
      expect((await changes({ ...start, feed: randomUUID() })).isAll).toBe(true);
      const ahead = '999999999:999999999:';
      expect((await changes({ ...start, cursor: ahead })).isAll).toBe(true);
      await forgetChanges(app.db, new Date(Date.now() + 2 * 3_600_000));
      expect(await changes(start)).toMatchObject({ isAll: true, changes: [] });
      const fresh = await changes(null);
      expect((await changes(fresh)).isAll).toBe(false);
    });

    test.each([
      ['since=1:1:'],
      ['feed=8a1f0f5e-6d5f-4f0e-9d6a-6f1f9a5a3c11'],
      ['feed=8a1f0f5e-6d5f-4f0e-9d6a-6f1f9a5a3c11&since=7'],
      ['waitS=26'],
      ['waitS=x'],
    ])('a query that is none is refused: %s', async (query) => {
      await expectProblem(request(app.url).get(`/api/changes?${query}`), 400, 'invalid-request');
    });

    test('a cursor that no snapshot can be is refused', async () => {
      const { feed } = await changes(null);
      const query = { feed, since: '9:3:' };
      await expectProblem(
        request(app.url).get('/api/changes').query(query),
        400,
        'invalid-request',
      );
    });
  },
);

function deferred() {
  let resolve = () => {};
  const promise = new Promise<void>((done) => (resolve = done));
  return { promise, resolve };
}
