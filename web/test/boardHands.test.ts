import {
  addBoard,
  applyEdits,
  deviceOfClass,
  findCable,
  insertDevice,
  layBoard,
  newRig,
  typicalBoard,
  type Edit,
  type Rig,
} from '@gullwind/core';
import { projectionOf, zoomedAt } from '../src/features/board/model/projection';
import { edgesOf, snapped } from '../src/features/board/model/snap';
import { editorActions, editorSlice, shownRig } from '../src/features/editor/model/editorSlice';

const stand = (id: string, xMm: number): Edit => ({
  kind: 'place',
  id,
  to: { at: 'deck', board: 'b1', xM: xMm / 1000, yM: 0, turn: 0, riserM: 0, isUnder: false },
});

function twoOnABoard(): Rig {
  let rig = newRig('two');
  for (const i of [0, 1]) rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '')));
  return applyEdits(rig, addBoard(rig, typicalBoard('Raft')), stand('d1', 400), stand('d2', 100));
}

describe('where a dragged case comes to rest', () => {
  const plan = layBoard(twoOnABoard());
  const held = plan.standings.find(({ thing }) => thing.id === 'd2')!;
  const edges = edgesOf(plan, new Set(['d2']), { gapM: 0.002 });
  const rest = (x: number, y: number, within = 0.005) =>
    snapped(held.rect, { x, y }, edges, within);

  test('at the edge of the board, of a slat, and a gap beside a neighbour', () => {
    expect(rest(-0.097, 0).x).toBeCloseTo(-0.1, 9);
    // The second slat of a board of the usual kind begins 90 mm from its front edge.
    expect(rest(0, 0.087).y).toBeCloseTo(0.09, 9);
    // 400 − 2 mm is where the other begins, less the gap; this one is 70 mm wide and stands at 100 mm.
    expect(rest(0.231, 0).x).toBeCloseTo(0.23, 9);
    expect(rest(0.227, 0).x).toBeCloseTo(0.228, 9);
  });

  test('elsewhere, or with nothing to draw it, on whole millimetres', () => {
    expect(rest(0.0504, 0.0404).x).toBeCloseTo(0.05, 9);
    expect(rest(-0.0974, 0, 0).x).toBeCloseTo(-0.097, 9);
  });
});

describe('from the stage to the page', () => {
  const bounds = { x0: 0, y0: 0, x1: 0.6, y1: 0.32 };
  const size = { width: 800, height: 400 };
  const look = { side: 'above', zoom: 1, panX: 0, panY: 0 } as const;

  test('and back; from below left and right change places', () => {
    for (const side of ['above', 'below'] as const) {
      const on = projectionOf(bounds, size, { ...look, side });
      const back = on.toStage(on.toPage({ x: 0.1, y: 0.3 }));
      expect([back.x, back.y]).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.3, 9)]);
      const [left, right] = [on.toPage({ x: 0.1, y: 0.1 }), on.toPage({ x: 0.5, y: 0.1 })];
      expect(left.x < right.x).toBe(side === 'above');
      expect(on.delta(10, -10)).toEqual({
        x: (side === 'above' ? 10 : -10) / on.pxPerM,
        y: 10 / on.pxPerM,
      });
    }
  });

  test('what is under the pointer stays there when it comes closer', () => {
    const at = { x: 200, y: 120 };
    const before = projectionOf(bounds, size, look).toStage(at);
    const after = projectionOf(bounds, size, zoomedAt(look, 2.5, at, size)).toStage(at);
    expect([after.x, after.y]).toEqual([expect.closeTo(before.x, 9), expect.closeTo(before.y, 9)]);
  });
});

test('an edit takes the lengths with it, the preview too; undo brings back what was', () => {
  const rig = twoOnABoard();
  const stored = { id: 'x', rig, revision: 1, lineage: 'y' } as never;
  const history = { past: [], future: [] };
  const arrived = editorActions.rigOpened({ stored, mine: null, history });
  const run = (...actions: readonly Parameters<typeof editorSlice.reducer>[1][]) =>
    actions.reduce(editorSlice.reducer, editorSlice.getInitialState()).open!;
  const between = rig.electrical.rows[0]!.cables[1]!.id;
  const length = (now: Rig) => findCable(now, between)!.lengthM;
  const edit = stand('d2', 50);
  const { rig: kept, preview } = run(arrived, editorActions.previewed(edit));
  expect(kept).toBe(rig);
  const shown = length(shownRig({ rig: kept, preview }));
  expect(shown.from).toBe('laid');
  const done = run(arrived, editorActions.edited(stand('d2', 60)), editorActions.edited(edit));
  expect(done.rig.layout.placements.d2).toMatchObject({ xM: 0.05 });
  expect(length(done.rig)).toEqual(shown);
  const undone = run(
    arrived,
    editorActions.edited(stand('d2', 60)),
    editorActions.edited(edit),
    editorActions.undone(),
    editorActions.undone(),
  );
  expect(undone.rig.layout).toEqual(rig.layout);
  expect(length(undone.rig)).toEqual(length(rig));
});
