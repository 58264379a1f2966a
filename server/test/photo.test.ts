import { randomUUID } from 'node:crypto';
import { MOST_KEPT_BYTES } from '@gullwind/contract';
import { flatLie } from '@gullwind/core';
import sharp from 'sharp';
import request from 'supertest';
import type { Database } from '../src/db/database';
import { DEMO_RIGS } from '../src/demo/demoRigs';
import {
  findPhoto,
  findPicture,
  keptPicture,
  layPhoto,
  putPhoto,
  removePhoto,
} from '../src/photo/photoStore';
import { reencoded } from '../src/photo/picture';
import { createRig } from '../src/rigs/rigStore';
import { engines, openMigrated } from './support/databases';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';
import { linesIn, partsIn, put } from './support/workspaces';

/// The photograph under a board: what is kept of a picture, on both engines, over HTTP and in backups.

const solid = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#884422' } });

/** With a place, an author and a comment in it. */
const tattling = () =>
  solid(400, 300)
    .withExif({
      IFD0: { Artist: 'Somebody', ImageDescription: 'secret place' },
      IFD3: { GPSLatitude: '47/1 0/1 0/1' },
    })
    .jpeg()
    .toBuffer();

const LIE = {
  points: flatLie({ x0: 0, y0: 0, x1: 0.6 }, { width: 400, height: 300 }),
  brightness: 1.4,
};

describe('what is kept', () => {
  test('only what is in the picture: no metadata, upright, no larger than a screen needs', async () => {
    const sent = await tattling();
    expect(sent.toString('latin1')).toContain('Somebody');
    const { bytes, width, height } = await reencoded(sent);
    expect([width, height]).toEqual([400, 300]);
    const kept = await sharp(bytes).metadata();
    expect([kept.format, kept.exif, kept.icc, kept.xmp, kept.iptc]).toEqual([
      'jpeg',
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(bytes.toString('latin1')).not.toMatch(/Somebody|secret/u);
    const large = await reencoded(await solid(5000, 2500).png().toBuffer());
    expect([large.width, large.height]).toEqual([3200, 1600]);
    const turned = await solid(40, 20).withMetadata({ orientation: 6 }).jpeg().toBuffer();
    expect(await reencoded(turned)).toMatchObject({ width: 20, height: 40 });
  });

  test('what is full of detail is kept in 4 MiB', async () => {
    const noise = await sharp({
      create: {
        width: 3200,
        height: 3200,
        channels: 3,
        background: '#000',
        noise: { type: 'gaussian', mean: 128, sigma: 90 },
      },
    })
      .png()
      .toBuffer();
    expect((await reencoded(noise)).bytes.length).toBeLessThanOrEqual(MOST_KEPT_BYTES);
  });

  test.each<readonly [string, () => Promise<Buffer> | Buffer, RegExp]>([
    [
      'an SVG with script',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
      /no photograph; it must be a JPEG, PNG or WebP/u,
    ],
    ['a text', () => Buffer.from('no picture at all'), /no photograph/u],
    ['nothing', () => Buffer.alloc(0), /no photograph/u],
    [
      '20,000 pixels',
      () => solid(20_000, 10).png().toBuffer(),
      /20,000 pixels across, at most 12,000/u,
    ],
    [
      'half a file',
      async () => (await tattling()).subarray(0, 300),
      /cannot be read; the file may be cut short/u,
    ],
  ])('%s is refused with a sentence', async (_, make, says) => {
    await expect(async () => reencoded(await make())).rejects.toMatchObject({
      code: 'picture-not-kept',
      message: expect.stringMatching(says) as string,
    });
  });
});

describe.each(engines().map((engine) => [engine.name, engine] as const))(
  'a photograph on %s',
  (_, engine) => {
    let db: Database;
    let other: Database;
    beforeAll(async () => {
      [db, other] = [
        await openMigrated(() => engine.open()),
        await openMigrated(() => engine.open()),
      ];
    });
    afterAll(async () => {
      await db.close();
      await other.close();
      engine.stop();
    });

    test('is kept with its rig, goes into a backup and comes back; it goes with its rig', async () => {
      const id = randomUUID();
      await createRig(db, id, DEMO_RIGS[0]!.rig);
      expect(await findPhoto(db, id)).toBeNull();
      await putPhoto(db, id, await reencoded(await tattling()), LIE);
      const first = await findPhoto(db, id);
      expect(first).toMatchObject({ ...LIE, width: 400, height: 300 });
      const darker = { ...LIE, brightness: 0.5 };
      expect(await layPhoto(db, id, darker)).toBe(true);
      expect(await findPhoto(db, id)).toEqual({ ...first, brightness: 0.5 });
      expect(await layPhoto(db, randomUUID(), darker)).toBe(false);
      const lines = await linesIn(db);
      const parts = await partsIn(lines);
      expect(parts.filter(({ kind }) => kind === 'photo')).toEqual([
        { kind: 'photo', rig: id, photo: await keptPicture(db, id) },
      ]);
      await put(other, parts);
      const there = await findPicture(other, id);
      expect((await sharp(Buffer.from(there!, 'base64')).metadata()).width).toBe(400);
      expect(await findPhoto(other, id)).toMatchObject(darker);
      await other.query('delete from rig_revisions where rig_id = $1', [id]);
      await other.query('delete from rigs where id = $1', [id]);
      expect(await findPicture(other, id)).toBeNull();
      await removePhoto(db, id);
      expect(await findPhoto(db, id)).toBeNull();
    });
  },
);

describe('over HTTP', () => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runApp();
  });
  afterAll(() => app.close());

  test('sent, seen, laid and let go of; what cannot be is said in the words of the catalogue', async () => {
    const id = randomUUID();
    await createRig(app.db, id, DEMO_RIGS[0]!.rig);
    const at = `/api/rigs/${id}/photo`;
    const ask = () => request(app.url);
    expect((await ask().get(at).expect(200)).body).toEqual({ photo: null });
    const send = (bytes: Buffer, type: string) =>
      ask().put(at).set('Content-Type', type).send(bytes);
    await expectProblem(send(Buffer.from('<svg/>'), 'image/png'), 422, 'picture-not-kept');
    await expectProblem(send(Buffer.from('<svg/>'), 'image/svg+xml'), 415, 'not-json');
    await expectProblem(send(Buffer.alloc(25 * 2 ** 20, 1), 'image/jpeg'), 413, 'body-too-large');
    const sent = await send(await tattling(), 'image/jpeg').expect(200);
    expect(sent.body).toMatchObject({ photo: { width: 400, height: 300, brightness: 1 } });
    const seen = await ask().get(`${at}/picture`).expect(200).expect('Content-Type', 'image/jpeg');
    expect((await sharp(seen.body as Buffer).metadata()).width).toBe(400);
    const inLine = LIE.points.map((point) => ({ ...point, v: point.u }));
    await expectProblem(
      ask()
        .put(`${at}/lie`)
        .send({ ...LIE, points: inLine }),
      400,
      'invalid-request',
    );
    await expectProblem(
      ask()
        .put(`${at}/lie`)
        .send({ ...LIE, brightness: 9 }),
      400,
      'invalid-request',
    );
    await ask().put(`${at}/lie`).send(LIE).expect(200);
    await ask().delete(at).expect(204);
    await expectProblem(ask().get(`${at}/picture`), 404, 'photo-not-found');
    await expectProblem(ask().put(`${at}/lie`).send(LIE), 404, 'photo-not-found');
    await expectProblem(ask().get(`/api/rigs/${randomUUID()}/photo`), 404, 'rig-not-found');
  });
});
