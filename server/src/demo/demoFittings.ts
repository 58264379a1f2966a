import {
  fixtureOfClass,
  gearItem,
  mountOfSize,
  typicalBoard,
  adaptorOfClass,
  outletGroup,
  supplyOfClass,
  type Board,
  type AdaptorClass,
  type GearItem,
  type Supply,
  type Sourced,
} from '@gullwind/core';
import { measured, sheet } from './demoValues';
import { plug } from './makeGear';

/// What the workshop builds with: plugs, supplies, boards, what stands on them, and mounts. All of it made up.

const slats = (...edges: readonly (readonly [number, number])[]): Board['slats'] =>
  edges.map(([front, back]) => ({ frontM: front / 1000, backM: back / 1000 }));

const hole = (xMm: number, yMm: number): Board['openings'][number] => ({
  shape: 'round',
  xM: xMm / 1000,
  yM: yMm / 1000,
  widthM: 0.03,
  depthM: 0.03,
});

const slot = (xMm: number, yMm: number, widthMm: number): Board['openings'][number] => ({
  shape: 'slot',
  xM: xMm / 1000,
  yM: yMm / 1000,
  widthM: widthMm / 1000,
  depthM: 0.02,
});

const rule = (metres: number): Sourced => ({ ...measured(metres), by: 'steel rule' });

const BOARDS: readonly GearItem[] = [
  gearItem(
    'raft',
    'board',
    {
      ...typicalBoard('Raft'),
      widthM: rule(0.72),
      depthM: rule(0.34),
      belowM: rule(0.045),
      riseM: rule(0.03),
      slats: slats([0, 55], [75, 130], [150, 190], [210, 265], [285, 340]),
      placesFrom: 'measured',
    },
    'Five rows, for a pit.',
  ),
  gearItem(
    'pontoon',
    'board',
    {
      ...typicalBoard('Pontoon'),
      widthM: rule(0.76),
      depthM: rule(0.34),
      thicknessM: rule(0.009),
      belowM: rule(0.05),
      surface: 'plate',
      slats: slats([0, 340]),
      openings: [slot(380, 172, 600), hole(40, 172), hole(720, 172), slot(380, 320, 500)],
      placesFrom: 'measured',
    },
    'A plate of birch with slots between the rows.',
  ),
  gearItem(
    'seine',
    'board',
    {
      ...typicalBoard('Seine'),
      widthM: rule(0.6),
      depthM: rule(0.32),
      surface: 'mesh',
      slats: slats([0, 320]),
    },
    'Steel mesh on a frame; cables go through anywhere.',
  ),
];

const FIXTURES: readonly GearItem[] = [
  gearItem(
    'jetty',
    'fixture',
    fixtureOfClass('junction', 'x1', 'Jetty'),
    'Both long cables end here.',
  ),
  gearItem(
    'helm',
    'fixture',
    fixtureOfClass('channelSwitch', 'x1', 'Helm'),
    'Switches the channels of the under-stage amp.',
  ),
];

const supply = (
  id: string,
  name: string,
  groups: Supply['groups'],
  note: string,
  more: Partial<Supply> & { readonly price?: number } = {},
): GearItem => {
  const { price = null, ...said } = more;
  const thing = { ...supplyOfClass('brick', name), groups, groupsFrom: 'sheet' as const, ...said };
  const item = gearItem(id, 'supply', thing, note);
  return { ...item, qualities: { ...item.qualities, price } };
};

const adaptor = (
  id: string,
  of: AdaptorClass,
  name: string,
  price: number,
  note: string,
): GearItem => {
  const item = gearItem(id, 'adaptor', adaptorOfClass(of, name), note);
  return { ...item, qualities: { ...item.qualities, price } };
};

const SUPPLIES: readonly GearItem[] = [
  supply('tide-six', 'Tide Six', [outletGroup(6, 9, 0.1)], 'Six outlets, each by itself.', {
    price: 110,
    totalW: sheet(6),
  }),
  supply(
    'tide-eight',
    'Tide Eight',
    [
      outletGroup(6, 9, 0.1),
      outletGroup(2, 9, 0.5, { volts2: 12, amps2: 0.4, volts3: 18, amps3: 0.25 }),
    ],
    'Hangs below. Two outlets can be set.',
    { price: 165, totalW: sheet(14) },
  ),
  supply(
    'tide-strong',
    'Tide Strong',
    [outletGroup(2, 9, 0.5)],
    'Two outlets for digital pedals.',
    {
      price: 75,
    },
  ),
  supply(
    'pool-ten',
    'Pool Ten',
    [outletGroup(10, 9, 0.2, { ground: 'shared' })],
    'Ten outlets on one ground.',
    { price: 60, totalW: sheet(18) },
  ),
  supply('quay', 'Quay', [outletGroup(4, 9, 0.12)], 'A DI with four outlets.', {
    supplyClass: 'diWithOutlets',
    price: 190,
  }),
  supply('spout', 'Spout', [outletGroup(1, 9, 1)], 'A mains adaptor of its own.', {
    supplyClass: 'mainsAdaptor',
    price: 18,
  }),
  supply('spout-ac', 'Spout AC', [outletGroup(1, 9, 0.5, { polarity: 'ac' })], 'Gives AC.', {
    supplyClass: 'mainsAdaptor',
    price: 22,
  }),
  supply('cell', 'Block of nine volts', [outletGroup(1, 9, 0.05)], 'For what sips.', {
    supplyClass: 'battery',
    chargeC: sheet(0.5 * 3600),
    price: 3,
  }),
];

const ADAPTORS: readonly GearItem[] = [
  adaptor('turnabout', 'reverser', 'Turnabout', 6, 'Turns the poles of one plug.'),
  adaptor('spring-tide', 'doubler', 'Spring Tide', 29, '9 V in, 18 V out.'),
  adaptor('tandem', 'seriesCable', 'Tandem', 9, 'Two isolated outlets as one.'),
  adaptor('string', 'chainCable', 'String', 7, 'One plug more on the same outlet.'),
];

const MOUNTS: readonly GearItem[] = [
  gearItem('cleat-small', 'mount', mountOfSize('small', 'Small cleat'), 'For a few cables.'),
  gearItem('cleat', 'mount', mountOfSize('middle', 'Cleat'), 'The usual one.'),
  gearItem('cleat-large', 'mount', mountOfSize('large', 'Large cleat'), 'For looms.'),
];

export const DEMO_FITTINGS: readonly GearItem[] = [
  plug(
    'bollard',
    'straight',
    'Bollard',
    'Straight, for cables that are trodden on.',
    'soldered',
    4.5,
  ),
  plug(
    'dogleg',
    'angled',
    'Dogleg',
    'Angled, for pedals with jacks at their sides.',
    'soldered',
    5,
  ),
  plug('flounder', 'pancake', 'Flounder', 'Flat, where two pedals stand close.', 'soldered', 5.5),
  plug(
    'quickscrew',
    'angled',
    'Quickscrew',
    'Screwed on, no iron; check it before every run.',
    'screwOn',
    6,
  ),
  ...SUPPLIES,
  ...ADAPTORS,
  ...BOARDS,
  ...FIXTURES,
  ...MOUNTS,
];
