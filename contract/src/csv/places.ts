import {
  gearOf,
  METRES_PER_FOOT,
  type FieldRule,
  type GearKind,
  type PlaceList,
  type UnitSystem,
} from '@gullwind/core';
import { isBare, readNumberCell, writeNumberCell } from './cells';
import { bareUnit } from './columns';

/// Places on a thing in one cell: "in right 74; out left 74; power back 35", lengths in mm; and the outlets of a supply:
/// "isolated centreNegative 6 9 V 100 mA" without the blanks before the units.

/** By the column that holds them, the path of the places of a kind. */
const PATHS = {
  jacks: 'body.jacks',
  switches: 'body.switches',
  slats: 'slats',
  openings: 'openings',
  groups: 'groups',
} as const;

export type PlaceColumn = keyof typeof PATHS;
export const PLACE_COLUMNS = Object.keys(PATHS) as readonly PlaceColumn[];

type Place = Readonly<Record<string, string | number>>;

const NONE = 'none';
const INCH_M = METRES_PER_FOOT / 12;
const MILLIMETRES: FieldRule = { label: 'Place', quantity: 'size', min: -1e6, max: 1e6 };

/** The path of a column of places in a thing of this kind; null where such a thing has none. */
export function placePath(kind: GearKind, column: PlaceColumn): string | null {
  return Object.hasOwn(gearOf(kind).lists, PATHS[column]) ? PATHS[column] : null;
}

/** @param units what bare numbers are in: mm, or inches for a page that shows these */
export function writePlaces(
  kind: GearKind,
  path: string,
  places: readonly Place[],
  units: UnitSystem = 'metric',
): string {
  const { words, numbers, rules, optional = 0 } = gearOf(kind).lists[path]!;
  const write = (key: string, value: number): string => {
    const rule = rules?.[key];
    if (rule) return withUnit(rule, writeNumberCell(rule, value));
    return units === 'metric'
      ? writeNumberCell(MILLIMETRES, value).replace(' ', '')
      : String(Number((value / INCH_M).toFixed(4)));
  };
  /** Without those of the last ones that say nothing. */
  const spoken = (place: Place): readonly string[] => {
    const last = numbers.findLastIndex((key) => place[key] !== 0);
    return numbers.slice(0, Math.max(last + 1, numbers.length - optional));
  };
  if (places.length === 0) return NONE;
  return places
    .map((place) =>
      [
        ...Object.keys(words).map((key) => place[key]),
        ...spoken(place).map((key) => write(key, place[key] as number)),
      ].join(' '),
    )
    .join('; ');
}

const withUnit = (rule: FieldRule, text: string): string =>
  (isBare(text) ? `${text}${bareUnit(rule)}` : text).replace(' ', '');

/** @returns the places, or why not */
export function readPlaces(
  list: PlaceList,
  column: string,
  text: string,
  units: UnitSystem = 'metric',
): readonly Place[] | string {
  if (text.trim().toLowerCase() === NONE) return [];
  const places: Place[] = [];
  for (const one of text.split(';').map((part) => part.trim())) {
    if (one === '') continue;
    const place = readPlace(list, one.split(/\s+/u), units);
    if (typeof place === 'string') return `${column}: “${one}”: ${place}`;
    places.push(place);
  }
  return places.length > list.most
    ? `${column}: ${places.length} places, at most ${list.most}.`
    : places;
}

const sayCount = (most: number, optional: number): string =>
  optional > 0 ? `${most - optional} to ${most}` : String(most);

const readOne = (rule: FieldRule | undefined, text: string, units: UnitSystem) =>
  rule
    ? readNumberCell(rule, text, bareUnit(rule))
    : readNumberCell(MILLIMETRES, text, units === 'metric' ? 'mm' : 'in');

function readPlace(
  { words, numbers, rules, optional = 0 }: PlaceList,
  parts: readonly string[],
  units: UnitSystem,
): Place | string {
  const keys = Object.keys(words);
  const most = keys.length + numbers.length;
  if (parts.length > most || parts.length < most - optional)
    return `it has ${parts.length} parts and needs ${sayCount(most, optional)}.`;
  const place: Record<string, string | number> = {};
  for (const [i, key] of keys.entries()) {
    const word = words[key]!.find((known) => known.toLowerCase() === parts[i]!.toLowerCase());
    if (word === undefined) return `“${parts[i]}” is not one of ${words[key]!.join(', ')}.`;
    place[key] = word;
  }
  for (const [i, key] of numbers.entries()) {
    const read = readOne(rules?.[key], parts[keys.length + i] ?? '0', units);
    if (read.kind === 'refused') return read.message;
    place[key] = read.si;
  }
  return place;
}
