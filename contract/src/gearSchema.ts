import {
  checkItem,
  GEAR_KINDS,
  kindNow,
  upgradeThing,
  type GearItem,
  type GearKind,
  type Qualities,
} from '@gullwind/core';
import Joi from 'joi';
import { readWith, type Read } from './read';
import { closed, number, oneOf, yesNo } from './shapes';
import { thingSchema } from './thingSchema';

const orUnknown = (words: readonly string[]) => oneOf([...words]).allow(null);

const qualities: Joi.ObjectSchema<Qualities> = closed({
  price: number.allow(null),
  supplier: Joi.string().allow('').required(),
  form: orUnknown(['madeUp', 'reel']),
  stiffness: orUnknown(['soft', 'medium', 'stiff']),
  ruggedness: orUnknown(['delicate', 'sturdy', 'roadworthy']),
  shield: orUnknown(['spiral', 'braid', 'foil', 'doubleBraid', 'plastic']),
});

const itemOf = (kind: GearKind) =>
  closed({
    id: Joi.string().required(),
    kind: oneOf(GEAR_KINDS),
    note: Joi.string().allow('').required(),
    thing: thingSchema(kind),
    qualities,
    retired: yesNo,
  });

export const ITEM_SHAPES = Object.fromEntries(
  GEAR_KINDS.map((kind) => [kind, itemOf(kind)]),
) as Record<GearKind, Joi.Schema<GearItem>>;

const kindOnly = Joi.object({ kind: oneOf(GEAR_KINDS) })
  .unknown()
  .required();

/** Entries of earlier formats call some kinds otherwise. */
function withKindNow(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('kind' in value)) return value;
  return typeof value.kind === 'string' ? { ...value, kind: kindNow(value.kind) } : value;
}

/** An entry of the gear list from outside: its shape, then everything the core demands. */
export function readItem(value: unknown): Read<GearItem> {
  const known = readWith(kindOnly as Joi.Schema<{ kind: GearKind }>, withKindNow(value));
  if (known.kind === 'refused') return known;
  const { kind } = known.value;
  const { thing, ...rest } = known.value as unknown as { thing: unknown };
  const read = readWith(ITEM_SHAPES[kind], { ...rest, thing: upgradeThing(kind, thing) });
  if (read.kind === 'refused') return read;
  const problems = [...checkItem(read.value)];
  return problems.length === 0 ? read : { kind: 'refused', problems };
}
