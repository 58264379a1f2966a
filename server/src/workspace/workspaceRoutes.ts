import {
  readOverwrite,
  readWorkspace,
  rereadWorkspace,
  WorkspaceRefused,
} from '@gullwind/contract';
import { Router, type Request } from 'express';
import type { FileHandle } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import type { Database } from '../db/database';
import { demandRoom, type FreeBytes } from '../db/room';
import { KnownError } from '../errors';
import { letOthers } from '../letOthers';
import { LINES } from '../guards';
import { demand } from '../parse';
import { backUpInto } from './backUp';
import { restore } from './restore';
import { bytesOf, withSpool, type SpoolPlace } from './spool';

const MOST_BYTES = 8 * 2 ** 30;
/** How often it is looked for room while a workspace comes in. */
const LOOK_EVERY_BYTES = 2 ** 20;

/**
 * Both ways go through a file: the database is not held up by whoever reads slowly or sends slowly, and
 * nothing of a backup is sent before the whole of it is there.
 */
export function workspaceRoutes(db: Database, place: SpoolPlace): Router {
  const router = Router();

  router.get('/', (request, response) =>
    withSpool(place, async (file) => {
      await backUpInto(db, file, place.free);
      const { size } = await file.stat();
      response.setHeader('Content-Length', size);
      response.setHeader('Content-Disposition', `attachment; filename="${nameOfToday()}"`);
      response.type(LINES);
      if (request.method === 'HEAD') return void response.end();
      // Whoever goes before the end has what was sent.
      await pipeline(bytesOf(file), response).catch(() => response.destroy());
    }),
  );

  router.post('/', (request, response) => {
    const overwrite = demand(readOverwrite(request.query.overwrite));
    return withSpool(place, async (file) => {
      await receive(request, file, place.free);
      await demandRoom(place.free, (await file.stat()).size);
      const result = await restore(db, () => parts(file), overwrite);
      if (result.kind === 'restored') response.json(result.restored);
      else throw refusalOf(result.kind);
    });
  });

  return router;
}

const nameOfToday = () => `gullwind-${new Date().toISOString().slice(0, 10)}.jsonl`;

const refusalOf = (kind: 'notEmpty' | 'busy') =>
  kind === 'busy'
    ? new KnownError('restore-running', 'Another restore is at work. Nothing was changed.')
    : new KnownError(
        'workspace-not-empty',
        'There are rigs or gear here already. Nothing was changed; say that they are to be overwritten.',
      );

const parts = (file: FileHandle) => rereadWorkspace(bytesOf(file));

/** Takes a workspace in, and looks at all of it before anything is changed. */
async function receive(request: Request, file: FileHandle, free: FreeBytes | null): Promise<void> {
  if (!request.is(LINES)) throw new KnownError('not-json', `A workspace is sent as ${LINES}.`);
  if ((request.headers['content-encoding'] ?? 'identity') !== 'identity')
    throw new KnownError('not-json', 'A workspace is sent as it is, not packed.');
  let size = 0;
  for await (const piece of request as AsyncIterable<Buffer>) {
    size += piece.length;
    if (size > MOST_BYTES)
      throw new KnownError(
        'body-too-large',
        `The body is larger than the most, ${MOST_BYTES / 2 ** 30} GiB.`,
      );
    if (size % LOOK_EVERY_BYTES < piece.length) await demandRoom(free);
    await file.appendFile(piece);
  }
  try {
    for await (const _ of readWorkspace(bytesOf(file))) await letOthers();
  } catch (error) {
    if (!(error instanceof WorkspaceRefused)) throw error;
    throw new KnownError('invalid-request', error.message, { problems: error.problems });
  }
}
