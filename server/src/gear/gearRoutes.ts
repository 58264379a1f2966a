import { Router } from 'express';
import type { Database } from '../db/database';
import { listGear } from './gearStore';

export function gearRoutes(db: Database): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ items: await listGear(db) });
  });
  return router;
}
