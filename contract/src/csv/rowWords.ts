import type { Reading } from './readings';
import { wordNow } from './oldNames';
import type { WordColumn } from './columns';

/// One row of a gear list, and the words in it.

/** Thrown while one row is read; the others go on. */
export class BadRow extends Error {}

export const refuse = (message: string): never => {
  throw new BadRow(message);
};

export interface Row {
  readonly row: number;
  readonly words: ReadonlyMap<WordColumn, string>;
  readonly choices: readonly (readonly [path: string, text: string])[];
  readonly numbers: readonly (readonly [path: string, text: string, unit: string])[];
  readonly origins: ReadonlyMap<string, string>;
  readonly reading: Reading | null;
}

export function oneOf<T extends string>(what: string, text: string, words: readonly T[]): T {
  const wanted = wordNow(text).toLowerCase().replace(/\s/gu, '');
  const found = words.find((word) => word.toLowerCase() === wanted);
  return found ?? refuse(`${what}: “${text}” is not one of ${words.join(', ')}.`);
}

export function yes(what: string, text: string): boolean {
  if (/^(yes|y|true|1)$/iu.test(text)) return true;
  if (/^(no|n|false|0)$/iu.test(text)) return false;
  return refuse(`${what}: “${text}” is not yes or no.`);
}
