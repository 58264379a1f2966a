import Joi from 'joi';

/// Names of things that are kept, and their revisions.

/** In lower case, so that one rig has one name. */
export const uuid = Joi.string().guid({ version: 'uuidv4' }).lowercase().required().messages({
  'string.guid': '{{#label}} is “{{#value}}”; it must be a version 4 UUID',
  'string.lowercase': '{{#label}} is “{{#value}}”; it must be in lower case',
});

/** Numbers that grow by one, from one to the next. A database holds it to this, too, so that a backup can be brought back. */
export const MOST_COUNTED = 2_000_000_000;
export const revision = Joi.number().integer().min(1).max(MOST_COUNTED).required();

/** The first id that stands in a list twice. */
export function repeated(ids: readonly string[]): string | null {
  const seen = new Set<string>();
  for (const id of ids) {
    if (seen.has(id)) return id;
    seen.add(id);
  }
  return null;
}

export const saidTwice = (id: string): string => `Id “${id}” stands there twice.`;
