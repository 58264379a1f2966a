import isEqual from 'fast-deep-equal';
import { type Sourced, FIELD_RULES, type PartKind } from '../gear';
import { formatQuantity, type UnitSystem } from '../quantity';
import { readNumber } from './partValues';
import { allCables, allDevices, findDevice } from './chain';
import type { Rig } from './rig';

const MOST_NAMED = 8;

/** What differs between two rigs, in words for a person who has to choose between them. */
export function sayDifferences(mine: Rig, theirs: Rig, units: UnitSystem): readonly string[] {
  const all = [...differences(mine, theirs, units)];
  if (all.length === 0) return ['only in foot-switch positions or settings'];
  const rest = all.length - MOST_NAMED;
  return rest > 0 ? [...all.slice(0, MOST_NAMED), `and ${rest} more`] : all;
}

function* differences(mine: Rig, theirs: Rig, units: UnitSystem): Generator<string> {
  if (mine.texts.name !== theirs.texts.name)
    yield `Name: “${theirs.texts.name}” instead of “${mine.texts.name}”`;
  yield* inOneOnly(allDevices(mine), allDevices(theirs));
  yield* ofOrder(mine, theirs);
  yield* ofNumbers('device', allDevices(mine), allDevices(theirs), units);
  yield* ofNumbers('cable', allCables(mine), allCables(theirs), units);
  for (const [part, list] of [
    ['guitar', 'guitars'],
    ['destination', 'destinations'],
  ] as const) {
    const [here, there] = [mine.electrical[list], theirs.electrical[list]];
    yield* inOneOnly(here, there);
    yield* ofNumbers(part, here, there, units);
  }
  yield* ofTheRest(mine, theirs);
}

interface Named {
  readonly id: string;
  readonly name: string;
}

function* inOneOnly(mine: readonly Named[], theirs: readonly Named[]): Generator<string> {
  const idsOf = (list: readonly Named[]) => new Set(list.map(({ id }) => id));
  const [here, there] = [idsOf(mine), idsOf(theirs)];
  for (const { id, name } of theirs) if (!here.has(id)) yield `${name} is in theirs only`;
  for (const { id, name } of mine) if (!there.has(id)) yield `${name} is in yours only`;
}

function* ofOrder(mine: Rig, theirs: Rig): Generator<string> {
  const shared = (rig: Rig, other: Rig) =>
    allDevices(rig)
      .map(({ id }) => id)
      .filter((id) => findDevice(other, id));
  if (!isEqual(shared(mine, theirs), shared(theirs, mine))) yield 'The order of the pedals';
}

function* ofNumbers(
  kind: PartKind,
  mine: readonly Named[],
  theirs: readonly Named[],
  units: UnitSystem,
): Generator<string> {
  const here = new Map(mine.map((thing) => [thing.id, thing]));
  for (const thing of theirs) {
    const other = here.get(thing.id);
    if (other) yield* numbersThatDiffer(kind, thing.name, other, thing, units);
  }
}

/** Parts that are told apart as wholes, by what they are called. */
function* ofTheRest(mine: Rig, theirs: Rig): Generator<string> {
  const wholes: readonly (readonly [string, (rig: Rig) => unknown])[] = [
    ['The approach', ({ electrical }) => electrical.approach.kind],
    ['The scenes', ({ electrical }) => electrical.scenes],
    ['The places it is played at', ({ electrical }) => electrical.places],
    ['The board', ({ layout }) => layout],
    ['What feeds what', ({ power }) => power],
    ['How it is built', ({ build }) => build],
    ['The book', ({ book }) => book],
    ['The brief', ({ texts }) => texts.brief],
    ['The pins', ({ pins }) => pins.length],
  ];
  for (const [says, of] of wholes) if (!isEqual(of(mine), of(theirs))) yield says;
}

function* numbersThatDiffer(
  kind: PartKind,
  name: string,
  mine: object,
  theirs: object,
  units: UnitSystem,
): Generator<string> {
  for (const [path, { label, quantity }] of Object.entries(FIELD_RULES[kind])) {
    const show = ({ value }: Sourced) => formatQuantity(value, quantity, units);
    const [before, after] = [readNumber(mine, path), readNumber(theirs, path)];
    if (before && after && before.value !== after.value)
      yield `${name}, ${label.toLowerCase()}: ${show(after)} instead of ${show(before)}`;
  }
}
