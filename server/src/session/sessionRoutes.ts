import { readSignIn, type SessionState } from '@gullwind/contract';
import cookieSession from 'cookie-session';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { KnownError } from '../errors';
import { demand } from '../parse';
import type { Gatekeeper } from './passphrase';

const ATTEMPTS = 10;
const WINDOW_MS = 15 * 60_000;
const SESSION_MS = 30 * 86_400_000;

/** Reads and writes the signed cookie of a session; without a passphrase there is none. */
export const keepSession = (gate: Gatekeeper | null): RequestHandler =>
  gate === null
    ? (_request, _response, next) => next()
    : cookieSession({
        name: 'gullwind_session',
        keys: [gate.signingKey],
        httpOnly: true,
        sameSite: 'strict',
        maxAge: SESSION_MS,
      });

/** A cookie that a browser keeps too long is over all the same. */
const isAdmitted = (gate: Gatekeeper | null, { session }: Request): boolean =>
  gate === null || Number(session?.until) > Date.now();

/** Lets nobody past who has not signed in; without a gatekeeper (on loopback) everybody is in. */
export function demandSession(gate: Gatekeeper | null): RequestHandler {
  return (request, _response, next) => {
    if (!isAdmitted(gate, request))
      throw new KnownError('sign-in-required', 'Sign in with the passphrase of this workshop.');
    next();
  };
}

export function sessionRoutes(gate: Gatekeeper | null): Router {
  const router = Router();
  const limit = rateLimit({
    windowMs: WINDOW_MS,
    limit: ATTEMPTS,
    standardHeaders: true,
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: () => {
      throw new KnownError('too-many-attempts', `More than ${ATTEMPTS} attempts in 15 minutes.`);
    },
  });

  router.get('/', (request, response) => {
    response.json({ signInNeeded: !isAdmitted(gate, request) } satisfies SessionState);
  });

  router.post('/', limit, async (request, response) => {
    const { passphrase } = demand(readSignIn(request.body));

    if (gate && !(await gate.admits(passphrase)))
      throw new KnownError('sign-in-failed', 'That is not the passphrase.');
    if (gate) request.session = { until: Date.now() + SESSION_MS };
    response.json({ signInNeeded: false } satisfies SessionState);
  });

  return router;
}
