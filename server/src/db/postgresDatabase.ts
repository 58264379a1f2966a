import pg from 'pg';
import { BEGIN_SNAPSHOT, type Database, type Queryable } from './database';

const INT8 = 20;
const NUMERIC = 1700;
const DATE = 1082;

const types = {
  getTypeParser(oid: number, format?: 'text' | 'binary') {
    if (oid === INT8 || oid === NUMERIC) return Number;
    if (oid === DATE) return (text: string) => text;
    return pg.types.getTypeParser(oid, format as 'text');
  },
} as pg.CustomTypesConfig;

/** A PostgreSQL server by its URL, for a shop with several benches. */
export async function openPostgres(url: string): Promise<Database> {
  const pool = new pg.Pool({ connectionString: url, types, max: 10 });
  // A connection lost while idle is replaced by the pool; without a listener it would end the process.
  pool.on('error', () => undefined);
  await pool.query('select 1');
  return new PostgresDatabase(pool);
}

/** @param pool shared by all requests; a connection that is lost is replaced by it */
export class PostgresDatabase implements Database {
  readonly isAlone = false;
  constructor(private readonly pool: pg.Pool) {}

  query<Row>(sql: string, parameters: readonly unknown[] = []): Promise<readonly Row[]> {
    return queryOn<Row>(this.pool, sql, parameters);
  }

  async transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    const client = await this.pool.connect();
    // A connection lost at work is told here as well as to who waits for an answer; unheard it would end the process.
    let lost: Error | undefined;
    const lose = (error: Error) => (lost = error);
    client.on('error', lose);
    try {
      await client.query('begin');
      const result = await work({
        query: <Row>(sql: string, p: readonly unknown[] = []) => queryOn<Row>(client, sql, p),
      });
      await client.query('commit');
      return result;
    } catch (error) {
      // What cannot be rolled back any more has ended with its connection.
      await client.query('rollback').catch(lose);
      throw error;
    } finally {
      client.off('error', lose);
      client.release(lost);
    }
  }

  snapshot<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    return this.transaction(async (tx) => {
      await tx.query(BEGIN_SNAPSHOT);
      return work(tx);
    });
  }

  close(): Promise<void> {
    return this.pool.end();
  }
}

async function queryOn<Row>(
  engine: pg.Pool | pg.PoolClient,
  sql: string,
  parameters: readonly unknown[],
): Promise<readonly Row[]> {
  if (parameters.length > 0) return (await engine.query(sql, [...parameters])).rows as Row[];
  const result = (await engine.query(sql)) as pg.QueryResult | pg.QueryResult[];
  return (Array.isArray(result) ? result.at(-1)!.rows : result.rows) as Row[];
}
