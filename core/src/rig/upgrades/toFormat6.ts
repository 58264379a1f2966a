import { each, isJson, type Json } from './json';

/// Format 5 as format 6: what feeds a rig is told outlet by outlet, and a DC cable is what feeds its thing. A supply on a
/// board becomes a supply of the rig, under the id that it had. The values are written out, so that they stay what
/// they were when later defaults are others.

const assumed = (value: number) => ({ value, from: 'assumed' });

const valueOf = (sourced: unknown, usual: number): number =>
  isJson(sourced) && typeof sourced.value === 'number' ? sourced.value : usual;

/** Format 5 knew one voltage and one current. */
function need(body: Json): Json {
  const supplyV = isJson(body.supplyV) ? body.supplyV : assumed(9);
  const supplyA = isJson(body.supplyA) ? body.supplyA : assumed(0);
  return {
    ...body,
    supplyV,
    supplyMaxV: supplyV,
    supplyA,
    idleA: supplyA,
    polarity: body.polarity ?? 'none',
    ground: 'negative',
    powerNote: '',
  };
}

/** What a foot controller draws where nobody has said. */
function fixtureNeed(body: Json): Json {
  const jacks: readonly unknown[] = Array.isArray(body.jacks) ? body.jacks : [];
  const isFed = jacks.some((jack) => isJson(jack) && jack.kind === 'power');
  return need({
    ...body,
    supplyA: assumed(isFed ? 0.1 : 0),
    polarity: isFed ? 'centreNegative' : 'none',
  });
}

const withNeed = (value: Json, of: (body: Json) => Json): Json =>
  isJson(value.body) && !('idleA' in value.body) ? { ...value, body: of(value.body) } : value;

const device = (value: Json): Json => withNeed(value, need);

/** In a list, a supply of which only the case is known is room that it takes. */
const fixture = (value: Json): Json =>
  withNeed(
    value.fixtureClass === 'supply' ? { ...value, fixtureClass: 'reserved' } : value,
    fixtureNeed,
  );

function supply({ outlets, outletV, outletA, polarity, isolated, ...rest }: Json): Json {
  if ('groups' in rest) return rest;
  return {
    ...rest,
    supplyClass: 'brick',
    groups: [
      {
        ground: isolated === false ? 'shared' : 'isolated',
        polarity: polarity === 'none' ? 'centreNegative' : (polarity ?? 'centreNegative'),
        outlets: Math.max(1, Math.min(32, Math.round(valueOf(outlets, 6)))),
        volts: valueOf(outletV, 9),
        amps: valueOf(outletA, 0.1),
        volts2: 0,
        amps2: 0,
        volts3: 0,
        amps3: 0,
      },
    ],
    groupsFrom: isJson(outletA) ? (outletA.from === 'laid' ? 'assumed' : outletA.from) : 'assumed',
    totalW: assumed(0),
    chargeC: assumed(0),
  };
}

/** A thing of the gear list of format 5. */
export function thingToFormat6(kind: string, thing: unknown): unknown {
  if (!isJson(thing)) return thing;
  switch (kind) {
    case 'device':
      return device(thing);
    case 'fixture':
      return fixture(thing);
    case 'supply':
      return supply(thing);
    default:
      return thing;
  }
}

const isSupply = (value: unknown): value is Json =>
  isJson(value) && value.fixtureClass === 'supply';

const itemsOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);

/** As many outlets as it has power jacks. */
function supplyOfFixture({ id, name, body }: Json): Json {
  const jacks = isJson(body)
    ? itemsOf(body.jacks).filter((j) => isJson(j) && j.kind === 'power')
    : [];
  return { ...supply({ id, name, outlets: assumed(Math.max(1, jacks.length)) }), body };
}

interface End {
  readonly thing: string;
  readonly nth: number;
}

const endOf = (value: unknown): End =>
  isJson(value) ? { thing: String(value.thing), nth: Number(value.nth) } : { thing: '', nth: 0 };

interface Feed {
  readonly id: unknown;
  readonly consumer: string;
  readonly supply: string;
  readonly outlet: number;
  readonly after: string | null;
  readonly lengthM: unknown;
}

const wholeFeed = (feed: Feed): Json => ({
  ...feed,
  volts: null,
  second: null,
  via: 'straight',
  efficiency: assumed(0.85),
  isFixed: false,
});

/** DC cables as feeds, those from a supply first and those that go on from one another after them; and what is left. */
function feedsOf(
  power: Json,
  controls: readonly Json[],
  supplies: ReadonlySet<string>,
  first: number,
) {
  const feeds: Feed[] = [];
  const isFed = (consumer: string) => feeds.some((feed) => feed.consumer === consumer);
  let left = controls.map((control) => ({
    control,
    from: endOf(control.from),
    to: endOf(control.to),
  }));
  for (let before = -1; before !== feeds.length;) {
    before = feeds.length;
    left = left.filter(({ control, from, to }) => {
      const ends = supplies.has(to.thing) ? { from: to, to: from } : { from, to };
      const earlier = feeds.find((feed) => feed.consumer === ends.from.thing);
      const source = supplies.has(ends.from.thing)
        ? { supply: ends.from.thing, outlet: ends.from.nth, after: null }
        : earlier && { supply: earlier.supply, outlet: earlier.outlet, after: earlier.consumer };
      if (!source || isFed(ends.to.thing) || supplies.has(ends.to.thing)) return true;
      const { id, lengthM } = control;
      feeds.push({ id, consumer: ends.to.thing, ...source, lengthM });
      return false;
    });
    if (before === feeds.length) {
      const said = itemsOf(power.feeds)
        .filter(isJson)
        .find((feed) => !isFed(String(feed.consumer)));
      if (!said) break;
      const { consumer, supply: of, outlet } = said;
      const id = `k${first + feeds.length}`;
      const [by, at] = [String(of), Number(outlet)];
      const lengthM = assumed(0.5);
      feeds.push({ id, consumer: String(consumer), supply: by, outlet: at, after: null, lengthM });
    }
  }
  return { feeds: feeds.map(wholeFeed), left: left.map(({ control }) => control) };
}

const nextK = (controls: readonly Json[], nextIds: unknown): number => {
  const used = controls.map(({ id }) => Number(/^k(\d+)$/u.exec(String(id))?.[1] ?? 0));
  return Math.max(isJson(nextIds) ? Number(nextIds.k ?? 1) : 1, ...used.map((n) => n + 1));
};

const POWER = {
  feeding: 'isolated',
  fill: assumed(0.8),
  rPerMOhm: assumed(0.106),
  apart: [],
  oneBox: {},
};

const WAYS = {
  joints: 'soldered',
  strand: 'stranded',
  dcEnds: 'newAtSupply',
  lanes: 'apart',
  change: 'fixed',
  spares: 'oneEach',
};

const row = (value: Json): Json => ({ ...value, devices: each(value.devices, device) });

/** The layout and the power, which share what lies on the boards. */
function laidAndFed({ layout, power }: Json, nextIds: unknown): Json {
  const stands = isJson(layout) ? itemsOf(layout.fixtures).filter(isJson) : [];
  const controls = isJson(layout) ? itemsOf(layout.controls).filter(isJson) : [];
  const old = isJson(power) ? power : {};
  const supplies = [
    ...itemsOf(old.supplies).filter(isJson).map(supply),
    ...stands.filter(isSupply).map(supplyOfFixture),
  ];
  const dc = controls.filter(({ carries }) => carries === 'dc');
  const ids = new Set(supplies.map(({ id }) => String(id)));
  const { feeds, left } = feedsOf(old, dc, ids, nextK(controls, nextIds));
  const fixtures = stands.filter((one) => !isSupply(one)).map(fixture);
  const others = controls.filter(({ carries }) => carries !== 'dc');
  const kept = [...others, ...left.map((control) => ({ ...control, carries: 'control' }))];
  return {
    layout: isJson(layout) ? { ...layout, fixtures, controls: kept } : layout,
    power: { supplies, feeds, ...POWER },
  };
}

function parts<T extends Json>(value: T, nextIds: unknown): Json {
  const { electrical, build } = value;
  return {
    ...value,
    electrical: isJson(electrical)
      ? { ...electrical, rows: each(electrical.rows, row) }
      : electrical,
    ...laidAndFed(value, nextIds),
    build: isJson(build) ? { ways: WAYS, parts: [] } : build,
  };
}

/** Feeds that had no id took the next ones. */
function counted(rig: Json): Json {
  const ids = [rig, ...itemsOf(rig.pins).map((pin) => (isJson(pin) ? pin.rig : null))]
    .filter(isJson)
    .flatMap(({ power }) => (isJson(power) ? itemsOf(power.feeds).filter(isJson) : []));
  const next = nextK(ids, rig.nextIds);
  return isJson(rig.nextIds) && ids.length > 0
    ? { ...rig, nextIds: { ...rig.nextIds, k: next } }
    : rig;
}

export const fromFormat5 = (value: Json): Json =>
  counted({
    ...parts(value, value.nextIds),
    format: 6,
    pins: each(value.pins, (pin) =>
      isJson(pin.rig) ? { ...pin, rig: parts(pin.rig, value.nextIds) } : pin,
    ),
  });
