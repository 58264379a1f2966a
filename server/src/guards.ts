import { isIP } from 'node:net';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { KnownError } from './errors';

/** The media type of a workspace: lines of JSON. */
export const LINES = 'application/x-ndjson';

const LOOPBACK_NAMES = ['localhost', '127.0.0.1', '[::1]'];

export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){3}$/u.test(host);

const hostName = (host: string): string => host.replace(/:\d+$/u, '').toLowerCase();

/**
 * Answers only to the names it is known by (against DNS rebinding) and, where a browser says so, only
 * to pages of its own (against requests from other sites).
 *
 * @param boundHost the address the server is bound to; the wildcard answers to any address, not to any name
 */
export function checkHostAndOrigin(boundHost: string): RequestHandler {
  const names = new Set([
    ...LOOPBACK_NAMES,
    boundHost.includes(':') ? `[${boundHost}]` : boundHost,
  ]);
  const wildcard = boundHost === '0.0.0.0' || boundHost === '::';
  const isKnown = (name: string) =>
    names.has(name) || (wildcard && isIP(name.replace(/^\[|\]$/gu, '')) !== 0);
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!isKnown(hostName(host)))
      throw new KnownError('host-not-allowed', `“${host}” is not an address of this server.`);
    const { origin } = request.headers;
    if (origin !== undefined && origin.replace(/^https?:\/\//u, '') !== host) {
      throw new KnownError('origin-not-allowed', `A page of “${origin}” may not ask here.`);
    }
    next();
  };
}

/** A body must say that it is JSON, or lines of it, which a form of another site cannot. */
export const demandJson: RequestHandler = (request, _response, next) => {
  const hasBody =
    request.headers['content-length'] !== undefined ||
    request.headers['transfer-encoding'] !== undefined;
  if (
    hasBody &&
    request.headers['content-length'] !== '0' &&
    !request.is(['application/json', LINES])
  ) {
    throw new KnownError('not-json', 'The body must be sent as application/json.');
  }
  next();
};

/** So many bodies are read and worked on at once; others wait: all at once would need the memory of all of them. */
export function bodiesAtOnce(most: number): RequestHandler {
  let busy = 0;
  const waiting: (() => void)[] = [];
  const leave = () => {
    busy--;
    waiting.shift()?.();
  };
  return (request, response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') return next();
    const enter = () => {
      busy++;
      // Who has gone while waiting is let go of.
      if (response.closed) return leave();
      response.once('close', leave);
      next();
    };
    if (busy < most) enter();
    else waiting.push(enter);
  };
}

/** Everything is shipped with the app: nothing may be fetched from elsewhere. */
export const securityHeaders: RequestHandler = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      workerSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  strictTransportSecurity: false,
});
