import { MOST_SENT_BYTES, PICTURE_TYPES, readPhotoLie, readRigId } from '@gullwind/contract';
import { flatLie, type PhotoLie } from '@gullwind/core';
import express, { Router, type Request } from 'express';
import { demandRig } from '../rigs/demandRig';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { bodiesAtOnce } from '../bodiesAtOnce';
import { demand } from '../parse';
import { findPhoto, findPicture, layPhoto, putPhoto, removePhoto } from './photoStore';
import { demandShape, reencoded, type Picture } from './picture';

/** Until somebody says where it lies, a picture is so wide, m. */
const USUAL_WIDTH_M = 0.6;

/** A picture takes fifty times the memory of its file while it is made anew. */
const PICTURES_AT_ONCE = 2;

/** Reads a picture that is sent and makes it anew: long before anything is written. */
export function pictureBodies(): Router {
  const router = Router();
  router
    .route('/:id/photo')
    .put(
      bodiesAtOnce(PICTURES_AT_ONCE),
      express.raw({ type: [...PICTURE_TYPES], limit: MOST_SENT_BYTES }),
      async (request, response, next) => {
        const bytes: unknown = request.body;
        const picture = await reencoded(Buffer.isBuffer(bytes) ? bytes : Buffer.alloc(0));
        demandShape(picture);
        response.locals.picture = picture;
        next();
      },
    );
  return router;
}

/** How a picture that is put back lay before; null where it is a new one. */
function lieIn(query: unknown): PhotoLie | null {
  if (query === undefined) return null;
  try {
    return demand(readPhotoLie(JSON.parse(String(query))));
  } catch (error) {
    if (error instanceof SyntaxError)
      throw new KnownError('invalid-request', 'lie: it is no JSON.');
    throw error;
  }
}

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

  router.put('/:id/photo', async (request, response) => {
    const rig = await rigOf(request);
    const picture = response.locals.picture as Picture;
    const lie = lieIn(request.query.lie) ?? {
      points: flatLie({ x0: 0, y0: 0, x1: USUAL_WIDTH_M }, picture),
      brightness: (await findPhoto(db, rig))?.brightness ?? 1,
    };
    await putPhoto(db, rig, picture, lie);
    response.json({ photo: await findPhoto(db, rig) });
  });

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
