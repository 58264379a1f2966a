import { readRigId, readSentTest, readSentTicks } from '@gullwind/contract';
import { Router, type Request } from 'express';
import type { Database } from '../db/database';
import { demand } from '../parse';
import { addTest, findRecords, putOffCut, setDone } from './buildStore';
import { demandRig } from '../rigs/demandRig';

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
    const { ticks, offCut } = demand(readSentTicks(request.body));
    await db.transaction(async (tx) => {
      for (const tick of ticks) await setDone(tx, rig, tick);
      if (offCut) await putOffCut(tx, offCut);
    });
    response.json(await findRecords(db, rig));
  });

  return router;
}
