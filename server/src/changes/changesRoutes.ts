import { readChangesQuery } from '@gullwind/contract';
import { Router, type RequestHandler } from 'express';
import { demand } from '../parse';
import type { ChangeFeed } from './changeFeed';

/** What has been changed since somebody asked last. */
export function changesRoutes(feed: ChangeFeed): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const { feed: of, since, waitS } = demand(readChangesQuery(request.query));
    const left = new AbortController();
    response.on('close', () => left.abort());
    const cursor = of === undefined || since === undefined ? null : { feed: of, cursor: since };
    response.json(await feed.since(cursor, waitS * 1000, left.signal));
  });

  return router;
}

/** Wakes whoever waits when a write has been answered. */
export const noteChanges =
  (feed: ChangeFeed): RequestHandler =>
  (request, response, next) => {
    if (request.method !== 'GET') response.on('finish', () => feed.noted());
    next();
  };
