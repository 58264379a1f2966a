import { measurementQueryFields, sentHearingShape, struckShape } from '../benchRecords';
import { sentMeasuredShape } from '../measured';
import { updateItemShape } from '../messages';
import { meterQuestionShape, sweepQuestionShape, truthQuestionShape } from '../instruments';
import { uuid } from '../ids';
import Joi from 'joi';
import {
  gearItem,
  hearing,
  hearings,
  instruments,
  measurement,
  measurements,
  meterAnswer,
  sweepAnswer,
  truthAnswer,
} from './answers';
import { READ, type Operation } from './operation';

const instrumentId = { id: Joi.string().required() };
const recordId = { id: uuid };
const FAILED = [...READ, 'instrument-not-found', 'instrument-failed'] as const;

/** What measures, what was measured, what was heard. */
export const BENCH: readonly Operation[] = [
  {
    method: 'get',
    path: '/instruments',
    summary: 'The instruments that the server was started with, and whether they answer.',
    status: 200,
    answer: instruments,
    errors: [],
  },
  {
    method: 'post',
    path: '/instruments/{id}/measure',
    summary: 'Takes readings by a meter.',
    params: instrumentId,
    body: meterQuestionShape,
    status: 200,
    answer: meterAnswer,
    errors: FAILED,
  },
  {
    method: 'post',
    path: '/instruments/{id}/sweep',
    summary: 'Takes a response by a sweep.',
    params: instrumentId,
    body: sweepQuestionShape,
    status: 200,
    answer: sweepAnswer,
    errors: FAILED,
  },
  {
    method: 'post',
    path: '/instruments/{id}/truth',
    summary: 'What a simulated meter hides of a thing: for training, after a guess.',
    params: instrumentId,
    body: truthQuestionShape,
    status: 200,
    answer: truthAnswer,
    errors: FAILED,
  },
  {
    method: 'get',
    path: '/measurements',
    summary:
      'What was measured, the latest first, without what was read: of one rig with “rig”; those before one with “before”.',
    query: measurementQueryFields,
    status: 200,
    answer: measurements,
    errors: ['invalid-request'],
  },
  {
    method: 'get',
    path: '/measurements/{id}',
    summary: 'A measurement with every reading and response.',
    params: recordId,
    status: 200,
    answer: measurement,
    errors: ['invalid-request', 'measurement-not-found'],
  },
  {
    method: 'put',
    path: '/measurements/{id}',
    summary: 'Keeps a measurement under an id of the client’s making; sent twice it is one.',
    params: recordId,
    body: sentMeasuredShape.keys({ accepted: updateItemShape.keys({ item: gearItem }).optional() }),
    status: 200,
    answer: measurement,
    errors: [...READ, 'rig-not-found', 'text-not-kept'],
  },
  {
    method: 'put',
    path: '/measurements/{id}/struck',
    summary: 'Says why a measurement does not count, or that it does; it stays as it is.',
    params: recordId,
    body: struckShape,
    status: 200,
    answer: measurement,
    errors: [...READ, 'measurement-not-found', 'text-not-kept'],
  },
  {
    method: 'get',
    path: '/hearings',
    summary: 'What was heard in blind tests, threshold runs and at the amp, the latest first.',
    status: 200,
    answer: hearings,
    errors: [],
  },
  {
    method: 'put',
    path: '/hearings/{id}',
    summary: 'Keeps what was heard, whatever it was; sent twice it is one.',
    params: recordId,
    body: sentHearingShape,
    status: 200,
    answer: hearing,
    errors: [...READ, 'rig-not-found', 'text-not-kept'],
  },
];
