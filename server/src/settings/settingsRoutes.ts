import { readSettings } from '@gullwind/contract';
import { Router } from 'express';
import type { Database } from '../db/database';
import { demand } from '../parse';
import { findSettings, putSettings } from './settingsStore';

export function settingsRoutes(db: Database): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await findSettings(db));
  });
  router.put('/', async (request, response) => {
    const settings = demand(readSettings(request.body));
    await putSettings(db, settings);
    response.json(settings);
  });
  return router;
}
