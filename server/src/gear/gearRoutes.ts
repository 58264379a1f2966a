import { readIds, readItems, readUpdateItem, readUseQuery, type RigUse } from '@gullwind/contract';
import { Router } from 'express';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { countUses, findUsed, listUses } from '../rigs/rigList';
import { demandItem, noSuchItem } from './demandItem';
import { addGear, listGear, removeGear } from './gearStore';

export function gearRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ items: await listGear(db) });
  });

  router.post('/', async (request, response) => {
    const items = demand(readItems(request.body));
    await db.transaction(async (tx) => {
      const taken = await addGear(tx, items);
      if (taken.length > 0) throw existing(taken);
    });
    response.status(201).json({ items: items.map((item) => ({ item, revision: 1 })) });
  });

  router.get('/counts', async (_request, response) => {
    response.json({ counts: await countUses(db) });
  });

  router.get('/uses', async (request, response) => {
    response.json({ uses: await listUses(db, demand(readUseQuery(request.query))) });
  });

  router.post('/remove', async (request, response) => {
    const { ids } = demand(readIds(request.body));
    await db.transaction(async (tx) => {
      const used = await findUsed(tx, ids);
      if (used) throw inUse(used);
      await removeGear(tx, ids);
    });
    response.status(204).end();
  });

  router.put('/:id', async (request, response) => {
    const update = demand(readUpdateItem(request.body));
    if (update.item.id !== request.params.id) throw noSuchItem(request.params.id);
    response.json(await db.transaction((tx) => demandItem(tx, update)));
  });

  return router;
}

const existing = (ids: readonly string[]) =>
  new KnownError(
    'gear-exists',
    `${ids.length === 1 ? 'There is an entry' : `There are ${ids.length} entries`} with an id among these already, the first “${ids[0]}”. Nothing was added.`,
  );

const inUse = ({ gear, rigName }: RigUse) =>
  new KnownError('gear-in-use', `“${gear}” is in the rig “${rigName}”. Retire it instead.`);
