import { measureRig } from '../../src/figures';
import { deviceOfClass, guitarOfClass } from '../../src/gear';
import {
  addGuitar,
  applyEdits,
  chainOf,
  insertDevice,
  newRig,
  setCableLength,
  withElectrical,
} from '../../src/rig';
import { STRAIGHT_IN, voicesOf } from '../../src/sound';

const rig = applyEdits(newRig('voices'), setCableLength('l1', 12));
const board = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('delay', '', 'delay')));

test('straight in, as it is, the step, extremes, a ladder of lengths, other guitars', () => {
  const step = { said: 'a shorter cable', edit: setCableLength('l1', 3) };
  const two = applyEdits(board, addGuitar(board, guitarOfClass('hotHumbucker', 'other')));
  const voices = voicesOf(two, step, 'metric');
  expect(voices.slice(0, 3).map(({ name }) => name)).toEqual([
    'straight in',
    'as it is',
    'with the first step: a shorter cable',
  ]);
  expect(new Set(voices.map(({ group }) => group))).toEqual(
    new Set(['now', 'plan', 'states', 'lengths', 'guitars']),
  );
  expect(new Set(voices.map(({ id }) => id)).size).toBe(voices.length);
});

test('a voice has the figures that Path shows', () => {
  const voices = voicesOf(board, null, 'metric');
  const measured = measureRig(chainOf(board));
  if (measured.kind !== 'sounding') throw new Error(measured.kind);
  const now = voices.find(({ id }) => id === 'now')!;
  expect(now.figures).toEqual(measured.figures);
  expect(now.levelDb).toEqual(measured.nowDb);
  expect(voices.find(({ id }) => id === STRAIGHT_IN)!.levelDb).toEqual(measured.referenceDb);
});

test('what is silent is no voice; with the guitar silent there is none at all', () => {
  const open = withElectrical(rig, { rows: [{ ...rig.electrical.rows[0]!, cables: [null] }] });
  expect(voicesOf(open, null, 'metric').map(({ id }) => id)).not.toContain('now');
  const guitar = rig.electrical.guitars[0]!;
  const travel = { ...guitar.volume.travel, value: 0 };
  const silent = withElectrical(rig, {
    guitars: [{ ...guitar, volume: { ...guitar.volume, travel } }],
  });
  expect(voicesOf(silent, null, 'metric')).toEqual([]);
});

test('by the shop’s cable: the last cable is another, all else the same', () => {
  const voices = voicesOf(board, null, 'metric', { lengthM: 3, cPerMF: 160e-12 });
  const shop = voices.find(({ id }) => id === 'shop')!;
  const now = voices.find(({ id }) => id === 'now')!;
  expect(shop.sections.slice(0, -1)).toEqual(now.sections.slice(0, -1));
  expect(shop.figures!.trebleDb).not.toBe(now.figures!.trebleDb);
});
