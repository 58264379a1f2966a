import { readSignIn, type SessionState } from '@gullwind/contract';
import cookieSession from 'cookie-session';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit, type Options } from 'express-rate-limit';
import { KnownError } from '../errors';
import { demandTls, type Reach } from '../guards';
import { demand } from '../parse';
import type { Gatekeeper } from './passphrase';
import { SESSION_MS } from './sessions';

/** Failures within the window: from one address, and from all addresses together that nobody has signed in from. */
const ATTEMPTS = 10;
const ATTEMPTS_OF_ALL = 100;
const WINDOW_MS = 15 * 60_000;

/** Reads and writes the signed cookie of a session; without a passphrase there is none. */
export function keepSession(gate: Gatekeeper | null): RequestHandler {
  if (gate === null) return (_request, _response, next) => next();
  const keep = cookieSession({
    name: 'gullwind_session',
    keys: [gate.signingKey],
    httpOnly: true,
    sameSite: 'strict',
    maxAge: SESSION_MS,
  });
  return (request, response, next) =>
    keep(request, response, () => {
      // What came in by TLS goes back by TLS alone.
      request.sessionOptions.secure = request.secure;
      next();
    });
}

/** A cookie says which session it is of; one that is over, or was ended elsewhere, lets nobody in. */
async function isAdmitted(gate: Gatekeeper | null, { session }: Request): Promise<boolean> {
  if (gate === null) return true;
  return typeof session?.id === 'string' && gate.sessions.isOpen(session.id);
}

/** Lets nobody past who has not signed in; without a gatekeeper (on loopback) everybody is in. */
export function demandSession(gate: Gatekeeper | null): RequestHandler {
  return async (request, _response, next) => {
    if (!(await isAdmitted(gate, request)))
      throw new KnownError('sign-in-required', 'Sign in with the passphrase of this workshop.');
    next();
  };
}

const MOST_KNOWN = 1000;

const limitFailures = (
  limit: number,
  more: Pick<Partial<Options>, 'keyGenerator' | 'skip'>,
): RequestHandler =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit,
    standardHeaders: true,
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    // Who sends what no named proxy said is counted by the address that it comes from.
    validate: { xForwardedForHeader: false },
    handler: () => {
      throw new KnownError('too-many-attempts', `More than ${limit} attempts in 15 minutes.`);
    },
    ...more,
  });

export function sessionRoutes(gate: Gatekeeper | null, reach: Reach): Router {
  const router = Router();
  const stateOf = (signInNeeded: boolean): SessionState => ({
    signInNeeded,
    canSignOut: gate !== null && !signInNeeded,
  });
  const known = new Set<string>();
  // The owner comes from where somebody has signed in before, or with the cookie of an earlier session.
  const isKnown = (request: Request) =>
    known.has(request.ip ?? '') || typeof request.session?.id === 'string';
  const limit = limitFailures(ATTEMPTS, {});
  const limitOfAll = limitFailures(ATTEMPTS_OF_ALL, { keyGenerator: () => 'all', skip: isKnown });

  router.get('/', async (request, response) => {
    response.json(stateOf(!(await isAdmitted(gate, request))));
  });

  router.post('/', demandTls(reach), limit, limitOfAll, async (request, response) => {
    const { passphrase } = demand(readSignIn(request.body));
    if (gate && !(await gate.admits(passphrase)))
      throw new KnownError('sign-in-failed', 'That is not the passphrase.');
    if (gate) request.session = { id: await gate.sessions.begin() };
    if (request.ip && known.size < MOST_KNOWN) known.add(request.ip);
    response.json(stateOf(false));
  });

  router.delete('/', async (request, response) => {
    if (gate && typeof request.session?.id === 'string')
      await gate.sessions.end(request.session.id);
    if (gate) request.session = null;
    response.status(204).end();
  });

  return router;
}
