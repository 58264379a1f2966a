import { readRigId, readSentDone, readSentTest } from '@gullwind/contract';
import { Router, type Request } from 'express';
import type { Database } from '../db/database';
import { demand } from '../parse';
import { addTest, demandRig, findRecords, setDone } from './buildStore';

/** What happens to a rig at the bench. */
export function rigBuildRoutes(db: Database): Router {
  const router = Router();
  const rigOf = async (request: Request): Promise<string> => {
    const id = demand(readRigId(request.params.id));
    await demandRig(db, id);
    return id;
  };

  router.get('/:id/build', async (request, response) => {
    response.json(await findRecords(db, await rigOf(request)));
  });

  router.put('/:id/tests/:test', async (request, response) => {
    const rig = await rigOf(request);
    const id = demand(readRigId(request.params.test));
    response.json(await addTest(db, rig, id, demand(readSentTest(request.body))));
  });

  router.put('/:id/done', async (request, response) => {
    const rig = await rigOf(request);
    await setDone(db, rig, demand(readSentDone(request.body)));
    response.json(await findRecords(db, rig));
  });

  return router;
}
