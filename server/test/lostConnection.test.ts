import { EventEmitter } from 'node:events';
import type { ErrorCode } from '@gullwind/contract';
import type pg from 'pg';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { Instruments } from '../src/instruments/instruments';
import request from 'supertest';
import { createApp } from '../src/app';
import { ChangeFeed } from '../src/changes/changeFeed';
import type { Database } from '../src/db/database';
import { PostgresDatabase } from '../src/db/postgresDatabase';
import { expectProblem } from './support/expectProblem';

/// A database server that is started anew, or lost, while requests are at work.

const coded = (words: string, code: string) => Object.assign(new Error(words), { code });
const LOST = coded('terminating connection', '57P01');

test('a connection lost in a transaction is told to who waits, thrown away, and ends nothing', async () => {
  const released: unknown[] = [];
  const client = Object.assign(new EventEmitter(), {
    query: async (sql: string) => {
      if (sql === 'begin') return { rows: [] };
      client.emit('error', LOST);
      throw LOST;
    },
    release: (error: unknown) => released.push(error),
  });
  const db = new PostgresDatabase({ connect: async () => client } as unknown as pg.Pool);
  await expect(db.transaction((tx) => tx.query('select 1'))).rejects.toBe(LOST);
  expect(released).toEqual([LOST]);
  expect(client.listenerCount('error')).toBe(0);
});

test.each<[string, Error, number, ErrorCode]>([
  ['started anew', LOST, 503, 'database-away'],
  ['not there', coded('connect', 'ECONNREFUSED'), 503, 'database-away'],
  ['cut off', new Error('Connection terminated unexpectedly'), 503, 'database-away'],
  ['full', coded('could not extend file', '53100'), 507, 'no-room'],
])('a database that is %s is answered as that', async (_, error, status, code) => {
  const db: Database = {
    isAlone: true,
    query: () => Promise.reject(error),
    transaction: () => Promise.reject(error),
    snapshot: () => Promise.reject(error),
    close: async () => undefined,
  };
  const http = createServer(
    createApp({
      reach: { host: '127.0.0.1', publicUrl: null },
      proxies: [],
      logger: pino({ level: 'silent' }),
      webFolder: null,
      backend: Promise.resolve({
        db,
        feed: new ChangeFeed(db),
        gate: null,
        folder: '.',
        free: null,
        instruments: new Instruments([], []),
      }),
    }),
  );
  await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve));
  try {
    const url = `http://127.0.0.1:${(http.address() as AddressInfo).port}`;
    await expectProblem(request(url).get('/api/rigs'), status, code);
  } finally {
    await new Promise((resolve) => http.close(resolve));
  }
});
