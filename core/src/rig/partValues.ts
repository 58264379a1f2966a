import type { Sourced } from '../gear';

/// Values of a part by their path in it: "lengthM", "on.rInOhm", "second.volume.travel".

/** The number at a field's path in a part ("on.rInOhm"), or undefined where the part has none there. */
export function readNumber(part: object, path: string): Sourced | undefined {
  let at: unknown = part;
  for (const key of path.split('.')) {
    if (at === null || at === undefined) return undefined;
    at = (at as Readonly<Record<string, unknown>>)[key];
  }
  return (at as Sourced | null | undefined) ?? undefined;
}

/** A copy of a part with one value at a field's path replaced. */
export function writeAt<T extends object>(part: T, path: string, value: unknown): T {
  const [key, ...rest] = path.split('.') as [keyof T & string, ...string[]];
  const inner = rest.length === 0 ? value : writeAt(part[key] as object, rest.join('.'), value);
  return { ...part, [key]: inner };
}
