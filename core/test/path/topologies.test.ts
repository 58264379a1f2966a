import {
  NO_CONTROLS,
  type PathElement,
  type PickupSource,
  type Section,
  type Source,
} from '../../src/circuit';
import { entered, guitarOfClass, cableOfClass, pickupOfClass, type Guitar } from '../../src/gear';
import { drivePath, routeOf } from '../../src/path';
import type { Rig, Row } from '../../src/rig';
import { apart, c, mul } from '../circuit/complex';
import { withGuitar } from '../rig/straightRow';
import {
  AMP,
  BRIGHT,
  WIRE,
  base,
  box,
  expectWay,
  from,
  into,
  cable,
  cableC,
  mainOf,
  pots,
  response,
  rigOf,
  shuntC,
  state,
} from './byHand';

/// Cables, sources and guitars, against sections written out by hand and solved from the load backwards.

describe('cables', () => {
  test('a coiled cable is its conductor, several times its reach', () => {
    const coiled = { ...cableOfClass('coiled', 'l1', entered(1.5)), plugF: entered(15e-12) };
    const path = [shuntC(120e-12 * 7.5 + 30e-12)];
    expectWay(rigOf([mainOf([], [coiled])]), [{ source: BRIGHT, path, load: AMP }]);
  });

  test('a capacitor in the plug acts while it is switched in', () => {
    const added = { ...cable('l1', 6), addedF: entered(470e-12) };
    const out = [{ source: BRIGHT, path: [cableC(6)], load: AMP }];
    expectWay(rigOf([mainOf([], [added])]), out);
    const path = [shuntC(470e-12), cableC(6)];
    expectWay(rigOf([mainOf([], [{ ...added, added: true }])]), [
      { source: BRIGHT, path, load: AMP },
    ]);
  });

  test('a missing cable is pointed at, not assumed', () => {
    const rig = rigOf([mainOf([box('drive', 'd1')], [cable('l1', 6), null])]);
    const { interrupted, stops } = drivePath(routeOf(rig));
    expect(interrupted).toEqual({ kind: 'gap', stop: 3 });
    expect(stops[3]!.spot).toEqual({ kind: 'cable', id: 'r1', part: 'whole', index: 1 });
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
    withGuitar(base, { second: pickupOfClass('coveredHumbucker'), ...more });
  /** The same pickup after a winding, seen as a section ending in the joint. */
  const way = (source: Source): Section => ({ source, path: [cableC(6)], load: AMP });
  const closed = (travel: number) => ({
    ...base.electrical.guitars[0]!.volume,
    travel: entered(travel),
  });

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

  test('shared controls stand after both: two like pickups in parallel are one of half the impedance', () => {
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

  test('two that cancel but for a hair leave next to nothing, and a number: 240 dB down', () => {
    for (const joint of ['parallel', 'series'] as const) {
      const second = { ...pickupOfClass('brightSingle'), lH: entered(2.2 * (1 + 1e-15)) };
      const rig = two({ second, outOfPhase: true, joint });
      const { source } = routeOf(rig).reference;
      const [h] = response([{ source, path: [], load: AMP }]);
      const db = 20 * Math.log10(Math.hypot(h!.re, h!.im));
      expect(db).toBeLessThan(-200);
      expect(db).toBeGreaterThan(-280);
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
    const path: PathElement[] = [{ kind: 'shunt', rOhm: 250e3, cF: 0 }, cableC(6)];
    expectWay(independent, [{ source: { ...BRIGHT, controls }, path, load: AMP }]);
  });

  test('a piezo and active electronics', () => {
    const load = AMP;
    expectWay(withGuitar(base, { kind: 'piezo' }), [
      { source: { kind: 'piezo', cF: 500e-12 }, path: [cableC(6)], load },
    ]);
    expectWay(withGuitar(base, { kind: 'active', outputOhm: entered(2500) }), [
      { source: from(2500), path: [cableC(6)], load },
    ]);
  });

  test('a transmitter ends the pickup’s section, its receiver begins another', () => {
    const rig = rigOf([mainOf([box('wireless', 'd1')], [cable('l1', 0.6), cable('l2', 3)])]);
    expectWay(rig, [
      { source: BRIGHT, path: [cableC(0.6)], load: into(1e6, 20e-12) },
      { source: from(1000), path: [cableC(3)], load: AMP },
    ]);
    expect(routeOf(rig).reference.path).toHaveLength(1);
  });
});

describe('two guitars', () => {
  const selector = box('selector', 'd1');
  const rows: Row[] = [
    mainOf([box('drive', 'd2'), selector], [cable('l1', 6), cable('l2', 0.3), cable('l3', 4)]),
    {
      id: 'r2',
      at: { kind: 'guitar', guitar: 'g2', selector: 'd1' },
      devices: [box('wireless', 'd3')],
      cables: [cable('l4', 0.5), cable('l5', 2)],
    },
  ];
  const guitars = [base.electrical.guitars[0]!, guitarOfClass('hotHumbucker', 'dark', 'g2')];

  test('the selector lets exactly one of them through', () => {
    const rig = rigOf(rows, { guitars });
    const shared = [...WIRE, cableC(4)];
    expectWay(rig, [
      { source: BRIGHT, path: [cableC(6), ...WIRE, cableC(0.3), ...shared], load: AMP },
    ]);
    const hot = { ...BRIGHT, lH: 8, rDcOhm: 14500, cWindingF: 170e-12, rEddyOhm: 0.5e6 };
    expectWay({ ...rig, state: state({}, { playing: 'g2' }) }, [
      {
        source: { ...hot, controls: pots(500e3) },
        path: [cableC(0.5)],
        load: into(1e6, 20e-12),
      },
      { source: from(1000), path: [cableC(2), ...shared], load: AMP },
    ]);
  });

  test('on nothing: muted; one without a row takes the first one’s cable', () => {
    const rig = rigOf(rows, { guitars });
    const none = drivePath(routeOf({ ...rig, state: state({}, { playing: null }) }));
    expect(none.interrupted).toEqual({ kind: 'muted', stop: 1, why: 'noGuitar' });
    const swapped = { ...rigOf([mainOf([], [cable('l1', 6)])], { guitars }) };
    const { source } = drivePath(routeOf({ ...swapped, state: state({}, { playing: 'g2' }) }))
      .sections[0]!.circuit;
    expect(source).toMatchObject({ lH: 8 });
  });
});
