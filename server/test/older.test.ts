import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { RigPage, StoredRig } from '@gullwind/contract';
import { applyEdits, mainRow, RIG_FORMAT, setCableLength, type Rig } from '@gullwind/core';
import request from 'supertest';
import { runApp, type RunningApp } from './support/runningApp';

/// What every earlier format kept is opened, edited, saved, backed up and restored.

const older = (file: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../contract/test/older/${file}`, import.meta.url), 'utf8'));

let app: RunningApp;
let fresh: RunningApp;
beforeAll(async () => {
  [app, fresh] = [await runApp(), await runApp()];
});
afterAll(async () => {
  await app.close();
  await fresh.close();
});

const textOf = async ({ url }: RunningApp): Promise<string> =>
  (await fetch(`${url}/api/workspace`)).text();

const restore = ({ url }: RunningApp, text: string) =>
  request(url)
    .post('/api/workspace')
    .query({ overwrite: true })
    .type('application/x-ndjson')
    .send(text);

const open = async ({ url }: RunningApp, id: string): Promise<StoredRig> =>
  (await request(url).get(`/api/rigs/${id}`).expect(200)).body as StoredRig;

/** Changes a cable and saves, backs everything up, and finds it on a fresh machine. */
async function workOn(id: string): Promise<void> {
  const { rig, revision } = await open(app, id);
  expect(rig.format).toBe(RIG_FORMAT);
  const cable = mainRow(rig).cables.find((one) => one !== null)!;
  const edited: Rig = applyEdits(rig, setCableLength(cable.id, 4.2));
  await request(app.url)
    .put(`/api/rigs/${id}`)
    .send({ basedOn: revision, rig: edited })
    .expect(200);
  await restore(fresh, await textOf(app)).expect(200);
  expect((await open(fresh, id)).rig).toEqual(JSON.parse(JSON.stringify(edited)));
  const { rigs } = (await request(fresh.url).get('/api/rigs').expect(200)).body as RigPage;
  expect(rigs.find((one) => one.id === id)).toMatchObject({ unreadable: null });
}

const rigs = [...(older('rigs1.json') as object[]), ...(older('rigs.json') as object[])] as {
  rig: { format: number };
}[];

test.each([1, 2, 3])('a rig of format %d', async (format) => {
  const { rig } = rigs.find((one) => one.rig.format === format)!;
  const id = randomUUID();
  await request(app.url).post('/api/rigs').send({ id, rig }).expect(201);
  await workOn(id);
});

test.each([
  [1, 'workspace.json'],
  [2, 'workspace2.json'],
])('a workspace of format %d', async (format, file) => {
  const workspace = older(file) as { format: number; rigs: { id: string; deletedAt: unknown }[] };
  expect(workspace.format).toBe(format);
  await restore(app, JSON.stringify(workspace)).expect(200);
  const kept = workspace.rigs.filter(({ deletedAt }) => deletedAt === null);
  expect(kept.length).toBeGreaterThan(1);
  for (const { id } of kept) await workOn(id);
});
