import type { PathElement } from '../../src/circuit';
import { analyseRig, sayWhatIsGoingOn } from '../../src/figures';
import {
  deviceOfClass,
  destinationOfKind,
  entered,
  guitarOfClass,
  type Device,
} from '../../src/gear';
import { destinationLoad, drivePath, routeOf } from '../../src/path';
import { type Row } from '../../src/rig';
import { switchedTo } from '../rig/straightRow';
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

/// What leaves by a side jack, against sections written out by hand and solved from the load backwards.

describe('side jacks', () => {
  const tuner = destinationOfKind('tuner', 'tuner', 'e2');
  const TUNER: PathElement = {
    kind: 'branch',
    path: [cableC(0.3)],
    load: into(1e6, 20e-12),
  };
  const side = (
    device: string,
    destination: string,
    lengthM: number,
    devices: Device[] = [],
  ): Row => ({
    id: 'r2',
    at: { kind: 'side', device, to: { kind: 'destination', destination } },
    devices,
    cables: [cable('l8', lengthM), ...devices.map((_, i) => cable(`l${9 + i}`, 0.5))],
  });

  test('a tuner tap is the shunt load of its cable and the tuner', () => {
    const main = mainOf([box('tap', 'd1')], [cable('l1', 6), cable('l2', 3)]);
    const rig = rigOf([main, side('d1', 'e2', 0.3)], {
      destinations: [...base.electrical.destinations, tuner],
    });
    const path = [cableC(6), TUNER, ...WIRE, cableC(3)];
    expectWay(rig, [{ source: BRIGHT, path, load: AMP }]);
  });

  test('a passive volume is two resistors after its tuner jack', () => {
    const pot = { ...deviceOfClass('passiveVolume', '').pot!, travel: entered(0.5) };
    const volume = box('passiveVolume', 'd1', { pot });
    const main = mainOf([volume], [cable('l1', 6), cable('l2', 3)]);
    const rig = rigOf([main, side('d1', 'e2', 0.3)], {
      destinations: [...base.electrical.destinations, tuner],
    });
    const track: PathElement = { kind: 'pot', rOhm: 250e3, wiper: 0.12 };
    expectWay(rig, [
      { source: BRIGHT, path: [cableC(6), TUNER, track, ...WIRE, cableC(3)], load: AMP },
    ]);
  });

  test('a closed volume is silence, and its whole track is what the line still meets', () => {
    const pot = { ...deviceOfClass('passiveVolume', '').pot!, travel: entered(0) };
    const volume = box('passiveVolume', 'd1', { pot });
    const main = mainOf([volume], [cable('l1', 6), cable('l2', 3)]);
    const rig = rigOf([main]);
    expect(drivePath(routeOf(rig)).interrupted).toEqual({
      kind: 'muted',
      stop: 2,
      why: 'closed',
    });
    const second = destinationOfKind('amp', 'second', 'e2');
    const split = mainOf([box('passiveSplitter', 'd2')], [cable('l1', 6), cable('l2', 4)]);
    const aside = rigOf([split, side('d2', 'e2', 3, [volume])], {
      destinations: [...base.electrical.destinations, second],
    });
    const track: PathElement = {
      kind: 'branch',
      path: [cableC(3)],
      load: into(pot.potOhm.value, 0),
    };
    expectWay(aside, [{ source: BRIGHT, path: [cableC(6), track, ...WIRE, cableC(4)], load: AMP }]);
    expect(drivePath(routeOf(aside, 'r2')).interrupted).toMatchObject({ why: 'closed' });
  });

  test('a splitter on the way to a key input: its other way ends in the key input', () => {
    const di = destinationOfKind('activeDi', 'DI', 'e2');
    const gate = box('gate', 'd3', { insert: 'own', loops: 1 });
    const rows: Row[] = [
      mainOf([box('tap', 'd4'), gate], [cable('l1', 6), cable('l2', 0.3), cable('l3', 4)]),
      {
        id: 'r3',
        at: { kind: 'side', device: 'd4', to: { kind: 'key', device: 'd3' } },
        devices: [box('passiveSplitter', 'd5')],
        cables: [cable('l6', 0.6), cable('l7', 0.7)],
      },
      side('d5', 'e2', 9),
    ];
    const rig = rigOf(rows, {
      destinations: [...base.electrical.destinations, di],
      state: state({ d3: true }),
    });
    const KEY = into(1e6, 20e-12);
    const toGate: PathElement = { kind: 'branch', path: [...WIRE, cableC(0.3)], load: KEY };
    const toKey: PathElement = { kind: 'branch', path: [...WIRE, cableC(0.7)], load: KEY };
    const load = destinationLoad(di);
    const path = [cableC(6), toGate, cableC(0.6), toKey, cableC(9)];
    expectWay(rig, [{ source: BRIGHT, path, load }], 'r2');
  });

  test('off an amp’s loop it is driven by the send', () => {
    const di = destinationOfKind('activeDi', 'DI', 'e2');
    const rows: Row[] = [
      mainOf([], [cable('l1', 6)]),
      {
        id: 'r3',
        at: { kind: 'ampLoop', destination: 'e1' },
        devices: [box('passiveSplitter', 'd1')],
        cables: [cable('l3', 6), cable('l4', 5)],
      },
      side('d1', 'e2', 9),
    ];
    const rig = rigOf(rows, { destinations: [...base.electrical.destinations, di] });
    const toReturn: PathElement = {
      kind: 'branch',
      path: [...WIRE, cableC(5)],
      load: into(100e3, 50e-12),
    };
    const load = destinationLoad(di);
    expectWay(rig, [{ source: from(1000), path: [cableC(6), toReturn, cableC(9)], load }], 'r2');
    expect(routeOf(rig, 'r2').reference).toEqual({ source: from(1000), path: [], load });
    const silenced = { ...rig, state: state({}, { playing: null }) };
    expect(drivePath(routeOf(silenced, 'r2')).interrupted).toBeNull();
  });

  describe('off a loop of a switcher that stands on a side way itself', () => {
    const di = destinationOfKind('activeDi', 'DI', 'e3');
    const rows: Row[] = [
      mainOf([box('bufferedSplitter', 'd1')], [cable('l1', 6), cable('l2', 4)]),
      side('d1', 'e2', 3, [box('switcher', 'd2', { loops: 1 })]),
      {
        id: 'r3',
        at: { kind: 'loop', device: 'd2', loop: 0 },
        devices: [box('passiveSplitter', 'd3')],
        cables: [cable('l3', 0.4), cable('l4', 0.5)],
      },
      { ...side('d3', 'e3', 7), id: 'r4', cables: [cable('l5', 7)] },
    ];
    const destinations = [
      ...base.electrical.destinations,
      destinationOfKind('amp', 'second', 'e2'),
      di,
    ];
    const rig = rigOf(rows, { destinations });

    test('closed: the loop is followed', () => {
      const back: PathElement = {
        kind: 'branch',
        path: [...WIRE, cableC(0.5), cableC(0.5)],
        load: AMP,
      };
      expectWay(
        { ...rig, state: state({ 'd2.0': true }) },
        [
          { source: BRIGHT, path: [cableC(6)], load: into(1e6, 15e-12) },
          {
            source: from(150),
            path: [cableC(3), cableC(0.4), back, cableC(7)],
            load: destinationLoad(di),
          },
        ],
        'r4',
      );
    });

    test('open or without power: it is said which', () => {
      const why = (positions: Record<string, boolean>, unpowered: string[] = []) =>
        drivePath(routeOf({ ...rig, state: state(positions, { unpowered }) }, 'r4')).interrupted;
      expect(why({})).toMatchObject({ kind: 'muted', why: 'openLoop' });
      expect(why({ 'd2.0': true }, ['d2'])).toMatchObject({ kind: 'muted', why: 'unpowered' });
    });
  });

  test('of the guitar that does not play: that is what is said', () => {
    const guitars = [...base.electrical.guitars, guitarOfClass('hotHumbucker', 'dark', 'g2')];
    const rows: Row[] = [
      mainOf(
        [box('passiveSplitter', 'd3'), box('selector', 'd1')],
        [cable('l1', 6), cable('l2', 1), cable('l3', 4)],
      ),
      {
        id: 'r3',
        at: { kind: 'guitar', guitar: 'g2', selector: 'd1' },
        devices: [box('passiveSplitter', 'd2')],
        cables: [cable('l4', 5), cable('l5', 1)],
      },
      side('d2', 'e2', 3),
      { ...side('d3', 'e3', 3), id: 'r4', cables: [cable('l6', 3)] },
    ];
    const destinations = [
      ...base.electrical.destinations,
      destinationOfKind('amp', 'second', 'e2'),
      destinationOfKind('amp', 'third', 'e3'),
    ];
    const rig = rigOf(rows, { guitars, destinations });
    const says = (playing: string | null, rowId: string) => {
      const now = { ...rig, state: state({}, { playing }) };
      return sayWhatIsGoingOn(now, analyseRig(now, undefined, rowId), 'metric');
    };
    expect(says('g1', 'r2')).toContain('dark is not playing');
    expect(says('g2', 'r4')).toContain(`${guitars[0]!.name} is not playing`);
    expect(says('g2', 'r2')).not.toContain('not playing');
    expect(says(null, 'r4')).toContain('No guitar is chosen');
  });

  test('a passive splitter: each way is the other one’s load', () => {
    const second = destinationOfKind('amp', 'second', 'e2');
    const main = mainOf(
      [box('passiveSplitter', 'd1'), box('drive', 'd2')],
      [cable('l1', 6), cable('l2', 0.3), cable('l3', 4)],
    );
    const rows = [main, side('d1', 'e2', 9, [box('delay', 'd5')])];
    const off = rigOf(rows, { destinations: [...base.electrical.destinations, second] });
    const delayIn = into(500e3, 20e-12);
    const toSecond: PathElement = { kind: 'branch', path: [cableC(9)], load: delayIn };
    const rest = [...WIRE, cableC(0.3), ...WIRE, cableC(4)];
    expectWay(off, [{ source: BRIGHT, path: [cableC(6), toSecond, ...rest], load: AMP }]);
    const second2 = { source: from(1000, 10 ** (-0.1 / 20)), path: [cableC(0.5)], load: AMP };
    const toMain: PathElement = { kind: 'branch', path: rest, load: AMP };
    expectWay(
      off,
      [{ source: BRIGHT, path: [cableC(6), toMain, cableC(9)], load: delayIn }, second2],
      'r2',
    );
    // With the drive on the other way ends at its input.
    const on = switchedTo(off, { d2: true });
    const toDrive: PathElement = {
      kind: 'branch',
      path: [...WIRE, cableC(0.3)],
      load: into(500e3, 20e-12),
    };
    expectWay(
      on,
      [{ source: BRIGHT, path: [cableC(6), toDrive, cableC(9)], load: delayIn }, second2],
      'r2',
    );
  });

  test('a buffered splitter keeps its two ways apart', () => {
    const second = destinationOfKind('amp', 'second', 'e2');
    const main = mainOf([box('bufferedSplitter', 'd1')], [cable('l1', 6), cable('l2', 4)]);
    const rig = rigOf([main, side('d1', 'e2', 9)], {
      destinations: [...base.electrical.destinations, second],
    });
    const front = { source: BRIGHT, path: [cableC(6)], load: into(1e6, 15e-12) };
    expectWay(rig, [front, { source: from(150), path: [cableC(4)], load: AMP }]);
    expectWay(rig, [front, { source: from(150), path: [cableC(9)], load: AMP }], 'r2');
  });
});
