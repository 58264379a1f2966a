import { readRigId, readSentMeasurement, readStruck } from '@gullwind/contract';
import { Router } from 'express';
import { demandRig } from '../build/buildStore';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { addMeasurement, findMeasurement, findMeasurements, strike } from './benchStore';

/** What was measured. */
export function measurementsRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ measurements: await findMeasurements(db) });
  });

  router.put('/:id', async (request, response) => {
    const id = demand(readRigId(request.params.id));
    const sent = demand(readSentMeasurement(request.body));
    if (sent.rig !== null) await demandRig(db, sent.rig);
    response.json(await addMeasurement(db, id, sent));
  });

  router.put('/:id/struck', async (request, response) => {
    const id = demand(readRigId(request.params.id));
    await strike(db, id, demand(readStruck(request.body)).struck);
    const found = await findMeasurement(db, id);
    if (!found) throw new KnownError('measurement-not-found', `There is no measurement “${id}”.`);
    response.json(found);
  });

  return router;
}
