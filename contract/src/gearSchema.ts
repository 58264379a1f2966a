import {
  CHOICE_RULES,
  checkItem,
  GEAR_KINDS,
  upgradeThing,
  type Board,
  type GearItem,
  type Plug,
  type Qualities,
  type Supply,
} from '@gullwind/core';
import Joi from 'joi';
import { readWith, type Read } from './read';
import {
  closed,
  deviceSchema,
  endSchema,
  guitarSchema,
  id,
  leadSchema,
  name,
  number,
  oneOf,
  sourced,
  yesNo,
} from './rigSchema';

const plugSchema: Joi.ObjectSchema<Plug> = closed({
  id,
  name,
  shape: oneOf(CHOICE_RULES.plug.shape),
  joint: oneOf(CHOICE_RULES.plug.joint),
  beyondM: sourced,
  plugF: sourced,
});

const supplySchema: Joi.ObjectSchema<Supply> = closed({
  id,
  name,
  outlets: sourced,
  outletV: sourced,
  outletA: sourced,
  polarity: oneOf(CHOICE_RULES.supply.polarity),
  isolated: yesNo,
});

const boardSchema: Joi.ObjectSchema<Board> = closed({
  id,
  name,
  widthM: sourced,
  depthM: sourced,
  belowM: sourced,
  surface: oneOf(CHOICE_RULES.board.surface),
});

const THINGS = {
  guitar: guitarSchema,
  device: deviceSchema,
  lead: leadSchema,
  end: endSchema,
  plug: plugSchema,
  supply: supplySchema,
  board: boardSchema,
} as const;

const orUnknown = (words: readonly string[]) => oneOf([...words]).allow(null);

const qualities: Joi.ObjectSchema<Qualities> = closed({
  price: number.allow(null),
  supplier: Joi.string().allow('').required(),
  form: orUnknown(['madeUp', 'reel']),
  stiffness: orUnknown(['soft', 'medium', 'stiff']),
  ruggedness: orUnknown(['delicate', 'sturdy', 'roadworthy']),
  shield: orUnknown(['spiral', 'braid', 'foil', 'doubleBraid', 'plastic']),
});

const itemOf = (kind: keyof typeof THINGS) =>
  closed({
    id: Joi.string().required(),
    kind: oneOf(GEAR_KINDS),
    note: Joi.string().allow('').required(),
    thing: THINGS[kind],
    qualities,
    retired: yesNo,
  });

const SHAPES = Object.fromEntries(GEAR_KINDS.map((kind) => [kind, itemOf(kind)])) as Record<
  keyof typeof THINGS,
  Joi.Schema<GearItem>
>;

const kindOnly = Joi.object({ kind: oneOf(GEAR_KINDS) })
  .unknown()
  .required();

/** An entry of the gear list from outside: its shape, then everything the core demands. */
export function readItem(value: unknown): Read<GearItem> {
  const known = readWith(kindOnly as Joi.Schema<{ kind: keyof typeof THINGS }>, value);
  if (known.kind === 'refused') return known;
  const { kind } = known.value;
  const { thing, ...rest } = value as { thing: unknown };
  const read = readWith(SHAPES[kind], { ...rest, thing: upgradeThing(kind, thing) });
  if (read.kind === 'refused') return read;
  const problems = [...checkItem(read.value)];
  return problems.length === 0 ? read : { kind: 'refused', problems };
}
