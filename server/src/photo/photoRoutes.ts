import { MOST_SENT_BYTES, PICTURE_TYPES, readPhotoLie, readRigId } from '@gullwind/contract';
import { flatLie } from '@gullwind/core';
import express, { Router, type Request } from 'express';
import { demandRig } from '../build/buildStore';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { findPhoto, findPicture, layPhoto, putPhoto, removePhoto } from './photoStore';
import { reencoded } from './picture';

/** Until somebody says where it lies, a picture is so wide, m. */
const USUAL_WIDTH_M = 0.6;

/** The photograph under the board of a rig. */
export function photoRoutes(db: Database): Router {
  const router = Router();
  const rigOf = async (request: Request): Promise<string> => {
    const id = demand(readRigId(request.params.id));
    await demandRig(db, id);
    return id;
  };
  const missing = () => new KnownError('photo-not-found', 'This rig has no photograph.');

  router.get('/:id/photo', async (request, response) => {
    response.json({ photo: await findPhoto(db, await rigOf(request)) });
  });

  router.get('/:id/photo/picture', async (request, response) => {
    const picture = await findPicture(db, await rigOf(request));
    if (picture === null) throw missing();
    response.type('image/jpeg').send(Buffer.from(picture, 'base64'));
  });

  router.put(
    '/:id/photo',
    express.raw({ type: [...PICTURE_TYPES], limit: MOST_SENT_BYTES }),
    async (request, response) => {
      const rig = await rigOf(request);
      const bytes: unknown = request.body;
      const picture = await reencoded(Buffer.isBuffer(bytes) ? bytes : Buffer.alloc(0));
      const before = await findPhoto(db, rig);
      const points = flatLie({ x0: 0, y0: 0, x1: USUAL_WIDTH_M }, picture);
      await putPhoto(db, rig, picture, { points, brightness: before?.brightness ?? 1 });
      response.json({ photo: await findPhoto(db, rig) });
    },
  );

  router.put('/:id/photo/lie', async (request, response) => {
    const rig = await rigOf(request);
    if (!(await layPhoto(db, rig, demand(readPhotoLie(request.body))))) throw missing();
    response.json({ photo: await findPhoto(db, rig) });
  });

  router.delete('/:id/photo', async (request, response) => {
    await removePhoto(db, await rigOf(request));
    response.status(204).end();
  });

  return router;
}
