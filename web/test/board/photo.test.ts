import {
  addBoard,
  applyEdit,
  applyEdits,
  bodyOf,
  deviceOfClass,
  entered,
  findDevice,
  homographyOf,
  insertDevice,
  layBoard,
  mapped,
  newRig,
  setCableLength,
  typicalBoard,
  type BoardPhoto,
  type Device,
  type Edit,
  type OnDeck,
  type Point,
  type Rig,
} from '@gullwind/core';
import { namesOfLeaving } from '../../src/features/board/model/leaving';
import { scaled, straightened, traced } from '../../src/features/board/model/marking';
import { photoMatrix } from '../../src/features/board/model/photoMatrix';
import { projectionOf } from '../../src/features/board/model/projection';
import { watersOf } from '../../src/features/board/model/waters';

const withDevice = (rig: Rig, device: Device): Rig => applyEdits(rig, insertDevice(rig, 0, device));

const boarded = (rig: Rig): Rig => applyEdits(rig, addBoard(rig, typicalBoard('Raft')));

const assumed = deviceOfClass('drive', '');
const measured: Device = {
  ...assumed,
  body: { ...bodyOf(assumed), widthM: entered(0.07), depthM: entered(0.12) },
};
const rig = boarded(withDevice(newRig('one'), assumed));
const plan = layBoard(rig);
const board = plan.decks[0]!.rect;

/** A photograph taken askew: wider at the front. */
const photo: BoardPhoto = {
  points: [
    { u: 0.1, v: 0.9, x: 0, y: 0 },
    { u: 0.9, v: 0.92, x: 0.6, y: 0 },
    { u: 0.8, v: 0.2, x: 0.6, y: 0.3 },
    { u: 0.2, v: 0.22, x: 0, y: 0.3 },
  ],
  brightness: 0.8,
  width: 1600,
  height: 1200,
  version: 'v',
};

/** Where a point of the picture, px, comes by a style's sixteen numbers, down its columns. */
function styled(m: readonly number[], px: number, py: number): Point {
  const row = (i: number) => m[i]! * px + m[4 + i]! * py + m[12 + i]!;
  return { x: row(0) / row(3), y: row(1) / row(3) };
}

describe('the photograph under the board', () => {
  test.each(['above', 'below'] as const)('lies on the drawing as it was taken, from %s', (side) => {
    const on = projectionOf(
      board,
      { width: 800, height: 500 },
      { ...{ side, zoom: 1.5 }, ...{ panX: 12, panY: -30 } },
    );
    const matrix = photoMatrix(photo, on)!;
    for (const { u, v, x, y } of photo.points) {
      const at = styled(matrix, u * photo.width, v * photo.height);
      const wanted = on.toPage({ x, y });
      expect(at.x).toBeCloseTo(wanted.x, 6);
      expect(at.y).toBeCloseTo(wanted.y, 6);
    }
    // Points in one line say nothing of how it lies.
    const flat = photo.points.map((point) => ({ ...point, v: 0.5 }));
    expect(photoMatrix({ ...photo, points: flat as never }, on)).toBeNull();
  });

  /** Where a share of the picture lies now. */
  const lies = (u: number, v: number): Point => mapped(homographyOf(photo.points)!, u, v);

  test('four corners that were marked come to lie on those of the board', () => {
    const shares = [
      [0.15, 0.85],
      [0.85, 0.88],
      [0.75, 0.25],
      [0.25, 0.24],
    ] as const;
    const lie = straightened(
      photo,
      plan,
      shares.map(([u, v]) => lies(u, v)),
    )!;
    expect(lie.brightness).toBe(0.8);
    const corners = [
      { x: board.x0, y: board.y0 },
      { x: board.x1, y: board.y0 },
      { x: board.x1, y: board.y1 },
      { x: board.x0, y: board.y1 },
    ];
    const map = homographyOf(lie.points)!;
    for (const [i, [u, v]] of shares.entries()) {
      expect(mapped(map, u, v).x).toBeCloseTo(corners[i]!.x, 6);
      expect(mapped(map, u, v).y).toBeCloseTo(corners[i]!.y, 6);
    }
    expect(straightened(photo, plan, [lies(0.1, 0.9)])).toBeNull();
    const inLine = [0.1, 0.3, 0.5, 0.7].map((u) => lies(u, 0.5));
    expect(straightened(photo, plan, inLine)).toBeNull();
  });

  test('two points of known distance: the first on the corner, the second level with it', () => {
    const shares = [
      [0.2, 0.8],
      [0.7, 0.75],
    ] as const;
    const lie = scaled(photo, plan, [lies(...shares[0]), lies(...shares[1])], 0.4)!;
    const map = homographyOf(lie.points)!;
    expect(mapped(map, ...shares[0]).x).toBeCloseTo(board.x0, 6);
    expect(mapped(map, ...shares[0]).y).toBeCloseTo(board.y0, 6);
    expect(mapped(map, ...shares[1]).x).toBeCloseTo(board.x0 + 0.4, 6);
    expect(mapped(map, ...shares[1]).y).toBeCloseTo(board.y0, 6);
    const same = lies(0.5, 0.5);
    expect(scaled(photo, plan, [same, same], 0.4)).toBeNull();
  });
});

describe('a case that is traced', () => {
  const made = (of: Rig, edit: Edit | null): { rig: Rig; at: OnDeck } => {
    const result = applyEdit(of, edit!);
    if (result.kind === 'refused') throw new Error('refused');
    return { rig: result.rig, at: result.rig.layout.placements.d1 as OnDeck };
  };
  const a = { x: 0.1, y: 0.05 };
  const b = { x: 0.2231, y: 0.1149 };

  /** Cases stand on whole millimetres: `toBeCloseTo(…, 3)`. */
  test('becomes as large as what was marked where nobody has measured it', () => {
    for (const [one, other] of [
      [a, b],
      [b, a],
    ] as const) {
      const { rig: now, at } = made(rig, traced(rig, plan, 'd1', [one, other]));
      const { widthM, depthM } = findDevice(now, 'd1')!.body!;
      expect([widthM.value, depthM.value]).toEqual([0.123, 0.065]);
      expect(at.turn).toBe(0);
      expect(at.xM + 0.123 / 2).toBeCloseTo((a.x + b.x) / 2, 3);
      expect(at.yM + 0.065 / 2).toBeCloseTo((a.y + b.y) / 2, 3);
    }
  });

  test('stays as large as it is known to be, turned as it fits, over the middle of what was marked', () => {
    const known = boarded(withDevice(newRig('known'), measured));
    const on = layBoard(known);
    const lying = made(known, traced(known, on, 'd1', [a, b]));
    expect(lying.at.turn).toBe(90);
    expect(lying.at.xM + 0.12 / 2).toBeCloseTo((a.x + b.x) / 2, 3);
    expect(lying.at.yM + 0.07 / 2).toBeCloseTo((a.y + b.y) / 2, 3);
    const upright = made(known, traced(known, on, 'd1', [a, { x: 0.17, y: 0.17 }]));
    expect(upright.at.turn).toBe(0);
    expect(upright.at.xM + 0.07 / 2).toBeCloseTo(0.135, 3);
    const { body } = findDevice(lying.rig, 'd1')!;
    expect([body!.widthM.value, body!.depthM.value]).toEqual([0.07, 0.12]);
  });

  test('no case is as small as a finger or as large as a door: then it stays as it is', () => {
    const own = plan.things.find(({ id }) => id === 'd1')!.body;
    for (const far of [
      { x: a.x + 0.019, y: a.y + 0.1 },
      { x: a.x + 1.01, y: a.y + 0.1 },
    ]) {
      const { rig: now } = made(rig, traced(rig, plan, 'd1', [a, far]));
      const { body } = layBoard(now).things.find(({ id }) => id === 'd1')!;
      expect(body.widthM.value).toBe(own.widthM.value);
    }
    for (const far of [
      { x: a.x + 0.02, y: a.y + 0.1 },
      { x: a.x + 1, y: a.y + 0.1 },
    ]) {
      const { rig: now } = made(rig, traced(rig, plan, 'd1', [a, far]));
      const { body } = layBoard(now).things.find(({ id }) => id === 'd1')!;
      expect(body.widthM.value).toBeCloseTo(far.x - a.x, 9);
    }
    expect(traced(rig, plan, 'nobody', [a, b])).toBeNull();
    expect(traced(rig, { ...plan, decks: [] }, 'd1', [a, b])).toBeNull();
  });

  test('stands on the board under its middle, on the first one where there is none', () => {
    const two = applyEdits(rig, addBoard(rig, typicalBoard('Other')));
    const on = layBoard(two);
    const [one, other] = on.decks;
    const around = ({ x, y }: Point): readonly [Point, Point] => [
      { x: x - 0.04, y: y - 0.06 },
      { x: x + 0.04, y: y + 0.06 },
    ];
    const { rect } = other!;
    const corner = { x: rect.x1, y: rect.y1 };
    for (const at of [{ x: rect.x0, y: rect.y0 }, corner])
      expect(made(two, traced(two, on, 'd1', around(at))).at.board).toBe(other!.board.id);
    for (const beside of [
      { x: rect.x1 + 0.001, y: rect.y1 },
      { x: rect.x1, y: rect.y1 + 0.001 },
      { x: 0, y: -1 },
    ])
      expect(made(two, traced(two, on, 'd1', around(beside))).at.board).toBe(one!.board.id);
    const stood = made(two, traced(two, on, 'd1', around(corner))).at;
    expect(stood.xM + 0.04).toBeCloseTo(rect.x1 - rect.x0, 9);
    expect(stood.yM + 0.06).toBeCloseTo(rect.y1 - rect.y0, 9);
  });
});

describe('beside the drawing', () => {
  test('cables that leave the boards say where to and how far', () => {
    const stood = applyEdits(rig, setCableLength('l1', 6), {
      kind: 'place',
      id: 'd1',
      to: { at: 'deck', board: 'b1', xM: 0.1, yM: 0.1, turn: 0, riserM: 0, isUnder: false },
    });
    const names = namesOfLeaving(stood, layBoard(stood), 'metric');
    const [guitar, amp] = [stood.electrical.guitars[0]!, stood.electrical.destinations[0]!];
    const [first, last] = stood.electrical.rows[0]!.cables;
    expect(names.get(first!.id)).toBe(`${guitar.name} 6\u00A0m`);
    expect(names.get(last!.id)).toMatch(new RegExp(`^to ${amp.name} [\\d.]+\\sm$`, 'u'));
    expect(names.size).toBe(2);
  });

  test('a cable keeps the water of the first way that it lies on', () => {
    const spot = (id: string, kind = 'cable') => ({ spot: { kind, id } });
    const stops = [spot('g', 'guitar'), spot('l1'), spot('d1', 'device'), spot('l2'), spot('a')];
    const way = (sections: readonly object[]) => ({ sections, stops });
    const one = way([
      { driver: 0, endsAt: 2, exposed: true },
      { driver: 2, endsAt: 3, exposed: false },
    ]);
    const other = way([{ driver: 0, endsAt: 4, exposed: true }]);
    const waters = watersOf({ rig, analyses: { main: one, side: other } } as never);
    expect([...waters]).toEqual([
      ['l1', 'exposed'],
      ['l2', 'sheltered'],
      ['a', 'exposed'],
    ]);
    expect(watersOf(null).size).toBe(0);
  });
});
