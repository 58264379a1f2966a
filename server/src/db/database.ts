/** Plain SQL with numbered parameters. Functions that ask something take this first, so that they run inside or outside a transaction. */
export interface Queryable {
  query<Row>(sql: string, parameters?: readonly unknown[]): Promise<readonly Row[]>;
}

export interface Database extends Queryable {
  /** One connection for all: who is in a transaction is alone with the database until its end. */
  readonly isAlone: boolean;
  /** Runs `work` in a transaction of its own; use only the handle it passes. Rolls back when it throws. */
  transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T>;
  /**
   * Everything as it is at one moment, however long it takes to read. On the embedded engine, which does one thing at a time,
   * others read on meanwhile; who writes waits.
   */
  snapshot<T>(work: (tx: Queryable) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** The first question of a snapshot's transaction. */
export const BEGIN_SNAPSHOT = 'set transaction isolation level repeatable read read only';
