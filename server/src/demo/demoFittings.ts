import {
  fixtureOfClass,
  gearItem,
  mountOfSize,
  typicalBoard,
  typicalSupply,
  type Board,
  type GearItem,
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
  gearItem('tide-eight', 'fixture', fixtureOfClass('supply', 'x1', 'Tide Eight'), 'Hangs below.'),
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
  gearItem(
    'tide-six',
    'supply',
    { ...typicalSupply('Tide Six'), outletA: sheet(0.1) },
    'Six outlets, each by itself.',
  ),
  gearItem(
    'tide-strong',
    'supply',
    { ...typicalSupply('Tide Strong'), outlets: sheet(2), outletA: sheet(0.5) },
    'Two outlets for digital pedals.',
  ),
  ...BOARDS,
  ...FIXTURES,
  ...MOUNTS,
];
