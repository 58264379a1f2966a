import type { Queryable } from './database';

/**
 * The rows of a query, a few at a time, however many there are.
 *
 * @param tx a transaction: it holds the cursor
 * @param name of the cursor, one of its own in this transaction
 * @param most rows in one piece
 */
export async function* rowsOf<Row>(
  tx: Queryable,
  name: string,
  sql: string,
  most: number,
): AsyncGenerator<readonly Row[]> {
  await tx.query(`declare ${name} no scroll cursor for ${sql}`);
  for (;;) {
    const rows = await tx.query<Row>(`fetch ${most} from ${name}`);
    if (rows.length > 0) yield rows;
    if (rows.length < most) break;
  }
  await tx.query(`close ${name}`);
}
