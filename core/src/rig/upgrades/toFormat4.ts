import { NO_BOOK } from '../book';
import { nextIdsOf } from '../ids';
import { NO_LAYOUT } from '../layout';
import { NO_POWER } from '../power';
import type { Rig } from '../rig';
import { each, eachValue, isJson, type Json } from './json';

/// Format 3 as format 4: the terms of the field, the electrical part and the rest apart, power as a list of what
/// has none, and a counter for ids.

const word = (words: Readonly<Record<string, string>>, value: unknown): unknown =>
  typeof value === 'string' && Object.hasOwn(words, value) ? words[value] : value;

/** An object with some of its keys called something else; the order of keys does not matter. */
function called(value: Json, names: Readonly<Record<string, string>>): Json {
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [
      Object.hasOwn(names, key) ? names[key]! : key,
      inner,
    ]),
  );
}

const PICKUPS = { coveredTwin: 'coveredHumbucker', hotTwin: 'hotHumbucker' };

function guitar(value: Json): Json {
  const second = isJson(value.second)
    ? { ...value.second, pickupClass: word(PICKUPS, value.second.pickupClass) }
    : value.second;
  return { ...value, second, pickupClass: word(PICKUPS, value.pickupClass) };
}

const device = (value: Json): Json => ({
  ...called(value, { standIn: 'pickupSimulator' }),
  bypass: word({ loaded: 'hardwired' }, value.bypass),
});

const cable = (value: Json): Json => called(value, { leadClass: 'cableClass' });

/** A thing of the gear list of format 3. */
export function thingToFormat4(kind: string, thing: unknown): unknown {
  if (!isJson(thing)) return thing;
  switch (kind) {
    case 'guitar':
      return guitar(thing);
    case 'device':
      return device(thing);
    case 'cable':
      return cable(thing);
    default:
      return thing;
  }
}

function rowPlace(at: unknown): unknown {
  if (!isJson(at)) return at;
  const to = isJson(at.to)
    ? { ...called(at.to, { end: 'destination' }), kind: word({ end: 'destination' }, at.to.kind) }
    : at.to;
  return { ...called(at, { end: 'destination' }), ...('to' in at ? { to } : {}) };
}

const row = ({ leads, ...value }: Json): Json => ({
  ...value,
  at: rowPlace(value.at),
  devices: each(value.devices, device),
  cables: each(leads, cable),
});

function stateOf(value: unknown, devices: readonly string[]): unknown {
  if (!isJson(value)) return value;
  const { powered, ...rest } = value;
  return { ...rest, unpowered: powered === false ? devices : [] };
}

const brief = (value: unknown): unknown =>
  isJson(value)
    ? {
        ...called(value, { keptLeads: 'keptCables' }),
        uses: eachValue(value.uses, (use) => word({ stamped: 'switched' }, use)),
        deadline: null,
        hoursADay: null,
      }
    : value;

const dismissed = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map((key) =>
        typeof key === 'string' ? key.replace(/^loadedBypass:/u, 'hardwiredBypass:') : key,
      )
    : value;

function devicesIn(rows: unknown): readonly string[] {
  const ids: string[] = [];
  each(rows, (one) => each(one.devices, ({ id }) => ids.push(String(id))));
  return ids;
}

/** The parts of a rig; what format 3 had beside them goes on, to be refused by name. */
function parts(value: Json): Json {
  const {
    format: _,
    guitars,
    rows,
    ends,
    reference,
    approach,
    standing,
    scenes,
    situations,
    ...more
  } = value;
  const { links, silenced, brief: said, name, player, note, pins: _pins, ...rest } = more;
  const devices = devicesIn(rows);
  return {
    electrical: {
      guitars: each(guitars, guitar),
      rows: each(rows, row),
      destinations: ends,
      ownDestination: null,
      reference,
      approach,
      scenes: each(scenes, ({ standing: then, ...scene }) => ({
        ...scene,
        state: stateOf(then, devices),
      })),
      places: each(situations, (place) => ({ ...place, destination: null, loop: null })),
      links,
    },
    state: stateOf(standing, devices),
    layout: { boards: [], fixtures: [], ends: {} },
    power: { supplies: [], feeds: [] },
    build: { made: [] },
    texts: { name, player, note, brief: brief(said), dismissed: dismissed(silenced) },
    ...rest,
  };
}

export function fromFormat3(value: Json): Json {
  const rig = {
    ...parts(value),
    format: 4,
    pins: each(value.pins, (pin) => (isJson(pin.rig) ? { ...pin, rig: parts(pin.rig) } : pin)),
  };
  return { ...rig, nextIds: countersOf(rig) };
}

/** Format 3 laid nothing out, fed nothing and had no book. Of a damaged document there is nothing to count; the reader refuses it for what is damaged. */
function countersOf(rig: Json): unknown {
  try {
    const nothing = { layout: NO_LAYOUT, power: NO_POWER, book: NO_BOOK };
    const counted = (parts: Json): Json => ({ ...parts, ...nothing });
    const pins = each(rig.pins, (pin) =>
      isJson(pin.rig) ? { ...pin, rig: counted(pin.rig) } : pin,
    );
    return nextIdsOf({ ...counted(rig), pins } as unknown as Rig);
  } catch {
    return {};
  }
}
