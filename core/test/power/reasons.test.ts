import loadHighs from 'highs';
import { solverOf, type Solve } from '../../src/program';
import {
  gearItem,
  outletGroup,
  supplyOfClass,
  type GearItem,
  type OutletGroup,
} from '../../src/gear';
import { assignToEnd, pricesOf, trySupply, whatWouldFeed, whyUnfed } from '../../src/power';
import { rigOf, withPower, type Thing } from './poweredRig';

/// Why something cannot be fed, and what of the list would feed it.

let solve: Solve;
beforeAll(async () => {
  solve = solverOf((await loadHighs()) as never);
});

const brick = (...groups: OutletGroup[]) => ({ ...supplyOfClass('brick', 'Brick'), groups });
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

test.each<readonly [string, readonly Thing[], readonly OutletGroup[], string]>([
  ['no supply', [{}], [], 'Pedal 1: there is no supply yet.'],
  [
    'voltage',
    [{ wants: [12, 12, 0.01] }],
    [outletGroup(1, 9, 0.1)],
    'Pedal 1 wants 12 V; the outlets give 9 V.',
  ],
  [
    'current',
    [{ wants: [9, 9, 0.3] }],
    [outletGroup(2, 9, 0.1)],
    'Pedal 1 draws 300 mA; the strongest outlet of its voltage gives 100 mA, 80 mA of it up to the line.',
  ],
  [
    'AC',
    [{ polarity: 'ac' }],
    [outletGroup(2, 9, 0.1)],
    'Pedal 1 wants AC, and no outlet gives it.',
  ],
])('%s', (_, things, groups, expected) => {
  const rig = rigOf(things, groups.length > 0 ? [brick(...groups)] : []);
  expect(assignToEnd(rig, solve).unfed).toEqual(['d1']);
  expect(plain(whyUnfed(rig, 'd1'))).toBe(expected);
});

test('too few outlets: whoever is left out is told so', () => {
  const rig = rigOf([{}, {}], [brick(outletGroup(1, 9, 0.1))]);
  const { unfed } = assignToEnd(rig, solve);
  expect(unfed).toHaveLength(1);
  expect(whyUnfed(rig, unfed[0]!)).toMatch(
    /^Pedal [12]: every outlet that could feed it is taken/u,
  );
  expect(assignToEnd(withPower(rig, { feeding: 'chain' }), solve).unfed).toEqual([]);
});

const priced = (id: string, price: number | null, ...groups: OutletGroup[]): GearItem => {
  const item = gearItem(id, 'supply', { ...brick(...groups), name: id });
  return { ...item, qualities: { ...item.qualities, price } };
};

test('what would feed all comes first, the cheapest of those; what feeds nobody is not named', () => {
  const rig = rigOf(
    [{ wants: [9, 9, 0.3] }, { wants: [12, 12, 0.01] }],
    [brick(outletGroup(2, 9, 0.1))],
  );
  const { unfed } = assignToEnd(rig, solve);
  const gear = [
    priced('weak', 1, outletGroup(4, 9, 0.05)),
    priced('strong', 20, outletGroup(1, 9, 0.5)),
    priced('all-dear', 90, outletGroup(2, 9, 0.5, { volts2: 12, amps2: 0.4 })),
    priced('all', 70, outletGroup(2, 9, 0.5, { volts2: 12, amps2: 0.4 })),
    priced('unpriced', null, outletGroup(2, 12, 0.5)),
  ];
  const remedies = whatWouldFeed(rig, unfed, gear, solve);
  expect(remedies.map(({ item, feeds }) => [item.id, feeds])).toEqual([
    ['all', ['d1', 'd2']],
    ['all-dear', ['d1', 'd2']],
    ['strong', ['d1']],
    ['unpriced', ['d2']],
  ]);
  expect(whatWouldFeed(rig, [], gear, solve)).toEqual([]);
});

test('two supplies side by side', () => {
  const things = [{ wants: [9, 9, 0.05] }, { wants: [9, 9, 0.06] }] as const;
  const small = trySupply(rigOf(things, [brick(outletGroup(2, 9, 0.1))]), solve);
  const large = trySupply(rigOf(things, [brick(outletGroup(4, 9, 0.3))]), solve);
  expect(small).toMatchObject({ unfed: [], headroom: expect.closeTo(0.4, 6), spare: 0 });
  expect(large).toMatchObject({ unfed: [], headroom: expect.closeTo(0.8, 6), spare: 2 });
});

test('parts cost what the cheapest of the list costs', () => {
  const adaptor = (id: string, price: number | null, retired = false): GearItem => {
    const item = gearItem(id, 'adaptor', {
      id: 'x1',
      name: id,
      adaptorClass: 'reverser',
      efficiency: { value: 1, from: 'assumed' },
      mostA: { value: 2, from: 'assumed' },
    });
    return { ...item, retired, qualities: { ...item.qualities, price } };
  };
  expect(pricesOf([adaptor('a', 5), adaptor('b', 4), adaptor('c', 1, true)])).toEqual({
    reverser: 4,
    doubler: 30,
    seriesCable: 9,
    chainCable: 7,
  });
});
