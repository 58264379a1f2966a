import {
  GEAR_ID,
  HEARING_KINDS,
  LONGEST_NAME,
  LONGEST_NOTE,
  MEASUREMENT_JOBS,
  QUANTITY_RULES,
  type Hearing,
  type Measurement,
  type MeasurementHead,
} from '@gullwind/core';
import Joi from 'joi';
import { uuid } from './ids';
import { readWith, type Read } from './read';
import { calledInDocs, closed, oneOf, words, yesNo } from './shapes';

/// What was measured and what was heard, as it is sent and kept.

const finite = Joi.number().min(-1e40).max(1e40);
const QUANTITIES = Object.keys(QUANTITY_RULES);
const MOST_RAW = 200;
const MOST_POINTS = 4000;
const conditions = Joi.object()
  .pattern(Joi.string().max(40), Joi.alternatives(finite, Joi.string().allow('').max(200)))
  .max(20)
  .required();
const quantity = oneOf(QUANTITIES);
const rawReadings = closed({
  label: words(120),
  quantity,
  values: Joi.array().items(finite).max(50).required(),
  conditions,
});
const points = Joi.array().items(finite).max(MOST_POINTS).required();
const rawResponse = closed({
  label: words(120),
  frequencyHz: points,
  levelDb: points,
  conditions,
})
  .custom((response: Measurement['responses'][number], helpers) =>
    response.frequencyHz.length === response.levelDb.length
      ? response
      : helpers.error('any.lengths'),
  )
  .messages({ 'any.lengths': '{{#label}} has not as many levels as frequencies' });
const figure = closed({
  label: words(120),
  quantity,
  value: finite.required(),
  error: finite.allow(null).required(),
});

const measurementFields = {
  job: oneOf(MEASUREMENT_JOBS),
  rig: uuid.allow(null),
  gear: Joi.string().pattern(GEAR_ID).allow(null).required(),
  subject: Joi.string().trim().min(1).max(LONGEST_NAME).required(),
  instrument: words(200),
  isSimulated: yesNo,
  readings: Joi.array().items(rawReadings.optional()).max(MOST_RAW).required(),
  responses: Joi.array().items(rawResponse.optional()).max(12).required(),
  figures: Joi.array().items(figure.optional()).max(40).required(),
  words: words(2000),
  by: words(LONGEST_NAME),
  note: words(LONGEST_NOTE),
};
const { readings: _, responses: __, ...headFields } = measurementFields;
const moment = Joi.string().isoDate().required();
const struck = Joi.string().trim().min(1).max(200).allow(null).required();

/** A measurement as it is sent: the server says when it was. */
export type SentMeasurement = Omit<Measurement, 'id' | 'at' | 'struck'>;
export const sentMeasurementShape: Joi.ObjectSchema<SentMeasurement> = closed(measurementFields);
export const measurementShape: Joi.ObjectSchema<Measurement> = calledInDocs(
  'Measurement',
  closed({ id: uuid, ...measurementFields, at: moment, struck }),
);
export const measurementHeadShape: Joi.ObjectSchema<MeasurementHead> = calledInDocs(
  'MeasurementHead',
  closed({ id: uuid, ...headFields, at: moment, struck }),
);
export const struckShape: Joi.ObjectSchema<Pick<Measurement, 'struck'>> = closed({ struck });

const MOST_HEARD = 200;
const hearingFields = {
  listener: Joi.string().trim().min(1).max(LONGEST_NAME).required(),
  kind: oneOf(HEARING_KINDS),
  rig: uuid.allow(null),
  one: words(200),
  other: words(200),
  seed: Joi.number().integer().min(0).max(4_294_967_295).allow(null).required(),
  planned: Joi.number().integer().min(1).max(MOST_HEARD).required(),
  trials: Joi.array()
    .items(
      closed({
        isRight: yesNo,
        lossDb: Joi.number().min(0).max(60).allow(null).required(),
      }).optional(),
    )
    .max(MOST_HEARD)
    .required(),
  isFinished: yesNo,
  expected: words(LONGEST_NOTE),
  model: words(LONGEST_NOTE),
  note: words(LONGEST_NOTE),
};

export type SentHearing = Omit<Hearing, 'id' | 'at'>;
export const sentHearingShape: Joi.ObjectSchema<SentHearing> = closed(hearingFields);
export const hearingShape: Joi.ObjectSchema<Hearing> = calledInDocs(
  'Hearing',
  closed({ id: uuid, ...hearingFields, at: moment }),
);

/** Which measurements are listed: of one rig or of all, those before one of them or the latest. */
export interface MeasurementQuery {
  readonly rig?: string;
  readonly before?: string;
}

/** Heads of measurements, the latest first. */
export interface MeasurementPage {
  /** How many there are on all pages. */
  readonly total: number;
  readonly measurements: readonly MeasurementHead[];
}

export const measurementQueryFields = { rig: uuid.optional(), before: uuid.optional() };
const measurementQueryShape: Joi.ObjectSchema<MeasurementQuery> =
  Joi.object(measurementQueryFields);
export const readMeasurementQuery = (value: unknown): Read<MeasurementQuery> =>
  readWith(measurementQueryShape, value);

export const readStruck = (value: unknown): Read<Pick<Measurement, 'struck'>> =>
  readWith(struckShape, value);
export const readSentHearing = (value: unknown): Read<SentHearing> =>
  readWith(sentHearingShape, value);
