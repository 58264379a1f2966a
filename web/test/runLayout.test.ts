import {
  analyseRig,
  applyEdits,
  deviceOfClass,
  insertDevice,
  newRig,
  setLeadLength,
  type Rig,
} from '@gullwind/core';
import { layNames, unusedTop } from '../src/features/path/run/nameLabels';
import {
  assignRows,
  chooseSoundings,
  layoutRun,
  layThread,
  threadWidth,
} from '../src/features/path/run/runLayout';
import {
  gapBehind,
  readSelection,
  stepSelection,
  wayStops,
  writeSelection,
} from '../src/features/path/selection';

function board(patches: readonly number[]): Rig {
  let rig = newRig('board');
  for (let i = 0; i <= patches.length; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `drive ${i + 1}`)));
  patches.forEach((lengthM, i) => {
    rig = applyEdits(rig, setLeadLength(rig.leads[i + 1]!.id, lengthM));
  });
  return rig;
}

test('each stretch is to scale, and its scale is its own', () => {
  const rig = board([0.2, 0.4, 0.6]);
  const { stretches, deviceX, leadX } = layoutRun(rig, 1180);
  expect(stretches.map(({ kind }) => kind)).toEqual(['in', 'board', 'out']);
  for (const { x0, x1, lengthM, pxPerM } of stretches)
    expect(x1 - x0).toBeCloseTo(lengthM * pxPerM, 9);
  const gaps = deviceX.slice(1).map((x, i) => x - deviceX[i]!);
  expect(gaps[1]! / gaps[0]!).toBeCloseTo(2, 9);
  expect(gaps[2]! / gaps[0]!).toBeCloseTo(3, 9);
  expect(leadX[1]).toEqual([deviceX[0], deviceX[1]]);
});

test.each([0, 1, 2, 8, 30, 64])('%d devices stay inside the drawing, in order', (count) => {
  const rig =
    count === 0 ? newRig('none') : board(Array.from({ length: count - 1 }, (_, i) => (i % 5) / 10));
  const layout = layoutRun(rig, 1180);
  const xs = [layout.guitarX, ...layout.deviceX, layout.ampX];
  xs.slice(1).forEach((x, i) => expect(x).toBeGreaterThanOrEqual(xs[i]!));
  expect(xs.at(-1)).toBeLessThanOrEqual(1180);
  expect(layout.leadX).toHaveLength(count + 1);
  for (const { x, text } of layNames(rig, layout)) {
    expect(x - text.length * 3.2).toBeGreaterThan(0);
    expect(x + text.length * 3.2).toBeLessThan(1180);
  }
});

test('patches without length stand evenly rather than on one spot', () => {
  const { deviceX } = layoutRun(board([0, 0, 0]), 1180);
  expect(new Set(deviceX).size).toBe(4);
});

test('a lead drawn longer takes more room, so that its end follows the hand', () => {
  const rig = board([0.3]);
  const before = layoutRun(rig, 1180).leadX[0]![1];
  const end = layoutRun(applyEdits(rig, setLeadLength('l1', 9)), 1180).leadX[0]![1];
  expect(end).toBeGreaterThan(before);
});

test('the thread runs from guitar to amp and does not jump at a scale break', () => {
  const rig = board([0.3, 0.3]);
  const analysis = analyseRig(rig);
  if (analysis.kind === 'silent') throw new Error('silent');
  const layout = layoutRun(rig, 1180);
  const thread = layThread(layout, analysis.points);
  thread.slice(1).forEach(({ x }, i) => expect(x).toBeGreaterThanOrEqual(thread[i]!.x));
  const [inEnd, boardStart] = [layout.leadX[0]![1], layout.deviceX[0]!];
  const at = (x: number) => thread.filter((point) => point.x === x).map(({ trebleDb }) => trebleDb);
  expect(at(inEnd)[0]).toBe(at(boardStart)[0]);
  expect(thread[0]!.x).toBe(layout.guitarX);
  expect(thread.at(-1)!.x).toBe(layout.ampX);
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
  const layout = layoutRun(rig, 1180);
  expect(unusedTop(layNames(rig, layout))).toBeGreaterThanOrEqual(0);
  expect(unusedTop([])).toBe(45);
});

test('soundings keep their distance, and the largest steps win', () => {
  const points = [0, -0.1, -3, -3.1, -3.2, -9].map((trebleDb, i) => ({ x: i * 20, trebleDb }));
  const shown = chooseSoundings(points, 40);
  expect(shown.map(({ x }) => x)).toEqual([0, 40, 100]);
});

describe('selection', () => {
  const rig = board([0.3]);

  test('the way is guitar, lead, device, lead, …, amp', () => {
    expect(wayStops(rig).map((stop) => writeSelection(rig, stop))).toEqual([
      'guitar',
      'l1',
      'd1',
      'l3',
      'd2',
      'l2',
      'amp',
    ]);
  });

  test('what the address says is read back, and nonsense is the guitar', () => {
    for (const stop of wayStops(rig))
      expect(readSelection(rig, writeSelection(rig, stop))).toEqual(stop);
    expect(readSelection(rig, 'nonsense')).toEqual({ kind: 'guitar', index: 0 });
    expect(readSelection(rig, null)).toEqual({ kind: 'guitar', index: 0 });
  });

  test('steps stop at both ends', () => {
    const guitar = { kind: 'guitar', index: 0 } as const;
    expect(stepSelection(rig, guitar, -1)).toEqual(guitar);
    expect(stepSelection(rig, guitar, 99)).toEqual({ kind: 'amp', index: 0 });
  });

  test('behind the guitar is after the first lead, behind a device its next gap', () => {
    expect(wayStops(rig).map((stop) => gapBehind(rig, stop))).toEqual([0, 0, 1, 1, 2, 2, 2]);
  });
});
