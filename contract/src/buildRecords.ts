import {
  GEAR_ID,
  LONGEST_NAME,
  LONGEST_NOTE,
  type CableTest,
  type OffCut,
  type Repair,
  type WorkDone,
} from '@gullwind/core';
import Joi from 'joi';
import { revision, uuid } from './ids';
import { readWith, type Read } from './read';
import { calledInDocs, closed, id, words } from './shapes';

/// What happens at the bench, as it is sent and kept: tests of cables, steps that are ticked off, pieces that are left.

const tried = Joi.boolean().allow(null).required();
const upTo = (most: number) => Joi.number().min(0).max(most).allow(null).required();
const fingerprint = words(8000);
const metres = Joi.number().min(0).max(100);

const testFields = {
  cable: id,
  label: Joi.string().min(1).max(16).required(),
  revision,
  fingerprint: words(400),
  lengthM: metres.required(),
  tipThrough: tried,
  sleeveThrough: tried,
  ringThrough: tried,
  leakOhm: upTo(1e12),
  silentPlugs: tried,
  pull: tried,
  wiggle: tried,
  capacitanceF: upTo(1e-6),
  by: words(LONGEST_NAME),
  note: words(LONGEST_NOTE),
};

const step = Joi.string().min(1).max(60).required();
const doneFields = {
  step,
  fingerprint,
  lengthM: metres.allow(null).required(),
  revision,
  by: words(LONGEST_NAME),
};

const moment = Joi.string().isoDate().required();

export const sentTestShape: Joi.ObjectSchema<SentTest> = closed(testFields);
export const cableTestShape: Joi.ObjectSchema<CableTest> = calledInDocs(
  'CableTest',
  closed({ id: uuid, ...testFields, at: moment }),
);
export const sentDoneShape: Joi.ObjectSchema<SentDone> = closed({
  ...doneFields,
  isDone: Joi.boolean().required(),
});
export const workDoneShape: Joi.ObjectSchema<WorkDone> = calledInDocs(
  'WorkDone',
  closed({ ...doneFields, at: moment }),
);
/** What a hunt asks to be mended: made of the hunt, never sent. */
export const repairShape: Joi.ObjectSchema<Repair> = calledInDocs(
  'Repair',
  closed({
    id: uuid,
    says: words(200),
    detail: words(LONGEST_NOTE),
    minutes: Joi.number().min(0).required(),
    caution: words(LONGEST_NOTE),
    proof: words(LONGEST_NOTE),
    at: moment,
  }),
);
const offCutFields = {
  name: Joi.string().trim().min(1).max(LONGEST_NAME).required(),
  gear: Joi.string().pattern(GEAR_ID).allow(null).required(),
  lengthM: Joi.number().greater(0).max(1000).required(),
  note: words(LONGEST_NOTE),
};
export const sentOffCutShape: Joi.ObjectSchema<Omit<OffCut, 'id'>> = closed(offCutFields);
export const offCutShape: Joi.ObjectSchema<OffCut> = calledInDocs(
  'OffCut',
  closed({ id: uuid, ...offCutFields }),
);

/** A test as it is sent: the server says when it was. */
export type SentTest = Omit<CableTest, 'id' | 'at'>;
/** A step ticked off, or not any more. */
export type SentDone = Omit<WorkDone, 'at'> & { readonly isDone: boolean };

export const readSentTest = (value: unknown): Read<SentTest> => readWith(sentTestShape, value);
/** What one press ticks off: a step, and what follows from it. All of it is kept, or nothing. */
export interface SentTicks {
  readonly ticks: readonly SentDone[];
  /** What was a step that is done is a piece of cable from now on. */
  readonly offCut?: OffCut;
}

/** A press takes no more along. */
const MOST_TICKS = 20;

export const sentTicksShape: Joi.ObjectSchema<SentTicks> = closed({
  ticks: Joi.array().items(sentDoneShape.optional()).min(1).max(MOST_TICKS).required(),
  offCut: offCutShape.optional(),
});

export const readSentTicks = (value: unknown): Read<SentTicks> => readWith(sentTicksShape, value);
export const readSentOffCut = (value: unknown): Read<Omit<OffCut, 'id'>> =>
  readWith(sentOffCutShape, value);

/** How far the rigs that are due are: the workshop's list. */
export interface RigBuild {
  readonly id: string;
  readonly name: string;
  readonly player: string;
  readonly deadline: string | null;
  readonly steps: number;
  readonly done: number;
  readonly leftMinutes: number;
  readonly next: string | null;
  /** Kinds of parts that it waits for. */
  readonly waitsFor: number;
}

export const rigBuildShape: Joi.ObjectSchema<RigBuild> = calledInDocs(
  'RigBuild',
  closed({
    id: uuid,
    name: Joi.string().allow('').required(),
    player: Joi.string().allow('').required(),
    deadline: Joi.string().allow(null).required(),
    steps: Joi.number().integer().min(0).required(),
    done: Joi.number().integer().min(0).required(),
    leftMinutes: Joi.number().min(0).required(),
    next: Joi.string().allow(null).required(),
    waitsFor: Joi.number().integer().min(0).required(),
  }),
);
