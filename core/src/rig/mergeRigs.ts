import isEqual from 'fast-deep-equal';
import { checkRig } from './checkRig';
import { idsIn } from './ids';
import { isPlain, type Plain, type PlainObject } from './plain';
import { mergeState } from './mergeState';
import type { NextIds, Rig } from './rig';

/// A rig that two hands changed at once, put together where they touched different parts of it. A part is what has an
/// id (a pedal, a cable, a scene), what has a place or a value (where a case stands, a length), and a plain field of
/// the document (its name, a habit). The order of a list, with what was added and taken out, is a part, too.

/** Thrown and caught in here: both touched the same part, each in its own way. */
class Clash extends Error {}

/**
 * @param base what both started from
 * @returns base with what either changed; null where both changed the same part otherwise, or the result would be no
 *   rig. Foot-switches never clash: see `mergeState`.
 */
export function mergeRigs(base: Rig, mine: Rig, theirs: Rig): Rig | null {
  try {
    demandWholeness(base, mine, theirs);
    demandWholeness(base, theirs, mine);
    const [{ state: before }, { state: here }, { state: there }] = [base, mine, theirs];
    const merged = {
      ...(mergeValue(without(base), without(mine), without(theirs)) as unknown as Rig),
      nextIds: mergeCounters(base.nextIds, mine.nextIds, theirs.nextIds),
    };
    const rig = { ...merged, state: mergeState(merged, before, here, there) };
    return checkRig(rig).length === 0 ? rig : null;
  } catch (error) {
    if (error instanceof Clash) return null;
    throw error;
  }
}

/** What one took out, the other has said nothing new of: not where it stands, not what hangs on it. */
function demandWholeness(base: Rig, one: Rig, other: Rig): void {
  const there = new Set(idsIn(one));
  const gone = new Set(idsIn(base).filter((id) => !there.has(id)));
  if (gone.size === 0) return;
  const said = (rig: Rig) => [...mentions(without(rig), gone, '')].sort();
  if (!isEqual(said(base), said(other))) throw new Clash();
}

/** Everything that is said of some ids, as text: where it stands and, behind an id, what. */
function* mentions(value: Plain, ids: ReadonlySet<string>, where: string): Generator<string> {
  if (typeof value === 'string' && ids.has(value)) yield `${where}: ${value}`;
  if (Array.isArray(value)) for (const one of value) yield* mentions(one as Plain, ids, where);
  if (!isPlain(value)) return;
  for (const [key, one] of Object.entries(value)) {
    if (ids.has(key)) yield `${where}.${key}: ${JSON.stringify(one)}`;
    yield* mentions(one, ids, `${where}.${key}`);
  }
}

const without = ({ state: _, nextIds: __, ...rest }: Rig): Plain => rest as unknown as Plain;

/** Two that both gave out ids of one letter may have given out the same one. */
function mergeCounters(base: NextIds, mine: NextIds, theirs: NextIds): NextIds {
  const of = (ids: NextIds, letter: string) => ids[letter] ?? 0;
  const letters = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
  return Object.fromEntries(
    [...letters].map((letter) => {
      const [before, here, there] = [of(base, letter), of(mine, letter), of(theirs, letter)];
      if (here > before && there > before) throw new Clash();
      return [letter, Math.max(here, there)];
    }),
  );
}

function mergeValue(base: Plain, mine: Plain, theirs: Plain): Plain {
  if (isEqual(mine, base) || isEqual(mine, theirs)) return theirs;
  if (isEqual(theirs, base)) return mine;
  const all = [base, mine, theirs];
  if (all.every(isOpen)) return mergeFields(...(all as Three<PlainObject>));
  if (all.every(isListOfThings)) return mergeLists(...(all as Three<readonly Thing[]>));
  throw new Clash();
}

type Three<T> = [base: T, mine: T, theirs: T];
type Thing = (PlainObject & { readonly id: string }) | null;

/** What tells a part that is taken as a whole; a row is no such part, though it has an id. */
const MARKS = ['id', 'kind', 'at', 'value', 'from'];
const isRow = (value: PlainObject): boolean => 'devices' in value && 'cables' in value;

const isOpen = (value: Plain): value is PlainObject =>
  isPlain(value) && (isRow(value) || !MARKS.some((mark) => mark in value));

function isListOfThings(value: Plain): boolean {
  if (!Array.isArray(value)) return false;
  const things = value.filter((one) => one !== null);
  const ids = things.map((one) => (isPlain(one) ? one.id : undefined));
  return ids.every((id) => typeof id === 'string') && new Set(ids).size === ids.length;
}

function mergeFields(base: PlainObject, mine: PlainObject, theirs: PlainObject): PlainObject {
  const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
  const fields = [...keys].flatMap((key) => {
    const merged = mergeValue(base[key], mine[key], theirs[key]);
    return merged === undefined ? [] : [[key, merged] as const];
  });
  return Object.fromEntries(fields);
}

/** The order that one of both made, of things as either changed them. */
function mergeLists(
  base: readonly Thing[],
  mine: readonly Thing[],
  theirs: readonly Thing[],
): readonly Thing[] {
  const orderOf = (things: readonly Thing[]) => things.map((thing) => thing?.id ?? null);
  const [before, here, there] = [orderOf(base), orderOf(mine), orderOf(theirs)];
  const isMine = !isEqual(here, before);
  if (isMine && !isEqual(there, before) && !isEqual(here, there)) throw new Clash();
  const order = isMine ? here : there;
  const find = (things: readonly Thing[], id: string) => things.find((thing) => thing?.id === id);
  const merge = (id: string) =>
    mergeValue(find(base, id), find(mine, id), find(theirs, id)) as Thing | undefined;
  // What one took out and the other changed is a clash, though it is in no order any more.
  for (const gone of before) if (gone !== null && !order.includes(gone)) merge(gone);
  return order.map((id) => (id === null ? null : merge(id)!));
}
