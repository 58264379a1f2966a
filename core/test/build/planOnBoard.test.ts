import { applyFollowing, layBoard } from '../../src/board';
import { planOnBoard, reworkOf } from '../../src/build';
import { deviceOfClass } from '../../src/gear';
import { insertDevice, mainRow, removeDevice, reachOf, type Edit, type Rig } from '../../src/rig';
import { cableMoves } from '../../src/plans/cableMoves';
import { onBoard, place, rigOfClasses } from '../board/randomBoard';
import { toEnd } from '../toEnd';

const follow = (rig: Rig, ...edits: readonly Edit[]): Rig =>
  edits.reduce((now, edit) => {
    const result = applyFollowing(now, edit);
    if (result.kind === 'refused') throw new Error(result.message);
    return result.rig;
  }, rig);

const three = onBoard(rigOfClasses(['drive', 'boost', 'delay']), 'mesh', [0.56, 0.3]);
const laid = follow(three, place('d1', 460, 0), place('d2', 340, 0), place('d3', 40, 150));

const BUILDING = { gear: [], units: 'metric' } as const;
const onIt = (rig: Rig, edit: Edit) => toEnd(planOnBoard(rig, edit, BUILDING));

test('another order changes laid cables and, where the pickup drives them, the treble', () => {
  const swap: Edit = { kind: 'move', row: mainRow(laid).id, from: 0, to: 1 };
  const { says, rework, edit } = onIt(laid, swap)!;
  expect(edit).toBe(swap);
  expect(says.join(' ')).toMatch(
    /\d cables? (?:is|are) made anew: A3 \d+\smm \(drive 1, out, to delay 3, in\)/u,
  );
  expect(says.join(' ')).toMatch(/Treble [−+][\d.]+ dB, −0\.\d\d dB against now\./u);
  expect(rework).toEqual(reworkOf(laid, follow(laid, swap), BUILDING));
});

test('a box that comes in is placed where it fits, with its cables and minutes; where it does not, that is said', () => {
  const into = insertDevice(laid, 1, deviceOfClass('buffer', '', 'buffer'));
  const { says, edit } = onIt(laid, into)!;
  expect(says[0]).toMatch(
    /^buffer fits on the board: \d+\smm from the left, \d+\smm from the front/u,
  );
  const after = follow(laid, edit);
  expect(after.layout.placements.d4).toBeDefined();
  expect(layBoard(after).conflicts.filter(({ weight }) => weight !== 'note')).toEqual([]);
  expect(onIt(laid, edit)!.rework.minutes).toBe(reworkOf(laid, after, BUILDING).minutes);
  const narrow = onBoard(rigOfClasses(['drive']), 'mesh', [0.13, 0.25]);
  const full = follow(narrow, place('d1', 30, 70));
  const more = insertDevice(full, 1, deviceOfClass('switcher', '', 'long one'));
  expect(onIt(full, more)!.says[0]).toMatch(/^long one does not fit: \d+\smm are missing/u);
});

test('one that goes leaves one cable to make; without a board there is nothing to say', () => {
  const gone = onIt(laid, removeDevice(laid, 'd2'))!;
  expect(gone.rework.made.length + gone.rework.reused.length).toBe(1);
  const into = insertDevice(three, 1, deviceOfClass('buffer', ''));
  const bare = { ...three, layout: { ...three.layout, boards: [], placements: {} } };
  expect(onIt(bare, into)).toBeNull();
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
