import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino } from 'pino';
import { createApp } from '../../src/app';
import { ChangeFeed } from '../../src/changes/changeFeed';
import type { Database } from '../../src/db/database';
import { openPglite } from '../../src/db/pgliteDatabase';
import type { FreeBytes } from '../../src/db/room';
import { Instruments } from '../../src/instruments/instruments';
import { Gatekeeper } from '../../src/session/passphrase';
import { openMigrated, TEMPLATE, temporaryFolder } from './databases';

export interface RunningApp {
  readonly url: string;
  readonly db: Database;
  readonly log: string[];
  close(): Promise<void>;
}

/** The real app over a real socket with a real engine. */
export async function runApp(
  options: {
    passphrase?: string;
    webFolder?: string;
    host?: string;
    publicUrl?: URL | null;
    proxies?: readonly string[];
    instruments?: Instruments;
    /** The room on the disk; without it nobody asks. */
    free?: FreeBytes | null;
    /** Another engine than the usual one. */
    open?: () => Promise<Database>;
  } = {},
): Promise<RunningApp> {
  const { passphrase, webFolder = null, host = '127.0.0.1' } = options;
  const { publicUrl = null, proxies = [], instruments = new Instruments([], []) } = options;
  const { free = null } = options;
  const folder = temporaryFolder();
  const usual = () => openPglite(join(folder, 'store'), { template: TEMPLATE });
  const db = await openMigrated(options.open ?? usual);
  const gate = passphrase === undefined ? null : await Gatekeeper.open(db, passphrase);
  const feed = new ChangeFeed(db);
  const log: string[] = [];
  const logger = pino({ level: 'error' }, { write: (line: string) => log.push(line) });
  const http: Server = createServer(
    createApp({
      reach: { host, publicUrl },
      proxies,
      logger,
      webFolder,
      backend: Promise.resolve({ db, feed, gate, folder, free, instruments }),
    }),
  );
  await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(http.address() as AddressInfo).port}`,
    db,
    log,
    close: async () => {
      feed.close();
      http.closeAllConnections();
      await new Promise((resolve) => http.close(resolve));
      await db.close();
    },
  };
}
