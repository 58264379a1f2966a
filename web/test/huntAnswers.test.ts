import { LARGEST_FACTOR, LEAST_FACTOR, REMEDY, type Hunt, type TraceTest } from '@gullwind/core';
import {
  answerTo,
  askedBefore,
  lastCounted,
  OUTCOMES,
  outcomeOfKey,
  remedyAnswer,
  sayMinutes,
  weighed,
} from '../src/features/trace/model/answering';

/// Answers of a hunt, by press and by key.

const test1 = {
  ...{ id: 'amp', does: 'Pull the cable from the amp.', asks: 'Does it hum?', minutes: 0.5 },
} as TraceTest;

const answer = (id: string, of: string, takenBack: string | null = null) => ({
  ...{ id, test: of, outcome: 'yes', says: '', minutes: 1, by: '', at: '', takenBack },
});
const hunt = {
  ...{ id: 'h', rig: 'r', revision: 3, symptom: 'hum', comesAndGoes: false, order: 'fast' },
  ...{ weights: { a: 2 }, note: 'n', begunAt: 'x', changedAt: 'y', endedAt: null, ending: null },
  answers: [answer('1', 'amp'), answer('2', 'amp'), answer('3', 'board', 'later')],
} as unknown as Hunt;

test('Y is yes, N is no, S is not sure, and nothing else answers', () => {
  expect(['y', 'Y', 'n', 'N', 's', 'S'].map(outcomeOfKey)).toEqual([
    ...['yes', 'yes', 'no', 'no', 'notSure', 'notSure'],
  ]);
  expect(['z', 'Enter', ''].map(outcomeOfKey)).toEqual([null, null, null]);
  expect(Object.values(OUTCOMES).map(({ label, words }) => [label, words])).toEqual([
    ['Yes', 'yes'],
    ['No', 'no'],
    ['Not sure', 'not sure'],
  ]);
});

test('an answer tells what was asked as it was asked', () => {
  expect(answerTo(test1, 'no')).toEqual({
    ...{ test: 'amp', outcome: 'no', minutes: 0.5, by: '' },
    says: 'Pull the cable from the amp. Does it hum?',
  });
  expect(remedyAnswer('cable l1', { does: 'Swap it.', minutes: 2 }, 'yes')).toEqual({
    ...{ test: `${REMEDY}cable l1`, outcome: 'yes', says: 'Swap it. Gone?', minutes: 2, by: '' },
  });
});

test('what was taken back does not count', () => {
  expect(lastCounted(hunt)!.id).toBe('2');
  expect(lastCounted({ answers: [] })).toBeNull();
  expect([askedBefore(hunt, 'amp'), askedBefore(hunt, 'board')]).toEqual([2, 0]);
});

test('a suspect is weighed by itself, between the limits, and by the usual weight again', () => {
  expect(weighed(hunt, 'a', 3)).toEqual({ weights: { a: 6 } });
  expect(weighed(hunt, 'b', 3)).toEqual({ weights: { b: 3 } });
  expect(weighed(hunt, 'a', 1 / 2)).toEqual({ weights: { a: null } });
  expect(weighed(hunt, 'a', 1e9)).toEqual({ weights: { a: LARGEST_FACTOR } });
  expect(weighed(hunt, 'a', 1e-9)).toEqual({ weights: { a: LEAST_FACTOR } });
});

test('minutes as a person thinks of them', () => {
  expect([0.5, 0.99, 1, 1.3, 9.8, 10, 12.4].map(sayMinutes)).toEqual([
    ...['About 30 seconds', 'About 59 seconds', 'About 1 min', 'About 1.5 min', 'About 10 min'],
    ...['About 10 min', 'About 12 min'],
  ]);
});
