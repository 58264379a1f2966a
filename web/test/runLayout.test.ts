import {
  addAmpLoop,
  analyseRig,
  applyEdits,
  deviceOfClass,
  insertDevice,
  mainRow,
  newRig,
  setCableLength,
  type DeviceClass,
  type Rig,
} from '@gullwind/core';
import { switchNumbers } from '@gullwind/core';
import { findInlets, layInlets } from '../src/features/path/model/inlets';
import { layNames, unusedTop } from '../src/features/path/run/nameLabels';
import {
  assignRows,
  chooseSoundings,
  layThread,
  threadWidth,
} from '../src/features/path/run/runLayout';
import { drawWays, leastWidth, postsOf, shownRows } from '../src/features/path/model/runWays';
import {
  allSelections,
  gapAfter,
  readSelection,
  stepSelection,
  writeSelection,
} from '../src/features/path/model/selection';

function board(patches: readonly number[]): Rig {
  let rig = newRig('board');
  for (let i = 0; i <= patches.length; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `drive ${i + 1}`)));
  patches.forEach((lengthM, i) => {
    rig = applyEdits(rig, setCableLength(mainRow(rig).cables[i + 1]!.id, lengthM));
  });
  return rig;
}

const WIDTH = 1180;
const draw = (rig: Rig) => drawWays(rig, mainRow(rig).id, WIDTH)[0]!;
const postX = (rig: Rig) => postsOf(draw(rig)).map(({ x }) => x);

test('each stretch is to scale, and its scale is its own', () => {
  const rig = board([0.2, 0.4, 0.6]);
  const { stretches } = draw(rig).layout;
  const deviceX = postX(rig);
  expect(stretches.map(({ kind }) => kind)).toEqual(['in', 'board', 'out']);
  for (const { x0, x1, lengthM, pxPerM } of stretches)
    expect(x1 - x0).toBeCloseTo(lengthM * pxPerM, 9);
  const gaps = deviceX.slice(1).map((x, i) => x - deviceX[i]!);
  expect(gaps[1]! / gaps[0]!).toBeCloseTo(2, 9);
  expect(gaps[2]! / gaps[0]!).toBeCloseTo(3, 9);
});

test.each([0, 1, 2, 8, 30, 64])('%d devices stay inside the drawing, in order', (count) => {
  const rig =
    count === 0 ? newRig('none') : board(Array.from({ length: count - 1 }, (_, i) => (i % 5) / 10));
  const { spans } = draw(rig).layout;
  spans.slice(1).forEach(([x0], i) => expect(x0).toBeGreaterThanOrEqual(spans[i]![1] - 1e-9));
  expect(spans.at(-1)![1]).toBeLessThanOrEqual(WIDTH);
  const posts = postsOf(draw(rig));
  expect(posts).toHaveLength(count);
  const named = posts.map(({ x }, i) => ({ x, name: `drive ${i} of a long board` }));
  for (const { x, text } of layNames(named, WIDTH)) {
    expect(x - text.length * 3.2).toBeGreaterThan(0);
    expect(x + text.length * 3.2).toBeLessThan(WIDTH);
  }
});

test('patches without length stand evenly rather than on one spot', () => {
  expect(new Set(postX(board([0, 0, 0]))).size).toBe(4);
});

test('a cable drawn longer takes more room, so that its end follows the hand', () => {
  const rig = board([0.3]);
  const destination = (of: Rig) => draw(of).layout.stretches[0]!.x1;
  expect(destination(applyEdits(rig, setCableLength('l1', 9)))).toBeGreaterThan(destination(rig));
});

test('the thread runs from guitar to amp and does not jump at a scale break', () => {
  const rig = board([0.3, 0.3]);
  const { layout } = draw(rig);
  const thread = layThread(layout, analyseRig(rig).points);
  thread.slice(1).forEach(({ x }, i) => expect(x).toBeGreaterThanOrEqual(thread[i]!.x));
  const [inEnd, boardStart] = [layout.stretches[0]!.x1, layout.stretches[1]!.x0];
  const at = (x: number) =>
    thread.filter((point) => Math.abs(point.x - x) < 1e-9).map(({ trebleDb }) => trebleDb);
  expect(at(inEnd)[0]).toBe(at(boardStart)[0]);
  expect(thread[0]!.x).toBe(layout.spans[0]![1]);
  expect(thread.at(-1)!.x).toBe(layout.spans.at(-1)![0]);
});

describe('what leaves the line', () => {
  const add = (rig: Rig, name: DeviceClass, gap = 0, row?: string) =>
    applyEdits(rig, insertDevice(rig, gap, deviceOfClass(name, ''), row));

  test('a tap hangs below its post, a switcher shows every loop with a number', () => {
    const rig = add(add(board([0.3]), 'tap'), 'switcher', 1);
    const ways = drawWays(rig, mainRow(rig).id, WIDTH);
    const inlets = findInlets(rig, ways, 'metric');
    expect(inlets).toHaveLength(2);
    expect(inlets[0]!.pieces.map(({ kind }) => kind)).toEqual(['cable', 'text']);
    expect(inlets[1]!.pieces.filter(({ kind }) => kind === 'loop')).toHaveLength(4);
    expect(inlets[1]!.pieces.filter((p) => p.kind === 'cable' && p.isMissing)).toHaveLength(4);
    for (const { x } of layInlets(inlets, WIDTH)) {
      expect(x[0]).toBeGreaterThan(0);
      expect(x.at(-1)).toBeLessThan(WIDTH);
    }
    const loops = [...switchNumbers(rig)].filter(([id]) => id.includes('.'));
    expect(loops.map(([, number]) => number)).toEqual([2, 3, 4, 5]);
  });

  test('a closed loop is part of the line, and an open one hangs below it', () => {
    let rig = add(board([0.3]), 'switcher', 1);
    const loop = rig.electrical.rows.find(({ at }) => at.kind === 'loop')!;
    rig = add(rig, 'delay', 0, loop.id);
    const delay = rig.electrical.rows.find(({ id }) => id === loop.id)!.devices[0]!;
    const isPost = (of: Rig) => postsOf(draw(of)).some(({ deviceId }) => deviceId === delay.id);
    const hangs = (of: Rig) =>
      findInlets(of, drawWays(of, mainRow(of).id, WIDTH), 'metric').some(({ pieces }) =>
        pieces.some((piece) => piece.kind === 'device' && piece.id === delay.id),
      );
    expect([isPost(rig), hangs(rig)]).toEqual([false, true]);
    const switchId = `${loop.at.kind === 'loop' ? loop.at.device : ''}.0`;
    const closed = applyEdits(rig, { kind: 'switch', positions: { [switchId]: true } });
    expect([isPost(closed), hangs(closed)]).toEqual([true, false]);
  });

  test('an effects loop is drawn after its amp', () => {
    const start = board([0.3]);
    const rig = applyEdits(start, addAmpLoop(start, 'e1'));
    const rows = rig.electrical.rows.map(({ id }) => id);
    expect(shownRows(rig, rows[0]!)).toEqual(rows);
    const [front, loop] = drawWays(rig, rows[0]!, WIDTH);
    expect(loop!.layout.spans[0]![0]).toBeGreaterThan(front!.layout.spans.at(-1)![1]);
    expect(drawWays(rig, rows[1]!, WIDTH).map(({ rowId }) => rowId)).toEqual(rows);
  });
});

test('the thread is the amplitude ratio: an eighth at −18 dB, never under 2 px', () => {
  expect(threadWidth(-18.06) / threadWidth(0)).toBeCloseTo(1 / 8, 3);
  expect(threadWidth(-60)).toBe(2);
});

test('labels that would touch go to different rows', () => {
  expect(
    assignRows(
      [
        [0, 50],
        [40, 90],
        [60, 80],
        [100, 120],
      ],
      5,
      5,
    ),
  ).toEqual([0, 1, 0, 0]);
  const rig = board(Array.from({ length: 29 }, () => 0.2));
  const named = postsOf(draw(rig)).map(({ x }) => ({ x, name: 'drive' }));
  expect(unusedTop(layNames(named, WIDTH))).toBeGreaterThanOrEqual(0);
  expect(unusedTop([])).toBe(45);
});

test('soundings keep their distance, and the largest steps win', () => {
  const points = [0, -0.1, -3, -3.1, -3.2, -9].map((trebleDb, i) => ({ x: i * 20, trebleDb }));
  const shown = chooseSoundings(points, 40);
  expect(shown.map(({ x }) => x)).toEqual([0, 40, 100]);
});

test('a sounding that reads as the one before it is left out, but for the ends', () => {
  const at = (x: number, trebleDb: number) =>
    ({ x, trebleDb }) as Parameters<typeof chooseSoundings>[0][number];
  const points = [
    at(0, 0),
    at(50, -3),
    at(100, -3.02),
    at(150, -2.98),
    at(200, -6),
    at(250, -6.01),
  ];
  expect(chooseSoundings(points, 40).map(({ x }) => x)).toEqual([0, 50, 200, 250]);
});

describe('selection', () => {
  const rig = board([0.3]);
  const { stops } = draw(rig);
  const all = allSelections(rig, stops);

  test('the way is guitar, cable, device, cable, …, amp', () => {
    expect(all.map(writeSelection)).toEqual(['g1', 'l1', 'd1', 'l3', 'd2', 'l2', 'e1']);
  });

  test('what the address says is read back, and nonsense is the guitar', () => {
    for (const stop of all) expect(readSelection(rig, writeSelection(stop))).toEqual(stop);
    expect(readSelection(rig, 'nonsense')).toEqual({ kind: 'guitar', id: 'g1' });
    expect(readSelection(rig, null)).toEqual({ kind: 'guitar', id: 'g1' });
    const gone = applyEdits(rig, { kind: 'connect', row: 'r1', at: 1, cable: null });
    const connection = { kind: 'connection', row: 'r1', connection: 1 } as const;
    expect(readSelection(gone, writeSelection(connection))).toEqual(connection);
    expect(readSelection(rig, writeSelection(connection))).toEqual({ kind: 'guitar', id: 'g1' });
  });

  test('steps stop at both ends', () => {
    const guitar = { kind: 'guitar', id: 'g1' } as const;
    expect(stepSelection(rig, stops, guitar, -1)).toEqual(guitar);
    expect(stepSelection(rig, stops, guitar, 99)).toEqual({ kind: 'destination', id: 'e1' });
  });

  test('after the guitar is after the first cable, after a device its next gap', () => {
    expect(all.map((stop) => gapAfter(rig, stop).gap)).toEqual([0, 0, 1, 1, 2, 2, 2]);
  });
});

test('however many there are, posts keep apart: the Run asks for as much as they need', () => {
  for (const count of [0, 1, 8, 20]) {
    const rig = board(Array.from({ length: count }, () => 0.3));
    const { rowId } = { rowId: rig.electrical.rows[0]!.id };
    const least = leastWidth(rig, rowId);
    const [way] = drawWays(rig, rowId, least);
    const xs = postsOf(way!).map(({ x }) => x);
    for (let i = 1; i < xs.length; i++) expect(xs[i]! - xs[i - 1]!).toBeGreaterThan(12);
    expect(xs[0]).toBeGreaterThan(52);
    expect(xs.at(-1)).toBeLessThan(least - 52);
  }
});

test('an end is shown with its own effects loop, and a loop with the way to its own amp', () => {
  const first = board([0.2]);
  const split = applyEdits(
    first,
    insertDevice(first, 1, deviceOfClass('bufferedSplitter', '', 'Split')),
  );
  const side = split.electrical.rows.find(({ at }) => at.kind === 'side')!;
  const [one, other] = split.electrical.destinations;
  expect(other).toBeDefined();
  const main = mainRow(split).id;
  expect(shownRows(split, main)).toEqual([main]);
  expect(shownRows(split, side.id)).toEqual([side.id]);
  let looped = applyEdits(split, addAmpLoop(split, other!.id));
  const theirs = looped.electrical.rows.at(-1)!.id;
  expect(shownRows(looped, main)).toEqual([main]);
  expect(shownRows(looped, side.id)).toEqual([side.id, theirs]);
  looped = applyEdits(looped, addAmpLoop(looped, one!.id));
  const own = looped.electrical.rows.at(-1)!.id;
  expect(shownRows(looped, main)).toEqual([main, own]);
  expect(shownRows(looped, own)).toEqual([main, own]);
  expect(shownRows(looped, theirs)).toEqual([side.id, theirs]);
  expect(shownRows(looped, 'gone')).toEqual([main, own]);
});
