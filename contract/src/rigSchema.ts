import {
  CHOICE_RULES,
  checkRig,
  DEVICE_CLASSES,
  GEAR_ID,
  JACK_KINDS,
  LONGEST_NAME,
  LONGEST_NOTE,
  PEDAL_USES,
  PROVENANCES,
  RIG_FORMAT,
  upgradeRig,
  WEIGHT_NAMES,
  type Board,
  type Brief,
  type Device,
  type Electrical,
  type Layout,
  type Place,
  type Plug,
  type Power,
  type Supply,
  type Texts,
  type Destination,
  type Guitar,
  type Cable,
  type Rig,
  type Row,
  type SwitchState,
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
  pickupSimulator: Joi.object({ lH: sourced, rOhm: sourced }),
  body: Joi.object(body),
  gear,
});

export const cableSchema: Joi.ObjectSchema<Cable> = closed({
  id,
  name,
  cableClass: oneOf(CHOICE_RULES.cable.cableClass),
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

export const destinationSchema: Joi.ObjectSchema<Destination> = closed({
  id,
  name,
  kind: oneOf(CHOICE_RULES.destination.kind),
  input: oneOf(CHOICE_RULES.destination.input),
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

const PLUG = {
  id,
  name,
  shape: oneOf(CHOICE_RULES.plug.shape),
  joint: oneOf(CHOICE_RULES.plug.joint),
  beyondM: sourced,
  plugF: sourced,
};
export const plugSchema: Joi.ObjectSchema<Plug> = closed(PLUG);

export const supplySchema: Joi.ObjectSchema<Supply> = closed({
  id,
  name,
  outlets: sourced,
  outletV: sourced,
  outletA: sourced,
  polarity: oneOf(CHOICE_RULES.supply.polarity),
  isolated: yesNo,
});

export const boardSchema: Joi.ObjectSchema<Board> = closed({
  id,
  name,
  widthM: sourced,
  depthM: sourced,
  belowM: sourced,
  surface: oneOf(CHOICE_RULES.board.surface),
});

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
              otherwise: closed({ kind: Joi.valid('destination').required(), destination: id }),
            })
            .required(),
        }),
      },
      { is: 'loop', then: closed({ kind: 'loop', device: id, loop: number }) },
      {
        is: 'ampLoop',
        then: closed({ kind: 'ampLoop', destination: id }),
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
  cables: list(cableSchema.allow(null)),
});

const state: Joi.ObjectSchema<SwitchState> = closed({
  positions: Joi.object().pattern(switchId, Joi.boolean()).required(),
  playing: id.allow(null),
  unpowered: list(id),
});

const limit = Joi.number().unsafe().allow(null).required();
const brief: Joi.ObjectSchema<Brief> = closed({
  uses: Joi.object().pattern(id.optional(), oneOf(PEDAL_USES)).required(),
  keepsOrder: yesNo,
  keptDevices: list(id),
  keptCables: list(id),
  noSoldering: yesNo,
  nothingBought: yesNo,
  mostMoney: limit,
  mostBoxes: limit,
  reach: Joi.object().pattern(id.optional(), sourced).required(),
  uncounted: list(id),
  weights: closed(Object.fromEntries(WEIGHT_NAMES.map((weight) => [weight, number]))).allow(null),
  deadline: Joi.string().max(10).allow(null).required(),
  hoursADay: limit,
});

const ampLoop = closed({ sendOhm: sourced, returnOhm: sourced, returnF: sourced });

const playedAt: Joi.ObjectSchema<Place> = closed({
  id,
  name,
  lengths: Joi.object().pattern(id.optional(), sourced).required(),
  destination: destinationSchema.allow(null),
  loop: ampLoop.allow(null),
});

const electrical: Joi.ObjectSchema<Electrical> = closed({
  guitars: list(guitarSchema),
  rows: list(row),
  destinations: list(destinationSchema),
  ownDestination: destinationSchema.allow(null),
  reference: referenceSchema,
  approach: closed({ kind: oneOf(CHOICE_RULES.approach.kind), wantedHz: sourced }),
  scenes: list(closed({ id, name, state })),
  places: list(playedAt),
  links: list(Joi.array().items(switchId).max(20)),
});

const { id: _, ...plugShape } = PLUG;
const cableEnd = closed({
  jack: oneOf(JACK_KINDS).allow(null),
  plug: closed(plugShape).allow(null),
});

const layout: Joi.ObjectSchema<Layout> = closed({
  boards: list(boardSchema),
  fixtures: list(closed({ id, name, widthM: sourced, depthM: sourced, heightM: sourced })),
  ends: Joi.object()
    .pattern(id.optional(), closed({ from: cableEnd, to: cableEnd }))
    .required(),
});

const power: Joi.ObjectSchema<Power> = closed({
  supplies: list(supplySchema),
  feeds: list(closed({ consumer: id, supply: id, outlet: number })),
});

const texts: Joi.ObjectSchema<Texts> = closed({
  name,
  player: Joi.string().allow('').max(LONGEST_NAME).required(),
  note: Joi.string().allow('').max(LONGEST_NOTE).required(),
  brief,
  dismissed: list(Joi.string().max(80)),
});

const parts = {
  electrical,
  state,
  layout,
  power,
  build: closed({ made: list(id) }),
  texts,
};

const format = oneOf([])
  .valid(RIG_FORMAT)
  .messages({
    'any.only': `{{#label}} is {{#value}}; this version reads format ${RIG_FORMAT} and those before it`,
  });

const rigShape: Joi.ObjectSchema<Rig> = closed({
  format,
  nextIds: Joi.object()
    .pattern(/^[a-z]$/u, number.optional())
    .required(),
  ...parts,
  pins: list(closed({ id, name, rig: closed(parts) })),
});

const formatOnly = Joi.object({ format }).unknown();

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
