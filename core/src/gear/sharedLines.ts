import { CASE_SIDES, JACK_KINDS, MOST_JACKS, MOST_SWITCHES } from './case';
import type { FormLine, PlaceList } from './descriptor';
import type { FieldRule } from './fields';
import { MOST_GROUPS, MOST_OUTLETS } from './supply';

/// Lists and lines of forms that several kinds share: cases, what they want, outlets.

export const CASE_LISTS: Readonly<Record<string, PlaceList>> = {
  'body.jacks': {
    most: MOST_JACKS,
    words: { kind: JACK_KINDS, side: CASE_SIDES },
    numbers: ['alongM'],
  },
  'body.switches': { most: MOST_SWITCHES, words: {}, numbers: ['xM', 'yM'] },
};

export const CASE_FORM: readonly FormLine[] = [
  { path: 'body.widthM', label: 'Width' },
  { path: 'body.depthM', label: 'Depth' },
  { path: 'body.heightM', label: 'Height' },
  { path: 'body.massKg', label: 'Mass' },
];

export const NEED_FORM: readonly FormLine[] = [
  { path: 'body.supplyV', label: 'Voltage' },
  { path: 'body.supplyMaxV', label: 'Up to' },
  { path: 'body.supplyA', label: 'Current, at most' },
  { path: 'body.idleA', label: 'At rest' },
  {
    path: 'body.polarity',
    label: 'Polarity',
    words: [
      ['centreNegative', 'minus in the middle'],
      ['centrePositive', 'plus in the middle'],
      ['ac', 'AC'],
      ['none', 'no supply'],
    ],
  },
  {
    path: 'body.ground',
    label: 'Audio ground',
    words: [
      ['negative', 'the minus pole'],
      ['positive', 'the plus pole'],
      ['floating', 'apart from both'],
    ],
  },
];

const volts = (label: string): FieldRule => ({ label, quantity: 'voltage', min: 0, max: 60 });
const amps = (label: string): FieldRule => ({ label, quantity: 'current', min: 0, max: 10 });

export const OUTLETS: PlaceList = {
  most: MOST_GROUPS,
  words: {
    ground: ['isolated', 'shared'],
    polarity: ['centreNegative', 'centrePositive', 'ac'],
  },
  numbers: ['outlets', 'volts', 'amps', 'volts2', 'amps2', 'volts3', 'amps3'],
  rules: {
    outlets: { label: 'Outlets', quantity: 'count', min: 1, max: MOST_OUTLETS },
    volts: volts('Voltage'),
    amps: amps('Current'),
    volts2: volts('Second voltage'),
    amps2: amps('Current at the second voltage'),
    volts3: volts('Third voltage'),
    amps3: amps('Current at the third voltage'),
  },
  optional: 4,
};
