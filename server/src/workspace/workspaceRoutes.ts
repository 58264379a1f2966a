import { readRestore } from '@gullwind/contract';
import { Router } from 'express';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { findWorkspace, restoreWorkspace } from './workspaceStore';

export function workspaceRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await findWorkspace(db));
  });

  router.post('/', async (request, response) => {
    const { workspace, overwrite } = demand(readRestore(request.body));
    const restored = await restoreWorkspace(db, workspace, overwrite);
    if (!restored) {
      throw new KnownError(
        'workspace-not-empty',
        'There are rigs or gear here already. Nothing was changed; say that they are to be overwritten.',
      );
    }
    response.json(restored);
  });

  return router;
}
