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
const MOST_PATH = 200;

/** Holds an unknown value against a schema; nothing is converted, nothing unknown is let through. */
export function readWith<T>(schema: Joi.Schema<T>, value: unknown): Read<T> {
  const poison = findPrototypeKey(value);
  if (poison !== null)
    return {
      kind: 'refused',
      problems: [{ path: poison, message: `“${poison}” is not allowed.` }],
    };
  const result = schema.validate(value, { abortEarly: false, convert: false });
  if (!result.error) return { kind: 'ok', value: result.value as T };
  const problems = result.error.details.map(({ path, message }) => ({
    path: writePath(path),
    message: `${message.replaceAll('"', '“').replace(/“([^“]*)“/gu, '“$1”')}.`,
  }));
  return { kind: 'refused', problems: problems.slice(0, MOST_PROBLEMS) };
}

/**
 * Where an own key "__proto__" stands, which JSON can carry and a schema does not see; null where there is
 * none. Without recursion: JSON can be nested deeper than a stack is high.
 */
function findPrototypeKey(value: unknown): string | null {
  const open: { readonly inner: unknown; readonly at: string }[] = [{ inner: value, at: '' }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { inner, at } = next;
    if (typeof inner !== 'object' || inner === null) continue;
    for (const [key, deeper] of Object.entries(inner)) {
      const path = at === '' ? key : `${at}.${key}`;
      if (key === '__proto__') return path;
      open.push({ inner: deeper, at: path.slice(0, MOST_PATH) });
    }
  }
  return null;
}

/** ["devices", 3, "on"] → "devices[3].on" */
function writePath(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text === '' ? key : `${text}.${key}`,
    '',
  );
}
