import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { Router, type Express, type RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { errorsPage } from './errorsPage';
import { idOf, nameRequest } from './requestId';
import type { Database } from './db/database';
import { openApi } from './api/openApi';
import { answerErrors, KnownError } from './errors';
import { gearRoutes } from './gear/gearRoutes';
import { bodiesAtOnce } from './bodiesAtOnce';
import {
  checkHostAndOrigin,
  demandJson,
  demandOwnSite,
  securityHeaders,
  type Reach,
} from './guards';
import { rigRoutes } from './rigs/rigRoutes';
import type { Gatekeeper } from './session/passphrase';
import { demandSession, keepSession, sessionRoutes } from './session/sessionRoutes';
import { sessionsRoutes } from './session/sessionsRoutes';
import { buildsRoutes } from './build/buildsRoutes';
import type { ChangeFeed } from './changes/changeFeed';
import { changesRoutes, noteChanges } from './changes/changesRoutes';
import { RequestDatabase } from './db/requestDatabase';
import { demandRoomToWrite, type FreeBytes } from './db/room';
import { answerOnce } from './operations/answerOnce';
import { offCutRoutes } from './build/offCutRoutes';
import { rigBuildRoutes } from './build/rigBuildRoutes';
import { pictureBodies, photoRoutes } from './photo/photoRoutes';
import { huntsRoutes } from './hunts/huntsRoutes';
import { hearingsRoutes } from './bench/hearingsRoutes';
import { measurementsRoutes } from './bench/measurementsRoutes';
import type { Instruments } from './instruments/instruments';
import { instrumentsRoutes } from './instruments/instrumentsRoutes';
import { COMMIT, VERSION } from './version';
import { settingsRoutes } from './settings/settingsRoutes';
import { workspaceRoutes } from './workspace/workspaceRoutes';

/** The largest rig (64 devices) is about 60 KiB of JSON; an import of gear can be ten thousand entries. */
const BODY_LIMIT = '2mb';
const SIGN_IN_LIMIT = '8kb';
const GEAR_LIMIT = '32mb';

/** What the API needs and the page does not: it may still be opening when the page is asked for. */
export interface Backend {
  readonly db: Database;
  readonly feed: ChangeFeed;
  /** Null where no passphrase is set, and no sign-in asked for. */
  readonly gate: Gatekeeper | null;
  /** Where large texts pass through. */
  readonly folder: string;
  /** The room there; null where the database has a disk of its own. */
  readonly free: FreeBytes | null;
  readonly instruments: Instruments;
}

export interface AppOptions {
  readonly reach: Reach;
  /** Addresses of proxies that are believed. */
  readonly proxies: readonly string[];
  readonly logger: Logger;
  /** Folder of the built page; null serves the API alone. */
  readonly webFolder: string | null;
  readonly backend: Promise<Backend>;
}

/** The page is served at once; requests to the API wait until the database is open. */
export function createApp(options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', [...options.proxies]);
  app.use(nameRequest, logRequests(options.logger));
  app.use(securityHeaders, checkHostAndOrigin(options.reach), compression());
  app.use('/api', demandOwnSite, apiWhenReady(options));
  app.get('/docs/errors', errorsPage);
  if (options.webFolder) app.use(pageRoutes(options.webFolder));
  app.use((request) => {
    throw new KnownError(
      'route-not-found',
      `There is nothing at ${request.method} ${request.path}.`,
    );
  });
  app.use(answerErrors());
  return app;
}

/** A line of the log names the request by its id; what was asked and by whom is not in it. */
const logRequests = (logger: Logger) =>
  pinoHttp({
    logger,
    autoLogging: false,
    genReqId: idOf,
    serializers: { req: ({ id }: { readonly id: string }) => ({ id }) },
  });

function apiWhenReady({ backend, reach }: AppOptions): Router {
  const router = Router();
  const routes = backend.then((ready) => apiRoutes(ready, reach));
  // The process that opens the backend reports its failure; here it must only not go unhandled.
  routes.catch(() => undefined);
  router.use(async (request, response, next) => (await routes)(request, response, next));
  return router;
}

function apiRoutes(backend: Backend, reach: Reach): Router {
  const { db: whole, feed, gate, folder, free, instruments } = backend;
  const router = Router();
  const db = new RequestDatabase(whole);
  router.use((_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  router.use(demandJson, keepSession(gate));
  router.get('/health', (_request, response) => {
    response.json({ state: 'ready', version: VERSION, commit: COMMIT });
  });
  // Signing in is written, too.
  if (free) router.use(demandRoomToWrite(free));
  // Who has not come in is heard no further than a passphrase is long, unpacked.
  router.use('/session', express.json({ limit: SIGN_IN_LIMIT }), sessionRoutes(gate, reach));
  router.use(demandSession(gate));
  router.use('/sessions', sessionsRoutes(gate));
  router.get('/docs.json', describeApi());
  router.use('/gear', bodiesAtOnce(4), express.json({ limit: GEAR_LIMIT }));
  router.use(express.json({ limit: BODY_LIMIT }));
  router.use('/rigs', pictureBodies());
  // Bodies are read and pictures made before a transaction begins: nothing in one waits for a client.
  router.use(noteChanges(feed), answerOnce(db));
  router.use('/changes', changesRoutes(feed));
  router.use('/rigs', rigRoutes(db), rigBuildRoutes(db), photoRoutes(db));
  router.use('/builds', buildsRoutes(db));
  router.use('/off-cuts', offCutRoutes(db));
  router.use('/gear', gearRoutes(db));
  router.use('/instruments', instrumentsRoutes(instruments));
  router.use('/measurements', measurementsRoutes(db));
  router.use('/hearings', hearingsRoutes(db));
  router.use('/hunts', huntsRoutes(db));
  router.use('/settings', settingsRoutes(db));
  router.use('/workspace', workspaceRoutes(db, { folder, free }));
  return router;
}

/** What can be asked here, for whoever writes a script; made when it is first asked for. */
function describeApi(): RequestHandler {
  let description: Promise<object> | null = null;
  return async (_request, response) => {
    response.json(await (description ??= openApi()));
  };
}

/** Built files carry a hash in their names and never change; the page itself is asked for every time. */
function pageRoutes(folder: string): Router {
  const router = Router();
  const page = join(folder, 'index.html');
  router.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: true }),
  );
  router.use(express.static(folder, { index: false, maxAge: 0 }));
  router.get(/^\/(?!api\/|assets\/)[^.]*$/u, (_request, response, next) => {
    if (!existsSync(page)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
  return router;
}
