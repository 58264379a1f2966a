import type { JackKind } from '@gullwind/core';

/// What columns and words of gear lists were called before; lists that were written then are still read.

const HEADERS: readonly (readonly [RegExp, string])[] = [
  [/\bleads?\b/giu, 'cable'],
  [/\bstand-in\b/giu, 'pickup simulator'],
];

/** A header as it would be written today. */
export const headerNow = (header: string): string =>
  HEADERS.reduce((text, [then, now]) => text.replace(then, now), header);

/** Columns that said at which side a jack is, before jacks had places; each with the kind of jack. */
export const OLD_SIDES: Readonly<Record<string, JackKind>> = {
  'body.inputAt': 'in',
  'body.outputAt': 'out',
  'body.powerAt': 'power',
};

/** Columns of a supply when its outlets were all alike, with what their headers said. */
export const OLD_OUTLETS: Readonly<Record<string, string>> = {
  outlets: 'Outlets',
  outletV: 'Voltage of an outlet',
  outletA: 'Current of an outlet',
  outletFrom: 'Current of an outlet, from',
  polarity: 'polarity',
  isolated: 'isolated',
};

const WORDS: Readonly<Record<string, string>> = {
  lead: 'cable',
  end: 'destination',
  loaded: 'hardwired',
  coveredtwin: 'coveredHumbucker',
  hottwin: 'hotHumbucker',
  'covered twin coil': 'coveredHumbucker',
  'hot twin coil': 'hotHumbucker',
};

/** A word out of a list of words as it would be written today. */
export function wordNow(word: string): string {
  const key = word.trim().toLowerCase();
  return Object.hasOwn(WORDS, key) ? WORDS[key]! : word;
}
