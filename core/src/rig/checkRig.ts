import {
  checkPlaces,
  type Destination,
  LONGEST_NAME,
  LONGEST_NOTE,
  MOST_LOOPS,
  FIELD_RULES,
} from '../gear';
import { checkBook } from './checkBook';
import { checkBrief } from './brief';
import { checkGraph } from './checkGraph';
import { checkLayout } from './checkLayout';
import { checkName } from './checkName';
import { checkNumbers } from './checkNumbers';
import { checkSourced } from './checkField';
import { checkBuild, checkPower } from './checkPower';
import { listOf } from './edits/list';
import { allCables, allDevices } from './chain';
import type { Place } from './electrical';
import { leastNextIds } from './ids';
import { MOST, MOST_DEVICES, type Rig, type RigParts } from './rig';
import type { RigProblem } from './rigProblem';
import { switchesOfDevice } from './switchState';

/**
 * Everything that must hold for a rig beyond the shapes of its parts: lists within their limits, ids used
 * once and below the counter, every row with a beginning and an end, switches of known devices only, names
 * present, numbers in range; and the same for every pinned rig.
 */
export function checkRig(rig: Rig): readonly RigProblem[] {
  return [
    ...checkWhole(rig, rig.pins),
    ...checkCounter(rig),
    ...rig.pins.flatMap((pin, i) =>
      checkWhole(pin.rig, []).map(({ path, message }) => ({
        path: `pins[${i}].rig.${path}`,
        message,
      })),
    ),
  ];
}

function checkWhole(parts: RigParts, pins: Rig['pins']): readonly RigProblem[] {
  return [
    ...checkSizes({ ...parts, pins } as Rig),
    ...checkIds(parts, pins),
    ...checkGraph(parts),
    ...checkState(parts),
    ...checkTexts(parts),
    ...checkNames(parts, pins),
    ...checkElectrical(parts),
    ...checkLayout(parts.layout),
    ...checkPower(parts.power),
    ...checkBuild(parts.build),
    ...checkBook(parts.book),
    ...checkBrief(parts.texts.brief),
  ];
}

function* checkCounter(rig: Rig): Generator<RigProblem> {
  for (const [letter, least] of Object.entries(leastNextIds(rig))) {
    const next = rig.nextIds[letter] ?? 1;
    if (!Number.isInteger(next) || next < least)
      yield {
        path: `nextIds.${letter}`,
        message: `The next id of “${letter}”: ${next}, at least ${least}: ids would be used twice.`,
      };
  }
}

function* checkSizes(rig: Rig): Generator<RigProblem> {
  for (const [list, most] of Object.entries(MOST)) {
    const { length } = listOf(rig, list as keyof typeof MOST);
    if (length > most) {
      const name = list.charAt(0).toUpperCase() + list.slice(1);
      yield { path: list, message: `${name}: ${length}, at most ${most}.` };
    }
  }
  for (const list of ['guitars', 'rows', 'destinations'] as const) {
    if (rig.electrical[list].length === 0)
      yield { path: `electrical.${list}`, message: `A rig needs ${list}; it has none.` };
  }
  const devices = allDevices(rig);
  if (devices.length > MOST_DEVICES) {
    const message = `Devices: ${devices.length}, at most ${MOST_DEVICES}.`;
    yield { path: 'electrical.rows', message };
  }
  for (const { id, name, loops } of devices) {
    if (!Number.isInteger(loops) || loops < 0 || loops > MOST_LOOPS) {
      const message = `Loops of ${name}: ${loops} is not between 0 and ${MOST_LOOPS}.`;
      yield { path: `devices.${id}.loops`, message };
    }
  }
}

function* checkIds(parts: RigParts, pins: Rig['pins']): Generator<RigProblem> {
  const { electrical, layout, power } = parts;
  const seen = new Map<string, string>();
  const named = [
    ...electrical.guitars,
    ...electrical.rows.map(({ id }) => ({ id, name: `row ${id}` })),
    ...allDevices(parts),
    ...allCables(parts),
    ...electrical.destinations,
    ...electrical.scenes,
    ...electrical.places,
    ...layout.boards,
    ...layout.fixtures,
    ...layout.lanes,
    ...layout.controls,
    ...layout.looms,
    ...power.supplies,
    ...power.feeds.map(({ id }) => ({ id, name: `DC cable ${id}` })),
    ...parts.book.songs.map(({ id, title }) => ({ id, name: title })),
    ...pins,
  ];
  for (const { id, name } of named) {
    const other = seen.get(id);
    if (other !== undefined) {
      const message = `Id “${id}” is used twice, for ${other} and for ${name}: one thing stands in one place.`;
      yield { path: `ids.${id}`, message };
    }
    seen.set(id, name);
  }
}

function* checkState(parts: RigParts): Generator<RigProblem> {
  const { electrical, state } = parts;
  const devices = allDevices(parts);
  const switches = new Set(devices.flatMap((d) => [d.id, ...switchesOfDevice(d)]));
  const ids = new Set(devices.map(({ id }) => id));
  const noDevice = (path: string, id: string) => ({
    path: `state.${path}.${id}`,
    message: `There is no device “${id}” in this rig.`,
  });
  for (const id of Object.keys(state.positions))
    if (!switches.has(id)) yield noDevice('positions', id);
  for (const id of state.unpowered) if (!ids.has(id)) yield noDevice('unpowered', id);
  const { playing } = state;
  if (playing !== null && !electrical.guitars.some(({ id }) => id === playing))
    yield { path: 'state.playing', message: `There is no guitar “${playing}” in this rig.` };
}

function* checkTexts({ texts }: RigParts): Generator<RigProblem> {
  yield* checkName(texts.name, 'texts.name');
  for (const [field, most] of [
    ['player', LONGEST_NAME],
    ['note', LONGEST_NOTE],
  ] as const) {
    const { length } = texts[field];
    if (length > most)
      yield {
        path: `texts.${field}`,
        message: `${field}: ${length} characters, at most ${most}.`,
      };
  }
}

function* checkNames(
  { electrical, layout, power }: RigParts,
  pins: Rig['pins'],
): Generator<RigProblem> {
  const lists = {
    'electrical.guitars': electrical.guitars,
    'electrical.destinations': electrical.destinations,
    'electrical.scenes': electrical.scenes,
    'electrical.places': electrical.places,
    'layout.boards': layout.boards,
    'layout.fixtures': layout.fixtures,
    'power.supplies': power.supplies,
    pins,
  };
  for (const [path, list] of Object.entries(lists))
    for (const [i, { name }] of list.entries()) yield* checkName(name, `${path}[${i}].name`);
  for (const [r, { devices, cables }] of electrical.rows.entries()) {
    for (const [i, { name }] of devices.entries())
      yield* checkName(name, `electrical.rows[${r}].devices[${i}].name`);
    for (const [i, cable] of cables.entries())
      if (cable) yield* checkName(cable.name, `electrical.rows[${r}].cables[${i}].name`);
  }
}

function* checkElectrical({ electrical }: RigParts): Generator<RigProblem> {
  const { guitars, rows, destinations, ownDestination, places, reference, approach } = electrical;
  for (const [i, guitar] of guitars.entries())
    yield* checkNumbers('guitar', guitar, `electrical.guitars[${i}]`);
  for (const [r, { devices, cables }] of rows.entries()) {
    for (const [i, device] of devices.entries()) {
      yield* checkNumbers('device', device, `electrical.rows[${r}].devices[${i}]`);
      yield* checkPlaces('device', device, `electrical.rows[${r}].devices[${i}]`);
    }
    for (const [i, cable] of cables.entries())
      if (cable) yield* checkNumbers('cable', cable, `electrical.rows[${r}].cables[${i}]`);
  }
  for (const [i, destination] of destinations.entries())
    yield* checkDestination(destination, `electrical.destinations[${i}]`);
  yield* checkDestination(ownDestination, 'electrical.ownDestination');
  for (const [i, place] of places.entries()) yield* checkPlace(place, `electrical.places[${i}]`);
  yield* checkNumbers('reference', reference, 'electrical.reference');
  yield* checkNumbers('approach', approach, 'electrical.approach');
}

function* checkDestination(
  destination: Partial<Destination> | null,
  path: string,
): Generator<RigProblem> {
  if (destination) yield* checkNumbers('destination', destination, path);
}

function* checkPlace({ lengths, destination, loop }: Place, path: string): Generator<RigProblem> {
  for (const [id, length] of Object.entries(lengths)) {
    const problem = checkSourced(FIELD_RULES.cable.lengthM, length);
    if (problem) yield { path: `${path}.lengths.${id}`, message: problem.message };
  }
  yield* checkDestination(destination, `${path}.destination`);
  yield* checkDestination(loop, `${path}.loop`);
}
