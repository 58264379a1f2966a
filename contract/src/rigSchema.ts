import {
  BESIDE_PLACES,
  BUILD_WORDS,
  CASE_SIDES,
  CHOICE_RULES,
  CONTROL_KINDS,
  FIELD_RULES,
  checkRig,
  JACK_KINDS,
  LONGEST_NAME,
  LONGEST_NOTE,
  LONGEST_PART_KEY,
  LONGEST_TUNING,
  PEDAL_USES,
  RIG_FORMAT,
  TURNS,
  upgradeRig,
  WEIGHT_NAMES,
  type Board,
  type Book,
  type Brief,
  type Build,
  type Device,
  type Electrical,
  type Fixture,
  type Laying,
  type Layout,
  type Place,
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
import { calledInDocs, closed, id, name, number, oneOf, sourced, words, yesNo } from './shapes';
import { fieldsOfThing, thingSchema } from './thingSchema';

const switchId = Joi.string().pattern(/^[a-z][a-z0-9]{0,15}(\.\d{1,2})?$/u);

const guitarSchema = thingSchema<Guitar>('guitar');
const deviceSchema = thingSchema<Device>('device');
const cableSchema = thingSchema<Cable>('cable');
const destinationSchema = thingSchema<Destination>('destination');
const cableOrNone = calledInDocs('CableOrNone', cableSchema.allow(null));
const destinationOrNone = calledInDocs('DestinationOrNone', destinationSchema.allow(null));
const supplySchema = thingSchema<Supply>('supply');
const boardSchema = thingSchema<Board>('board');
const fixtureSchema = thingSchema<Fixture>('fixture');

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
  cables: list(cableOrNone),
});

export const stateSchema: Joi.ObjectSchema<SwitchState> = calledInDocs(
  'SwitchState',
  closed({
    positions: Joi.object().pattern(switchId, Joi.boolean()).required(),
    playing: id.allow(null),
    unpowered: list(id),
  }),
);

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
  destination: destinationOrNone,
  loop: ampLoop.allow(null),
});

const electrical: Joi.ObjectSchema<Electrical> = closed({
  guitars: list(guitarSchema),
  rows: list(row),
  destinations: list(destinationSchema),
  ownDestination: destinationOrNone,
  reference: referenceSchema,
  approach: closed({ kind: oneOf(CHOICE_RULES.approach.kind), wantedHz: sourced }),
  scenes: list(closed({ id, name, state: stateSchema })),
  places: list(playedAt),
  links: list(Joi.array().items(switchId).max(20)),
});

const cableEnd = closed({
  jack: oneOf(JACK_KINDS).allow(null),
  plug: closed(fieldsOfThing('plug')).allow(null),
  leaves: oneOf(CASE_SIDES).allow(null),
});

const placement = Joi.alternatives()
  .conditional('.at', {
    switch: [
      {
        is: 'deck',
        then: closed({
          at: 'deck',
          board: id,
          xM: number,
          yM: number,
          turn: oneOf(TURNS),
          riserM: number,
          isUnder: yesNo,
        }),
      },
      {
        is: 'beside',
        then: closed({ at: 'beside', where: oneOf(BESIDE_PLACES), lengthM: number }),
      },
      {
        is: 'stage',
        then: closed({ at: 'stage', xM: number, yM: number }),
        otherwise: closed({ at: oneOf(['deck', 'beside', 'stage']) }).unknown(),
      },
    ],
  })
  .optional();

const jackOfThing = closed({ thing: id, nth: number });

const laying: Joi.ObjectSchema<Laying> = closed({
  ...Object.fromEntries(Object.keys(FIELD_RULES.laying).map((key) => [key, sourced])),
  ...Object.fromEntries(
    Object.entries(CHOICE_RULES.laying).map(([key, words]) => [
      key,
      typeof words[0] === 'boolean' ? yesNo : oneOf(words),
    ]),
  ),
});

export const layoutSchema: Joi.ObjectSchema<Layout> = closed({
  boards: list(boardSchema),
  fixtures: list(fixtureSchema),
  placements: Joi.object().pattern(id.optional(), placement).required(),
  ends: Joi.object()
    .pattern(id.optional(), closed({ from: cableEnd, to: cableEnd }))
    .required(),
  lanes: list(
    closed({
      id,
      name,
      board: id,
      layer: oneOf(['top', 'under']),
      yM: number,
      fromM: number,
      toM: number,
      mount: closed(fieldsOfThing('mount')).allow(null),
    }),
  ),
  controls: list(
    closed({
      id,
      name,
      carries: oneOf(CONTROL_KINDS),
      from: jackOfThing,
      to: jackOfThing,
      lengthM: sourced,
    }),
  ),
  looms: list(closed({ id, name, cables: list(id) })),
  neverMissed: list(id),
  laying,
});

const power: Joi.ObjectSchema<Power> = closed({
  supplies: list(supplySchema),
  feeds: list(
    closed({
      id,
      consumer: id,
      supply: id,
      outlet: number,
      volts: number.allow(null),
      second: number.allow(null),
      after: id.allow(null),
      via: oneOf(['straight', 'reversed', 'doubled']),
      efficiency: sourced,
      lengthM: sourced,
      isFixed: yesNo,
    }),
  ),
  feeding: oneOf(CHOICE_RULES.power.feeding),
  fill: sourced,
  rPerMOhm: sourced,
  apart: list(id),
  oneBox: Joi.object().pattern(id.optional(), id).required(),
});

const build: Joi.ObjectSchema<Build> = closed({
  ways: closed(
    Object.fromEntries(Object.entries(BUILD_WORDS).map(([key, words]) => [key, oneOf(words)])),
  ),
  parts: list(
    closed({
      key: Joi.string().max(LONGEST_PART_KEY).required(),
      owned: number,
      ordered: number,
      arrived: number,
      buyer: Joi.string().allow('').max(LONGEST_NAME).required(),
    }),
  ),
});

const book: Joi.ObjectSchema<Book> = closed({
  songs: list(
    closed({
      id,
      title: Joi.string().allow('').max(LONGEST_NAME).required(),
      guitar: id.allow(null),
      scene: id.allow(null),
      tuning: words(LONGEST_TUNING),
      note: words(LONGEST_NOTE),
    }),
  ),
  walked: Joi.object()
    .pattern(/^[a-zA-Z]{1,30}$/u, Joi.string().max(10).required())
    .required(),
  caseKg: sourced,
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
  state: stateSchema,
  layout: layoutSchema,
  power,
  build,
  book,
  texts,
};

const format = oneOf([])
  .valid(RIG_FORMAT)
  .messages({
    'any.only': `{{#label}} is {{#value}}; this version reads format ${RIG_FORMAT} and those before it`,
  });

export const rigShape: Joi.ObjectSchema<Rig> = calledInDocs(
  'Rig',
  closed({
    format,
    nextIds: Joi.object()
      .pattern(/^[a-z]$/u, number.optional())
      .required(),
    ...parts,
    pins: list(closed({ id, name, rig: calledInDocs('PinnedRig', closed(parts)) })),
  }),
);

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
