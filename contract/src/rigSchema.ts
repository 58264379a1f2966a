import {
  CHOICE_RULES,
  checkRig,
  DEVICE_CLASSES,
  GEAR_ID,
  LONGEST_NAME,
  LONGEST_NOTE,
  PEDAL_USES,
  PROVENANCES,
  RIG_FORMAT,
  upgradeRig,
  WEIGHT_NAMES,
  type Brief,
  type Device,
  type End,
  type Guitar,
  type Lead,
  type Rig,
  type Row,
  type Standing,
} from '@gullwind/core';
import Joi from 'joi';
import { readWith, type Read } from './read';

/// Shapes only: ranges and the rules between parts are the core's, so that there is one of each.

export const closed = (keys: Joi.SchemaMap) => Joi.object(keys).required();
export const oneOf = (words: readonly (string | boolean)[]) =>
  Joi.valid(...words)
    .required()
    .messages({ 'any.only': '{{#label}} is “{{#value}}”; it must be one of {{#valids}}' });

/** JSON has no infinity: a number too large for a double arrives as one and is refused by its range. */
export const number = Joi.number().unsafe().allow(Infinity, -Infinity).required();
/** Optional words: their lengths and the day are the core's to check. */
export const sourced = closed({
  value: number,
  from: oneOf(PROVENANCES),
  tolerance: Joi.number(),
  on: Joi.string().max(10),
  by: Joi.string().allow('').max(1000),
});
export const name = Joi.string().allow('').max(LONGEST_NAME).required();
export const id = Joi.string()
  .pattern(/^[a-z][a-z0-9]{0,15}$/u)
  .required();

const gear = Joi.string().pattern(GEAR_ID);
const switchId = Joi.string().pattern(/^[a-z][a-z0-9]{0,15}(\.\d{1,2})?$/u);
const SIDE_JACKS = ['none', 'passive', 'buffered'];
const INSERTS = ['none', 'switched', 'own'];

const pot = closed({ potOhm: sourced, travel: sourced, midFraction: sourced });
const side = closed({ rInOhm: sourced, cInF: sourced, rOutOhm: sourced, gainDb: sourced });

const pickup = {
  pickupClass: oneOf(CHOICE_RULES.guitar.pickupClass),
  lH: sourced,
  rDcOhm: sourced,
  cWindingF: sourced,
  rEddyOhm: sourced,
  volume: pot,
  tone: pot,
  toneF: sourced,
};
const body = {
  widthM: sourced,
  depthM: sourced,
  heightM: sourced,
  supplyV: sourced,
  supplyA: sourced,
  polarity: oneOf(CHOICE_RULES.device['body.polarity']),
  inputAt: oneOf(CHOICE_RULES.device['body.inputAt']),
  outputAt: oneOf(CHOICE_RULES.device['body.outputAt']),
  powerAt: oneOf(CHOICE_RULES.device['body.powerAt']),
  fails: Joi.string().allow('').max(LONGEST_NOTE).required(),
};
export const yesNo = Joi.boolean().required();

export const guitarSchema: Joi.ObjectSchema<Guitar> = closed({
  id,
  name,
  kind: oneOf(CHOICE_RULES.guitar.kind),
  ...pickup,
  wiring: oneOf(CHOICE_RULES.guitar.wiring),
  noLoad: yesNo,
  bleed: oneOf(CHOICE_RULES.guitar.bleed),
  bleedF: sourced,
  bleedOhm: sourced,
  second: closed(pickup).allow(null),
  pickupSwitch: oneOf(CHOICE_RULES.guitar.pickupSwitch),
  joint: oneOf(CHOICE_RULES.guitar.joint),
  outOfPhase: yesNo,
  sharing: oneOf(CHOICE_RULES.guitar.sharing),
  potWiring: oneOf(CHOICE_RULES.guitar.potWiring),
  piezoF: sourced,
  outputOhm: sourced,
  gear,
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
  mutes: yesNo,
  powerLost: oneOf(CHOICE_RULES.device.powerLost),
  pot: pot.allow(null),
  sideJack: oneOf(SIDE_JACKS),
  insert: oneOf(INSERTS),
  loops: number,
  bufferIn: yesNo,
  bufferOut: yesNo,
  standIn: Joi.object({ lH: sourced, rOhm: sourced }),
  body: Joi.object(body),
  gear,
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
  coil: sourced,
  addedF: sourced,
  added: yesNo,
  gear,
});

export const endSchema: Joi.ObjectSchema<End> = closed({
  id,
  name,
  kind: oneOf(CHOICE_RULES.end.kind),
  input: oneOf(CHOICE_RULES.end.input),
  rInOhm: sourced,
  stopperOhm: sourced,
  millerF: sourced,
  cInF: sourced,
  sendOhm: sourced,
  returnOhm: sourced,
  returnF: sourced,
  gear,
});

export const referenceSchema = closed({ lengthM: sourced, cPerMF: sourced });

/** Long enough for any rig that the core lets through; the core says which list is too long. */
const list = (item: Joi.Schema) => Joi.array().items(item.optional()).max(200).required();

const place = Joi.alternatives()
  .conditional('.kind', {
    switch: [
      { is: 'main', then: closed({ kind: 'main' }) },
      { is: 'guitar', then: closed({ kind: 'guitar', guitar: id, selector: id }) },
      {
        is: 'side',
        then: closed({
          kind: 'side',
          device: id,
          to: Joi.alternatives()
            .conditional('.kind', {
              is: 'key',
              then: closed({ kind: 'key', device: id }),
              otherwise: closed({ kind: Joi.valid('end').required(), end: id }),
            })
            .required(),
        }),
      },
      { is: 'loop', then: closed({ kind: 'loop', device: id, loop: number }) },
      {
        is: 'ampLoop',
        then: closed({ kind: 'ampLoop', end: id }),
        otherwise: closed({
          kind: oneOf(['main', 'guitar', 'side', 'loop', 'ampLoop']),
        }).unknown(),
      },
    ],
  })
  .required();

const row: Joi.ObjectSchema<Row> = closed({
  id,
  at: place,
  devices: list(deviceSchema),
  leads: list(leadSchema.allow(null)),
});

const standing: Joi.ObjectSchema<Standing> = closed({
  positions: Joi.object().pattern(switchId, Joi.boolean()).required(),
  playing: id.allow(null),
  powered: yesNo,
});

const limit = Joi.number().unsafe().allow(null).required();
const brief: Joi.ObjectSchema<Brief> = closed({
  uses: Joi.object().pattern(id.optional(), oneOf(PEDAL_USES)).required(),
  keepsOrder: yesNo,
  keptDevices: list(id),
  keptLeads: list(id),
  noSoldering: yesNo,
  nothingBought: yesNo,
  mostMoney: limit,
  mostBoxes: limit,
  reach: Joi.object().pattern(id.optional(), sourced).required(),
  uncounted: list(id),
  weights: closed(Object.fromEntries(WEIGHT_NAMES.map((weight) => [weight, number]))).allow(null),
});

const pinnedShape = {
  format: oneOf([])
    .valid(RIG_FORMAT)
    .messages({
      'any.only': `{{#label}} is {{#value}}; this version reads format ${RIG_FORMAT} and those before it`,
    }),
  name,
  player: Joi.string().allow('').max(LONGEST_NAME).required(),
  note: Joi.string().allow('').max(LONGEST_NOTE).required(),
  guitars: list(guitarSchema),
  rows: list(row),
  ends: list(endSchema),
  reference: referenceSchema,
  approach: closed({ kind: oneOf(CHOICE_RULES.approach.kind), wantedHz: sourced }),
  standing,
  scenes: list(closed({ id, name, standing })),
  situations: list(
    closed({ id, name, lengths: Joi.object().pattern(id.optional(), sourced).required() }),
  ),
  links: list(Joi.array().items(switchId).max(20)),
  silenced: list(Joi.string().max(80)),
  brief,
};

const rigShape: Joi.ObjectSchema<Rig> = closed({
  ...pinnedShape,
  pins: list(closed({ id, name, rig: closed(pinnedShape) })),
});

const formatOnly = Joi.object({ format: pinnedShape.format }).unknown();

const isLater = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  Number((value as { format?: unknown }).format) > RIG_FORMAT;

/**
 * A rig from outside, of this format or an earlier one: its shape, then everything the core demands.
 */
export function readRig(value: unknown): Read<Rig> {
  // Of a later format nothing else can be said.
  if (isLater(value)) return readWith(formatOnly as unknown as Joi.Schema<Rig>, value);
  const read = readWith(rigShape, upgradeRig(value));
  if (read.kind === 'refused') return read;
  const problems = checkRig(read.value);
  return problems.length === 0 ? read : { kind: 'refused', problems };
}
