import { deviceOfClass, entered, gearItem, cableOfClass, type GearItem } from '@gullwind/core';
import {
  countKinds,
  filterGear,
  matchesWords,
  type GearFilter,
} from '../src/features/gear/model/gearFilter';

const ALL: GearFilter = { words: '', kind: 'all', origin: 'any', retired: false, rigId: '' };
const store = (...items: GearItem[]) => items.map((item) => ({ item, revision: 1 }));

const cable = { ...cableOfClass('low', 'l1', entered(6)), name: 'Quay cable' };
const items = store(
  gearItem(
    'quay',
    'cable',
    { ...cable, cPerMF: { value: 88e-12, from: 'measured' } },
    'on the hook',
  ),
  gearItem('tarn', 'device', deviceOfClass('delay', 'd1', 'Tarn')),
  { ...gearItem('old', 'device', deviceOfClass('wah', 'd1', 'Old wah')), retired: true },
);
const idsOf = (filter: Partial<GearFilter>, inRig: ReadonlySet<string> = new Set()) =>
  filterGear(items, { ...ALL, ...filter }, inRig).map(({ item }) => item.id);

test('each word begins a word of name, class, note or supplier', () => {
  expect(matchesWords(items[0]!.item, 'qu low')).toBe(true);
  expect(matchesWords(items[0]!.item, 'hook')).toBe(true);
  expect(matchesWords(items[0]!.item, 'uay')).toBe(false);
});

test('by kind, origin, retirement and rig; pedals before cables', () => {
  expect(idsOf({})).toEqual(['tarn', 'quay']);
  expect(idsOf({ kind: 'cable' })).toEqual(['quay']);
  expect(idsOf({ origin: 'measured' })).toEqual(['quay']);
  expect(idsOf({ retired: true })).toEqual(['old']);
  // What is retired is still in the rig that has it.
  expect(idsOf({ rigId: 'r' }, new Set(['old']))).toEqual(['old']);
});

test('counts of kinds are those under the rest of the filter', () => {
  expect(countKinds(items, { ...ALL, kind: 'cable' })).toMatchObject({
    all: 2,
    cable: 1,
    device: 1,
    guitar: 0,
  });
});
