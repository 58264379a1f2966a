import {
  GEAR_ID,
  gearOf,
  shapeOf,
  type GearKind,
  type PlaceList,
  type Shape,
  type ShapeNode,
} from '@gullwind/core';
import Joi from 'joi';
import { calledInDocs, closed, id, name, number, oneOf, sourced, yesNo } from './shapes';

/// What a thing of every kind looks like from outside, made from its descriptor: as Joi, and as JSON Schema.

type Keys = Record<string, Joi.Schema>;

/** A place on a thing: words and plain numbers. */
const placeSchema = ({ words, numbers }: PlaceList): Joi.Schema =>
  closed({
    ...Object.fromEntries(Object.entries(words).map(([key, all]) => [key, oneOf(all)])),
    ...Object.fromEntries(numbers.map((key) => [key, number])),
  });

const keysOf = (shape: Shape): Keys =>
  Object.fromEntries(Object.entries(shape).map(([key, node]) => [key, schemaOf(node)]));

function schemaOf(node: ShapeNode): Joi.Schema {
  switch (node.kind) {
    case 'number':
      return sourced;
    case 'words':
      return node.words.includes(true) ? yesNo : oneOf(node.words);
    case 'count':
      // Its range is the core's to check.
      return number;
    case 'text':
      return Joi.string().allow('').max(node.most).required();
    case 'places':
      return Joi.array().items(placeSchema(node.of).optional()).max(node.of.most).required();
    case 'group': {
      const fields = keysOf(node.fields);
      if (node.presence === 'optional') return Joi.object(fields);
      return node.presence === 'nullable' ? closed(fields).allow(null) : closed(fields);
    }
  }
}

/** A thing without its id. */
export const fieldsOfThing = (kind: GearKind): Keys => ({
  name,
  ...keysOf(shapeOf(gearOf(kind))),
  ...(gearOf(kind).isForRigs ? { gear: Joi.string().pattern(GEAR_ID) } : {}),
});

/** @returns for things of this kind, as `T` */
export const thingSchema = <T>(kind: GearKind): Joi.ObjectSchema<T> =>
  calledInDocs(
    kind[0]!.toUpperCase() + kind.slice(1),
    closed({ id, ...fieldsOfThing(kind) }) as Joi.ObjectSchema<T>,
  );

type JsonSchema = Readonly<Record<string, unknown>>;

const ID_PATTERN = '^[a-z][a-z0-9]{0,15}$';
const SOURCED = { $ref: '#/$defs/sourced' };

function objectOf(properties: Readonly<Record<string, JsonSchema>>, optional: readonly string[]) {
  const required = Object.keys(properties).filter((key) => !optional.includes(key));
  return { type: 'object', additionalProperties: false, properties, required };
}

const optionalIn = (shape: Shape): readonly string[] =>
  Object.entries(shape).flatMap(([key, node]) =>
    node.kind === 'group' && node.presence === 'optional' ? [key] : [],
  );

const propertiesOf = (shape: Shape): Readonly<Record<string, JsonSchema>> =>
  Object.fromEntries(Object.entries(shape).map(([key, node]) => [key, jsonSchemaOf(node)]));

const placeJsonSchema = ({ words, numbers }: PlaceList): JsonSchema =>
  objectOf(
    {
      ...Object.fromEntries(Object.entries(words).map(([key, all]) => [key, { enum: all }])),
      ...Object.fromEntries(numbers.map((key) => [key, { type: 'number' }])),
    },
    [],
  );

function jsonSchemaOf(node: ShapeNode): JsonSchema {
  switch (node.kind) {
    case 'number':
      return SOURCED;
    case 'words':
      return node.words.includes(true) ? { type: 'boolean' } : { enum: node.words };
    case 'count':
      return { type: 'integer', minimum: 0, maximum: node.most };
    case 'text':
      return { type: 'string', maxLength: node.most };
    case 'places':
      return { type: 'array', maxItems: node.of.most, items: placeJsonSchema(node.of) };
    case 'group': {
      const group = objectOf(propertiesOf(node.fields), optionalIn(node.fields));
      return node.presence === 'nullable' ? { anyOf: [group, { type: 'null' }] } : group;
    }
  }
}

/** A thing as a definition of a JSON Schema that defines "sourced" as well. @param hasId a plug on a cable has none */
export function thingJsonSchema(kind: GearKind, hasId = true): JsonSchema {
  const shape = shapeOf(gearOf(kind));
  const properties = {
    ...(hasId ? { id: { type: 'string', pattern: ID_PATTERN } } : {}),
    name: { type: 'string', minLength: 1, maxLength: 80 },
    ...propertiesOf(shape),
    ...(gearOf(kind).isForRigs && { gear: { type: 'string', pattern: GEAR_ID.source } }),
  };
  return objectOf(properties, [...optionalIn(shape), 'gear']);
}
