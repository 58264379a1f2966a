import { readRigId, readSentOffCut } from '@gullwind/contract';
import { Router } from 'express';
import type { Database } from '../db/database';
import { demand } from '../parse';
import { findOffCuts, putOffCut, removeOffCut } from './buildStore';

/** Pieces of cable that the workshop has left. */
export function offCutRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ offCuts: await findOffCuts(db) });
  });

  router.put('/:id', async (request, response) => {
    const id = demand(readRigId(request.params.id));
    await putOffCut(db, { id, ...demand(readSentOffCut(request.body)) });
    response.json({ offCuts: await findOffCuts(db) });
  });

  router.delete('/:id', async (request, response) => {
    await removeOffCut(db, demand(readRigId(request.params.id)));
    response.status(204).end();
  });

  return router;
}
