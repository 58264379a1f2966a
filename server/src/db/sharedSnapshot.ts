import type { Queryable } from './database';

/** What changes nothing and holds nothing fast; everything else waits for its turn. */
const READS =
  /^\s*select\b(?!.*\b(?:for\s+(?:update|share|no\s+key|key)\b|pg_\w*advisory|nextval))/isu;

/** True for a question that can be answered in the middle of somebody else's snapshot. */
export const isRead = (sql: string): boolean => READS.test(sql);

/**
 * A snapshot that is read at leisure on an engine with one connection: between two of its questions others are answered
 * from it, too. Nobody writes meanwhile, so that what they read is what there is.
 */
export class SharedSnapshot implements Queryable {
  private last: Promise<unknown> = Promise.resolve();

  /** @param tx of the snapshot */
  constructor(private readonly tx: Queryable) {}

  query<Row>(sql: string, parameters?: readonly unknown[]): Promise<readonly Row[]> {
    return this.inTurn(() => this.tx.query<Row>(sql, parameters));
  }

  /** A question of somebody else's: where it fails, the snapshot goes on. */
  read<Row>(sql: string, parameters?: readonly unknown[]): Promise<readonly Row[]> {
    return this.inTurn(async () => {
      await this.tx.query('savepoint other');
      try {
        const rows = await this.tx.query<Row>(sql, parameters);
        await this.tx.query('release savepoint other');
        return rows;
      } catch (error) {
        await this.tx.query('rollback to savepoint other; release savepoint other');
        throw error;
      }
    });
  }

  /** Resolves when everybody who has asked has an answer. */
  async settled(): Promise<void> {
    await this.last;
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.last.then(work, work);
    this.last = turn.catch(() => undefined);
    return turn;
  }
}
