import { readMeterQuestion, readSweepQuestion, readTruthQuestion } from '@gullwind/contract';
import { Router } from 'express';
import { demand } from '../parse';
import type { Instruments } from './instruments';

/** What measures: only what the server was started with. */
export function instrumentsRoutes(instruments: Instruments): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ instruments: await instruments.list() });
  });

  router.post('/:id/measure', async (request, response) => {
    const question = demand(readMeterQuestion(request.body));
    response.json(await instruments.measure(request.params.id, question));
  });

  router.post('/:id/sweep', async (request, response) => {
    const question = demand(readSweepQuestion(request.body));
    response.json(await instruments.sweep(request.params.id, question));
  });

  router.post('/:id/truth', async (request, response) => {
    const { connected } = demand(readTruthQuestion(request.body));
    response.json(await instruments.truth(request.params.id, connected));
  });

  return router;
}
