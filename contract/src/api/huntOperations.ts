import {
  huntSettingShape,
  sentAnswerShape,
  sentEndingShape,
  sentHuntShape,
  takenBackShape,
} from '../hunts';
import { uuid } from '../ids';
import { hunt, hunts } from './answers';
import { READ, type Operation } from './operation';

const huntId = { id: uuid };
const answerId = { id: uuid, answer: uuid };

/** Hunts for a fault, with or without a rig. */
export const HUNTS: readonly Operation[] = [
  {
    method: 'get',
    path: '/hunts',
    summary: 'Hunts for a fault, the latest first: of one rig, or all.',
    query: { rig: uuid.optional() },
    status: 200,
    answer: hunts,
    errors: [...READ],
  },
  {
    method: 'put',
    path: '/hunts/{id}',
    summary: 'Begins a hunt under an id of the client’s making; sent twice it is one.',
    params: huntId,
    body: sentHuntShape,
    status: 200,
    answer: hunt,
    errors: [...READ, 'rig-not-found', 'id-taken', 'text-not-kept'],
  },
  {
    method: 'put',
    path: '/hunts/{id}/setting',
    summary:
      'Sets how a hunt goes on: order, note, whether it comes and goes, single weights (null is the usual one); what is not named stays.',
    params: huntId,
    body: huntSettingShape,
    status: 200,
    answer: hunt,
    errors: [...READ, 'hunt-not-found', 'text-not-kept'],
  },
  {
    method: 'get',
    path: '/hunts/{id}',
    summary: 'One hunt with its answers.',
    params: huntId,
    status: 200,
    answer: hunt,
    errors: [...READ, 'hunt-not-found'],
  },
  {
    method: 'put',
    path: '/hunts/{id}/answers/{answer}',
    summary: 'Adds what a test or a remedy showed; sent twice it is one.',
    params: answerId,
    body: sentAnswerShape,
    status: 200,
    answer: hunt,
    errors: [...READ, 'hunt-not-found', 'hunt-ended', 'hunt-full', 'id-taken', 'text-not-kept'],
  },
  {
    method: 'put',
    path: '/hunts/{id}/answers/{answer}/taken-back',
    summary: 'Takes an answer back, or lets it count again; it stays in the record.',
    params: answerId,
    body: takenBackShape,
    status: 200,
    answer: hunt,
    errors: [...READ, 'hunt-not-found', 'hunt-ended'],
  },
  {
    method: 'put',
    path: '/hunts/{id}/ending',
    summary:
      'Ends a hunt with what came of it, or takes it up again (null). One that has ended otherwise stays as it ended.',
    params: huntId,
    body: sentEndingShape,
    status: 200,
    answer: hunt,
    errors: [...READ, 'hunt-not-found', 'hunt-ended', 'text-not-kept'],
  },
];
