import {
  readHuntSetting,
  readRigId,
  readSentAnswer,
  readSentEnding,
  readSentHunt,
  readTakenBack,
} from '@gullwind/contract';
import { Router, type Request } from 'express';
import { demandRig } from '../rigs/demandRig';
import type { Database } from '../db/database';
import { demand } from '../parse';
import {
  addAnswer,
  beginHunt,
  demandHunt,
  endHunt,
  findHunts,
  setHunt,
  takeBack,
} from './huntStore';

/** Hunts for a fault. */
export function huntsRoutes(db: Database): Router {
  const router = Router();
  const idOf = (request: Request): string => demand(readRigId(request.params.id));
  const answerOf = (request: Request): string => demand(readRigId(request.params.answer));

  router.get('/', async (request, response) => {
    const { rig } = request.query;
    const hunts = await findHunts(db, rig === undefined ? null : demand(readRigId(rig)));
    response.json({ hunts });
  });

  router.get('/:id', async (request, response) => {
    response.json(await demandHunt(db, idOf(request)));
  });

  router.put('/:id', async (request, response) => {
    const id = idOf(request);
    const hunt = demand(readSentHunt(request.body));
    if (hunt.rig !== null) await demandRig(db, hunt.rig);
    response.json(await beginHunt(db, id, hunt));
  });

  router.put('/:id/setting', async (request, response) => {
    response.json(await setHunt(db, idOf(request), demand(readHuntSetting(request.body))));
  });

  router.put('/:id/answers/:answer', async (request, response) => {
    const answer = demand(readSentAnswer(request.body));
    response.json(await addAnswer(db, idOf(request), answerOf(request), answer));
  });

  router.put('/:id/answers/:answer/taken-back', async (request, response) => {
    const { isTakenBack } = demand(readTakenBack(request.body));
    response.json(await takeBack(db, idOf(request), answerOf(request), isTakenBack));
  });

  router.put('/:id/ending', async (request, response) => {
    const { ending } = demand(readSentEnding(request.body));
    response.json(await endHunt(db, idOf(request), ending));
  });

  return router;
}
