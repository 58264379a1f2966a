import Joi from 'joi';
import { changesFields, changesShape } from '../changes';
import { revision, uuid } from '../ids';
import {
  createShape,
  nameShape,
  queryFields,
  signInShape,
  stateShape,
  updateShape,
} from '../messages';
import { rigShape } from '../rigSchema';
import { settingsSchema } from '../settingsSchema';
import { READ, type Operation } from './operation';
import { BENCH } from './benchOperations';
import { HUNTS } from './huntOperations';
import { BUILD, PHOTO } from './buildOperations';
import {
  health,
  names,
  restored,
  revisionPage,
  revisionDifference,
  rigOfRevision,
  rigPage,
  savedRig,
  session,
  storedRig,
  updatedRig,
} from './answers';
import { GEAR } from './gearOperations';

const rigId = { id: uuid };
const ofRevision = { id: uuid, revision };
const withRig = (shape: Joi.ObjectSchema) => shape.keys({ rig: rigShape });

const SESSION: readonly Operation[] = [
  {
    method: 'get',
    path: '/health',
    summary: 'Whether the database is open.',
    status: 200,
    answer: health,
    errors: [],
  },
  {
    method: 'get',
    path: '/session',
    summary: 'Whether a passphrase is needed.',
    status: 200,
    answer: session,
    errors: [],
  },
  {
    method: 'post',
    path: '/session',
    summary: 'Signs in with the passphrase of the workshop.',
    body: signInShape,
    status: 200,
    answer: session,
    errors: [...READ, 'sign-in-failed', 'too-many-attempts', 'tls-required'],
  },
  {
    method: 'delete',
    path: '/session',
    summary: 'Signs out: a copy of the cookie is worth nothing any more.',
    status: 204,
    errors: [],
  },
  {
    method: 'delete',
    path: '/sessions',
    summary: 'Signs out every browser and script, this one included.',
    status: 204,
    errors: [],
  },
];

const CHANGES: readonly Operation[] = [
  {
    method: 'get',
    path: '/changes',
    summary:
      'What has been changed since a cursor of this feed; waits for it as long as it is told. Without a cursor: that of now.',
    query: changesFields,
    status: 200,
    answer: changesShape,
    errors: ['invalid-request'],
  },
];

const RIGS: readonly Operation[] = [
  {
    method: 'get',
    path: '/rigs',
    summary:
      'A page of the rigs that hold every word of a search, with what the list shows of them.',
    query: queryFields,
    status: 200,
    answer: rigPage,
    errors: ['invalid-request'],
  },
  {
    method: 'post',
    path: '/rigs',
    summary: 'Adds a rig under an id of the client’s making.',
    body: withRig(createShape),
    status: 201,
    answer: savedRig,
    errors: [...READ, 'rig-exists', 'text-not-kept'],
  },
  {
    method: 'get',
    path: '/rigs/names',
    summary: 'Ids and names of all rigs.',
    status: 200,
    answer: names,
    errors: [],
  },
  {
    method: 'get',
    path: '/rigs/{id}',
    summary: 'A rig as it is kept.',
    params: rigId,
    status: 200,
    answer: storedRig,
    errors: ['invalid-request', 'rig-not-found'],
  },
  {
    method: 'put',
    path: '/rigs/{id}',
    summary: 'Saves a rig over the revision that it was edited from.',
    params: rigId,
    body: withRig(updateShape),
    status: 200,
    answer: updatedRig,
    errors: [...READ, 'rig-not-found', 'rig-stale', 'counted-out', 'text-not-kept'],
  },
  {
    method: 'put',
    path: '/rigs/{id}/state',
    summary: 'Foot-switches alone: those that were moved, whatever others moved meanwhile.',
    params: rigId,
    body: stateShape,
    status: 200,
    answer: updatedRig,
    errors: [...READ, 'rig-not-found'],
  },
  {
    method: 'delete',
    path: '/rigs/{id}',
    summary: 'Takes a rig off the list; it can be put back for thirty days.',
    params: rigId,
    status: 204,
    errors: ['invalid-request', 'rig-not-found'],
  },
  {
    method: 'post',
    path: '/rigs/{id}/restore',
    summary: 'Puts a rig that was taken off the list back on it.',
    params: rigId,
    status: 204,
    errors: ['invalid-request', 'rig-not-found'],
  },
];

const REVISIONS: readonly Operation[] = [
  {
    method: 'get',
    path: '/rigs/{id}/revisions',
    summary: 'Kept revisions, the latest first; those before a number with “before”.',
    params: rigId,
    query: { before: revision.optional(), named: Joi.boolean().default(false) },
    status: 200,
    answer: revisionPage,
    errors: ['invalid-request'],
  },
  {
    method: 'get',
    path: '/rigs/{id}/revisions/{revision}',
    summary: 'The rig as it was.',
    params: ofRevision,
    status: 200,
    answer: rigOfRevision,
    errors: ['invalid-request', 'revision-not-found'],
  },
  {
    method: 'get',
    path: '/rigs/{id}/revisions/{revision}/difference/{other}',
    summary: 'What makes another revision of this one, as a delta of jsondiffpatch.',
    params: { ...ofRevision, other: revision },
    status: 200,
    answer: revisionDifference,
    errors: ['invalid-request', 'revision-not-found'],
  },
  {
    method: 'put',
    path: '/rigs/{id}/revisions/{revision}',
    summary: 'Names a revision, so that it stays; null takes the name away.',
    params: ofRevision,
    body: nameShape,
    status: 204,
    errors: [...READ, 'revision-not-found'],
  },
];

const WORKSHOP: readonly Operation[] = [
  {
    method: 'get',
    path: '/docs.json',
    summary: 'This description.',
    status: 200,
    answer: Joi.object().unknown().required(),
    errors: [],
  },
  {
    method: 'get',
    path: '/settings',
    summary: 'Units, light, and what new rigs are compared with.',
    status: 200,
    answer: settingsSchema,
    errors: [],
  },
  {
    method: 'put',
    path: '/settings',
    summary: 'Sets them.',
    body: settingsSchema,
    status: 200,
    answer: settingsSchema,
    errors: [...READ],
  },
  {
    method: 'get',
    path: '/workspace',
    summary: 'Everything, as lines of JSON: a backup.',
    type: 'application/x-ndjson',
    status: 200,
    errors: ['not-restorable'],
  },
  {
    method: 'post',
    path: '/workspace',
    summary: 'Puts a backup back: all of it, or nothing.',
    query: { overwrite: Joi.boolean().default(false) },
    type: 'application/x-ndjson',
    status: 200,
    answer: restored,
    errors: [...READ, 'workspace-not-empty', 'restore-running', 'counted-out'],
  },
];

/** All that the server can be asked. */
export const OPERATIONS: readonly Operation[] = [
  ...SESSION,
  ...CHANGES,
  ...RIGS,
  ...REVISIONS,
  ...GEAR,
  ...BUILD,
  ...PHOTO,
  ...BENCH,
  ...HUNTS,
  ...WORKSHOP,
];
