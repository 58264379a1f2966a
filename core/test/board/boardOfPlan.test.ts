import { applyFollowing, sayOnBoard } from '../../src/board';
import { deviceOfClass } from '../../src/gear';
import { insertDevice, mainRow, removeDevice, reachOf, type Edit, type Rig } from '../../src/rig';
import { cableMoves } from '../../src/plans/cableMoves';
import { onBoard, place, rigOfClasses } from './randomBoard';

const follow = (rig: Rig, ...edits: readonly Edit[]): Rig =>
  edits.reduce((now, edit) => {
    const result = applyFollowing(now, edit);
    if (result.kind === 'refused') throw new Error(result.message);
    return result.rig;
  }, rig);

const three = onBoard(rigOfClasses(['drive', 'boost', 'delay']), 'mesh', [0.9, 0.4]);
const laid = follow(three, place('d1', 700, 0), place('d2', 560, 0), place('d3', 40, 200));

test('another order changes laid cables and, where the pickup drives them, the treble', () => {
  const swap: Edit = { kind: 'move', row: mainRow(laid).id, from: 0, to: 1 };
  const [made, treble] = sayOnBoard(laid, swap, 'metric');
  expect(made).toMatch(
    /^2 cables are made anew: boost 2 to drive 1 \d+\smm → \d+\smm, drive 1 to delay 3 /u,
  );
  expect(treble).toMatch(/^With these lengths the treble is [−+][\d.]+ dB, −0\.\d\d dB against/u);
});

test('a box that comes in has no place yet; one that goes leaves one cable to make', () => {
  const into = insertDevice(laid, 1, deviceOfClass('buffer', '', 'buffer'));
  expect(sayOnBoard(laid, into, 'metric')[0]).toMatch(/^buffer has no place on the board yet/u);
  const [made] = sayOnBoard(laid, removeDevice(laid, 'd2'), 'metric');
  expect(made).toMatch(/^One cable is made anew: drive 1 to delay 3/u);
});

test('without a board there is nothing to say of it', () => {
  const into = insertDevice(three, 1, deviceOfClass('buffer', ''));
  const bare = { ...three, layout: { ...three.layout, boards: [], placements: {} } };
  expect(sayOnBoard(bare, into, 'metric')).toEqual([]);
});

test('a laid cable reaches as far as the board says: no plan makes it shorter', () => {
  const between = mainRow(laid)
    .cables.slice(1, 3)
    .map((cable) => cable!);
  for (const cable of between) expect(reachOf(laid, cable)).toEqual(cable.lengthM);
  const shorter = cableMoves(laid, []).filter(
    ({ action }) => action.kind === 'cableLength' && between.some(({ id }) => id === action.cable),
  );
  expect(shorter).toEqual([]);
});
