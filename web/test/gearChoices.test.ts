import {
  destinationOfKind,
  deviceOfClass,
  gearItem,
  type DestinationKind,
  type DeviceClass,
  type GearItem,
} from '@gullwind/core';
import {
  bestFirst,
  choicesOf,
  meantBy,
  type GearChoice,
} from '../src/features/picker/model/gearChoices';

const choice = (
  name: string,
  deviceClass: DeviceClass,
  group: GearChoice['group'] = 'Typical, by class',
): GearChoice => ({
  group,
  detail: `typical ${deviceClass}`,
  item: gearItem(`x-${name.replace(/\W/gu, '')}`, 'device', deviceOfClass(deviceClass, 'd1', name)),
});

const CHOICES = [
  choice('Old fuzz', 'fuzz', 'From the gear list'),
  choice('low-impedance fuzz', 'lowImpedanceFuzz'),
  choice('fuzz', 'fuzz'),
  choice('delay', 'delay'),
];
const found = (typed: string) => bestFirst(CHOICES, typed).map(({ item }) => item.thing.name);

test('every typed word begins a word of the name or the detail', () => {
  expect(found('del')).toEqual(['delay']);
  expect(found('typ fuz')).toEqual(['Old fuzz', 'low-impedance fuzz', 'fuzz']);
  expect(found('elay')).toEqual([]);
});

test('what is called exactly so comes first in its group; the gear list stays before the classes', () => {
  expect(found('fuzz')).toEqual(['Old fuzz', 'fuzz', 'low-impedance fuzz']);
  expect(found('Fuzz')[1]).toBe('fuzz');
});

test('nothing typed shows everything, in its order', () => {
  expect(found('')).toEqual(CHOICES.map(({ item }) => item.thing.name));
});

test('a kind that is typed means the kind, a name means that pedal, a part of one what fits first', () => {
  const meant = (typed: string) => meantBy(CHOICES, typed)?.item.thing.name;
  expect(meant('fuzz')).toBe('fuzz');
  expect(meant('Old fuzz')).toBe('Old fuzz');
  expect(meant('old')).toBe('Old fuzz');
  expect(meant('zither')).toBeUndefined();
});

describe('what there is to choose from', () => {
  const end = (id: string, kind: DestinationKind, retired = false) => ({
    ...gearItem(id, 'destination', destinationOfKind(kind, id)),
    retired,
  });
  const gear = [
    gearItem('pedal', 'device', deviceOfClass('fuzz', 'd1', 'Mine')),
    { ...gearItem('old', 'device', deviceOfClass('fuzz', 'd1', 'Old')), retired: true },
    end('di', 'activeDi'),
    end('passive', 'passiveDi'),
    end('gone', 'activeDi', true),
    end('amp', 'amp'),
  ] as readonly GearItem[];
  const of = (ends: string | null) =>
    choicesOf(gear, 'device', ends).map(({ group, item }) => [group, item.id]);

  test('the list first, then every class; what is retired is not offered', () => {
    const all = of(null);
    expect(all[0]).toEqual(['From the gear list', 'pedal']);
    expect(all.slice(1).every(([group]) => group === 'Typical, by class')).toBe(true);
    expect(all.map(([, id]) => id)).not.toContain('old');
  });

  test('a DI ends the way, and is found among pedals where something ends it', () => {
    const ends = of('the amp').filter(([group]) => group === 'Ends the way, instead of the amp');
    expect(ends.slice(0, 2).map(([, id]) => id)).toEqual(['di', 'passive']);
    expect(ends.map(([, id]) => id)).not.toContain('gone');
    expect(ends.map(([, id]) => id)).not.toContain('amp');
    expect(ends.length).toBeGreaterThan(2);
    const [first] = choicesOf(gear, 'device');
    // What is taken from the list says so.
    expect(first!.item.thing).toMatchObject({ name: 'Mine', gear: 'pedal' });
  });
});
