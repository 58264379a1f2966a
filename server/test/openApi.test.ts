import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DEFAULT_SETTINGS, OPERATIONS, type Operation } from '@gullwind/contract';
import { applyEdits, deviceOfClass, insertDevice, newRig, setCableLength } from '@gullwind/core';
import sharp from 'sharp';
import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import request from 'supertest';
import { openApi } from '../src/api/openApi';
import { DEMO_GEAR } from '../src/demo/demoGear';
import { DONE, TEST } from './support/benchWork';
import { ANSWERED, ENDED, HUNTED } from './support/hunted';
import { HEARD, LIE, MEASURED, METERED, SWEPT } from './support/measured';
import { simulatedInstruments } from './support/simulated';
import { runApp, type RunningApp } from './support/runningApp';

/// The description of the API against what the server is, and against what it answers.

const SRC = fileURLToPath(new URL('../src', import.meta.url));

/** Where routes hang whose file is called otherwise. */
const MOUNTS: Readonly<Record<string, string>> = {
  rig: '/rigs',
  rigBuild: '/rigs',
  offCut: '/off-cuts',
  photo: '/rigs',
};

/** What the server's own files route, as "get /rigs/{id}". */
function routed(): readonly string[] {
  const files = readdirSync(SRC, { recursive: true, encoding: 'utf8' });
  const found = files
    .filter((file) => /(Routes|app)\.ts$/u.test(file))
    .flatMap((file) => {
      const text = readFileSync(join(SRC, file), 'utf8');
      const mount = /(\w+)Routes\.ts$/u.exec(file)?.[1];
      const under = mount === undefined ? '' : (MOUNTS[mount] ?? `/${mount}`);
      return [...text.matchAll(/router\.(get|post|put|delete)\(\s*'([^']+)'/gu)].map(
        ([, method, path]) =>
          `${method} ${under}${path}`.replace(/\/$/u, '').replace(/:(\w+)/gu, '{$1}'),
      );
    });
  return found.sort();
}

const nameOf = ({ method, path }: Operation) => `${method} ${path}`;

interface Description {
  readonly paths: Record<
    string,
    Record<string, { readonly responses: Record<string, { readonly content?: Contents }> }>
  >;
  readonly components: object;
}
type Contents = Record<string, { readonly schema: object }>;

const description = (await openApi()) as unknown as Description;
const ajv = new Ajv({ strict: false, allErrors: true });
addFormats.default(ajv);

/** Schemas are many times the same one: that of problems above all. */
const checks = new Map<string, ReturnType<typeof ajv.compile>>();

function checkOf(schema: object): ReturnType<typeof ajv.compile> {
  const key = JSON.stringify(schema);
  const check = checks.get(key) ?? ajv.compile({ ...schema, components: description.components });
  checks.set(key, check);
  return check;
}

/** Whether a body is as the description says; what is wrong with it. */
function misfits(operation: string, status: number, body: unknown): readonly string[] {
  const [method, path] = operation.split(' ') as [string, string];
  const answer = description.paths[path]![method]!.responses[status];
  if (!answer) return [`${status} is not described`];
  const schema = Object.values(answer.content ?? {})[0]?.schema;
  if (!schema) return body === undefined ? [] : ['there is a body'];
  const check = checkOf(schema);
  return check(body) ? [] : (check.errors ?? []).map((e) => `${e.instancePath} ${e.message}`);
}

let app: RunningApp;
let simulated: Awaited<ReturnType<typeof simulatedInstruments>>;
beforeAll(async () => {
  simulated = await simulatedInstruments();
  app = await runApp({ instruments: simulated.instruments });
});
afterAll(async () => {
  simulated.close();
  await app.close();
});

const id = randomUUID();
const empty = newRig('described');
const rig = applyEdits(
  applyEdits(empty, insertDevice(empty, 0, deviceOfClass('drive', '', 'drive'))),
  { kind: 'connect', row: 'r1', at: 1, cable: null },
);
const longer = applyEdits(rig, setCableLength('l1', 9));
const entry = DEMO_GEAR[0]!;
const backup: { text: string } = { text: '' };

interface Call {
  readonly path?: string;
  readonly body?: unknown;
  readonly sent?: () => string;
  /** A picture, sent as what it is. */
  readonly picture?: () => Promise<Buffer>;
  readonly status?: number;
}

const TEST_ID = randomUUID();
const solid = sharp({ create: { width: 40, height: 30, channels: 3, background: '#864' } }).jpeg();

/** In this order each leaves what the next needs; one call at least for every operation. */
const CALLS: readonly (readonly [string, Call])[] = [
  ['get /health', {}],
  ['get /docs.json', {}],
  ['get /session', {}],
  ['post /session', { body: { passphrase: 'any' } }],
  ['post /session', { body: {}, status: 400 }],
  ['delete /session', {}],
  ['delete /sessions', {}],
  ['post /rigs', { body: { id, rig } }],
  ['post /rigs', { body: { id, rig }, status: 409 }],
  ['put /rigs/{id}', { body: { basedOn: 1, rig: longer } }],
  ['put /rigs/{id}', { body: { basedOn: 1, rig }, status: 409 }],
  ['put /rigs/{id}/state', { body: { from: rig.state, state: rig.state } }],
  ['get /rigs', {}],
  ['get /rigs', { path: '/rigs?sort=sideways', status: 400 }],
  ['get /rigs/names', {}],
  ['get /rigs/{id}', {}],
  ['get /rigs/{id}', { path: `/rigs/${randomUUID()}`, status: 404 }],
  ['get /rigs/{id}/revisions', {}],
  ['get /rigs/{id}/revisions/{revision}', {}],
  ['get /rigs/{id}/revisions/{revision}/difference/{other}', {}],
  [
    'get /rigs/{id}/revisions/{revision}/difference/{other}',
    { path: `/rigs/${id}/revisions/1/difference/999`, status: 404 },
  ],
  ['put /rigs/{id}/revisions/{revision}', { body: { name: 'first night' } }],
  ['get /changes', {}],
  ['get /changes', { path: '/changes?waitS=26', status: 400 }],
  ['put /rigs/{id}/done', { body: { ticks: [DONE] } }],
  ['put /rigs/{id}/done', { body: { ticks: [{ ...DONE, step: '' }] }, status: 400 }],
  ['put /rigs/{id}/tests/{test}', { body: TEST }],
  ['get /rigs/{id}/build', {}],
  ['get /rigs/{id}/build', { path: `/rigs/${randomUUID()}/build`, status: 404 }],
  ['get /rigs/{id}/photo', {}],
  ['get /rigs/{id}/photo/picture', { status: 404 }],
  ['put /rigs/{id}/photo', { picture: () => solid.toBuffer() }],
  ['put /rigs/{id}/photo', { picture: () => Promise.resolve(Buffer.from('none')), status: 422 }],
  ['put /rigs/{id}/photo/lie', { body: LIE }],
  ['put /rigs/{id}/photo/lie', { body: { ...LIE, brightness: 9 }, status: 400 }],
  ['get /rigs/{id}/photo', {}],
  ['get /rigs/{id}/photo/picture', {}],
  ['delete /rigs/{id}/photo', {}],
  ['get /builds', {}],
  ['get /instruments', {}],
  ['post /instruments/{id}/measure', { path: '/instruments/meter/measure', body: METERED }],
  [
    'post /instruments/{id}/measure',
    { path: '/instruments/none/measure', body: METERED, status: 404 },
  ],
  ['post /instruments/{id}/sweep', { path: '/instruments/sweep/sweep', body: SWEPT }],
  ['post /instruments/{id}/sweep', { path: '/instruments/sweep/sweep', body: {}, status: 400 }],
  [
    'post /instruments/{id}/truth',
    { path: '/instruments/meter/truth', body: { connected: METERED.connected } },
  ],
  ['put /measurements/{id}', { body: MEASURED }],
  ['put /measurements/{id}', { body: { ...MEASURED, job: 'guess' }, status: 400 }],
  ['put /measurements/{id}/struck', { body: { struck: 'wrong clip' } }],
  ['get /measurements', {}],
  ['get /measurements/{id}', {}],
  ['put /hearings/{id}', { body: HEARD }],
  ['put /hearings/{id}', { body: { ...HEARD, rig: randomUUID() }, status: 404 }],
  ['get /hearings', {}],
  ['put /hunts/{id}', { body: HUNTED }],
  ['put /hunts/{id}', { body: { ...HUNTED, rig: randomUUID() }, status: 404 }],
  ['put /hunts/{id}', { body: { ...HUNTED, symptom: 'smell' }, status: 400 }],
  ['put /hunts/{id}', { body: { ...HUNTED, symptom: 'squeal' }, status: 409 }],
  ['put /hunts/{id}/setting', { body: { note: 'by the window', weights: { a: 2, b: null } } }],
  ['put /hunts/{id}/setting', { body: {}, status: 400 }],
  [
    'put /hunts/{id}/setting',
    { path: `/hunts/${randomUUID()}/setting`, body: { note: '' }, status: 404 },
  ],
  ['put /hunts/{id}/answers/{answer}', { body: ANSWERED }],
  ['put /hunts/{id}/answers/{answer}', { body: { ...ANSWERED, minutes: -1 }, status: 400 }],
  ['put /hunts/{id}/answers/{answer}/taken-back', { body: { isTakenBack: true } }],
  ['put /hunts/{id}/ending', { body: { ending: ENDED } }],
  ['put /hunts/{id}/ending', { body: { ending: { ...ENDED, finding: 'other' } }, status: 409 }],
  ['put /hunts/{id}/answers/{answer}', { body: ANSWERED, status: 409 }],
  ['get /hunts/{id}', {}],
  ['get /hunts/{id}', { path: `/hunts/${randomUUID()}`, status: 404 }],
  ['get /hunts', {}],
  ['put /off-cuts/{id}', { body: { name: 'Reel', gear: null, lengthM: 0.4, note: '' } }],
  ['get /off-cuts', {}],
  ['delete /off-cuts/{id}', {}],
  ['delete /rigs/{id}', {}],
  ['get /rigs', { path: '/rigs?removed=true' }],
  ['post /rigs/{id}/restore', {}],
  ['post /gear', { body: { items: DEMO_GEAR } }],
  ['get /gear', {}],
  ['get /gear/counts', {}],
  ['get /gear/uses', { path: `/gear/uses?gear=${entry.id}` }],
  ['get /gear/uses', { status: 400 }],
  ['put /gear/{id}', { path: `/gear/${entry.id}`, body: { basedOn: 1, item: entry } }],
  ['put /gear/{id}', { path: '/gear/nobody', body: { basedOn: 1, item: entry }, status: 404 }],
  ['post /gear/remove', { body: { ids: [entry.id] } }],
  ['get /settings', {}],
  ['put /settings', { body: DEFAULT_SETTINGS }],
  ['get /workspace', {}],
  ['post /workspace', { sent: () => backup.text, status: 409 }],
  ['post /workspace', { path: '/workspace?overwrite=true', sent: () => backup.text }],
];

async function call(operation: string, { path, body, sent, picture }: Call) {
  const [method, template] = operation.split(' ') as ['get', string];
  const filled =
    path ??
    template
      .replace('{id}', id)
      .replace('{revision}', '1')
      .replace('{other}', '1')
      .replace('{test}', TEST_ID)
      .replace('{answer}', TEST_ID);
  const question = request(app.url)[method](`/api${filled}`);
  if (picture) return question.set('Content-Type', 'image/jpeg').send(await picture());
  if (sent) return question.set('Content-Type', 'application/x-ndjson').send(sent());
  return body === undefined ? question : question.send(body as object);
}

test('every route is described, and nothing else', () => {
  expect([...OPERATIONS.map(nameOf)].sort()).toEqual(routed());
});

test('every operation is called below', () => {
  expect(new Set(CALLS.map(([operation]) => operation))).toEqual(new Set(OPERATIONS.map(nameOf)));
});

test.each(CALLS)('%s answers as it is described (%#)', async (operation, details) => {
  const answer = await call(operation, details);
  const described = OPERATIONS.find((one) => nameOf(one) === operation)!.status;
  expect(answer.status).toBe(details.status ?? described);
  if (operation === 'get /workspace') {
    backup.text = answer.text ?? (answer.body as Buffer).toString('utf8');
    expect(backup.text.split('\n')[0]).toContain('gullwind-workspace');
    return;
  }
  if (operation.endsWith('/picture') && answer.status === 200) {
    expect(answer.headers['content-type']).toBe('image/jpeg');
    return;
  }
  const body: unknown = answer.status === 204 ? undefined : answer.body;
  expect(misfits(operation, answer.status, body)).toEqual([]);
});

test('an answer that is not as it is described is found', async () => {
  const { body } = await call('get /rigs/{id}', {});
  const stored = body as Record<string, unknown>;
  expect(misfits('get /rigs/{id}', 200, { ...stored, revision: 'one' })).toEqual([
    '/revision must be integer',
  ]);
  expect(misfits('get /rigs/{id}', 200, { ...stored, more: 1 })).toHaveLength(1);
  expect(misfits('get /rigs/{id}', 418, stored)).toEqual(['418 is not described']);
});

test('every name in the description leads somewhere', () => {
  const text = JSON.stringify(description);
  const { schemas } = description.components as { schemas: object };
  const refs = new Set([...text.matchAll(/#\/components\/schemas\/(\w+)/gu)].map(([, one]) => one));
  expect(refs.size).toBeGreaterThan(10);
  expect(Object.keys(schemas)).toEqual(expect.arrayContaining([...refs]));
});
