import { each, isJson, type Json } from './json';

/// Format 6 as format 7: a rig has a book, empty at first. The values are written out, so that they stay what they were
/// when later defaults are others.

const BOOK = { songs: [], walked: {}, caseKg: { value: 6, from: 'assumed' } };

const withBook = (parts: Json): Json => ({ ...parts, book: BOOK });

export const fromFormat6 = (value: Json): Json => ({
  ...withBook(value),
  format: 7,
  pins: each(value.pins, (pin) => (isJson(pin.rig) ? { ...pin, rig: withBook(pin.rig) } : pin)),
});
