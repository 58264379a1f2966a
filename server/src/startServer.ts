import { readFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { createApp, type Backend } from './app';
import { ChangeFeed } from './changes/changeFeed';
import type { Database } from './db/database';
import { lockDirectory } from './db/directoryLock';
import { migrate, readMigrations } from './db/migrate';
import { nameFeed } from './changes/changeStore';
import { takeFromOthers } from './db/ownerOnly';
import { isDatabase, openPglite } from './db/pgliteDatabase';
import { openPostgres } from './db/postgresDatabase';
import { demandRoomToStart, freeBytesIn } from './db/room';
import { seedDemo } from './demo/seedDemo';
import { Instruments } from './instruments/instruments';
import type { ServerOptions } from './options';
import { keepHouse } from './rigs/housekeeping';
import { failureOf } from './errors';
import { fillListings } from './rigs/listings';
import { upgradeRigs } from './rigs/upgradeRigs';
import { Gatekeeper } from './session/passphrase';
import { followRestores } from './workspace/followRestores';
import { runWorkspaceCommand, type WorkspaceCommand } from './workspace/workspaceCommand';

export interface ServerPaths {
  readonly migrations: string;
  readonly template: string;
  readonly web: string | null;
}

export interface RunningServer {
  readonly address: string;
  /** Finishes what is in flight and closes the database. */
  stop(): Promise<void>;
}

/** What is in flight when the server stops has so long to end. */
const GRACE_MS = 2000;
/** Files and the database need descriptors, too: of 1,024, which is what many systems give, so many are left for them. */
const MOST_CONNECTIONS = 512;
/** A request says what it wants within so long, or its place goes to another. */
const HEAD_WITHIN_MS = 10_000;
const LOOK_EVERY_MS = 2000;
/** Who waited for the start comes before the housekeeping. */
const HOUSEKEEPING_AFTER_MS = 2000;
const HTTP = { headersTimeout: HEAD_WITHIN_MS, connectionsCheckingInterval: LOOK_EVERY_MS };

/**
 * Locks the data directory, listens, and opens the database; resolves when everything can be used.
 * The page is served from the moment of listening.
 *
 * @throws DirectoryInUse before anything in the directory is touched; Error when the port is taken
 */
export async function startServer(
  options: ServerOptions,
  paths: ServerPaths,
  logger: Logger,
): Promise<RunningServer> {
  const http = await makeServer(options.tls);
  http.maxConnections = MOST_CONNECTIONS;
  const restores = followRestores(http);
  const lock = options.databaseUrl ? null : await lockDirectory(options.dataFolder);
  const address = await listen(http, options);
  const backend = openBackend(options, paths);
  const { publicUrl, proxies, host } = options;
  const reach = { host, publicUrl };
  http.on('request', createApp({ reach, proxies, logger, webFolder: paths.web, backend }));
  const { db, feed, free } = await backend;
  let leaveHouse = async () => {};
  const moveIn = setTimeout(() => {
    leaveHouse = keepHouse(db, free, (error) =>
      logger.error({ err: failureOf(error) }, 'housekeeping'),
    );
  }, HOUSEKEEPING_AFTER_MS);
  return {
    address,
    stop: async () => {
      feed.close();
      const closed = new Promise((resolve) => http.close(resolve));
      http.closeIdleConnections();
      // Who sends nothing, or half of something, is not waited for.
      const late = setTimeout(
        () => void restores.answered().then(() => http.closeAllConnections()),
        GRACE_MS,
      );
      await closed;
      clearTimeout(late);
      clearTimeout(moveIn);
      await leaveHouse();
      await db.close();
      await lock?.release();
    },
  };
}

/**
 * Backs up or restores what a data directory holds, with nothing served meanwhile.
 *
 * @returns what was done, in a sentence; @throws DirectoryInUse, or Error with a sentence
 */
export async function runCommand(
  options: ServerOptions,
  paths: ServerPaths,
  command: WorkspaceCommand,
): Promise<string> {
  const lock = options.databaseUrl ? null : await lockDirectory(options.dataFolder);
  try {
    const db = await openMigrated(options, paths);
    try {
      return await runWorkspaceCommand(db, command);
    } finally {
      await db.close();
    }
  } finally {
    await lock?.release();
  }
}

async function openMigrated(options: ServerOptions, paths: ServerPaths): Promise<Database> {
  const db = await openDatabase(options, paths);
  await migrate(db, await readMigrations(paths.migrations));
  await nameFeed(db);
  await upgradeRigs(db);
  await fillListings(db);
  return db;
}

async function openBackend(options: ServerOptions, paths: ServerPaths): Promise<Backend> {
  const db = await openMigrated(options, paths);
  if (options.demo) await seedDemo(db);
  const gate = options.passphrase === null ? null : await Gatekeeper.open(db, options.passphrase);
  const instruments = new Instruments(options.meters, options.sweeps);
  const feed = new ChangeFeed(db);
  const { dataFolder: folder, databaseUrl } = options;
  // Another machine's disk is that one's to look after.
  const free = databaseUrl ? null : freeBytesIn(folder);
  return { db, feed, gate, folder, free, instruments };
}

async function openDatabase(
  { databaseUrl, dataFolder }: ServerOptions,
  { template }: ServerPaths,
): Promise<Database> {
  if (databaseUrl) return openPostgres(databaseUrl);
  await takeFromOthers(dataFolder);
  const store = join(dataFolder, 'store');
  await demandRoomToStart(dataFolder, isDatabase(store));
  return openPglite(store, { template });
}

async function makeServer(tls: ServerOptions['tls']): Promise<Server> {
  if (!tls) return createServer(HTTP);
  const read = (path: string) =>
    readFile(path).catch((error: Error) => {
      throw new Error(`--tls: ${path} could not be read: ${error.message}`);
    });
  const [cert, key] = [await read(tls.cert), await read(tls.key)];
  try {
    return createTlsServer({ ...HTTP, cert, key });
  } catch (error) {
    throw new Error(
      `--tls: ${tls.cert} and ${tls.key} are no certificate and its key: ${(error as Error).message}`,
      { cause: error },
    );
  }
}

function listen(http: Server, { host, port, tls }: ServerOptions): Promise<string> {
  return new Promise((resolve, reject) => {
    http.once('error', (error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE';
      reject(
        taken
          ? new Error(`Port ${port} is taken by another program. Choose another with --port.`)
          : error,
      );
    });
    http.listen(port, host, () => {
      const bound = http.address() as AddressInfo;
      resolve(
        `${tls ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${bound.port}/`,
      );
    });
  });
}
