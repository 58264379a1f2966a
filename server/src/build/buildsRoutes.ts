import { Router } from 'express';
import type { Database } from '../db/database';
import { listBuilds } from './workshop';

/** What is due in the workshop. */
export function buildsRoutes(db: Database): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ builds: await listBuilds(db) });
  });
  return router;
}
