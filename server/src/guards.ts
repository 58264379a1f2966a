import { isIP } from 'node:net';
import { PICTURE_TYPES } from '@gullwind/contract';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { KnownError } from './errors';

/** The media type of a workspace: lines of JSON. */
export const LINES = 'application/x-ndjson';

const LOOPBACK_NAMES = ['localhost', '127.0.0.1', '[::1]'];

export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){3}$/u.test(host);

const hostName = (host: string): string => host.replace(/:\d+$/u, '').toLowerCase();

/** Where the server is bound, and what people call it by. */
export interface Reach {
  /** The wildcard answers to any address, not to any name. */
  readonly host: string;
  readonly publicUrl: URL | null;
}

/**
 * Answers only to the names it is known by (against DNS rebinding) and, where a browser says so, only
 * to pages of its own (against requests from other sites).
 */
export function checkHostAndOrigin({ host: bound, publicUrl }: Reach): RequestHandler {
  const names = new Set([...LOOPBACK_NAMES, bound.includes(':') ? `[${bound}]` : bound]);
  const wildcard = bound === '0.0.0.0' || bound === '::';
  const isPublic = (host: string) => publicUrl !== null && hostName(host) === publicUrl.hostname;
  const isKnown = (host: string) => {
    const name = hostName(host);
    const isAddress = wildcard && isIP(name.replace(/^\[|\]$/gu, '')) !== 0;
    return names.has(name) || isAddress || isPublic(host);
  };
  // Under its public name only its own pages are heard; a proxy may ask under another name.
  const isOwn = (origin: string, host: string) =>
    origin === publicUrl?.origin ||
    (!isPublic(host) && origin.replace(/^https?:\/\//u, '') === host);
  return (request, _response, next) => {
    const { host = '', origin } = request.headers;
    if (!isKnown(host))
      throw new KnownError('host-not-allowed', `“${host}” is not an address of this server.`);
    if (origin !== undefined && !isOwn(origin, host))
      throw new KnownError('origin-not-allowed', `A page of “${origin}” may not ask here.`);
    next();
  };
}

/** What a browser says of where a question comes from: a page of this server, or nobody but its user. */
const OWN_SITES = ['same-origin', 'none'];

/** Pages of other sites ask nothing, not even what only reads: a picture or a script in one sends no Origin. */
export const demandOwnSite: RequestHandler = (request, _response, next) => {
  const site = request.headers['sec-fetch-site'];
  if (site !== undefined && !OWN_SITES.includes(String(site)))
    throw new KnownError('origin-not-allowed', 'A page of another site may not ask here.');
  next();
};

/** Under a public name with TLS a passphrase is not heard that came in without. */
export function demandTls({ publicUrl }: Reach): RequestHandler {
  return (request, _response, next) => {
    const isPublic = publicUrl && hostName(request.headers.host ?? '') === publicUrl.hostname;
    if (isPublic && publicUrl.protocol === 'https:' && !request.secure)
      throw new KnownError(
        'tls-required',
        `${publicUrl.href} speaks TLS, and this came in without. Name the proxy with --proxy ${request.socket.remoteAddress ?? ''}, and let it send X-Forwarded-Proto.`,
      );
    next();
  };
}

/** A body must say that it is JSON, lines of it, or a picture, which a form of another site cannot. */
export const demandJson: RequestHandler = (request, _response, next) => {
  const hasBody =
    request.headers['content-length'] !== undefined ||
    request.headers['transfer-encoding'] !== undefined;
  if (
    hasBody &&
    request.headers['content-length'] !== '0' &&
    !request.is(['application/json', LINES, ...PICTURE_TYPES])
  ) {
    throw new KnownError('not-json', 'The body must be sent as application/json.');
  }
  next();
};

const headers = (scriptSrc: readonly string[]): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: [...scriptSrc],
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

const PLAIN = headers(["'self'"]);
const COMPILING = headers(["'self'", "'wasm-unsafe-eval'"]);

/** The worker with the solver, which is WebAssembly; its policy is its own, and no page gets it. */
const SOLVER = /^\/assets\/solver\.worker-[\w-]+\.js$/u;

/** Everything is shipped with the app: nothing may be fetched from elsewhere. */
export const securityHeaders: RequestHandler = (request, response, next) =>
  (SOLVER.test(request.path) ? COMPILING : PLAIN)(request, response, next);
