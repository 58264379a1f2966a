import {
  ENDING_KINDS,
  LARGEST_FACTOR,
  LEAST_FACTOR,
  LONGEST_NAME,
  LONGEST_NOTE,
  SYMPTOMS,
  type Hunt,
  type HuntAnswer,
  type HuntEnding,
} from '@gullwind/core';
import Joi from 'joi';
import { revision, uuid } from './ids';
import { readWith, type Read } from './read';
import { calledInDocs, closed, oneOf, words, yesNo } from './shapes';

/// Hunts for a fault, as they are sent and kept.

export const MOST_HUNT_ANSWERS = 300;
export const MOST_HUNT_WEIGHTS = 400;
const MOST_HUNT_MINUTES = 600;
const moment = Joi.string().isoDate().required();
const minutes = Joi.number().min(0).max(MOST_HUNT_MINUTES).required();
const suspect = Joi.string().max(60);

const factor = Joi.number().min(LEAST_FACTOR).max(LARGEST_FACTOR);
const order = oneOf(['best', 'usual']);
const settingFields = {
  comesAndGoes: yesNo,
  order,
  weights: Joi.object().pattern(suspect, factor).max(MOST_HUNT_WEIGHTS).required(),
  note: words(LONGEST_NOTE),
};
const beginningFields = {
  rig: uuid.allow(null),
  revision: revision.allow(null),
  symptom: oneOf(SYMPTOMS),
  ...settingFields,
};

/** A hunt as it is begun; when is the server's to say. */
export type SentHunt = Pick<
  Hunt,
  'rig' | 'revision' | 'symptom' | 'comesAndGoes' | 'order' | 'weights' | 'note'
>;
export const sentHuntShape: Joi.ObjectSchema<SentHunt> = closed(beginningFields);

/** How a hunt goes on, each part by itself: what is not named stays. A weight of null is the usual one again. */
export interface HuntSetting {
  readonly comesAndGoes?: boolean;
  readonly order?: Hunt['order'];
  readonly weights?: Readonly<Record<string, number | null>>;
  readonly note?: string;
}
export const huntSettingShape: Joi.ObjectSchema<HuntSetting> = closed({
  comesAndGoes: yesNo.optional(),
  order: order.optional(),
  weights: Joi.object().pattern(suspect, factor.allow(null)).max(MOST_HUNT_WEIGHTS),
  note: words(LONGEST_NOTE).optional(),
}).min(1);

const answerFields = {
  test: Joi.string().min(1).max(80).required(),
  outcome: oneOf(['yes', 'no', 'notSure']),
  says: words(LONGEST_NOTE),
  minutes,
  by: words(LONGEST_NAME),
};
export type SentAnswer = Omit<HuntAnswer, 'id' | 'at' | 'takenBack'>;
export const sentAnswerShape: Joi.ObjectSchema<SentAnswer> = closed(answerFields);
export const takenBackShape: Joi.ObjectSchema<{ readonly isTakenBack: boolean }> = closed({
  isTakenBack: yesNo,
});

const ending: Joi.ObjectSchema<HuntEnding> = closed({
  kind: oneOf(ENDING_KINDS),
  suspect: suspect.allow(null).required(),
  finding: words(LONGEST_NOTE),
  remedy: words(LONGEST_NOTE),
  caution: words(LONGEST_NOTE),
  proof: words(LONGEST_NOTE),
  task: Joi.string().trim().min(1).max(200).allow(null).required(),
  taskMinutes: minutes,
  note: words(LONGEST_NOTE),
});
export const sentEndingShape: Joi.ObjectSchema<{ readonly ending: HuntEnding | null }> = closed({
  ending: ending.allow(null),
});

export const huntShape: Joi.ObjectSchema<Hunt> = calledInDocs(
  'Hunt',
  closed({
    id: uuid,
    ...beginningFields,
    begunAt: moment,
    changedAt: moment,
    endedAt: moment.allow(null),
    ending: ending.allow(null),
    answers: Joi.array()
      .items(
        closed({ id: uuid, ...answerFields, at: moment, takenBack: moment.allow(null) }).optional(),
      )
      .max(MOST_HUNT_ANSWERS)
      .required(),
  })
    .custom((hunt: Hunt, helpers) =>
      (hunt.ending === null) === (hunt.endedAt === null) ? hunt : helpers.error('any.halfEnded'),
    )
    .messages({ 'any.halfEnded': 'What came of the hunt and when go together' }),
);

export const readSentHunt = (value: unknown): Read<SentHunt> => readWith(sentHuntShape, value);
export const readHuntSetting = (value: unknown): Read<HuntSetting> =>
  readWith(huntSettingShape, value);
export const readSentAnswer = (value: unknown): Read<SentAnswer> =>
  readWith(sentAnswerShape, value);
export const readTakenBack = (value: unknown): Read<{ readonly isTakenBack: boolean }> =>
  readWith(takenBackShape, value);
export const readSentEnding = (value: unknown): Read<{ readonly ending: HuntEnding | null }> =>
  readWith(sentEndingShape, value);
