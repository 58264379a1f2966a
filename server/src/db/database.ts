/** Plain SQL with numbered parameters. Functions that ask something take this first, so that they run inside or outside a transaction. */
export interface Queryable {
  query<Row>(sql: string, parameters?: readonly unknown[]): Promise<readonly Row[]>;
}

export interface Database extends Queryable {
  /** Runs `work` in a transaction of its own; use only the handle it passes. Rolls back when it throws. */
  transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}
