import type Joi from 'joi';

/** One thing wrong with a value from outside: where, and what, in words. */
export interface ValueProblem {
  readonly path: string;
  readonly message: string;
}

export type Read<T> =
  | { readonly kind: 'ok'; readonly value: T }
  | { readonly kind: 'refused'; readonly problems: readonly ValueProblem[] };

const MOST_PROBLEMS = 20;

/** Holds an unknown value against a schema; nothing is converted, nothing unknown is let through. */
export function readWith<T>(schema: Joi.Schema<T>, value: unknown): Read<T> {
  const result = schema.validate(value, { abortEarly: false, convert: false });
  if (!result.error) return { kind: 'ok', value: result.value as T };
  const problems = result.error.details.map(({ path, message }) => ({
    path: writePath(path),
    message: `${message.replaceAll('"', '“').replace(/“([^“]*)“/gu, '“$1”')}.`,
  }));
  return { kind: 'refused', problems: problems.slice(0, MOST_PROBLEMS) };
}

/** ["devices", 3, "on"] → "devices[3].on" */
function writePath(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text === '' ? key : `${text}.${key}`,
    '',
  );
}
