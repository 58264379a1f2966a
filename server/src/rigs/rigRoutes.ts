import {
  readCreateRig,
  readRevision,
  readRevisionName,
  readRigId,
  readRigQuery,
  readUpdateRig,
  readUpdateState,
} from '@gullwind/contract';
import { rigDifference } from '@gullwind/core';
import { Router, type Request } from 'express';
import type { Database } from '../db/database';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { findRevision, listRevisions, nameRevision } from './revisions';
import { listNames, listRigs } from './rigList';
import { createRig, findRig, setRigDeleted, updateRig, updateState } from './rigStore';

const idOf = (request: Request): string => demand(readRigId(request.params.id));

const revisionOf = (request: Request): number => demand(readRevision(request.params.revision));

const noSuchRevision = (revision: number) =>
  new KnownError('revision-not-found', `There is no revision ${revision} that can be read.`);

const noSuchRig = (id: string) => new KnownError('rig-not-found', `There is no rig “${id}”.`);

export function rigRoutes(db: Database): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await listRigs(db, demand(readRigQuery(request.query))));
  });

  router.get('/names', async (_request, response) => {
    response.json(await listNames(db));
  });

  router.post('/', async (request, response) => {
    const { id, rig } = demand(readCreateRig(request.body));
    const saved = await createRig(db, id, rig);
    if (!saved) throw new KnownError('rig-exists', `There is a rig “${id}” already.`);
    response.status(201).json(saved);
  });

  router.get('/:id', async (request, response) => {
    const stored = await findRig(db, idOf(request));
    if (!stored) throw noSuchRig(idOf(request));
    response.json(stored);
  });

  router.put('/:id', async (request, response) => {
    const id = idOf(request);
    const update = demand(readUpdateRig(request.body));
    const result = await updateRig(db, id, update);
    if (result.kind === 'notFound') throw noSuchRig(id);
    if (result.kind === 'stale') throw stale(update.basedOn, result.theirs, update.rig);
    response.json(result.saved);
  });

  router.put('/:id/state', async (request, response) => {
    const id = idOf(request);
    const saved = await updateState(db, id, demand(readUpdateState(request.body)));
    if (!saved) throw noSuchRig(id);
    response.json(saved);
  });

  router.delete('/:id', async (request, response) => {
    if (!(await setRigDeleted(db, idOf(request), true))) throw noSuchRig(idOf(request));
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    if (!(await setRigDeleted(db, idOf(request), false))) throw noSuchRig(idOf(request));
    response.status(204).end();
  });

  router.get('/:id/revisions', async (request, response) => {
    const { before } = request.query;
    const earlier = before === undefined ? null : demand(readRevision(before));
    const isNamed = request.query.named === 'true';
    response.json(await listRevisions(db, idOf(request), earlier, isNamed));
  });

  router.get('/:id/revisions/:revision/difference/:other', async (request, response) => {
    const id = idOf(request);
    const [before, after] = await Promise.all(
      [revisionOf(request), demand(readRevision(request.params.other))].map(async (revision) => {
        const rig = await findRevision(db, id, revision);
        if (!rig) throw noSuchRevision(revision);
        return rig;
      }),
    );
    response.json({ difference: rigDifference(before!, after!) });
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    const [id, revision] = [idOf(request), revisionOf(request)];
    const rig = await findRevision(db, id, revision);
    if (!rig) throw noSuchRevision(revision);
    response.json({ rig });
  });

  router.put('/:id/revisions/:revision', async (request, response) => {
    const [id, revision] = [idOf(request), revisionOf(request)];
    const { name } = demand(readRevisionName(request.body));
    if (!(await nameRevision(db, id, revision, name))) throw noSuchRevision(revision);
    response.status(204).end();
  });

  return router;
}

function stale(
  basedOn: number,
  theirs: NonNullable<KnownError['extra']['theirs']>,
  yours: NonNullable<KnownError['extra']['yours']>,
): KnownError {
  const detail = `Your change starts from revision ${basedOn}; the rig is at revision ${theirs.revision} now. Nothing was changed.`;
  return new KnownError('rig-stale', detail, { theirs, yours });
}
