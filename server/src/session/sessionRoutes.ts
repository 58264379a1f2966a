import { readSignIn, type SessionState } from '@gullwind/contract';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { SESSION_DAYS, type Gatekeeper } from './passphrase';

const COOKIE = 'gullwind_session';
const ATTEMPTS = 10;
const WINDOW_MS = 15 * 60_000;

function tokenOf(request: Request): string {
  const pairs = (request.headers.cookie ?? '').split(/;\s*/u);
  return pairs.find((pair) => pair.startsWith(`${COOKIE}=`))?.slice(COOKIE.length + 1) ?? '';
}

const isAdmitted = (gate: Gatekeeper | null, request: Request): boolean =>
  gate === null || gate.accepts(tokenOf(request), Date.now());

/** Lets nobody past who has not signed in; without a gategate (on loopback) everybody is in. */
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
    if (gate)
      response.cookie(COOKIE, gate.issue(Date.now()), {
        httpOnly: true,
        sameSite: 'strict',
        path: '/',
        maxAge: SESSION_DAYS * 86_400_000,
      });
    response.json({ signInNeeded: false } satisfies SessionState);
  });

  return router;
}
