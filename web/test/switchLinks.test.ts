import { deviceOfClass, insertDevice, applyEdits, newRig, type Rig } from '@gullwind/core';
import { switchLinks } from '../src/features/path/model/switchLinks';

const empty = newRig('linked');
const rig = ['Gale', 'Brine', 'Eddy', 'Swell'].reduce<Rig>(
  (now, name, i) => applyEdits(now, insertDevice(now, i, deviceOfClass('drive', '', name))),
  empty,
);

test('every group has a letter, and each of it says the others', () => {
  const linked: Rig = {
    ...rig,
    electrical: { ...rig.electrical, links: [['d1', 'd3', 'd4'], ['d2']] },
  };
  const links = switchLinks(linked);
  expect([...links.keys()]).toEqual(['d1', 'd3', 'd4']);
  expect(links.get('d3')).toEqual({ letter: 'a', others: 'Gale, Swell' });
  expect(switchLinks(rig).size).toBe(0);
});
