import type { Queryable } from '../db/database';

/** What was answered to an operation, and what it had asked. */
export interface Answered {
  readonly asked: string;
  readonly status: number;
  readonly answer: string;
}

/** So long an operation may come again and is known; a browser that was away for longer asks as if for the first time. */
const DAYS_KNOWN = 60;

/**
 * Takes an operation in hand. Null where it is new; else what was answered first. Of two at once the second waits for
 * the end of the first.
 */
export async function beginOperation(
  tx: Queryable,
  id: string,
  asked: string,
): Promise<Answered | null> {
  const begun = await tx.query(
    'insert into operations (id, asked) values ($1, $2) on conflict (id) do nothing returning id',
    [id, asked],
  );
  if (begun.length === 1) return null;
  const [before] = await tx.query<Answered>(
    'select asked, status, answer from operations where id = $1',
    [id],
  );
  return before!;
}

export async function endOperation(
  tx: Queryable,
  id: string,
  { asked, status, answer }: Answered,
): Promise<void> {
  await tx.query(
    `insert into operations (id, asked, status, answer) values ($1, $2, $3, $4)
     on conflict (id) do update set status = excluded.status, answer = excluded.answer
     where operations.status is null`,
    [id, asked, status, answer],
  );
}

/** Says in this transaction which window of a browser is at work. */
export async function nameWindow(tx: Queryable, windowId: string): Promise<void> {
  await tx.query("select set_config('gullwind.window', $1, true)", [windowId]);
}

export async function forgetOperations(db: Queryable, now: Date): Promise<void> {
  await db.query(
    `delete from operations where answered_at < $1::timestamptz - interval '${DAYS_KNOWN} days'`,
    [now.toISOString()],
  );
}
