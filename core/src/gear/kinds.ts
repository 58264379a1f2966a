import { CABLE_CLASSES, cableOfClass, type CableClass } from './cable';
import { DESTINATION_KINDS, destinationOfKind, type DestinationKind } from './destination';
import type { DeviceClass } from './deviceClass';
import { DEVICE_CLASSES, deviceOfClass } from './device';
import type { GearDescriptor } from './descriptor';
import { CHOICE_RULES, FIELD_RULES } from './fields';
import { CASE_FORM, CASE_LISTS, NEED_FORM, OUTLETS } from './sharedLines';
import {
  MOST_OPENINGS,
  MOST_SLATS,
  MOUNT_SIZES,
  mountOfSize,
  PLUG_SHAPES,
  plugOfShape,
  typicalBoard,
  type MountSize,
  type PlugShape,
} from './fittings';
import { FIXTURE_CLASSES, fixtureOfClass, type FixtureClass } from './fixture';
import type { GearItem, GearKind, RigItem } from './gearItem';
import { guitarOfClass, PICKUP_CLASSES, type PickupClass } from './guitar';
import { LONGEST_NOTE, MOST_LOOPS } from './limits';
import { entered } from './sourced';
import {
  ADAPTOR_CLASSES,
  adaptorOfClass,
  SUPPLY_CLASSES,
  supplyOfClass,
  type AdaptorClass,
  type SupplyClass,
} from './supply';

/// Every kind of gear as one descriptor. Checks, the shapes of requests and files, the JSON Schema, the columns of
/// CSV, what can be added and the plain form are made from it; a new kind is a type and an entry here.

const labelsOf = <K extends string>(
  table: Readonly<Record<K, { readonly label: string }>>,
): Readonly<Record<K, string>> =>
  Object.fromEntries(
    Object.entries<{ readonly label: string }>(table).map(([key, { label }]) => [key, label]),
  ) as Readonly<Record<K, string>>;

const NOTHING_ELSE = {
  fixed: {},
  counts: {},
  texts: {},
  lists: {},
  groups: {},
  form: null,
} as const;

type Descriptors = { readonly [K in GearKind]: GearDescriptor<K> };

export const GEAR: Descriptors = {
  guitar: {
    ...NOTHING_ELSE,
    kind: 'guitar',
    one: 'guitar',
    many: 'Guitars',
    isForRigs: true,
    classes: { field: 'pickupClass', labels: labelsOf(PICKUP_CLASSES), usual: 'brightSingle' },
    blank: (of, name = PICKUP_CLASSES[of as PickupClass].label) =>
      guitarOfClass(of as PickupClass, name),
    assumedFrom: ({ pickupClass }) => PICKUP_CLASSES[pickupClass].label,
    numbers: FIELD_RULES.guitar,
    choices: CHOICE_RULES.guitar,
    fixed: { 'second.pickupClass': CHOICE_RULES.guitar.pickupClass },
    groups: { second: 'nullable' },
  },
  device: {
    ...NOTHING_ELSE,
    kind: 'device',
    one: 'pedal or box',
    many: 'Pedals and boxes',
    isForRigs: true,
    classes: { field: 'deviceClass', labels: labelsOf(DEVICE_CLASSES), usual: 'drive' },
    blank: (of, name) => deviceOfClass(of as DeviceClass, 'd1', name),
    assumedFrom: ({ deviceClass }) => DEVICE_CLASSES[deviceClass].label,
    numbers: FIELD_RULES.device,
    choices: CHOICE_RULES.device,
    fixed: {
      deviceClass: Object.keys(DEVICE_CLASSES),
      sideJack: ['none', 'passive', 'buffered'],
      insert: ['none', 'switched', 'own'],
    },
    counts: { loops: MOST_LOOPS },
    texts: { 'body.fails': LONGEST_NOTE, 'body.powerNote': LONGEST_NOTE },
    lists: CASE_LISTS,
    groups: { pot: 'nullable', pickupSimulator: 'optional', body: 'optional' },
  },
  cable: {
    ...NOTHING_ELSE,
    kind: 'cable',
    one: 'cable',
    many: 'Cables and reels',
    isForRigs: true,
    classes: { field: 'cableClass', labels: labelsOf(CABLE_CLASSES), usual: 'ordinary' },
    blank: (of, name) => cableOfClass(of as CableClass, 'l1', entered(6), name),
    assumedFrom: ({ cableClass }) => `${CABLE_CLASSES[cableClass].label} cable`,
    numbers: FIELD_RULES.cable,
    choices: CHOICE_RULES.cable,
  },
  destination: {
    ...NOTHING_ELSE,
    kind: 'destination',
    one: 'amp, DI or input',
    many: 'Amps, DIs, inputs',
    isForRigs: true,
    classes: { field: 'kind', labels: labelsOf(DESTINATION_KINDS), usual: 'amp' },
    blank: (of, name = DESTINATION_KINDS[of as DestinationKind].label) =>
      destinationOfKind(of as DestinationKind, name),
    assumedFrom: ({ kind }) => DESTINATION_KINDS[kind].label,
    numbers: FIELD_RULES.destination,
    choices: CHOICE_RULES.destination,
  },
  plug: {
    ...NOTHING_ELSE,
    kind: 'plug',
    one: 'plug',
    many: 'Plugs',
    isForRigs: false,
    classes: { field: 'shape', labels: labelsOf(PLUG_SHAPES), usual: 'straight' },
    blank: (of, name = PLUG_SHAPES[of as PlugShape].label) => plugOfShape(of as PlugShape, name),
    assumedFrom: ({ shape }) => PLUG_SHAPES[shape].label,
    numbers: FIELD_RULES.plug,
    choices: CHOICE_RULES.plug,
    form: [
      {
        path: 'shape',
        label: 'Shape',
        words: [
          ['straight', 'straight'],
          ['angled', 'angled'],
          ['pancake', 'pancake'],
          ['coupler', 'coupler, jack to jack'],
        ],
      },
      {
        path: 'joint',
        label: 'Joint',
        words: [
          ['soldered', 'soldered'],
          ['screwOn', 'screwed on'],
        ],
      },
      { path: 'beyondM', label: 'Beyond the jack' },
      { path: 'acrossM', label: 'Width' },
      { path: 'reachM', label: 'Along the case' },
      { path: 'plugF', label: 'Capacitance' },
    ],
  },
  supply: {
    ...NOTHING_ELSE,
    kind: 'supply',
    one: 'supply',
    many: 'Supplies',
    isForRigs: false,
    classes: { field: 'supplyClass', labels: labelsOf(SUPPLY_CLASSES), usual: 'brick' },
    blank: (of, name) => supplyOfClass(of as SupplyClass, name),
    assumedFrom: ({ supplyClass }) => SUPPLY_CLASSES[supplyClass].label,
    numbers: FIELD_RULES.supply,
    choices: CHOICE_RULES.supply,
    lists: { groups: OUTLETS, ...CASE_LISTS },
    groups: { body: 'optional' },
    form: [
      { path: 'totalW', label: 'All outlets together' },
      { path: 'chargeC', label: 'Charge of a battery' },
    ],
  },
  adaptor: {
    ...NOTHING_ELSE,
    kind: 'adaptor',
    one: 'adaptor',
    many: 'Adaptors',
    isForRigs: false,
    classes: { field: 'adaptorClass', labels: labelsOf(ADAPTOR_CLASSES), usual: 'reverser' },
    blank: (of, name) => adaptorOfClass(of as AdaptorClass, name),
    assumedFrom: ({ adaptorClass }) => ADAPTOR_CLASSES[adaptorClass].label,
    numbers: FIELD_RULES.adaptor,
    choices: CHOICE_RULES.adaptor,
    form: [
      {
        path: 'adaptorClass',
        label: 'What it is',
        words: Object.entries(labelsOf(ADAPTOR_CLASSES)),
      },
      { path: 'efficiency', label: 'Efficiency' },
      { path: 'mostA', label: 'Lets through' },
    ],
  },
  board: {
    ...NOTHING_ELSE,
    kind: 'board',
    one: 'board',
    many: 'Boards',
    isForRigs: false,
    classes: { field: null, labels: { board: 'board' }, usual: 'board' },
    blank: (_, name = 'board') => typicalBoard(name),
    assumedFrom: () => 'a board of the usual size',
    numbers: FIELD_RULES.board,
    choices: CHOICE_RULES.board,
    lists: {
      slats: { most: MOST_SLATS, words: {}, numbers: ['frontM', 'backM'] },
      openings: {
        most: MOST_OPENINGS,
        words: { shape: ['round', 'slot'] },
        numbers: ['xM', 'yM', 'widthM', 'depthM'],
      },
    },
    form: [
      { path: 'widthM', label: 'Width' },
      { path: 'depthM', label: 'Depth' },
      { path: 'belowM', label: 'Free below' },
      { path: 'thicknessM', label: 'Thickness' },
      { path: 'riseM', label: 'Rise to the back' },
      { path: 'lipM', label: 'Lip at the front' },
      {
        path: 'surface',
        label: 'Surface',
        words: [
          ['rows', 'rows with gaps'],
          ['plate', 'a plate'],
          ['mesh', 'mesh'],
        ],
      },
    ],
  },
  fixture: {
    ...NOTHING_ELSE,
    kind: 'fixture',
    one: 'fixture',
    many: 'Fixtures',
    isForRigs: false,
    classes: { field: 'fixtureClass', labels: labelsOf(FIXTURE_CLASSES), usual: 'controller' },
    blank: (of, name) => fixtureOfClass(of as FixtureClass, 'x1', name),
    assumedFrom: ({ fixtureClass }) => FIXTURE_CLASSES[fixtureClass].label,
    numbers: FIELD_RULES.fixture,
    choices: CHOICE_RULES.fixture,
    texts: { 'body.powerNote': LONGEST_NOTE },
    lists: CASE_LISTS,
    form: [...CASE_FORM, ...NEED_FORM],
  },
  mount: {
    ...NOTHING_ELSE,
    kind: 'mount',
    one: 'mount',
    many: 'Mounts',
    isForRigs: false,
    classes: { field: null, labels: labelsOf(MOUNT_SIZES), usual: 'small' },
    blank: (of, name) => mountOfSize(of as MountSize, name),
    assumedFrom: () => 'a mount of its size',
    numbers: FIELD_RULES.mount,
    choices: CHOICE_RULES.mount,
    form: [
      { path: 'footM', label: 'Width' },
      { path: 'holdsM', label: 'Holds a bundle of' },
    ],
  },
};

/** In the order in which lists show them. */
export const GEAR_KINDS = Object.keys(GEAR) as readonly GearKind[];

/** The descriptor of a kind that is only known when it is asked for. */
export const gearOf = (kind: GearKind): GearDescriptor => GEAR[kind] as unknown as GearDescriptor;

export const isForRigs = (item: GearItem): item is RigItem => gearOf(item.kind).isForRigs;
