import { readRig } from '@gullwind/contract';
import { RIG_FORMAT } from '@gullwind/core';
import type { Database } from '../db/database';

/**
 * Brings documents of earlier formats up to this one, each under the revision it has. What cannot be read
 * stays as it is. Kept revisions stay in the format they were saved in.
 */
export async function upgradeRigs(db: Database): Promise<number> {
  return db.transaction(async (tx) => {
    const rows = await tx.query<{ id: string; document: unknown }>(
      `select id, document from rigs where case when jsonb_typeof(document -> 'format') = 'number'
                  then (document ->> 'format')::numeric < $1 else false end for update`,
      [RIG_FORMAT],
    );
    let upgraded = 0;
    for (const { id, document } of rows) {
      const read = readRig(document);
      if (read.kind === 'refused') continue;
      await tx.query('update rigs set document = $2::jsonb where id = $1', [
        id,
        JSON.stringify(read.value),
      ]);
      upgraded++;
    }
    return upgraded;
  });
}
