import fc from 'fast-check';
import { analyseRig } from '../../src/figures';
import { applyFollowing, followAgain, layBoard } from '../../src/board';
import { deviceOfClass, entered, plugOfShape } from '../../src/gear';
import {
  allCables,
  applyEdit,
  applyEdits,
  findCable,
  insertDevice,
  NO_END,
  removeDevice,
  setCableLength,
  type Edit,
  type Rig,
} from '../../src/rig';
import { onBoard, place, rigOfClasses, thrownBoard } from './randomBoard';

const follow = (rig: Rig, ...edits: readonly Edit[]): Rig =>
  edits.reduce((now, edit) => {
    const result = applyFollowing(now, edit);
    if (result.kind === 'refused') throw new Error(result.message);
    return result.rig;
  }, rig);

const two = onBoard(rigOfClasses(['drive', 'drive']), 'mesh', [0.6, 0.4]);
const MID = 'l3';
const lengthOf = (rig: Rig, id: string) => findCable(rig, id)!.lengthM;

describe('two pedals beside each other, by hand', () => {
  // The first at the right. Its output is at its left, 71 mm from the front; so is the input of the other at its right.
  const { id: _, ...straight } = plugOfShape('straight', 'Bollard');
  const end = { ...NO_END, plug: straight };
  const plugs: Edit = { kind: 'assign', field: 'ends', to: { [MID]: { from: end, to: end } } };
  const laid = follow(two, plugs, place('d1', 400, 0), place('d2', 100, 0));

  test('as long as the way, the plugs, and the slack, in steps', () => {
    // 400 − 170 = 230 mm from jack to jack, and 15 mm at each end.
    expect(lengthOf(laid, MID)).toEqual({ value: 0.26, from: 'laid' });
    const [wire] = layBoard(laid).wires.filter(({ connection }) => connection.id === MID);
    expect(wire!.route).toMatchObject({ length: 230 - 2 * 58, bends: 0, passages: 0 });
    expect(lengthOf(follow(laid, place('d2', 97, 0)), MID).value).toBeCloseTo(0.265, 9);
  });

  test('what goes to the guitar and the amp stays as it was said', () => {
    expect(lengthOf(laid, 'l1')).toEqual(entered(6));
    expect(lengthOf(laid, 'l2')).toEqual(entered(6));
  });

  test('a length that is typed is fixed; it is too short until the board may say it again', () => {
    const fixed = follow(laid, setCableLength(MID, 0.2));
    const moved = follow(fixed, place('d2', 90, 0));
    expect(lengthOf(moved, MID)).toEqual(entered(0.2));
    const plan = layBoard(moved);
    expect(plan.conflicts).toMatchObject([{ kind: 'tooShort', cable: MID }]);
    expect(plan.conflicts[0]).toMatchObject({ missingM: expect.closeTo(0.07, 9) as number });
    const again = follow(moved, followAgain(moved, plan, MID)!);
    expect(lengthOf(again, MID)).toEqual({ value: 0.27, from: 'laid' });
  });

  test('one undo takes back the move and the lengths', () => {
    const result = applyFollowing(laid, place('d2', 50, 40));
    if (result.kind === 'refused') throw new Error(result.message);
    expect(lengthOf(result.rig, MID).value).toBeGreaterThan(0.26);
    const back = applyEdit(result.rig, result.inverse);
    expect(back.kind === 'ok' && back.rig).toEqual(laid);
  });

  test('a pedal taken off the board keeps its lengths as they were, as said', () => {
    const off = follow(laid, { kind: 'place', id: 'd2', to: null });
    expect(lengthOf(off, MID)).toEqual(entered(0.26));
    const rack: Edit = { kind: 'place', id: 'd2', to: { at: 'beside', where: 'rack', lengthM: 4 } };
    expect(lengthOf(follow(laid, rack), MID)).toEqual(entered(0.26));
  });

  test('a pedal put between has cables as said until it stands, then as laid', () => {
    const more = follow(laid, insertDevice(laid, 1, deviceOfClass('boost', '')));
    const between = more.electrical.rows[0]!.cables.slice(1, 3).map((cable) => cable!.id);
    expect(between.map((id) => lengthOf(more, id).from)).toEqual(['entered', 'assumed']);
    const stands = follow(more, place('d3', 280, 200));
    expect(between.map((id) => lengthOf(stands, id).from)).toEqual(['laid', 'laid']);
    const gone = follow(stands, removeDevice(stands, 'd3'));
    expect(gone.electrical.rows[0]!.cables.map((cable) => cable!.lengthM.from)).toEqual([
      'entered',
      'laid',
      'entered',
    ]);
  });
});

test('a measured length is never replaced by what the board says', () => {
  const measured = applyEdits(two, {
    kind: 'set',
    target: { of: 'cable', id: MID },
    field: 'lengthM',
    to: { value: 0.4, from: 'measured' },
  });
  expect(lengthOf(follow(measured, place('d1', 400, 0), place('d2', 100, 0)), MID).from).toBe(
    'measured',
  );
});

test('a laid-out rig sounds as the same rig with those lengths typed in', () => {
  fc.assert(
    fc.property(thrownBoard, (start) => {
      const { devices } = start.electrical.rows[0]!;
      const rig = devices.reduce(
        (now, { id }) =>
          follow(
            now,
            { kind: 'place', id, to: null },
            { kind: 'place', id, to: start.layout.placements[id]! },
          ),
        start,
      );
      const typed = allCables(rig).reduce<Rig>(
        (now, { id, lengthM }) => applyEdits(now, setCableLength(id, lengthM.value)),
        { ...start, layout: { ...start.layout, placements: {}, boards: [] } },
      );
      const [laid, plain] = [analyseRig(rig), analyseRig(typed)];
      if (laid.kind !== 'sounding' || plain.kind !== 'sounding') throw new Error('silent');
      expect(laid.figures).toEqual(plain.figures);
      for (const { connection, madeM } of layBoard(rig).wires)
        if (madeM !== null) expect(connection.lengthM).toBe(madeM);
    }),
    { seed: 61, numRuns: 12 },
  );
});

test('a passage takes the thickness of the board it goes through, and of no other', () => {
  const thick = (rig: Rig, at: number, value: number): Rig => {
    const board = rig.layout.boards[at]!;
    const insert = [{ ...board, thicknessM: entered(value) }];
    return follow(rig, { kind: 'list', of: 'boards', at, remove: 1, insert });
  };
  // The cable past the deep one between both goes below it.
  const three = onBoard(rigOfClasses(['drive', 'wah', 'drive']), 'mesh', [0.6, 0.3]);
  const one = follow(three, place('d1', 210, 0), place('d3', 20, 0), place('d2', 400, 5));
  const two = follow(one, {
    kind: 'list',
    of: 'boards',
    at: 1,
    remove: 0,
    insert: [{ ...one.layout.boards[0]!, id: 'b2' }],
  });
  const [wire] = layBoard(two).wires.filter(({ route }) => (route?.passages ?? 0) > 0);
  const { id } = wire!.connection;
  const { passages } = wire!.route!;
  expect(lengthOf(thick(two, 1, 0.1), id)).toEqual(lengthOf(two, id));
  const more = lengthOf(thick(two, 0, 0.1), id).value - lengthOf(thick(two, 0, 0), id).value;
  expect(more).toBeCloseTo(passages * 0.1, 6);
});
