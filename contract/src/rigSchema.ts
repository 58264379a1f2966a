import {
  CHOICE_RULES,
  checkRig,
  DEVICE_CLASSES,
  LONGEST_NAME,
  LONGEST_NOTE,
  MOST_DEVICES,
  PROVENANCES,
  RIG_FORMAT,
  type Amp,
  type Device,
  type Guitar,
  type Lead,
  type Rig,
} from '@gullwind/core';
import Joi from 'joi';
import { readWith, type Read } from './read';

/// Shapes only: ranges and the rules between parts are the core's, so that there is one of each.

const closed = (keys: Joi.SchemaMap) => Joi.object(keys).required();
const oneOf = (words: readonly (string | boolean)[]) =>
  Joi.valid(...words)
    .required()
    .messages({ 'any.only': '{{#label}} is “{{#value}}”; it must be one of {{#valids}}' });

/** JSON has no infinity: a number too large for a double arrives as one and is refused by its range. */
const number = Joi.number().unsafe().allow(Infinity, -Infinity).required();
const sourced = closed({ value: number, from: oneOf(PROVENANCES) });
const name = Joi.string().allow('').max(LONGEST_NAME).required();
const id = Joi.string()
  .pattern(/^[a-z][a-z0-9]{0,15}$/u)
  .required();

const pot = closed({ potOhm: sourced, travel: sourced, midFraction: sourced });
const side = closed({ rInOhm: sourced, cInF: sourced, rOutOhm: sourced, gainDb: sourced });

export const guitarSchema: Joi.ObjectSchema<Guitar> = closed({
  name,
  pickupClass: oneOf(CHOICE_RULES.guitar.pickupClass),
  lH: sourced,
  rDcOhm: sourced,
  cWindingF: sourced,
  rEddyOhm: sourced,
  wiring: oneOf(CHOICE_RULES.guitar.wiring),
  volume: pot,
  tone: pot,
  toneF: sourced,
  noLoad: Joi.boolean().required(),
  bleed: oneOf(CHOICE_RULES.guitar.bleed),
  bleedF: sourced,
  bleedOhm: sourced,
});

export const deviceSchema: Joi.ObjectSchema<Device> = closed({
  id,
  name,
  deviceClass: oneOf(Object.keys(DEVICE_CLASSES)),
  bypass: oneOf(CHOICE_RULES.device.bypass),
  bypassChoice: oneOf(CHOICE_RULES.device.bypassChoice),
  on: side,
  off: side,
  strayF: sourced,
  contactOhm: sourced,
  mutes: Joi.boolean().required(),
});

export const leadSchema: Joi.ObjectSchema<Lead> = closed({
  id,
  name,
  leadClass: oneOf(CHOICE_RULES.lead.leadClass),
  lengthM: sourced,
  cPerMF: sourced,
  rPerMOhm: sourced,
  lPerMH: sourced,
  plugF: sourced,
});

export const ampSchema: Joi.ObjectSchema<Amp> = closed({
  name,
  input: oneOf(CHOICE_RULES.amp.input),
  rInOhm: sourced,
  stopperOhm: sourced,
  millerF: sourced,
  cInF: sourced,
});

export const referenceSchema = closed({ lengthM: sourced, cPerMF: sourced });

const rigShape: Joi.ObjectSchema<Rig> = closed({
  format: oneOf([])
    .valid(RIG_FORMAT)
    .messages({
      'any.only': `{{#label}} is {{#value}}; this version reads format ${RIG_FORMAT}`,
    }),
  name,
  player: Joi.string().allow('').max(LONGEST_NAME).required(),
  note: Joi.string().allow('').max(LONGEST_NOTE).required(),
  guitar: guitarSchema,
  devices: Joi.array()
    .items(deviceSchema.optional())
    .max(MOST_DEVICES)
    .required()
    .messages({ 'array.max': 'devices: {{#value.length}} is above the most, {{#limit}}' }),
  leads: Joi.array()
    .items(leadSchema.optional())
    .max(MOST_DEVICES + 1)
    .required(),
  amp: ampSchema,
  reference: referenceSchema,
  positions: Joi.object()
    .pattern(/^[a-z][a-z0-9]{0,15}$/u, Joi.boolean())
    .required(),
});

/** A rig from outside: its shape, then everything the core demands of it. */
export function readRig(value: unknown): Read<Rig> {
  const read = readWith(rigShape, value);
  if (read.kind === 'refused') return read;
  const problems = checkRig(read.value);
  return problems.length === 0 ? read : { kind: 'refused', problems };
}
