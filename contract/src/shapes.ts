import { LONGEST_NAME, PROVENANCES } from '@gullwind/core';
import Joi from 'joi';

/// Shapes only: ranges and the rules between parts are the core's, so that there is one of each.

/** What a shape is called in the description of the API. */
export const calledInDocs = <S extends Joi.Schema>(className: string, shape: S): S =>
  shape.meta({ className }) as S;

export const closed = (keys: Joi.SchemaMap) => Joi.object(keys).required();
export const oneOf = (words: readonly (string | number | boolean | null)[]) =>
  Joi.valid(...words)
    .required()
    .messages({ 'any.only': '{{#label}} is “{{#value}}”; it must be one of {{#valids}}' });

/** JSON has no infinity: a number too large for a double arrives as one and is refused by its range. */
export const number = Joi.number().unsafe().allow(Infinity, -Infinity).required();
/** Optional words: their lengths and the day are the core's to check. */
export const sourced = calledInDocs(
  'Sourced',
  closed({
    value: number,
    from: oneOf(PROVENANCES),
    tolerance: Joi.number(),
    on: Joi.string().max(10),
    by: Joi.string().allow('').max(1000),
  }),
);
export const name = Joi.string().allow('').max(LONGEST_NAME).required();
export const id = Joi.string()
  .pattern(/^[a-z][a-z0-9]{0,15}$/u)
  .required();
export const yesNo = Joi.boolean().required();

/** Words up to so many characters; none is as good. */
export const words = (most: number) => Joi.string().allow('').max(most).required();
