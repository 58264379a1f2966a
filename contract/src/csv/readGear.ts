import {
  CASE_SIDES,
  chooseInPart,
  readNumber,
  resized,
  spaceSlats,
  writeAt,
  GEAR_KINDS,
  gearItem,
  gearOf,
  NO_QUALITIES,
  setInPart,
  type Board,
  type Case,
  type GearItem,
  type GearKind,
  type Provenance,
  type Qualities,
  type Sourced,
  type Things,
} from '@gullwind/core';
import { readItem } from '../gearSchema';
import { OLD_SIDES } from './oldNames';
import { isBare, readNumberCell, readOrigin, unguardCell } from './cells';
import { decimalsOf, withPoint, type DecimalMark } from './decimals';
import {
  NUMBER_RULES,
  numberPaths,
  choicePaths,
  type ColumnTarget,
  type WordColumn,
} from './columns';
import { BadRow, oneOf, refuse, yes, type Row } from './rowWords';
import { shapeOfRow } from './shapeRow';
import { PLACE_COLUMNS, placePath, readPlaces } from './places';
import { readingsIn, withReadings } from './readings';
import type { RowProblem, Table } from './readTable';

export interface GearReading {
  /** What every column is read as, one for each header. */
  readonly columns: readonly ColumnTarget[];
  /** Of rows that do not say it. */
  readonly kind: GearKind;
  /** Of numbers that do not say where they are from. */
  readonly from: Provenance;
  readonly newId: () => string;
  /** What stands before the decimals, where the file does not say and somebody was asked. */
  readonly mark?: DecimalMark | null;
}

export interface GearReport {
  readonly items: readonly GearItem[];
  readonly problems: readonly RowProblem[];
  /** What was made of readings of several lengths, in words. */
  readonly notes: readonly string[];
  /** A cell like “1,200”, which is two different numbers: the mark has to be said before anything is read. */
  readonly unsure: string | null;
}

type Asked = GearReading & { readonly mark: DecimalMark | null };

/**
 * Entries out of a table, row by row: what can be read, and what is wrong with the rest. Rows with the
 * capacitance of whole cables are readings: those of one name, at several lengths, make one entry.
 */
export function readGearRows(table: Table, asked: GearReading): GearReport {
  const { mark: found, unsure } = decimalsOf(table, asked.columns);
  const mark = found ?? asked.mark ?? null;
  if (unsure !== null && mark === null) return { items: [], problems: [], notes: [], unsure };
  const reading: Asked = { ...asked, mark };
  const items: GearItem[] = [];
  const problems: RowProblem[] = [...table.problems];
  const bad = new Set(problems.map(({ row }) => row));
  const readings = new Map<string, { row: Row; item: GearItem }[]>();
  const attempt = (row: number, work: () => void) => {
    try {
      work();
    } catch (error) {
      if (!(error instanceof BadRow)) throw error;
      problems.push({ row, message: error.message });
    }
  };
  for (const { row, cells } of table.rows) {
    if (bad.has(row)) continue;
    attempt(row, () => {
      const parsed = sortCells(row, cells, reading);
      const item = itemOf(parsed, reading);
      if (!parsed.reading) return void items.push(checked(item));
      const { name } = item.thing;
      readings.set(name, [...(readings.get(name) ?? []), { row: parsed, item }]);
    });
  }
  const notes: string[] = [];
  for (const group of readings.values()) {
    attempt(group[0]!.row.row, () => {
      const made = withReadings(
        group.map(({ row, item }) => ({ item, reading: row.reading! })),
        refuse,
      );
      items.push(...made.items.map(checked));
      if (made.note) notes.push(made.note);
    });
  }
  const twice = items.map(({ id }) => id).filter((id, i, all) => all.indexOf(id) !== i);
  if (twice.length > 0)
    problems.push({ row: 1, message: `Id “${twice[0]}” stands in more than one row.` });
  return { items, problems: problems.sort((a, b) => a.row - b.row), notes, unsure };
}

function checked(item: GearItem): GearItem {
  const read = readItem(item);
  return read.kind === 'ok' ? read.value : refuse(read.problems[0]!.message);
}

function sortCells(row: number, cells: readonly string[], { columns, mark }: Asked): Row {
  const words = new Map<WordColumn, string>();
  const choices: (readonly [string, string])[] = [];
  const numbers: (readonly [string, string, string])[] = [];
  const origins = new Map<string, string>();
  for (const [i, target] of columns.entries()) {
    const text = unguardCell((cells[i] ?? '').trim());
    if (text === '') continue;
    if (target.kind === 'word') words.set(target.column, text);
    else if (target.kind === 'choice') choices.push([target.path, text]);
    else if (target.kind === 'number') numbers.push([target.path, text, target.unit]);
    else if (target.kind === 'origin') origins.set(target.path, text);
  }
  const reading = readingsIn(columns, cells, mark, refuse);
  return { row, words, choices, numbers, origins, reading };
}

function itemOf(row: Row, asked: Asked): GearItem {
  const { kind: usual, newId, mark } = asked;
  const { words } = row;
  const kind = oneOf<GearKind>('kind', words.get('kind') ?? usual, GEAR_KINDS);
  const name = words.get('name') ?? refuse('Name: it is empty; at least 1 character is needed.');
  const blank = shapeOfRow(kind, name, row);
  const chosen = withChoices(kind, blank, row);
  const sized = withNumbers(kind, withoutPlaces(kind, chosen), row, asked);
  const thing = withPlaces(kind, sized, chosen, row);
  return {
    ...gearItem(
      words.get('id') ?? newId(),
      kind,
      thing as Things[typeof kind],
      words.get('note') ?? '',
    ),
    qualities: qualitiesOf(words, mark),
    retired: yes('retired', words.get('retired') ?? 'no'),
  } as GearItem;
}

function withChoices(kind: GearKind, blank: object, { choices }: Row): object {
  let thing = blank;
  for (const [path, text] of choices) {
    if (!choicePaths(kind).includes(path)) continue;
    const change = chooseInPart(kind, thing, path, asChoice(kind, path, text));
    thing = change.kind === 'ok' ? change.part : refuse(change.message);
  }
  return thing;
}

function withNumbers(kind: GearKind, blank: object, row: Row, { from, mark }: Asked): object {
  let thing = blank;
  for (const [path, text, unit] of row.numbers) {
    if (!numberPaths(kind).includes(path)) continue;
    const read = readNumberCell(NUMBER_RULES[path]!, text, unit, mark);
    if (read.kind === 'refused') return refuse(read.message);
    // What a table fills in where nothing was written is no measurement.
    const isFilled = read.si === 0 && unit === '' && isBare(text) && from === 'measured';
    const to = { ...originOf(row, path, isFilled ? 'entered' : from), value: read.si } as Sourced;
    const change = setInPart(kind, thing, path, to);
    thing = change.kind === 'ok' ? change.part : refuse(change.message);
  }
  return thing;
}

/** A thing whose size can be anything: nothing is at a place on it. */
function withoutPlaces(kind: GearKind, thing: object): object {
  const there = Object.entries(gearOf(kind).lists)
    .filter(([path, { rules }]) => !rules && readNumber(thing, path))
    .map(([path]) => path);
  return there.reduce<object>((now, path) => writeAt(now, path, []), thing);
}

/** Places as they are told; those that are not go with the size of the thing. */
function withPlaces(kind: GearKind, sized: object, usual: object, row: Row): object {
  const { body } = sized as { readonly body?: Case };
  const { jacks, switches } = (usual as { readonly body?: Case }).body ?? {};
  let now = sized;
  if (body) {
    const assumedPlaces = {
      ...body,
      jacks: jacks!,
      switches: switches!,
      placesFrom: 'assumed',
    } as const;
    const { placesFrom } = body;
    now = { ...now, body: { ...resized(onSides(assumedPlaces, row.choices), {}), placesFrom } };
  }
  if (kind === 'board') now = { ...now, slats: spaceSlats((sized as Board).depthM.value) };
  for (const column of PLACE_COLUMNS) {
    const [text, path] = [row.words.get(column), placePath(kind, column)];
    if (path === null || text === undefined || readNumber(now, path) === undefined) continue;
    const places = readPlaces(gearOf(kind).lists[path]!, column, text);
    now = typeof places === 'string' ? refuse(places) : writeAt(now, path, places);
  }
  return now;
}

/** Jacks at the sides that lists of before tell. */
function onSides(body: Case, choices: Row['choices']): Case {
  const sides = new Map(
    choices.flatMap(([path, text]) =>
      Object.hasOwn(OLD_SIDES, path)
        ? [
            [
              OLD_SIDES[path]!,
              oneOf(path, /^top$/iu.test(text) ? 'back' : text, CASE_SIDES),
            ] as const,
          ]
        : [],
    ),
  );
  return {
    ...body,
    jacks: body.jacks.map((jack) => ({ ...jack, side: sides.get(jack.kind) ?? jack.side })),
  };
}

function originOf(row: Row, path: string, from: Provenance): Omit<Sourced, 'value'> {
  const said = row.origins.get(path);
  if (said !== undefined)
    return (
      readOrigin(said) ?? refuse(`${NUMBER_RULES[path]!.label}, from: “${said}” cannot be read.`)
    );
  const { on, by } = row.reading ?? {};
  return {
    from,
    ...(from === 'measured' && on ? { on } : {}),
    ...(from === 'measured' && by ? { by } : {}),
  };
}

function asChoice(kind: GearKind, path: string, text: string): string | boolean {
  const words = gearOf(kind).choices[path]!;
  return words.includes(true) ? yes(path, text) : oneOf(path, text, words as readonly string[]);
}

function qualitiesOf(words: Row['words'], mark: DecimalMark | null): Qualities {
  const price = words.get('price');
  const choice = <T extends string>(column: WordColumn, all: readonly T[]): T | null => {
    const text = words.get(column);
    return text === undefined ? null : oneOf(column, text, all);
  };
  return {
    ...NO_QUALITIES,
    price: price === undefined ? null : priceOf(price, mark),
    supplier: words.get('supplier') ?? '',
    form: choice('form', ['madeUp', 'reel']),
    stiffness: choice('stiffness', ['soft', 'medium', 'stiff']),
    ruggedness: choice('ruggedness', ['delicate', 'sturdy', 'roadworthy']),
    shield: choice('shield', ['spiral', 'braid', 'foil', 'doubleBraid', 'plastic']),
  };
}

function priceOf(text: string, mark: DecimalMark | null): number {
  const price = Number(withPoint(text, mark));
  return Number.isFinite(price) ? price : refuse(`Price: “${text}” is not a number.`);
}
