import { MOST_EXERCISE } from './limits';
import {
  checkItem,
  gearItem,
  METER_FREQUENCIES_HZ,
  METER_QUANTITIES,
  type Cable,
  type Connected,
  type Guitar,
  type HiddenFaultOfCable,
  type MeterQuantity,
  type Rig,
  type RigSweep,
} from '@gullwind/core';
import Joi from 'joi';
import { readWith, type Read, type ValueProblem } from './read';
import { readRig, rigShape } from './rigSchema';
import { calledInDocs, closed, oneOf, words, yesNo } from './shapes';
import { thingSchema } from './thingSchema';

/// Questions to instruments, and what they answer.

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

export const truthAnswerShape: Joi.ObjectSchema<TruthAnswer> = closed({
  values: Joi.object().pattern(Joi.string().max(40), Joi.number()).max(40).required(),
  fault: oneOf(['shorted', 'open', 'swapped', null]),
});
export const readTruthAnswer = (value: unknown): Read<TruthAnswer> =>
  readWith(truthAnswerShape, value);
