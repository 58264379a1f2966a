import type { PathElement } from '../../src/circuit';
import { destinationOfKind, entered, type Device, type Cable } from '../../src/gear';
import { drivePath, routeOf } from '../../src/path';
import { withElectrical, type Row } from '../../src/rig';
import { switchedTo, withDestination, withCables } from '../rig/straightRow';
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
  rigOf,
  state,
} from './byHand';

/// Loops and ends, against sections written out by hand and solved from the load backwards.

describe('loops', () => {
  const loop = (k: number, devices: Device[], cables: (Cable | null)[], device = 'd1'): Row => ({
    id: `r${k + 2}`,
    at: { kind: 'loop', device, loop: k },
    devices,
    cables,
  });
  const switcher = box('switcher', 'd1', { loops: 3 });
  const main = mainOf([switcher], [cable('l1', 6), cable('l2', 4)]);
  const rows = [
    main,
    loop(0, [box('drive', 'd2')], [cable('l3', 0.4), cable('l4', 0.5)]),
    loop(1, [], [cable('l5', 0.2)]),
    loop(2, [], [null]),
  ];

  test('open ones are strays; a closed one is send cable, pedal, return cable; a jumper is its cable', () => {
    const open = [...WIRE, ...WIRE, ...WIRE];
    expectWay(rigOf(rows), [{ source: BRIGHT, path: [cableC(6), ...open, cableC(4)], load: AMP }]);
    const closed = { ...rigOf(rows), state: state({ 'd1.0': true, 'd1.1': true }) };
    const path = [cableC(6), cableC(0.4), ...WIRE, cableC(0.5), cableC(0.2), ...WIRE, cableC(4)];
    expectWay(closed, [{ source: BRIGHT, path, load: AMP }]);
    const on = switchedTo(closed, { d2: true });
    expectWay(on, [
      { source: BRIGHT, path: [cableC(6), cableC(0.4)], load: into(500e3, 20e-12) },
      { source: from(5000), path: [cableC(0.5), cableC(0.2), ...WIRE, cableC(4)], load: AMP },
    ]);
  });

  test('an empty loop without a jumper, closed, is a missing cable', () => {
    const rig = { ...rigOf(rows), state: state({ 'd1.2': true }) };
    expect(drivePath(routeOf(rig)).interrupted!.kind).toBe('gap');
  });

  test('buffers at its input and output are drivers', () => {
    const buffered = { ...switcher, bufferIn: true, bufferOut: true };
    const rig = rigOf([{ ...main, devices: [buffered] }, ...rows.slice(1)]);
    expectWay(rig, [
      { source: BRIGHT, path: [cableC(6)], load: into(1e6, 15e-12) },
      { source: from(150), path: [...WIRE, ...WIRE, ...WIRE], load: into(1e6, 15e-12) },
      { source: from(150), path: [cableC(4)], load: AMP },
    ]);
  });

  test('a gate in four cables: key at the front, drive between its send and its return', () => {
    const gate = box('gate', 'd3', { insert: 'own', loops: 1 });
    const gated: Row[] = [
      mainOf([box('tap', 'd4'), gate], [cable('l1', 6), cable('l2', 0.3), cable('l6', 4)]),
      loop(0, [box('drive', 'd2')], [cable('l3', 0.4), cable('l4', 0.5)], 'd3'),
      {
        id: 'r9',
        at: { kind: 'side', device: 'd4', to: { kind: 'key', device: 'd3' } },
        devices: [],
        cables: [cable('l7', 0.6)],
      },
    ];
    const key: PathElement = { kind: 'branch', path: [cableC(0.6)], load: into(1e6, 20e-12) };
    const rig = rigOf(gated, { state: state({ d3: true, d2: true }) });
    expectWay(rig, [
      { source: BRIGHT, path: [cableC(6), key, ...WIRE, cableC(0.3)], load: into(1e6, 20e-12) },
      { source: from(1000), path: [cableC(0.4)], load: into(500e3, 20e-12) },
      { source: from(5000), path: [cableC(0.5)], load: into(1e6, 20e-12) },
      { source: from(1000), path: [cableC(4)], load: AMP },
    ]);
    // Its gain is that of its last stage: counted once.
    const loud = box('gate', 'd3', { insert: 'own', loops: 1 });
    const gain = { ...loud, on: { ...loud.on, gainDb: entered(6) } };
    const louder = withElectrical(rig, {
      rows: gated.map((row, i) => (i === 0 ? { ...row, devices: [row.devices[0]!, gain] } : row)),
    });
    const gains = drivePath(routeOf(louder)).sections.map(({ circuit: { source } }) =>
      source.kind === 'voltage' ? source.gain : 1,
    );
    expect(gains).toEqual([1, 1, 1, 10 ** (6 / 20)]);
    const trueBypass = switchedTo(rig, { d3: false });
    const gateOff = withElectrical(trueBypass, {
      rows: gated.map((row, i) =>
        i === 0
          ? { ...row, devices: [row.devices[0]!, { ...gate, bypass: 'true' as const }] }
          : row,
      ),
    });
    expectWay(gateOff, [
      {
        source: BRIGHT,
        path: [cableC(6), key, ...WIRE, cableC(0.3), ...WIRE, cableC(4)],
        load: AMP,
      },
    ]);
  });

  test('the amp’s effects loop is a way of its own, from send to return', () => {
    const ampLoop: Row = {
      id: 'r2',
      at: { kind: 'ampLoop', destination: 'e1' },
      devices: [box('delay', 'd1')],
      cables: [cable('l3', 6), cable('l4', 5)],
    };
    const rig = rigOf([mainOf([], [cable('l1', 6)]), ampLoop]);
    const RETURN = into(100e3, 50e-12);
    expectWay(
      rig,
      [
        { source: from(1000), path: [cableC(6)], load: into(500e3, 20e-12) },
        { source: from(1000, 10 ** (-0.1 / 20)), path: [cableC(5)], load: RETURN },
      ],
      'r2',
    );
    expect(routeOf(rig, 'r2').reference).toEqual({ source: from(1000), path: [], load: RETURN });
  });
});

describe('without power', () => {
  const rig = (powerLost: Device['powerLost'], bypass: Device['bypass']) =>
    rigOf([mainOf([box('drive', 'd1', { powerLost, bypass })], [cable('l1', 6), cable('l2', 4)])], {
      state: state({ d1: true }, { unpowered: ['d1'] }),
    });

  test('a pedal falls to its bypass, or to silence', () => {
    const path = [cableC(6), ...WIRE, cableC(4)];
    expectWay(rig('bypass', 'true'), [{ source: BRIGHT, path, load: AMP }]);
    const hardwired: PathElement = { kind: 'shunt', rOhm: 500e3, cF: 20e-12 };
    expectWay(rig('bypass', 'hardwired'), [
      { source: BRIGHT, path: [cableC(6), hardwired, ...WIRE, cableC(4)], load: AMP },
    ]);
    expect(drivePath(routeOf(rig('silence', 'buffered'))).interrupted).toEqual({
      kind: 'muted',
      stop: 2,
      why: 'unpowered',
    });
  });

  test('what is passive needs none', () => {
    const volume = box('passiveVolume', 'd1', { powerLost: 'silence' });
    const row = mainOf([volume], [cable('l1', 6), cable('l2', 4)]);
    const powered = rigOf([row]);
    const dark = rigOf([row], { state: state({}, { unpowered: ['d1'] }) });
    expect(drivePath(routeOf(dark)).interrupted).toBeNull();
    expect(drivePath(routeOf(dark)).sections).toEqual(drivePath(routeOf(powered)).sections);
  });

  test('a switcher opens all its loops and drives nothing, or is silent; a closed loop is not on the way', () => {
    const loops: Row = {
      id: 'r2',
      at: { kind: 'loop', device: 'd1', loop: 0 },
      devices: [box('drive', 'd2')],
      cables: [cable('l3', 0.4), cable('l4', 0.5)],
    };
    const dark = (powerLost: Device['powerLost']) => {
      const switcher = box('switcher', 'd1', {
        loops: 2,
        bufferIn: true,
        bufferOut: true,
        powerLost,
      });
      return rigOf([mainOf([switcher], [cable('l1', 6), cable('l2', 4)]), loops], {
        state: state({ 'd1.0': true, d2: true }, { unpowered: ['d1'] }),
      });
    };
    const path = [cableC(6), ...WIRE, ...WIRE, cableC(4)];
    expectWay(dark('bypass'), [{ source: BRIGHT, path, load: AMP }]);
    expect(drivePath(routeOf(dark('silence'))).interrupted!.kind).toBe('muted');
  });
});

test('a bypass that can be switched is what it is set to', () => {
  const set = (bypassChoice: Device['bypassChoice']) =>
    rigOf([
      mainOf(
        [box('delay', 'd1', { bypass: 'switchable', bypassChoice })],
        [cable('l1', 6), cable('l2', 4)],
      ),
    ]);
  expectWay(set('true'), [{ source: BRIGHT, path: [cableC(6), ...WIRE, cableC(4)], load: AMP }]);
  expect(drivePath(routeOf(set('buffered'))).sections).toHaveLength(2);
});

test('a DI or a mixer as the end', () => {
  const rig = withDestination(
    withCables(base, (l) => l),
    { ...destinationOfKind('passiveDi', 'iron', 'e1') },
  );
  expectWay(rig, [{ source: BRIGHT, path: [cableC(6)], load: into(140e3, 100e-12) }]);
});
