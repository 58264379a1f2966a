import isEqual from 'fast-deep-equal';
import { type Sourced, FIELD_RULES, type PartKind } from '../gear';
import { formatQuantity, type UnitSystem } from '../quantity';
import { readNumber } from './partValues';
import { allDevices, allCables } from './chain';
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
  const here = new Map(allDevices(mine).map((device) => [device.id, device]));
  const there = new Map(allDevices(theirs).map((device) => [device.id, device]));
  for (const device of allDevices(theirs))
    if (!here.has(device.id)) yield `${device.name} is in theirs only`;
  for (const device of allDevices(mine))
    if (!there.has(device.id)) yield `${device.name} is in yours only`;
  const shared = (rig: Rig) =>
    allDevices(rig)
      .map(({ id }) => id)
      .filter((id) => here.has(id) && there.has(id));
  if (shared(mine).join() !== shared(theirs).join()) yield 'The order of the pedals';
  for (const [id, device] of there) {
    const other = here.get(id);
    if (other) yield* numbersThatDiffer('device', device.name, other, device, units);
  }
  const cables = new Map(allCables(mine).map((cable) => [cable.id, cable]));
  for (const cable of allCables(theirs)) {
    const other = cables.get(cable.id);
    if (other) yield* numbersThatDiffer('cable', cable.name, other, cable, units);
  }
  for (const list of ['guitars', 'destinations'] as const) {
    const part = list === 'guitars' ? 'guitar' : 'destination';
    const others = new Map(mine.electrical[list].map((thing) => [thing.id, thing]));
    for (const thing of theirs.electrical[list]) {
      const other = others.get(thing.id);
      if (other) yield* numbersThatDiffer(part, thing.name, other, thing, units);
      else yield `${thing.name} is in theirs only`;
    }
  }
  if (mine.electrical.approach.kind !== theirs.electrical.approach.kind) yield 'The approach';
  if (!isEqual(mine.electrical.scenes, theirs.electrical.scenes)) yield 'The scenes';
  if (!isEqual(mine.electrical.places, theirs.electrical.places))
    yield 'The places it is played at';
  if (!isEqual(mine.texts.brief, theirs.texts.brief)) yield 'The brief';
  if (mine.pins.length !== theirs.pins.length) yield 'The pins';
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
