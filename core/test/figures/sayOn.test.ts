import { nameSwitches, sayOn } from '../../src/figures';
import { deviceOfClass } from '../../src/gear';
import { applyEdits, insertDevice, mainRow, newRig, type Rig } from '../../src/rig';

const board = (...names: readonly string[]): Rig =>
  names.reduce(
    (rig, name) =>
      applyEdits(
        rig,
        insertDevice(rig, mainRow(rig).devices.length, deviceOfClass('drive', '', name)),
      ),
    newRig('board'),
  );

const rig = board('Gale', 'Mudlark', 'Brine', 'Gale', 'Eddy');
const ALL = ['d1', 'd2', 'd3', 'd4', 'd5'];
const on = (...ids: readonly string[]) =>
  sayOn(rig, ALL, Object.fromEntries(ids.map((id) => [id, true])));

test('both ends are said as what they are', () => {
  expect(on()).toBe('everything off');
  expect(on(...ALL)).toBe('everything on');
});

test('few that are off are said instead of all the others', () => {
  expect(on('d1', 'd3', 'd4', 'd5')).toBe('everything but Mudlark on');
  expect(on('d1', 'd4', 'd5')).toBe('everything but Mudlark and Brine on');
  expect(on('d2', 'd3')).toBe('Mudlark, Brine on');
  expect(sayOn(rig, ['d2', 'd3'], { d2: true })).toBe('Mudlark on');
});

test('two of one name have their numbers', () => {
  expect(on('d1', 'd2')).toBe('1 Gale, Mudlark on');
  expect(on('d1', 'd2', 'd3', 'd5')).toBe('everything but 4 Gale on');
  expect(nameSwitches(rig, ['d4', 'd5'])).toEqual(['4 Gale', 'Eddy']);
});
