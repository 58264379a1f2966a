import { AsyncLocalStorage } from 'node:async_hooks';
import type { Database, Queryable } from './database';

/**
 * A database that a whole request can use as one transaction: inside of `together` everything that is asked of it,
 * transactions included, is asked of that one; outside it is the database as it was.
 */
export class RequestDatabase implements Database {
  readonly isAlone: boolean;
  private readonly current = new AsyncLocalStorage<Queryable>();

  constructor(private readonly db: Database) {
    this.isAlone = db.isAlone;
  }

  query<Row>(sql: string, parameters?: readonly unknown[]): Promise<readonly Row[]> {
    return (this.current.getStore() ?? this.db).query<Row>(sql, parameters);
  }

  transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    const tx = this.current.getStore();
    return tx ? work(tx) : this.db.transaction(work);
  }

  /** Runs `work` with everything in it, and in what it starts, in one transaction. Rolls back when it throws. */
  together<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    return this.db.transaction((tx) => this.current.run(tx, () => work(tx)));
  }

  snapshot<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    return this.db.snapshot(work);
  }

  close(): Promise<void> {
    return this.db.close();
  }
}
