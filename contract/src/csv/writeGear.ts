import { gearOf, readNumber, type Device, type GearItem, type Sourced } from '@gullwind/core';
import { guardCell, writeNumberCell, writeOrigin } from './cells';
import {
  choiceHeader,
  choicePaths,
  NUMBER_RULES,
  numberHeader,
  numberPaths,
  originHeader,
  WORD_COLUMNS,
  type WordColumn,
} from './columns';
import { placePath, writePlaces, type PlaceColumn } from './places';
import { toCsv } from './toCsv';

/** A gear list as CSV (RFC 4180): one row for each entry, a column for every number and where it is from. */
export function writeGearCsv(items: readonly GearItem[]): string {
  const kinds = [...new Set(items.map(({ kind }) => kind))];
  const numbers = [...new Set(kinds.flatMap(numberPaths))];
  const choices = [...new Set(kinds.flatMap(choicePaths))];
  const header = [
    ...WORD_COLUMNS,
    ...choices.map(choiceHeader),
    ...numbers.flatMap((path) => [numberHeader(path), originHeader(path)]),
  ];
  const rows = items.map((item) => [
    ...WORD_COLUMNS.map((column) => guardCell(wordOf(item, column))),
    ...choices.map((path) => choiceOf(item, path)),
    ...numbers.flatMap((path) => numberOf(item, path)),
  ]);
  return toCsv([header, ...rows]);
}

function wordOf(item: GearItem, column: WordColumn): string {
  const { thing, qualities } = item;
  switch (column) {
    case 'kind':
    case 'id':
    case 'note':
      return item[column];
    case 'name':
      return thing.name;
    case 'class': {
      const { field } = gearOf(item.kind).classes;
      return field === null ? '' : String((thing as unknown as Record<string, unknown>)[field]);
    }
    case 'price':
      return qualities.price === null ? '' : String(qualities.price);
    case 'supplier':
    case 'form':
    case 'stiffness':
    case 'ruggedness':
    case 'shield':
      return qualities[column] ?? '';
    case 'retired':
      return yesNo(item.retired);
    case 'jacks':
    case 'switches':
    case 'slats':
    case 'openings':
    case 'groups':
      return placesOf(item, column);
    default:
      return shapeOf(item, column);
  }
}

function placesOf({ kind, thing }: GearItem, column: PlaceColumn): string {
  const path = placePath(kind, column);
  const places = path === null ? undefined : readNumber(thing, path);
  return places ? writePlaces(kind, path!, places as never) : '';
}

const yesNo = (value: boolean): string => (value ? 'yes' : 'no');

function shapeOf(item: GearItem, column: WordColumn): string {
  switch (item.kind) {
    case 'guitar':
      return column === 'second' ? (item.thing.second?.pickupClass ?? '') : '';
    case 'supply':
      return column === 'body' ? yesNo(item.thing.body !== undefined) : '';
    case 'fixture':
      return column === 'powerNote' ? item.thing.body.powerNote : '';
    case 'device':
      return shapeOfDevice(item.thing, column);
    default:
      return '';
  }
}

function shapeOfDevice({ body, sideJack, insert, loops }: Device, column: WordColumn): string {
  switch (column) {
    case 'sideJack':
      return sideJack;
    case 'insert':
      return insert;
    case 'loops':
      return String(loops);
    case 'body':
      return yesNo(body !== undefined);
    case 'fails':
    case 'powerNote':
      return body?.[column] ?? '';
    default:
      return '';
  }
}

function choiceOf({ kind, thing }: GearItem, path: string): string {
  if (!choicePaths(kind).includes(path)) return '';
  const value = readNumber(thing, path) as unknown as string | boolean | undefined;
  return typeof value === 'boolean' ? yesNo(value) : (value ?? '');
}

function numberOf({ kind, thing }: GearItem, path: string): readonly string[] {
  const value: Sourced | undefined = numberPaths(kind).includes(path)
    ? readNumber(thing, path)
    : undefined;
  if (!value) return ['', ''];
  return [writeNumberCell(NUMBER_RULES[path]!, value.value), guardCell(writeOrigin(value))];
}
