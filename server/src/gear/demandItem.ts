import type { StoredItem, UpdateItem } from '@gullwind/contract';
import type { Queryable } from '../db/database';
import { KnownError } from '../errors';
import { updateItem } from './gearStore';

export const noSuchItem = (id: string) =>
  new KnownError('gear-not-found', `There is no “${id}” of this kind in the gear list.`);

/**
 * Keeps a changed entry.
 *
 * @throws KnownError where it was changed meanwhile, or is not there
 */
export async function demandItem(
  tx: Queryable,
  { basedOn, item }: UpdateItem,
): Promise<StoredItem> {
  const result = await updateItem(tx, item, basedOn);
  if (result.kind === 'notFound') throw noSuchItem(item.id);
  if (result.kind === 'stale')
    throw new KnownError(
      'gear-stale',
      `Your change starts from revision ${basedOn}; the entry is at revision ${result.revision} now. Nothing was changed.`,
    );
  return result.stored;
}
