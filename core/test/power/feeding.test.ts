import { entered, outletGroup, supplyOfClass, fixtureOfClass, assumed } from '../../src/gear';
import {
  addSupply,
  behindOf,
  changeFeed,
  darkOf,
  doublerInput,
  failureOf,
  failuresOf,
  faultsOf,
  feedingsOf,
  hang,
  removeSupply,
  sayLeft,
  tradeSupply,
  unhang,
} from '../../src/power';
import { applyEdit, applyEdits, type Rig } from '../../src/rig';
import { measureRig } from '../../src/figures';
import { brick, hung, made, rigOf, says } from './poweredRig';

/// How a rig is fed, against what was worked out by hand.

const thing = (rig: Rig, id: string) => feedingsOf(rig).fed.get(id)!;

test('a doubler: 20 mA at 18 V out of 9 V at 85 % are 47.06 mA in', () => {
  expect(doublerInput(0.02, 18, 9, 0.85)).toBeCloseTo(0.0470588235353, 10);
  const rig = hung(rigOf([{ wants: [18, 18, 0.02] }], [brick(outletGroup(1, 9, 0.1))]), [
    'd1',
    { supply: 'u1', outlet: 0, via: 'doubled' },
  ]);
  // 0.5 m of 0.106 Ω/m carry 47.06 mA: 2.494 mV lost, and twice that behind the doubler.
  expect(thing(rig, 'd1')).toMatchObject({
    amps: expect.closeTo(0.04705882353, 10),
    dropV: expect.closeTo(0.002494118, 9),
    volts: expect.closeTo(17.995011765, 9),
  });
  expect(says(rig)).toEqual([]);
});

test('a cable drops I·R there and back; in a chain each carries all that follow', () => {
  const rig = hung(
    rigOf(
      [{ wants: [9, 9, 0.1] }, { wants: [9, 9, 0.05] }, { wants: [9, 9, 0.02] }],
      [brick(outletGroup(1, 9, 0.5))],
    ),
    ['d1', { supply: 'u1', outlet: 0 }],
    ['d2', { supply: 'u1', outlet: 0, after: 'd1' }],
    ['d3', { supply: 'u1', outlet: 0, after: 'd2' }],
  );
  const long = made(rig, changeFeed(rig, 'd1', { lengthM: entered(10) }));
  // 10 m · 0.106 Ω/m · 170 mA = 180.2 mV; then 0.5 m · 0.106 · 70 mA = 3.71 mV; then 1.06 mV.
  expect(thing(long, 'd1')).toMatchObject({
    cableAmps: expect.closeTo(0.17, 12),
    dropV: expect.closeTo(0.1802, 12),
  });
  expect(thing(long, 'd2').volts).toBeCloseTo(9 - 0.1802 - 0.00371, 12);
  expect(thing(long, 'd3').volts).toBeCloseTo(9 - 0.1802 - 0.00371 - 0.00106, 12);
  expect(feedingsOf(long).supplies[0]!.outlets[0]).toMatchObject({
    amps: expect.closeTo(0.17, 12),
    share: expect.closeTo(0.34, 12),
  });
  expect(behindOf(long.power.feeds, 'd1')).toEqual(['d2', 'd3']);
});

test('a battery lasts as long as its charge', () => {
  const rig = hung(rigOf([{ wants: [9, 9, 0.01] }], [supplyOfClass('battery')]), [
    'd1',
    { supply: 'u1', outlet: 0 },
  ]);
  // 500 mAh at 10 mA: 50 h.
  expect(feedingsOf(rig).supplies[0]!.lastsS).toBeCloseTo(50 * 3600, 6);
  expect(darkOf(rig, { of: 'mains' })).toEqual([]);
  expect(darkOf(rig, { of: 'supply', supply: 'u1' })).toEqual(['d1']);
});

describe('what falls silent', () => {
  const rig = hung(
    rigOf(
      [{ of: 'buffer' }, { of: 'drive' }, { of: 'delay' }],
      [brick(outletGroup(3, 9, 0.1)), supplyOfClass('battery')],
    ),
    ['d1', { supply: 'u1', outlet: 0 }],
    ['d2', { supply: 'u2', outlet: 0 }],
    ['d3', { supply: 'u1', outlet: 1 }],
  );

  test('by the mains, each supply and each outlet, with the treble that is left', () => {
    expect(
      failuresOf(rig).map(({ source, consumers, left }) => [source.of, consumers, left.kind]),
    ).toEqual([
      ['mains', ['d1', 'd3'], 'silent'],
      ['supply', ['d1', 'd3'], 'silent'],
      ['outlet', ['d1'], 'silent'],
      ['outlet', ['d3'], 'silent'],
      ['supply', ['d2'], 'sounding'],
      ['outlet', ['d2'], 'sounding'],
    ]);
    expect(sayLeft(failureOf(rig, { of: 'mains' }).left)).toBe('silence at Pedal 1');
  });

  test('the treble is that of the chain without power there', () => {
    const dark = measureRig({ ...rig, state: { ...rig.state, unpowered: ['d2'] } });
    const { left } = failureOf(rig, { of: 'supply', supply: 'u2' });
    if (dark.kind !== 'sounding' || left.kind !== 'sounding') throw new Error('it sounds');
    expect(left.trebleDb).toBe(dark.figures.trebleDb);
    // A true bypass that is off lets the signal through without power as it does with it.
    expect(left.isAsBefore).toBe(true);
    expect(sayLeft(left)).toBe('sounds as before');
    expect(sayLeft({ ...left, isAsBefore: false })).toMatch(/^sounds, treble [−+\d.]+ dB$/u);
  });

  test('a DI that is in one box with a supply falls silent with it', () => {
    const box = made(rig, {
      kind: 'assign',
      field: 'oneBox',
      to: { u2: rig.electrical.destinations[0]!.id },
    });
    const brickBox = made(rig, {
      kind: 'assign',
      field: 'oneBox',
      to: { u1: rig.electrical.destinations[0]!.id },
    });
    expect(failureOf(box, { of: 'mains' }).left).toEqual({ kind: 'silent', by: 'Pedal 1' });
    expect(failureOf(brickBox, { of: 'supply', supply: 'u1' }).left).toEqual({
      kind: 'silent',
      by: rig.electrical.destinations[0]!.name,
    });
  });
});

describe('by hand', () => {
  const rig = hung(
    rigOf([{}, {}, {}], [brick(outletGroup(2, 9, 0.1)), brick(outletGroup(1, 9, 0.1))]),
    ['d1', { supply: 'u1', outlet: 0 }],
    ['d2', { supply: 'u1', outlet: 0, after: 'd1' }],
    ['d3', { supply: 'u1', outlet: 0, after: 'd2' }],
  );
  const places = (now: Rig) =>
    now.power.feeds.map(({ consumer, supply, outlet, after }) => [consumer, supply, outlet, after]);

  test('what hangs behind goes along, and hangs where it hung when its head is unplugged', () => {
    expect(places(made(rig, hang(rig, 'd1', { supply: 'u2', outlet: 0 })))).toEqual([
      ['d1', 'u2', 0, null],
      ['d2', 'u2', 0, 'd1'],
      ['d3', 'u2', 0, 'd2'],
    ]);
    expect(places(made(rig, unhang(rig, 'd1')))).toEqual([
      ['d2', 'u1', 0, null],
      ['d3', 'u1', 0, 'd2'],
    ]);
  });

  test('nothing hangs behind itself, and what is not fed cannot be unplugged', () => {
    expect(hang(rig, 'd1', { supply: 'u1', outlet: 0, after: 'd3' })).toBeNull();
    expect(hang(rig, 'd1', { supply: 'u1', outlet: 0, after: 'd1' })).toBeNull();
    expect([unhang(rig, 'd9'), changeFeed(rig, 'd9', {})]).toEqual([null, null]);
  });

  test('a supply goes with what it feeds, and is traded without moving a plug; one undo takes it back', () => {
    const placed = made(rig, { kind: 'assign', field: 'oneBox', to: { u1: 'e1' } });
    const gone = applyEdit(placed, removeSupply(placed, 'u1'));
    if (gone.kind === 'refused') throw new Error(gone.message);
    expect([gone.rig.power.feeds, gone.rig.power.oneBox, gone.rig.power.supplies.length]).toEqual([
      [],
      {},
      1,
    ]);
    expect(applyEdits(gone.rig, gone.inverse)).toEqual(placed);
    const { id: _, ...other } = brick(outletGroup(1, 9, 1));
    const traded = made(rig, tradeSupply(rig, 'u1', other));
    expect(traded.power.supplies[0]).toMatchObject({ id: 'u1', groups: [{ amps: 1 }] });
    expect(traded.power.feeds).toBe(rig.power.feeds);
  });

  test('what is in the rig without audio is fed as well', () => {
    const controller = fixtureOfClass('controller', 'f1', 'Feet');
    const more = made(rig, {
      kind: 'list',
      of: 'fixtures',
      at: 0,
      remove: 0,
      insert: [controller],
    });
    expect(faultsOf(more)).toContainEqual({ kind: 'unfed', consumer: 'f1' });
    const fed = hung(more, ['f1', { supply: 'u2', outlet: 0 }]);
    expect(thing(fed, 'f1').amps).toBeCloseTo(0.1, 12);
    expect(failureOf(fed, { of: 'outlet', supply: 'u2', outlet: 0 }).left.kind).toBe('sounding');
  });

  test('a supply’s own limit counts beside that of its outlets', () => {
    const weak = { ...brick(outletGroup(3, 9, 0.1)), totalW: assumed(1) };
    const own = hung(
      rigOf([{ wants: [9, 9, 0.06] }, { wants: [9, 9, 0.06] }], [weak]),
      ['d1', { supply: 'u1', outlet: 0 }],
      ['d2', { supply: 'u1', outlet: 1 }],
    );
    // 2 · 60 mA · 9 V = 1.08 W
    expect(says(own)).toEqual([
      'Brick gives 1 W, and 1.08 W are drawn: it may hum, cut out or overheat.',
    ]);
    expect(addSupply(own, weak)).toMatchObject({ insert: [{ id: 'u2' }] });
  });
});
