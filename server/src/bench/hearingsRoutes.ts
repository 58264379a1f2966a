import { readRigId, readSentHearing } from '@gullwind/contract';
import { Router } from 'express';
import { demandRig } from '../rigs/demandRig';
import type { Database } from '../db/database';
import { demand } from '../parse';
import { addHearing, findHearings } from './benchStore';

/** What was heard. */
export function hearingsRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ hearings: await findHearings(db) });
  });

  router.put('/:id', async (request, response) => {
    const id = demand(readRigId(request.params.id));
    const heard = demand(readSentHearing(request.body));
    if (heard.rig !== null) await demandRig(db, heard.rig);
    response.json(await addHearing(db, id, heard));
  });

  return router;
}
