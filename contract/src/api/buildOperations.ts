import Joi from 'joi';
import { sentTicksShape, sentOffCutShape, sentTestShape } from '../buildRecords';
import { uuid } from '../ids';
import { photoLieShape } from '../photo';
import { buildRecords, builds, cableTest, offCuts, photo } from './answers';
import { READ, type Operation } from './operation';

const rigId = { id: uuid };
const testId = { id: uuid, test: uuid };

const noPhoto = ['invalid-request', 'rig-not-found'] as const;

/** The photograph under a board. */
export const PHOTO: readonly Operation[] = [
  {
    method: 'get',
    path: '/rigs/{id}/photo',
    summary: 'How the photograph under the board of a rig lies; null where there is none.',
    params: rigId,
    status: 200,
    answer: photo,
    errors: noPhoto,
  },
  {
    method: 'get',
    path: '/rigs/{id}/photo/picture',
    summary: 'The photograph itself.',
    params: rigId,
    type: 'image/jpeg',
    status: 200,
    errors: [...noPhoto, 'photo-not-found'],
  },
  {
    method: 'put',
    path: '/rigs/{id}/photo',
    summary:
      'Keeps a photograph (JPEG, PNG or WebP), made anew without metadata; “lie” says as JSON how it lies.',
    params: rigId,
    query: { lie: Joi.string().max(1000) },
    type: 'image/jpeg',
    status: 200,
    answer: photo,
    errors: [...noPhoto, 'picture-not-kept', 'not-json', 'body-too-large'],
  },
  {
    method: 'put',
    path: '/rigs/{id}/photo/lie',
    summary: 'Says where four points of the photograph are, and how bright it is shown.',
    params: rigId,
    body: photoLieShape,
    status: 200,
    answer: photo,
    errors: [...READ, 'rig-not-found', 'photo-not-found'],
  },
  {
    method: 'delete',
    path: '/rigs/{id}/photo',
    summary: 'Lets go of the photograph.',
    params: rigId,
    status: 204,
    errors: noPhoto,
  },
];

/** What happens at the bench. */
export const BUILD: readonly Operation[] = [
  {
    method: 'get',
    path: '/rigs/{id}/build',
    summary: 'What has happened to a rig at the bench: tests of cables, steps ticked off.',
    params: rigId,
    status: 200,
    answer: buildRecords,
    errors: ['invalid-request', 'rig-not-found'],
  },
  {
    method: 'put',
    path: '/rigs/{id}/tests/{test}',
    summary: 'Keeps a test of a cable under an id of the client’s making; sent twice it is one.',
    params: testId,
    body: sentTestShape,
    status: 200,
    answer: cableTest,
    errors: [...READ, 'rig-not-found', 'id-taken', 'text-not-kept'],
  },
  {
    method: 'put',
    path: '/rigs/{id}/done',
    summary:
      'Ticks steps off, or takes that back, as one press does it: all of it is kept, or nothing.',
    params: rigId,
    body: sentTicksShape,
    status: 200,
    answer: buildRecords,
    errors: [...READ, 'rig-not-found', 'text-not-kept'],
  },
  {
    method: 'get',
    path: '/builds',
    summary: 'Rigs that are due or have been begun, the soonest first.',
    status: 200,
    answer: builds,
    errors: [],
  },
  {
    method: 'get',
    path: '/off-cuts',
    summary: 'Pieces of cable that are left.',
    status: 200,
    answer: offCuts,
    errors: [],
  },
  {
    method: 'put',
    path: '/off-cuts/{id}',
    summary: 'Keeps a piece, or changes what is said of it.',
    params: rigId,
    body: sentOffCutShape,
    status: 200,
    answer: offCuts,
    errors: [...READ, 'text-not-kept'],
  },
  {
    method: 'delete',
    path: '/off-cuts/{id}',
    summary: 'Lets go of a piece.',
    params: rigId,
    status: 204,
    errors: ['invalid-request'],
  },
];
