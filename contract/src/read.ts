import type Joi from 'joi';

/** One thing wrong with a value from outside: where, and what, in words. */
export interface ValueProblem {
  readonly path: string;
  readonly message: string;
}

export type Read<T> =
  | { readonly kind: 'ok'; readonly value: T }
  | {
      readonly kind: 'refused';
      readonly problems: readonly ValueProblem[];
      /** It is well formed, but holds text that cannot be kept. */
      readonly isText?: true;
    };

const MOST_PROBLEMS = 20;
const MOST_PATH = 200;
/** Nothing that is read here is nested deeper. */
const MOST_DEPTH = 64;
/** Of what holds more values than this only the first fault is looked for. */
const MANY_VALUES = 20_000;
/** Keys that JSON can carry and an object must not: they would stand for what every object has. */
const FORBIDDEN_KEYS: ReadonlySet<string> = new Set(['__proto__', 'toString', 'valueOf']);
/** Half of a pair that stands for one character, or NUL: a database keeps neither. */
const UNKEEPABLE = /\p{Surrogate}|\0/u;

/** Holds an unknown value against a schema; nothing is converted, nothing unknown is let through. */
export function readWith<T>(schema: Joi.Schema<T>, value: unknown): Read<T> {
  const walked = walk(value);
  if (walked.kind === 'refused') return walked;
  const abortEarly = walked.value > MANY_VALUES;
  const result = schema.validate(value, { abortEarly, convert: false });
  if (!result.error) return { kind: 'ok', value: result.value as T };
  const problems = result.error.details.map(({ path, message }) => ({
    path: writePath(path),
    message: `${message.replaceAll('"', '“').replace(/“([^“]*)“/gu, '“$1”')}.`,
  }));
  return { kind: 'refused', problems: problems.slice(0, MOST_PROBLEMS) };
}

const refusedAt = (path: string, message: string): Read<never> => ({
  kind: 'refused',
  problems: [{ path, message }],
});

/**
 * Looks for what a schema does not see, and counts the values. Without recursion: JSON can be nested deeper than
 * a stack is high. Level by level, and where something is wrong is only asked once something is.
 */
function walk(value: unknown): Read<number> {
  let count = 0;
  let level: readonly unknown[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    const next: unknown[] = [];
    for (const inner of level) {
      count++;
      if (typeof inner === 'string') {
        if (UNKEEPABLE.test(inner)) return findFault(value);
      } else if (typeof inner === 'object' && inner !== null) {
        if (depth >= MOST_DEPTH) return findFault(value);
        if (Array.isArray(inner)) for (const one of inner) next.push(one);
        else if (!pushFields(inner, next)) return findFault(value);
      }
    }
    level = next;
  }
  return { kind: 'ok', value: count };
}

/** False where a key is one that must not be. */
function pushFields(inner: object, next: unknown[]): boolean {
  for (const key of Object.keys(inner)) {
    if (FORBIDDEN_KEYS.has(key) || UNKEEPABLE.test(key)) return false;
    next.push((inner as Record<string, unknown>)[key]);
  }
  return true;
}

/** Where the fault is that {@link walk} has met. */
function findFault(value: unknown): Read<never> {
  const open: { readonly inner: unknown; readonly at: string; readonly depth: number }[] = [
    { inner: value, at: '', depth: 0 },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { inner, at, depth } = next;
    if (typeof inner === 'string' && UNKEEPABLE.test(inner))
      return { ...unkeepable(at), isText: true };
    if (typeof inner !== 'object' || inner === null) continue;
    if (depth >= MOST_DEPTH) return refusedAt(at, `It is nested deeper than ${MOST_DEPTH}.`);
    for (const [key, deeper] of Object.entries(inner)) {
      const path = (at === '' ? key : `${at}.${key}`).slice(0, MOST_PATH);
      if (FORBIDDEN_KEYS.has(key)) return refusedAt(path, `“${path}” is not allowed.`);
      if (UNKEEPABLE.test(key)) return { ...unkeepable(at), isText: true };
      open.push({ inner: deeper, at: path, depth: depth + 1 });
    }
  }
  throw new Error('There was a fault, and it is gone.');
}

const unkeepable = (path: string) => ({
  kind: 'refused' as const,
  problems: [
    {
      path,
      message: `${path === '' ? 'The text' : `“${path}”`} holds half a character or a NUL, which cannot be kept. Write it again without.`,
    },
  ],
});

/** ["devices", 3, "on"] → "devices[3].on" */
function writePath(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text === '' ? key : `${text}.${key}`,
    '',
  );
}
