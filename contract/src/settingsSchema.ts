import { checkField, FIELD_RULES, LONGEST_NAME } from '@gullwind/core';
import Joi from 'joi';
import { readWith, type Read } from './read';
import { referenceSchema } from './rigSchema';
import type { Settings } from './settings';

export const settingsSchema: Joi.ObjectSchema<Settings> = Joi.object({
  units: Joi.valid('metric', 'imperial').required(),
  theme: Joi.valid('day', 'night', 'system').required(),
  reference: referenceSchema,
  // Settings of before there were any ears in them.
  scale: Joi.object({
    listener: Joi.string().trim().min(1).max(LONGEST_NAME).required(),
    thresholdDb: Joi.number().min(0.03).max(40).required(),
  })
    .allow(null)
    .default(null),
}).required();

export function readSettings(value: unknown): Read<Settings> {
  const read = readWith(settingsSchema, value);
  if (read.kind === 'refused') return read;
  const { lengthM, cPerMF } = read.value.reference;
  const problems = [
    ['reference.lengthM', checkField(FIELD_RULES.reference.lengthM, lengthM.value)],
    ['reference.cPerMF', checkField(FIELD_RULES.reference.cPerMF, cPerMF.value)],
  ] as const;
  const found = problems.flatMap(([path, problem]) =>
    problem ? [{ path, message: problem.message }] : [],
  );
  return found.length === 0 ? read : { kind: 'refused', problems: found };
}
