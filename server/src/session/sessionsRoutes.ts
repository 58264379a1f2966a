import { Router } from 'express';
import type { Gatekeeper } from './passphrase';

/** Ends every session, this one included: for whoever has lost a machine. */
export function sessionsRoutes(gate: Gatekeeper | null): Router {
  const router = Router();
  router.delete('/', async (request, response) => {
    await gate?.sessions.endAll();
    if (gate) request.session = null;
    response.status(204).end();
  });
  return router;
}
