import {
  checkItem,
  GEAR_ID,
  gearItem,
  HEARING_KINDS,
  LONGEST_NAME,
  LONGEST_NOTE,
  MEASUREMENT_JOBS,
  METER_FREQUENCIES_HZ,
  METER_QUANTITIES,
  QUANTITY_RULES,
  type Connected,
  type Guitar,
  type Hearing,
  type HiddenFaultOfCable,
  type Measurement,
  type MeterQuantity,
  type Rig,
  type RigSweep,
  type Cable,
} from '@gullwind/core';
import Joi from 'joi';
import { uuid } from './ids';
import { readWith, type Read, type ValueProblem } from './read';
import { readRig, rigShape } from './rigSchema';
import { calledInDocs, closed, oneOf, yesNo } from './shapes';
import { thingSchema } from './thingSchema';

/// What is measured and what is heard: questions to instruments, and the records of it.

const words = (most: number) => Joi.string().allow('').max(most).required();
const finite = Joi.number().min(-1e40).max(1e40);

/** What a meter is asked to measure; what is connected matters to a simulated one alone, which has no clips. */
export interface MeterQuestion {
  readonly quantity: MeterQuantity;
  readonly frequencyHz: number;
  readonly isOpenCorrected: boolean;
  readonly readings: number;
  readonly connected: ConnectedThing;
}

/** A thing by the name under which its hidden truth is drawn. */
export type ConnectedThing =
  | {
      readonly kind: 'cable';
      readonly id: string;
      /** A piece of it: its length is off by itself. */
      readonly piece: string;
      readonly cable: Cable;
      /** It may be shorted or open. */
      readonly mayBeFaulty: boolean;
    }
  | {
      readonly kind: 'guitar';
      readonly id: string;
      readonly guitar: Guitar;
      readonly at: Extract<Connected, { kind: 'guitar' }>['at'];
    }
  | { readonly kind: 'nothing' };

/** What a sweep is asked for. */
export interface SweepQuestion {
  readonly fromHz: number;
  readonly toHz: number;
  readonly points: number;
  readonly connected: SweptThing;
}

export type SweptThing =
  | {
      readonly kind: 'pickup';
      readonly id: string;
      readonly guitar: Guitar;
      readonly rLoadOhm: number;
      readonly addedF: number;
    }
  | {
      readonly kind: 'rig';
      readonly rig: Rig;
      readonly sweep: RigSweep;
      /** 0 hides nothing. */
      readonly exercise: number;
    };

const MOST_READINGS = 9;
export const MOST_SWEEP_POINTS = 400;
export const MOST_EXERCISE = 999;

const thingName = Joi.string().min(1).max(80).required();
const cable = closed({
  kind: oneOf(['cable']),
  id: thingName,
  piece: words(80),
  cable: thingSchema<Cable>('cable').required(),
  mayBeFaulty: yesNo,
});
const guitar = closed({
  kind: oneOf(['guitar']),
  id: thingName,
  guitar: thingSchema<Guitar>('guitar').required(),
  at: oneOf(['jack', 'coil']),
});

export const meterQuestionShape: Joi.ObjectSchema<MeterQuestion> = closed({
  quantity: oneOf(METER_QUANTITIES),
  frequencyHz: oneOf(METER_FREQUENCIES_HZ),
  isOpenCorrected: yesNo,
  readings: Joi.number().integer().min(1).max(MOST_READINGS).required(),
  connected: Joi.alternatives(cable, guitar, closed({ kind: oneOf(['nothing']) })).required(),
});

const hertz = Joi.number().min(1).max(100_000).required();
export const sweepQuestionShape: Joi.ObjectSchema<SweepQuestion> = closed({
  fromHz: hertz,
  toHz: hertz,
  points: Joi.number().integer().min(12).max(MOST_SWEEP_POINTS).required(),
  connected: Joi.alternatives(
    closed({
      kind: oneOf(['pickup']),
      id: thingName,
      guitar: thingSchema<Guitar>('guitar').required(),
      rLoadOhm: Joi.number().min(1e3).max(1e9).required(),
      addedF: Joi.number().min(0).max(1e-7).required(),
    }),
    closed({
      kind: oneOf(['rig']),
      rig: rigShape,
      sweep: closed({
        from: oneOf(['coil', 'source']),
        sourceOhm: Joi.number().min(1).max(1e7).required(),
        isCalibrated: yesNo,
      }),
      exercise: Joi.number().integer().min(0).max(MOST_EXERCISE).required(),
    }),
  ).required(),
});

/** What hidden truth is asked for: of a thing at the meter, or of an exercise. */
export const truthQuestionShape: Joi.ObjectSchema<{ readonly connected: ConnectedThing }> = closed({
  connected: Joi.alternatives(cable, guitar).required(),
});

/** The ranges of a thing are the core's, as everywhere. */
function checkedThing<T>(read: Read<T>, connected: ConnectedThing | SweptThing): Read<T> {
  if (connected.kind === 'nothing') return read;
  if (connected.kind === 'rig') {
    const rig = readRig(connected.rig);
    return rig.kind === 'ok' ? read : { kind: 'refused', problems: under('rig', rig.problems) };
  }
  const item =
    connected.kind === 'cable'
      ? gearItem(AS_ENTRY, 'cable', connected.cable)
      : gearItem(AS_ENTRY, 'guitar', connected.guitar);
  const problems = [...checkItem(item)].map(({ path, message }) => ({
    path: path.replace(/^thing\./u, ''),
    message,
  }));
  const name = connected.kind === 'cable' ? 'cable' : 'guitar';
  return problems.length === 0 ? read : { kind: 'refused', problems: under(name, problems) };
}

/** Any id serves: what is connected need be no entry of the list. */
const AS_ENTRY = 'connected';

const under = (at: string, problems: readonly ValueProblem[]): readonly ValueProblem[] =>
  problems.map(({ path, message }) => ({ path: `connected.${at}.${path}`, message }));

const readConnected = <T extends { readonly connected: ConnectedThing | SweptThing }>(
  shape: Joi.ObjectSchema<T>,
  value: unknown,
): Read<T> => {
  const read = readWith(shape, value);
  return read.kind === 'ok' ? checkedThing(read, read.value.connected) : read;
};

export const readMeterQuestion = (value: unknown): Read<MeterQuestion> =>
  readConnected(meterQuestionShape, value);
export const readSweepQuestion = (value: unknown): Read<SweepQuestion> =>
  readConnected(sweepQuestionShape, value);
export const readTruthQuestion = (value: unknown): Read<{ readonly connected: ConnectedThing }> =>
  readConnected(truthQuestionShape, value);

/** An instrument that the server was started with. */
export interface Instrument {
  readonly id: string;
  readonly kind: 'meter' | 'sweep';
  /** What it calls itself; empty where it does not answer. */
  readonly name: string;
  readonly isSimulated: boolean;
  readonly isReachable: boolean;
  /** Why not, in a sentence; empty where it answers. */
  readonly problem: string;
}

export const instrumentShape: Joi.ObjectSchema<Instrument> = calledInDocs(
  'Instrument',
  closed({
    id: Joi.string().required(),
    kind: oneOf(['meter', 'sweep']),
    name: words(200),
    isSimulated: yesNo,
    isReachable: yesNo,
    problem: words(400),
  }),
);

/** What a meter answered. */
export interface MeterAnswer {
  readonly instrument: string;
  readonly isSimulated: boolean;
  readonly values: readonly number[];
  /** What its maker allows it to be off by (2σ), as a share; null where nobody knows. */
  readonly uncertainty: number | null;
}

export interface SweepAnswer {
  readonly instrument: string;
  readonly isSimulated: boolean;
  readonly frequencyHz: readonly number[];
  readonly levelDb: readonly number[];
}

/** What was hidden, in words and values. */
export interface TruthAnswer {
  readonly values: Readonly<Record<string, number>>;
  readonly fault: HiddenFaultOfCable | null;
}

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
const moment = Joi.string().isoDate().required();
const struck = Joi.string().trim().min(1).max(200).allow(null).required();

/** A measurement as it is sent: the server says when it was. */
export type SentMeasurement = Omit<Measurement, 'id' | 'at' | 'struck'>;
export const sentMeasurementShape: Joi.ObjectSchema<SentMeasurement> = closed(measurementFields);
export const measurementShape: Joi.ObjectSchema<Measurement> = calledInDocs(
  'Measurement',
  closed({ id: uuid, ...measurementFields, at: moment, struck }),
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

export const readSentMeasurement = (value: unknown): Read<SentMeasurement> =>
  readWith(sentMeasurementShape, value);
export const readStruck = (value: unknown): Read<Pick<Measurement, 'struck'>> =>
  readWith(struckShape, value);
export const readSentHearing = (value: unknown): Read<SentHearing> =>
  readWith(sentHearingShape, value);
