import fc from 'fast-check';
import { layBoard, type BoardPlan } from '../../src/board';
import { bodyOf } from '../../src/gear';
import { allDevices, applyEdits, editBrief, type OnDeck, type Rig } from '../../src/rig';
import { onBoard, place, rigOfClasses, thrownBoard } from './randomBoard';

/// Room and feet against slow, obvious code: cases as turned points, overlaps as millimetres that both cover.

interface Box {
  readonly id: string;
  readonly under: boolean;
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
  readonly top: number;
  readonly switches: readonly (readonly [number, number])[];
}

/** A point of a case, in mm, as it lies on the board: turned step by step. */
function turn(
  [x, y]: readonly [number, number],
  [w, d]: readonly [number, number],
  { turn: degrees, isUnder, xM, yM }: OnDeck,
): readonly [number, number] {
  let [px, py, width, depth] = [isUnder ? w - x : x, y, w, d];
  for (let quarter = 0; quarter < degrees / 90; quarter++)
    [px, py, width, depth] = [depth - py, px, depth, width];
  return [px + Math.round(xM * 1000), py + Math.round(yM * 1000)];
}

function boxesOf(rig: Rig): readonly Box[] {
  return allDevices(rig).flatMap((device): Box[] => {
    const at = rig.layout.placements[device.id];
    if (at?.at !== 'deck') return [];
    const body = bodyOf(device);
    const mm = (m: number) => Math.round(m * 1000);
    const size = [mm(body.widthM.value), mm(body.depthM.value)] as const;
    const corners = [turn([0, 0], size, at), turn(size, size, at)];
    const span = (axis: 0 | 1) =>
      [
        Math.min(corners[0]![axis], corners[1]![axis]),
        Math.max(corners[0]![axis], corners[1]![axis]),
      ] as const;
    return [
      {
        id: device.id,
        under: at.isUnder,
        x: span(0),
        y: span(1),
        top: mm(at.riserM + body.heightM.value),
        switches: body.switches.map((s) => turn([mm(s.xM), mm(s.yM)], size, at)),
      },
    ];
  });
}

/** Whether two spans of millimetres have one in common. */
const share = (a: readonly [number, number], b: readonly [number, number]): boolean => {
  for (let mm = a[0]; mm < a[1]; mm++) if (mm >= b[0] && mm < b[1]) return true;
  return false;
};

const wider = ([a, b]: readonly [number, number], by: number) => [a - by, b + by] as const;

const keysOf = (plan: BoardPlan, ...kinds: readonly string[]) =>
  plan.conflicts
    .filter(({ kind }) => kinds.includes(kind))
    .map(({ key }) => key)
    .sort();

test('cases a gap apart, plugs beside everything, on the board, as high as there is room', () => {
  let met = 0;
  fc.assert(
    fc.property(thrownBoard, (rig) => {
      const plan = layBoard(rig);
      const boxes = boxesOf(rig);
      const expected: string[] = [];
      const mm = (m: number) => Math.round(m * 1000);
      for (const [i, a] of boxes.entries())
        for (const b of boxes.slice(i + 1))
          if (a.under === b.under && share(wider(a.x, 2), b.x) && share(wider(a.y, 2), b.y))
            expected.push(`overlap ${a.id} ${b.id}`);
      const plugs = plan.plugs.map(({ rect, thing, cable, end, layer }) => ({
        thing,
        name: `${thing}.${cable}.${end}`,
        under: layer === 'under',
        x: [mm(rect.x0), mm(rect.x1)] as const,
        y: [mm(rect.y0), mm(rect.y1)] as const,
      }));
      for (const box of boxes)
        for (const plug of plugs)
          if (
            plug.thing !== box.id &&
            plug.under === box.under &&
            share(box.x, plug.x) &&
            share(box.y, plug.y)
          )
            expected.push(`overlap ${box.id} ${plug.name}`);
      for (const [i, a] of plugs.entries())
        for (const b of plugs.slice(i + 1))
          if (a.thing !== b.thing && a.under === b.under && share(a.x, b.x) && share(a.y, b.y))
            expected.push(`overlap ${a.name} ${b.name}`);
      expect(keysOf(plan, 'overlap')).toEqual(expected.sort());
      met += expected.length;
      const board = rig.layout.boards[0]!;
      const [w, d] = [mm(board.widthM.value), mm(board.depthM.value)];
      const over = boxes.filter(({ x, y }) => x[0] < 0 || y[0] < 0 || x[1] > w || y[1] > d);
      expect(keysOf(plan, 'overhang')).toEqual(over.map(({ id }) => `overhang ${id}`).sort());
      const high = boxes.filter(({ under, top }) => under && top > mm(board.belowM.value));
      expect(keysOf(plan, 'below')).toEqual(high.map(({ id }) => `below ${id}`).sort());
    }),
    { seed: 51, numRuns: 150 },
  );
  expect(met).toBeGreaterThan(300);
});

test('what tips: a switch in front of the first slat below, behind the last, or beside the board', () => {
  fc.assert(
    fc.property(thrownBoard, (rig) => {
      const board = rig.layout.boards[0]!;
      const mm = (m: number) => Math.round(m * 1000);
      const [w, d] = [mm(board.widthM.value), mm(board.depthM.value)];
      /** Which millimetres of the depth carry something. */
      const carries = (y: number) =>
        y >= 0 &&
        y < d &&
        (board.surface !== 'rows' || board.slats.some((s) => y >= mm(s.frontM) && y < mm(s.backM)));
      const tips = boxesOf(rig).filter(({ under, x, y, switches }) => {
        if (under) return false;
        const carried = Array.from({ length: y[1] - y[0] }, (_, i) => y[0] + i).filter(carries);
        const across = Array.from({ length: x[1] - x[0] }, (_, i) => x[0] + i).filter(
          (v) => v >= 0 && v < w,
        );
        if (carried.length === 0 || across.length === 0) return true;
        const feet =
          switches.length > 0 ? switches : [[(x[0] + x[1]) / 2, (y[0] + y[1]) / 2] as const];
        return feet.some(
          ([fx, fy]) =>
            fx < across[0]! ||
            fx > across.at(-1)! + 1 ||
            fy < carried[0]! ||
            fy > carried.at(-1)! + 1,
        );
      });
      expect(keysOf(layBoard(rig), 'support')).toEqual(
        tips.map(({ id }) => `support ${id}`).sort(),
      );
    }),
    { seed: 52, numRuns: 200 },
  );
});

test('how far a foot is from what else it may meet', () => {
  let found = 0;
  fc.assert(
    fc.property(thrownBoard, (rig) => {
      const boxes = boxesOf(rig).filter(({ under }) => !under);
      for (const foot of layBoard(rig).feet) {
        const own = boxes.find(({ id }) => id === foot.thing)!;
        const [x, y] = own.switches[foot.nth]!;
        let nearest = Infinity;
        for (const other of boxes) {
          if (other === own) continue;
          for (const [ox, oy] of other.switches)
            if (oy >= own.y[0] && oy <= y + 20) nearest = Math.min(nearest, Math.abs(ox - x));
          const isBeside = other.y[1] > own.y[0] && other.y[0] < y + 20;
          if (isBeside && other.top > own.top)
            nearest = Math.min(
              nearest,
              x < other.x[0] ? other.x[0] - x : x > other.x[1] ? x - other.x[1] : 0,
            );
        }
        const distance = foot.nearest ? foot.nearest.distanceM * 1000 : Infinity;
        if (nearest === Infinity) expect(distance).toBe(Infinity);
        else {
          expect(distance).toBeCloseTo(nearest, 3);
          found++;
        }
        expect(foot.freedom).toBe(nearest >= 90 ? 'free' : nearest >= 65 ? 'careful' : 'hit');
      }
    }),
    { seed: 53, numRuns: 150 },
  );
  expect(found).toBeGreaterThan(200);
});

describe('feet, by hand', () => {
  // Two drives, 70 × 115 × 50 mm, switches 22 mm behind the front edge, in the middle.
  const two = onBoard(rigOfClasses(['drive', 'drive']), 'mesh', [0.6, 0.4]);
  const at = (x: number, y: number, riserMm = 0) =>
    layBoard(applyEdits(two, place('d1', 0, 0), place('d2', x, y, { riserM: riserMm / 1000 })));

  test('90 mm is free, 65 mm wants care, less is a hit; free is only demanded of what must not be missed', () => {
    const feet = (plan: BoardPlan) => plan.feet.map(({ freedom }) => freedom);
    expect(feet(at(90, 0))).toEqual(['free', 'free']);
    expect(feet(at(89, 0))).toEqual(['careful', 'careful']);
    expect(feet(at(73, 0))).toEqual(['careful', 'careful']);
    const near = applyEdits(two, place('d1', 0, 0), place('d2', 73, 0));
    expect(keysOf(layBoard(near), 'foot')).toEqual([]);
    const sure = applyEdits(near, { kind: 'assign', field: 'neverMissed', to: ['d2'] });
    expect(layBoard(sure).conflicts.find(({ kind }) => kind === 'foot')).toMatchObject({
      thing: 'd2',
      other: 'd1',
      freeM: expect.closeTo(0.073, 9) as number,
      wantedM: expect.closeTo(0.09, 9) as number,
      isHit: false,
    });
    const left = applyEdits(sure, editBrief(sure, { uses: { d2: 'leftOn' } }));
    expect(keysOf(layBoard(left), 'foot')).toEqual(['foot d2 0']);
  });

  test('the sole is a straight line from the toe to the heel; a riser lifts it', () => {
    // The toe of the second is at 142 + 22 = 164; the heel at 44; the first ends at 115: 50 · 71/120 = 29.6 mm there.
    const [missing] = at(0, 142).conflicts.filter(({ kind }) => kind === 'stepOver');
    expect(missing).toMatchObject({ thing: 'd2', other: 'd1' });
    expect(missing).toMatchObject({
      missingM: expect.closeTo(0.05 - (0.05 * 71) / 120, 9) as number,
    });
    // 50 = (50 + riser) · 71/120
    expect(keysOf(at(0, 142, 34), 'stepOver')).toEqual(['stepOver d2 0']);
    expect(keysOf(at(0, 142, 35), 'stepOver')).toEqual([]);
    // Beside the shoe, or more than a foot behind, nothing is stepped over.
    expect(keysOf(at(86, 142), 'stepOver')).toEqual([]);
    expect(keysOf(at(0, 214), 'stepOver')).toEqual([]);
  });
});
