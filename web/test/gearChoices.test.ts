import { deviceOfClass, gearItem, type DeviceClass } from '@gullwind/core';
import { bestFirst, meantBy, type GearChoice } from '../src/features/picker/gearChoices';

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
