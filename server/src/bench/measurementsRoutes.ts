import { readMeasurementQuery, readRigId, readSentMeasured, readStruck } from '@gullwind/contract';
import type { Measurement } from '@gullwind/core';
import { Router } from 'express';
import { demandRig } from '../rigs/demandRig';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { demandItem } from '../gear/demandItem';
import { demand } from '../parse';
import { addMeasurement, findMeasurement, listMeasurements, strike } from './benchStore';

/** What was measured. */
export function measurementsRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await listMeasurements(db, demand(readMeasurementQuery(request.query))));
  });

  router.get('/:id', async (request, response) => {
    response.json(await demandMeasurement(db, demand(readRigId(request.params.id))));
  });

  router.put('/:id', async (request, response) => {
    const id = demand(readRigId(request.params.id));
    const { sent, accepted } = demand(readSentMeasured(request.body));
    if (sent.rig !== null) await demandRig(db, sent.rig);
    const kept = await db.transaction(async (tx) => {
      if (accepted) await demandItem(tx, accepted);
      return addMeasurement(tx, id, sent);
    });
    response.json(kept);
  });

  router.put('/:id/struck', async (request, response) => {
    const id = demand(readRigId(request.params.id));
    await strike(db, id, demand(readStruck(request.body)).struck);
    response.json(await demandMeasurement(db, id));
  });

  return router;
}

async function demandMeasurement(db: Database, id: string): Promise<Measurement> {
  const found = await findMeasurement(db, id);
  if (!found) throw new KnownError('measurement-not-found', `There is no measurement “${id}”.`);
  return found;
}
