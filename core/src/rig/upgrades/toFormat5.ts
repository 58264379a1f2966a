import { each, eachValue, isJson, type Json } from './json';

/// Format 4 as format 5: things have cases with jacks at places, boards have slats and openings, and a rig is laid out
/// on them. The values are written out, so that they stay what they were when later defaults are others.

const assumed = (value: number) => ({ value, from: 'assumed' });

const sizeOf = (sourced: unknown, usual: number): number =>
  isJson(sourced) && typeof sourced.value === 'number' ? sourced.value : usual;

const millimetres = (m: number): number => Math.round(m * 1000) / 1000;

/** Format 4 knew at which sides the jacks are, and called the back “top”. */
function body(value: unknown): unknown {
  if (!isJson(value) || 'jacks' in value) return value;
  const { inputAt, outputAt, powerAt, ...rest } = value;
  const [width, depth] = [sizeOf(value.widthM, 0.07), sizeOf(value.depthM, 0.12)];
  const sides = [
    ['in', inputAt],
    ['out', outputAt],
    ['power', powerAt],
  ].map(([kind, at]) => [kind, at === 'top' ? 'back' : at] as const);
  const met: Record<string, number> = {};
  const jacks = sides.map(([kind, side]) => {
    const many = sides.filter((one) => one[1] === side).length;
    const isBeside = side === 'left' || side === 'right';
    const nth = (met[String(side)] = (met[String(side)] ?? 0) + 1);
    const share = isBeside && many === 1 ? 0.62 : nth / (many + 1);
    return { kind, side, alongM: millimetres(share * (isBeside ? depth : width)) };
  });
  const switches = [{ xM: millimetres(width / 2), yM: Math.min(0.022, millimetres(depth / 2)) }];
  return { ...rest, massKg: assumed(0.35), jacks, switches, placesFrom: 'assumed' };
}

function board(value: Json): Json {
  if ('slats' in value) return value;
  const depth = sizeOf(value.depthM, 0.32);
  const count = Math.max(1, Math.min(16, Math.floor((depth + 0.02) / 0.07)));
  const pitch = count === 1 ? 0 : (depth - 0.05) / (count - 1);
  const slats = Array.from({ length: count }, (_, i) => ({
    frontM: millimetres(i * pitch),
    backM: Math.min(depth, millimetres(i * pitch + Math.min(0.05, depth))),
  }));
  return {
    ...value,
    thicknessM: assumed(0.006),
    riseM: assumed(0),
    lipM: assumed(0),
    slats,
    openings: [],
    placesFrom: 'assumed',
  };
}

const ACROSS: Readonly<Record<string, number>> = { angled: 0.016, pancake: 0.022 };
const REACH: Readonly<Record<string, number>> = { angled: 0.03, pancake: 0.026 };

const plug = (value: Json): Json =>
  'acrossM' in value
    ? value
    : {
        ...value,
        acrossM: assumed(ACROSS[String(value.shape)] ?? 0.015),
        reachM: assumed(REACH[String(value.shape)] ?? 0),
      };

const device = (value: Json): Json =>
  'body' in value ? { ...value, body: body(value.body) } : value;

/** A thing of the gear list of format 4. */
export function thingToFormat5(kind: string, thing: unknown): unknown {
  if (!isJson(thing)) return thing;
  switch (kind) {
    case 'device':
      return device(thing);
    case 'board':
      return board(thing);
    case 'plug':
      return plug(thing);
    default:
      return thing;
  }
}

/** What the workshop's habits were when this format came. */
const LAYING = {
  manner: 'tidy',
  gapM: assumed(0.002),
  clearanceM: assumed(0.003),
  allowsOverhang: false,
  bendM: assumed(0.01),
  passageM: assumed(0.005),
  laneShare: assumed(0.7),
  slackM: assumed(0.015),
  stepM: assumed(0.005),
  shoeM: assumed(0.1),
  freeM: assumed(0.04),
  carefulM: assumed(0.015),
  pitchM: assumed(0.06),
  changesOften: false,
  usualPlug: 'pancake',
};

const fixture = ({ widthM, depthM, heightM, ...value }: Json): Json => ({
  ...value,
  fixtureClass: 'reserved',
  body: {
    widthM,
    depthM,
    heightM,
    massKg: assumed(0.01),
    jacks: [],
    switches: [],
    placesFrom: 'assumed',
  },
});

const end = (value: unknown): unknown =>
  isJson(value)
    ? { ...value, plug: isJson(value.plug) ? plug(value.plug) : value.plug, leaves: null }
    : value;

const ends = (value: unknown): unknown =>
  isJson(value) ? { ...value, from: end(value.from), to: end(value.to) } : value;

const layout = (value: unknown): unknown =>
  isJson(value)
    ? {
        ...value,
        boards: each(value.boards, board),
        fixtures: each(value.fixtures, fixture),
        ends: eachValue(value.ends, ends),
        placements: {},
        lanes: [],
        controls: [],
        looms: [],
        neverMissed: [],
        laying: LAYING,
      }
    : value;

const row = (value: Json): Json => ({ ...value, devices: each(value.devices, device) });

function parts<T extends Json>(value: T): Json {
  const { electrical } = value;
  return {
    ...value,
    electrical: isJson(electrical)
      ? { ...electrical, rows: each(electrical.rows, row) }
      : electrical,
    layout: layout(value.layout),
  };
}

export const fromFormat4 = (value: Json): Json => ({
  ...parts(value),
  format: 5,
  pins: each(value.pins, (pin) => (isJson(pin.rig) ? { ...pin, rig: parts(pin.rig) } : pin)),
});
