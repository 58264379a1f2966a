import { FIELD_RULES, type PartKind, type Sourced } from '../gear';
import { nameCable, nameSwitch } from '../figures';
import { formatQuantity, type UnitSystem } from '../quantity';
import { allCables, allDevices, isSameState, readNumber, type Rig } from '../rig';
import { APPROACH_WORDS } from '../judgements';
import { rigDifference } from './difference';
import isEqual from 'fast-deep-equal';

/// What has changed from one revision to another, in words for who has the rig in hand.

/** One sentence each, the chain first; empty where nothing is another. */
export function sayDifference(before: Rig, after: Rig, units: UnitSystem): readonly string[] {
  if (rigDifference(before, after) === undefined) return [];
  const said = [
    ...ofChain(before, after, units),
    ...ofEnds(before, after, units),
    ...ofScenes(before, after),
    ...ofPlaces(before, after, units),
    ...ofBoard(before, after),
    ...ofPower(before, after),
    ...ofTexts(before, after),
    ...ofBook(before, after),
  ];
  // Two of one name are said once.
  return said.length > 0 ? [...new Set(said)] : ['Small things: sources of numbers, or switches.'];
}

interface Named {
  readonly id: string;
  readonly name: string;
}

const byId = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
  new Map(list.map((one) => [one.id, one]));

function* inOneOnly(
  before: readonly Named[],
  after: readonly Named[],
  what = '',
): Generator<string> {
  const [then, now] = [byId(before), byId(after)];
  for (const { id, name } of after) if (!then.has(id)) yield `${name}${what} is new.`;
  for (const { id, name } of before) if (!now.has(id)) yield `${name}${what} is gone.`;
  for (const { id, name } of after) {
    const was = then.get(id)?.name;
    if (was !== undefined && was !== name) yield `${was}${what} is called ${name} now.`;
  }
}

function* ofChain(before: Rig, after: Rig, units: UnitSystem): Generator<string> {
  yield* inOneOnly(allDevices(before), allDevices(after));
  const order = (rig: Rig, other: Rig) => {
    const there = byId(allDevices(other));
    return allDevices(rig).flatMap(({ id }) => (there.has(id) ? [id] : []));
  };
  if (!isEqual(order(before, after), order(after, before)))
    yield `The order is another: ${allDevices(after)
      .map(({ name }) => name)
      .join(', ')}.`;
  yield* ofNumbers('device', allDevices(before), allDevices(after), units);
  for (const device of allDevices(after)) {
    const was = byId(allDevices(before)).get(device.id);
    if (was && (was.bypass !== device.bypass || was.bypassChoice !== device.bypassChoice))
      yield `${device.name}: another bypass.`;
  }
  yield* ofCables(before, after, units);
}

function* ofCables(before: Rig, after: Rig, units: UnitSystem): Generator<string> {
  const [then, now] = [byId(allCables(before)), byId(allCables(after))];
  const length = ({ value }: Sourced) => formatQuantity(value, 'length', units);
  for (const [id, { lengthM }] of now)
    if (!then.has(id)) yield `${capital(nameCable(after, id))} is new, ${length(lengthM)}.`;
  for (const [id, { lengthM }] of then)
    if (!now.has(id)) yield `${capital(nameCable(before, id))} is gone, ${length(lengthM)}.`;
  for (const [id, cable] of now) {
    const was = then.get(id);
    if (!was) continue;
    const name = capital(nameCable(after, id));
    if (was.name !== cable.name)
      yield `${name}: ${cable.name || 'cable'} instead of ${was.name || 'cable'}.`;
    yield* numbersOf('cable', name, was, cable, units);
  }
}

function* ofEnds(before: Rig, after: Rig, units: UnitSystem): Generator<string> {
  for (const [part, list] of [
    ['guitar', 'guitars'],
    ['destination', 'destinations'],
  ] as const) {
    const [then, now] = [before.electrical[list], after.electrical[list]];
    yield* inOneOnly(then, now);
    yield* ofNumbers(part, then, now, units);
  }
  const [was, is] = [before.electrical.approach.kind, after.electrical.approach.kind];
  if (was !== is)
    yield `The approach: ${APPROACH_WORDS[is].name} instead of ${APPROACH_WORDS[was].name}.`;
  if (!isEqual(before.electrical.reference, after.electrical.reference))
    yield 'Another cable to compare with.';
}

function* ofNumbers(
  kind: PartKind,
  before: readonly Named[],
  after: readonly Named[],
  units: UnitSystem,
): Generator<string> {
  const then = byId(before);
  for (const thing of after) {
    const was = then.get(thing.id);
    if (was) yield* numbersOf(kind, thing.name, was, thing, units);
  }
}

function* numbersOf(
  kind: PartKind,
  name: string,
  before: object,
  after: object,
  units: UnitSystem,
): Generator<string> {
  for (const [path, { label, quantity }] of Object.entries(FIELD_RULES[kind])) {
    const [was, is] = [readNumber(before, path), readNumber(after, path)];
    if (!was || !is) continue;
    const show = ({ value }: Sourced) => formatQuantity(value, quantity, units);
    const what = `${name}, ${fieldWords(kind, label)}`;
    if (was.value !== is.value) yield `${what}: ${show(is)} instead of ${show(was)}.`;
    else if (was.from !== is.from) yield `${what}: ${is.from} instead of ${was.from}.`;
  }
}

/** A field within a sentence: of a cable its length, not its cable length. */
const fieldWords = (kind: PartKind, label: string): string => {
  const words = `${label.charAt(0).toLowerCase()}${label.slice(1)}`;
  return kind === 'cable' ? words.replace(/^cable /u, '') : words;
};

function* ofScenes(before: Rig, after: Rig): Generator<string> {
  const [then, now] = [before.electrical.scenes, after.electrical.scenes];
  yield* inOneOnly(then, now, ', a scene,');
  for (const scene of now) {
    const was = byId(then).get(scene.id);
    if (!was || isSameState(was.state, scene.state)) continue;
    const names = (rig: Rig, state: typeof scene.state) =>
      Object.keys(state.positions)
        .filter((id) => state.positions[id])
        .map((id) => nameSwitch(rig, id))
        .join(', ') || 'nothing';
    yield `${scene.name}, a scene: ${names(after, scene.state)} on, instead of ${names(before, was.state)}.`;
  }
  if (!isEqual(before.electrical.links, after.electrical.links))
    yield 'Other switches act together.';
}

function* ofPlaces(before: Rig, after: Rig, units: UnitSystem): Generator<string> {
  const [then, now] = [before.electrical.places, after.electrical.places];
  yield* inOneOnly(then, now, ', a place,');
  for (const place of now) {
    const was = byId(then).get(place.id);
    if (!was) continue;
    const own = 'the rig’s own amp';
    const [amp, other] = [place.destination?.name ?? own, was.destination?.name ?? own];
    if (amp !== other) yield `At ${place.name}: ${amp} instead of ${other}.`;
    if (!isEqual(place.loop, was.loop)) yield `At ${place.name}: another effects loop.`;
    for (const [id, to] of Object.entries(place.lengths)) {
      const from = was.lengths[id];
      if (from && from.value !== to.value)
        yield `At ${place.name}, ${nameCable(after, id)}: ${formatQuantity(to.value, 'length', units)} instead of ${formatQuantity(from.value, 'length', units)}.`;
    }
  }
}

function* ofBoard({ layout: then }: Rig, after: Rig): Generator<string> {
  const { layout: now } = after;
  yield* inOneOnly(then.boards, now.boards);
  yield* inOneOnly(then.fixtures, now.fixtures);
  const names = new Map(
    [...allDevices(after), ...now.fixtures, ...now.boards, ...after.power.supplies].map((one) => [
      one.id,
      one.name,
    ]),
  );
  const moved = [...names].filter(
    ([id]) =>
      then.placements[id] &&
      now.placements[id] &&
      !isEqual(then.placements[id], now.placements[id]),
  );
  if (moved.length > 0)
    yield `Elsewhere on the board: ${moved.map(([, name]) => name).join(', ')}.`;
  const taken = [...names].filter(([id]) => id in then.placements !== id in now.placements);
  if (taken.length > 0)
    yield `On the board or off it: ${taken.map(([, name]) => name).join(', ')}.`;
  if (!isEqual(then.ends, now.ends)) yield 'Other plugs.';
  if (!isEqual(then.lanes, now.lanes)) yield 'Other lanes.';
  if (!isEqual([then.controls, then.looms], [now.controls, now.looms]))
    yield 'Other control cables or looms.';
  if (!isEqual(then.laying, now.laying)) yield 'Another way of laying.';
}

function* ofPower(
  { power: then, build: built }: Rig,
  { power: now, build }: Rig,
): Generator<string> {
  yield* inOneOnly(then.supplies, now.supplies);
  if (!isEqual(then.feeds, now.feeds)) yield 'Something hangs on another outlet.';
  if (!isEqual(built.ways, build.ways)) yield 'Other habits of building.';
  if (!isEqual(built.parts, build.parts)) yield 'Other parts at hand.';
}

function* ofTexts({ texts: then }: Rig, { texts: now }: Rig): Generator<string> {
  if (then.name !== now.name) yield `The rig: “${now.name}” instead of “${then.name}”.`;
  if (then.player !== now.player) yield `The player: “${now.player}” instead of “${then.player}”.`;
  if (then.note !== now.note) yield 'Another note.';
  if (!isEqual(then.brief, now.brief)) yield 'Another brief.';
  if (!isEqual(then.dismissed, now.dismissed)) yield 'Other advice is dismissed.';
}

function* ofBook({ book: then }: Rig, { book: now }: Rig): Generator<string> {
  if (!isEqual(then.songs, now.songs)) yield 'Another cue sheet.';
  if (!isEqual(then.walked, now.walked)) yield 'More, or less, was walked through.';
  if (!isEqual(then.caseKg, now.caseKg)) yield 'Another mass of the case.';
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
