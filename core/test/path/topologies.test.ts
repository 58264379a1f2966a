import {
  compileSection,
  createLadderState,
  gridOf,
  NO_CONTROLS,
  solveLadder,
  type Load,
  type PathElement,
  type PickupSource,
  type Section,
  type Source,
} from '../../src/circuit';
import {
  deviceOfClass,
  endOfKind,
  entered,
  guitarOfClass,
  leadOfClass,
  pickupOfClass,
  type Device,
  type Guitar,
  type Lead,
} from '../../src/gear';
import { drivePath, routeOf } from '../../src/path';
import { newRig, type Rig, type Row, type Standing } from '../../src/rig';
import { solveBackwards } from '../circuit/backwards';
import { apart, c, mul, type Complex } from '../circuit/complex';
import { stand, withEnd, withGuitar, withLeads } from '../rig/straightRow';

/// Every way of wiring, against sections written out by hand and solved from the load backwards.

const grid = gridOf(Float64Array.of(60, 400, 1500, 4000, 12000));

const lead = (id: string, lengthM: number): Lead => leadOfClass('ordinary', id, entered(lengthM));
/** A lead of 110 pF/m with two plugs of 15 pF. */
const leadC = (lengthM: number): PathElement => shuntC(110e-12 * lengthM + 30e-12);
const shuntC = (cF: number): PathElement => ({ kind: 'shunt', rOhm: null, cF });
/** A bypassed pedal, or any passive box. */
const WIRE: readonly PathElement[] = [{ kind: 'series', rOhm: 0.1 }, shuntC(25e-12)];
const AMP: Load = { rOhm: 1e6, cF: 0, grid: { stopperOhm: 34e3, millerF: 100e-12 } };
const into = (rOhm: number, cF: number): Load => ({ rOhm, cF, grid: null });
const from = (rOutOhm: number, gain = 1): Source => ({ kind: 'voltage', rOutOhm, gain });

const pots = (potOhm: number) => ({
  wiring: 'modern' as const,
  volume: { potOhm, wiper: 1, reversed: false },
  tone: { potOhm, cF: 22e-9, remaining: 1, noLoad: false },
  bleed: null,
});
const BRIGHT: PickupSource = {
  kind: 'pickup',
  lH: 2.2,
  rDcOhm: 5800,
  cWindingF: 110e-12,
  rEddyOhm: 1e6,
  controls: pots(250e3),
};

function response(sections: readonly Section[]): readonly Complex[] {
  const out = new Float64Array(2 * grid.omega.length);
  const state = createLadderState(grid.omega.length);
  return sections
    .map((section) => {
      solveLadder(compileSection(section), section.load, grid, out, state);
      return Array.from(grid.omega, (_, i) => c(out[2 * i]!, out[2 * i + 1]!));
    })
    .reduce((all, one) => all.map((h, i) => mul(h, one[i]!)));
}

/** The rig on its way to an end is these sections. */
function expectWay(rig: Rig, byHand: readonly Section[], rowId?: string): void {
  const path = drivePath(routeOf(rig, rowId));
  expect(path.interrupted).toBeNull();
  expect(path.sections).toHaveLength(byHand.length);
  response(path.sections.map(({ circuit }) => circuit)).forEach((h, i) => {
    const wanted = byHand.reduce((all, s) => mul(all, solveBackwards(s, grid.omega[i]!)), c(1));
    expect(apart(h, wanted)).toBeLessThan(1e-9);
  });
}

const base = newRig('by hand');
const mainOf = (devices: readonly Device[], leads: readonly (Lead | null)[]): Row => ({
  id: 'r1',
  at: { kind: 'main' },
  devices,
  leads,
});
const rigOf = (rows: readonly Row[], more: Partial<Rig> = {}): Rig => ({ ...base, rows, ...more });
const box = (
  name: Parameters<typeof deviceOfClass>[0],
  id: string,
  more: Partial<Device> = {},
) => ({
  ...deviceOfClass(name, id),
  ...more,
});
const standing = (positions: Standing['positions'], more: Partial<Standing> = {}): Standing => ({
  ...base.standing,
  positions,
  ...more,
});

describe('leads', () => {
  test('a coiled lead is its conductor, several times its reach', () => {
    const coiled = { ...leadOfClass('coiled', 'l1', entered(1.5)), plugF: entered(15e-12) };
    const path = [shuntC(120e-12 * 7.5 + 30e-12)];
    expectWay(rigOf([mainOf([], [coiled])]), [{ source: BRIGHT, path, load: AMP }]);
  });

  test('a capacitor in the plug acts while it is switched in', () => {
    const added = { ...lead('l1', 6), addedF: entered(470e-12) };
    const out = [{ source: BRIGHT, path: [leadC(6)], load: AMP }];
    expectWay(rigOf([mainOf([], [added])]), out);
    const path = [shuntC(470e-12), leadC(6)];
    expectWay(rigOf([mainOf([], [{ ...added, added: true }])]), [
      { source: BRIGHT, path, load: AMP },
    ]);
  });

  test('a missing lead is pointed at, not assumed', () => {
    const rig = rigOf([mainOf([box('drive', 'd1')], [lead('l1', 6), null])]);
    const { interrupted, stops } = drivePath(routeOf(rig));
    expect(interrupted).toEqual({ kind: 'gap', stop: 3 });
    expect(stops[3]!.place).toEqual({ kind: 'lead', id: 'r1', part: 'whole', index: 1 });
  });
});

describe('sources', () => {
  const TWIN: PickupSource = {
    kind: 'pickup',
    lH: 4.4,
    rDcOhm: 7800,
    cWindingF: 130e-12,
    rEddyOhm: 250e3,
    controls: NO_CONTROLS,
  };
  const two = (more: Partial<Guitar>): Rig =>
    withGuitar(base, { second: pickupOfClass('coveredTwin'), ...more });
  /** The same pickup behind a winding, seen as a section ending in the joint. */
  const way = (source: Source): Section => ({ source, path: [leadC(6)], load: AMP });
  const closed = (travel: number) => ({ ...base.guitars[0]!.volume, travel: entered(travel) });

  test.each(['first', 'second'] as const)('the switch at the %s: that pickup alone', (position) => {
    const alone = position === 'first' ? BRIGHT : { ...TWIN, controls: pots(250e3) };
    expectWay(two({ pickupSwitch: position }), [way(alone)]);
  });

  test.each([
    ['parallel', 1],
    ['parallel', -1],
    ['series', 1],
    ['series', -1],
  ] as const)('both in %s with sign %d and a set of controls each', (joint, sign) => {
    const rig = two({ joint, outOfPhase: sign < 0, sharing: 'individual' });
    const second = { ...TWIN, controls: pots(500e3) };
    expectWay(rig, [
      way({ kind: 'pair', first: BRIGHT, second, joint, sign, shared: NO_CONTROLS }),
    ]);
  });

  test('shared controls stand behind both: two like pickups in parallel are one of half the impedance', () => {
    const rig = two({ second: pickupOfClass('brightSingle'), sharing: 'shared' });
    const half = { ...BRIGHT, lH: 1.1, rDcOhm: 2900, cWindingF: 220e-12, rEddyOhm: 0.5e6 };
    expectWay(rig, [way(half)]);
    const series = two({ second: pickupOfClass('brightSingle'), joint: 'series' });
    const twice = { ...BRIGHT, lH: 4.4, rDcOhm: 11600, cWindingF: 55e-12, rEddyOhm: 2e6 };
    const [once] = response([way(twice)]);
    const [both] = response(drivePath(routeOf(series)).sections.map(({ circuit }) => circuit));
    // Their voltages add up as well.
    expect(apart(both!, mul(c(2), once!))).toBeLessThan(1e-9);
  });

  test('two like pickups out of phase cancel: silence, and no number that is none', () => {
    for (const joint of ['parallel', 'series'] as const) {
      const rig = two({ second: pickupOfClass('brightSingle'), outOfPhase: true, joint });
      const { source } = routeOf(rig).reference;
      const [h] = response([{ source, path: [], load: AMP }]);
      expect([h!.re, h!.im].map(Math.abs)).toEqual([0, 0]);
    }
  });

  test('one volume closed shorts both where the output is on the wiper, and not where the pickup is', () => {
    const second = { ...pickupOfClass('brightSingle'), volume: closed(0) };
    const shorted = two({ second, sharing: 'individual' });
    expect(response(drivePath(routeOf(shorted)).sections.map((s) => s.circuit))[1]).toEqual(
      c(0, -0),
    );
    const independent = two({ second, sharing: 'individual', potWiring: 'independent' });
    const controls = { ...pots(250e3), volume: { potOhm: 250e3, wiper: 1, reversed: true } };
    const path: PathElement[] = [{ kind: 'shunt', rOhm: 250e3, cF: 0 }, leadC(6)];
    expectWay(independent, [{ source: { ...BRIGHT, controls }, path, load: AMP }]);
  });

  test('a piezo and active electronics', () => {
    const load = AMP;
    expectWay(withGuitar(base, { kind: 'piezo' }), [
      { source: { kind: 'piezo', cF: 500e-12 }, path: [leadC(6)], load },
    ]);
    expectWay(withGuitar(base, { kind: 'active', outputOhm: entered(2500) }), [
      { source: from(2500), path: [leadC(6)], load },
    ]);
  });

  test('a transmitter ends the pickup’s section, its receiver begins another', () => {
    const rig = rigOf([mainOf([box('wireless', 'd1')], [lead('l1', 0.6), lead('l2', 3)])]);
    expectWay(rig, [
      { source: BRIGHT, path: [leadC(0.6)], load: into(1e6, 20e-12) },
      { source: from(1000), path: [leadC(3)], load: AMP },
    ]);
    expect(routeOf(rig).reference.path).toHaveLength(1);
  });
});

describe('two guitars', () => {
  const selector = box('selector', 'd1');
  const rows: Row[] = [
    mainOf([box('drive', 'd2'), selector], [lead('l1', 6), lead('l2', 0.3), lead('l3', 4)]),
    {
      id: 'r2',
      at: { kind: 'guitar', guitar: 'g2', selector: 'd1' },
      devices: [box('wireless', 'd3')],
      leads: [lead('l4', 0.5), lead('l5', 2)],
    },
  ];
  const guitars = [base.guitars[0]!, guitarOfClass('hotTwin', 'dark', 'g2')];

  test('the selector lets exactly one of them through', () => {
    const rig = rigOf(rows, { guitars });
    const shared = [...WIRE, leadC(4)];
    expectWay(rig, [
      { source: BRIGHT, path: [leadC(6), ...WIRE, leadC(0.3), ...shared], load: AMP },
    ]);
    const hot = { ...BRIGHT, lH: 8, rDcOhm: 14500, cWindingF: 170e-12, rEddyOhm: 0.5e6 };
    expectWay({ ...rig, standing: standing({}, { playing: 'g2' }) }, [
      {
        source: { ...hot, controls: pots(500e3) },
        path: [leadC(0.5)],
        load: into(1e6, 20e-12),
      },
      { source: from(1000), path: [leadC(2), ...shared], load: AMP },
    ]);
  });

  test('on nothing: muted; one without a row takes the first one’s lead', () => {
    const rig = rigOf(rows, { guitars });
    const none = drivePath(routeOf({ ...rig, standing: standing({}, { playing: null }) }));
    expect(none.interrupted).toEqual({ kind: 'muted', stop: 1 });
    const swapped = { ...rigOf([mainOf([], [lead('l1', 6)])], { guitars }) };
    const { source } = drivePath(routeOf({ ...swapped, standing: standing({}, { playing: 'g2' }) }))
      .sections[0]!.circuit;
    expect(source).toMatchObject({ lH: 8 });
  });
});

describe('side jacks', () => {
  const tuner = endOfKind('tuner', 'tuner', 'e2');
  const TUNER: PathElement = {
    kind: 'branch',
    path: [leadC(0.3)],
    load: into(1e6, 20e-12),
  };
  const side = (device: string, end: string, lengthM: number, devices: Device[] = []): Row => ({
    id: 'r2',
    at: { kind: 'side', device, to: { kind: 'end', end } },
    devices,
    leads: [lead('l8', lengthM), ...devices.map((_, i) => lead(`l${9 + i}`, 0.5))],
  });

  test('a tuner tap is the shunt load of its lead and the tuner', () => {
    const main = mainOf([box('tap', 'd1')], [lead('l1', 6), lead('l2', 3)]);
    const rig = rigOf([main, side('d1', 'e2', 0.3)], { ends: [...base.ends, tuner] });
    const path = [leadC(6), TUNER, ...WIRE, leadC(3)];
    expectWay(rig, [{ source: BRIGHT, path, load: AMP }]);
  });

  test('a passive volume is two resistors behind its tuner jack', () => {
    const pot = { ...deviceOfClass('passiveVolume', '').pot!, travel: entered(0.5) };
    const volume = box('passiveVolume', 'd1', { pot });
    const main = mainOf([volume], [lead('l1', 6), lead('l2', 3)]);
    const rig = rigOf([main, side('d1', 'e2', 0.3)], { ends: [...base.ends, tuner] });
    const track: PathElement = { kind: 'pot', rOhm: 250e3, wiper: 0.12 };
    expectWay(rig, [
      { source: BRIGHT, path: [leadC(6), TUNER, track, ...WIRE, leadC(3)], load: AMP },
    ]);
  });

  test('a passive splitter: each way is the other one’s load', () => {
    const second = endOfKind('amp', 'second', 'e2');
    const main = mainOf(
      [box('passiveSplitter', 'd1'), box('drive', 'd2')],
      [lead('l1', 6), lead('l2', 0.3), lead('l3', 4)],
    );
    const rows = [main, side('d1', 'e2', 9, [box('delay', 'd5')])];
    const off = rigOf(rows, { ends: [...base.ends, second] });
    const delayIn = into(500e3, 20e-12);
    const toSecond: PathElement = { kind: 'branch', path: [leadC(9)], load: delayIn };
    const rest = [...WIRE, leadC(0.3), ...WIRE, leadC(4)];
    expectWay(off, [{ source: BRIGHT, path: [leadC(6), toSecond, ...rest], load: AMP }]);
    const second2 = { source: from(1000, 10 ** (-0.1 / 20)), path: [leadC(0.5)], load: AMP };
    const toMain: PathElement = { kind: 'branch', path: rest, load: AMP };
    expectWay(
      off,
      [{ source: BRIGHT, path: [leadC(6), toMain, leadC(9)], load: delayIn }, second2],
      'r2',
    );
    // With the drive on the other way ends at its input.
    const on = stand(off, { d2: true });
    const toDrive: PathElement = {
      kind: 'branch',
      path: [...WIRE, leadC(0.3)],
      load: into(500e3, 20e-12),
    };
    expectWay(
      on,
      [{ source: BRIGHT, path: [leadC(6), toDrive, leadC(9)], load: delayIn }, second2],
      'r2',
    );
  });

  test('a buffered splitter keeps its two ways apart', () => {
    const second = endOfKind('amp', 'second', 'e2');
    const main = mainOf([box('bufferedSplitter', 'd1')], [lead('l1', 6), lead('l2', 4)]);
    const rig = rigOf([main, side('d1', 'e2', 9)], { ends: [...base.ends, second] });
    const front = { source: BRIGHT, path: [leadC(6)], load: into(1e6, 15e-12) };
    expectWay(rig, [front, { source: from(150), path: [leadC(4)], load: AMP }]);
    expectWay(rig, [front, { source: from(150), path: [leadC(9)], load: AMP }], 'r2');
  });
});

describe('loops', () => {
  const loop = (k: number, devices: Device[], leads: (Lead | null)[], device = 'd1'): Row => ({
    id: `r${k + 2}`,
    at: { kind: 'loop', device, loop: k },
    devices,
    leads,
  });
  const switcher = box('switcher', 'd1', { loops: 3 });
  const main = mainOf([switcher], [lead('l1', 6), lead('l2', 4)]);
  const rows = [
    main,
    loop(0, [box('drive', 'd2')], [lead('l3', 0.4), lead('l4', 0.5)]),
    loop(1, [], [lead('l5', 0.2)]),
    loop(2, [], [null]),
  ];

  test('open ones are strays; a closed one is send lead, pedal, return lead; a jumper is its lead', () => {
    const open = [...WIRE, ...WIRE, ...WIRE];
    expectWay(rigOf(rows), [{ source: BRIGHT, path: [leadC(6), ...open, leadC(4)], load: AMP }]);
    const closed = { ...rigOf(rows), standing: standing({ 'd1.0': true, 'd1.1': true }) };
    const path = [leadC(6), leadC(0.4), ...WIRE, leadC(0.5), leadC(0.2), ...WIRE, leadC(4)];
    expectWay(closed, [{ source: BRIGHT, path, load: AMP }]);
    const on = stand(closed, { d2: true });
    expectWay(on, [
      { source: BRIGHT, path: [leadC(6), leadC(0.4)], load: into(500e3, 20e-12) },
      { source: from(5000), path: [leadC(0.5), leadC(0.2), ...WIRE, leadC(4)], load: AMP },
    ]);
  });

  test('an empty loop without a jumper, closed, is a missing lead', () => {
    const rig = { ...rigOf(rows), standing: standing({ 'd1.2': true }) };
    expect(drivePath(routeOf(rig)).interrupted!.kind).toBe('gap');
  });

  test('buffers at its input and output are drivers', () => {
    const buffered = { ...switcher, bufferIn: true, bufferOut: true };
    const rig = rigOf([{ ...main, devices: [buffered] }, ...rows.slice(1)]);
    expectWay(rig, [
      { source: BRIGHT, path: [leadC(6)], load: into(1e6, 15e-12) },
      { source: from(150), path: [...WIRE, ...WIRE, ...WIRE], load: into(1e6, 15e-12) },
      { source: from(150), path: [leadC(4)], load: AMP },
    ]);
  });

  test('a gate in four cables: key at the front, drive between its send and its return', () => {
    const gate = box('gate', 'd3', { insert: 'own', loops: 1 });
    const gated: Row[] = [
      mainOf([box('tap', 'd4'), gate], [lead('l1', 6), lead('l2', 0.3), lead('l6', 4)]),
      loop(0, [box('drive', 'd2')], [lead('l3', 0.4), lead('l4', 0.5)], 'd3'),
      {
        id: 'r9',
        at: { kind: 'side', device: 'd4', to: { kind: 'key', device: 'd3' } },
        devices: [],
        leads: [lead('l7', 0.6)],
      },
    ];
    const key: PathElement = { kind: 'branch', path: [leadC(0.6)], load: into(1e6, 20e-12) };
    const rig = rigOf(gated, { standing: standing({ d3: true, d2: true }) });
    expectWay(rig, [
      { source: BRIGHT, path: [leadC(6), key, ...WIRE, leadC(0.3)], load: into(1e6, 20e-12) },
      { source: from(1000), path: [leadC(0.4)], load: into(500e3, 20e-12) },
      { source: from(5000), path: [leadC(0.5)], load: into(1e6, 20e-12) },
      { source: from(1000), path: [leadC(4)], load: AMP },
    ]);
    const trueBypass = stand(rig, { d3: false });
    const gateOff = {
      ...trueBypass,
      rows: gated.map((row, i) =>
        i === 0
          ? { ...row, devices: [row.devices[0]!, { ...gate, bypass: 'true' as const }] }
          : row,
      ),
    };
    expectWay(gateOff, [
      { source: BRIGHT, path: [leadC(6), key, ...WIRE, leadC(0.3), ...WIRE, leadC(4)], load: AMP },
    ]);
  });

  test('the amp’s effects loop is a way of its own, from send to return', () => {
    const ampLoop: Row = {
      id: 'r2',
      at: { kind: 'ampLoop', end: 'e1' },
      devices: [box('delay', 'd1')],
      leads: [lead('l3', 6), lead('l4', 5)],
    };
    const rig = rigOf([mainOf([], [lead('l1', 6)]), ampLoop]);
    const RETURN = into(100e3, 50e-12);
    expectWay(
      rig,
      [
        { source: from(1000), path: [leadC(6)], load: into(500e3, 20e-12) },
        { source: from(1000, 10 ** (-0.1 / 20)), path: [leadC(5)], load: RETURN },
      ],
      'r2',
    );
    expect(routeOf(rig, 'r2').reference).toEqual({ source: from(1000), path: [], load: RETURN });
  });
});

describe('without power', () => {
  const rig = (powerLost: Device['powerLost'], bypass: Device['bypass']) =>
    rigOf([mainOf([box('drive', 'd1', { powerLost, bypass })], [lead('l1', 6), lead('l2', 4)])], {
      standing: standing({ d1: true }, { powered: false }),
    });

  test('a pedal falls to its bypass, or to silence', () => {
    const path = [leadC(6), ...WIRE, leadC(4)];
    expectWay(rig('bypass', 'true'), [{ source: BRIGHT, path, load: AMP }]);
    const loaded: PathElement = { kind: 'shunt', rOhm: 500e3, cF: 20e-12 };
    expectWay(rig('bypass', 'loaded'), [
      { source: BRIGHT, path: [leadC(6), loaded, ...WIRE, leadC(4)], load: AMP },
    ]);
    expect(drivePath(routeOf(rig('silence', 'buffered'))).interrupted).toEqual({
      kind: 'muted',
      stop: 2,
    });
  });
});

test('a DI or a mixer as the end', () => {
  const rig = withEnd(
    withLeads(base, (l) => l),
    { ...endOfKind('passiveDi', 'iron', 'e1') },
  );
  expectWay(rig, [{ source: BRIGHT, path: [leadC(6)], load: into(140e3, 100e-12) }]);
});
