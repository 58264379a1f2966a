import { readRig } from '@gullwind/contract';
import { RIG_FORMAT } from '@gullwind/core';
import type { Database } from '../db/database';
import { letOthers } from '../letOthers';
import { keepListing } from './listings';

const RIGS_AT_ONCE = 5;

/**
 * Brings documents of earlier formats up to this one, each under the revision it has. What cannot be read
 * stays as it is. Kept revisions stay in the format they were saved in.
 */
export async function upgradeRigs(db: Database): Promise<number> {
  let upgraded = 0;
  let after = '00000000-0000-0000-0000-000000000000';
  for (;;) {
    const last = await db.transaction(async (tx) => {
      const rows = await tx.query<{ id: string; document: unknown }>(
        `select id, document from rigs
         where id > $1 and case when jsonb_typeof(document -> 'format') = 'number'
               then (document ->> 'format')::numeric < $2 else false end
         order by id limit ${RIGS_AT_ONCE} for update`,
        [after, RIG_FORMAT],
      );
      for (const { id, document } of rows) {
        const read = readRig(document);
        if (read.kind === 'refused') continue;
        await tx.query('update rigs set document = $2::jsonb where id = $1', [
          id,
          JSON.stringify(read.value),
        ]);
        await keepListing(tx, id, read.value);
        upgraded++;
      }
      return rows.length < RIGS_AT_ONCE ? null : rows.at(-1)!.id;
    });
    if (last === null) return upgraded;
    after = last;
    await letOthers();
  }
}
