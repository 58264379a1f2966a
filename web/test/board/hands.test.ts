import {
  addBoard,
  applyEdit,
  applyEdits,
  deviceOfClass,
  insertDevice,
  layBoard,
  newRig,
  typicalBoard,
  USUAL_WISHES,
  type Edit,
  type OnDeck,
  type Rig,
} from '@gullwind/core';
import { ghostsOf, marksFor, pinToggled } from '../../src/features/board/model/asked';
import {
  hasBoard,
  moved,
  placed,
  standingOf,
  takenOff,
  turned,
} from '../../src/features/board/model/boardEdits';
import {
  framed,
  gripOf,
  pressed,
  pressedGround,
  pulled,
} from '../../src/features/board/model/dragging';
import { boardAct, type BoardNow } from '../../src/features/board/model/boardKeys';
import { projectionOf, type Look } from '../../src/features/board/model/projection';
import { NOTHING, onlyCable, onlyThing } from '../../src/features/board/model/selection';

const WIDE = { id: 'd1', xMm: 100, yMm: 40 };
const OTHER = { id: 'd2', xMm: 300, yMm: 60 };

const stand = ({ id, xMm, yMm }: typeof WIDE): Edit => ({
  kind: 'place',
  id,
  to: {
    ...{ at: 'deck', board: 'b1', turn: 0, riserM: 0, isUnder: false },
    ...{ xM: xMm / 1000, yM: yMm / 1000 },
  } as OnDeck,
});

function twoOnABoard(): Rig {
  let rig = newRig('two');
  for (const i of [0, 1]) rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '')));
  return applyEdits(rig, addBoard(rig, typicalBoard('Raft')), stand(WIDE), stand(OTHER));
}

const rig = twoOnABoard();
const plan = layBoard(rig);
const [first, second] = standingOf(plan, ['d1', 'd2']);
const placementOf = (of: Rig, id: string) => of.layout.placements[id] as OnDeck;
const made = (edit: Edit | null): Rig => {
  const result = applyEdit(rig, edit!);
  if (result.kind === 'refused') throw new Error('refused');
  return result.rig;
};

describe('what is made of things that stand', () => {
  test('a quarter turn goes against the clock, about the middle', () => {
    const middleOf = (of: Rig) => {
      const { rect } = layBoard(of).standings.find(({ thing }) => thing.id === 'd1')!;
      return [(rect.x0 + rect.x1) / 2, (rect.y0 + rect.y1) / 2];
    };
    let now = rig;
    for (const turn of [90, 180, 270, 0]) {
      const again = applyEdit(now, turned(standingOf(layBoard(now), ['d1']))!);
      if (again.kind === 'refused') throw new Error('refused');
      now = again.rig;
      expect(placementOf(now, 'd1').turn).toBe(turn);
      expect(middleOf(now)[0]).toBeCloseTo(middleOf(rig)[0]!, 5);
      expect(middleOf(now)[1]).toBeCloseTo(middleOf(rig)[1]!, 5);
    }
    expect(placementOf(now, 'd1')).toEqual(placementOf(rig, 'd1'));
  });

  test('several at once are one edit, taken back as one; nothing is none', () => {
    const both = moved([first!, second!], 0.01, -0.02);
    expect(both.kind).toBe('group');
    expect(moved([first!], 0.01, 0).kind).toBe('place');
    const result = applyEdit(rig, both);
    if (result.kind === 'refused') throw new Error('refused');
    expect(placementOf(result.rig, 'd1')).toMatchObject({ xM: 0.11, yM: 0.02 });
    expect(placementOf(result.rig, 'd2')).toMatchObject({ xM: 0.31, yM: 0.04 });
    expect(made(placed(first!, { riserM: 0.03 })).layout.placements.d1).toMatchObject({
      ...{ riserM: 0.03, xM: 0.1 },
    });
    expect(made(takenOff(['d1', 'd2'])).layout.placements).toEqual({});
    expect([turned([]), takenOff([])]).toEqual([null, null]);
    expect([hasBoard(rig), hasBoard(newRig('none'))]).toEqual([true, false]);
  });

  test('what would stand elsewhere is drawn where it would stand', () => {
    const ghosts = ghostsOf(rig, plan, moved([first!], 0.02, 0));
    expect(ghosts.map(({ id }) => id)).toEqual(['d1']);
    expect(ghosts[0]!.rect.x0).toBeCloseTo(first!.rect.x0 + 0.02, 9);
    expect(ghostsOf(rig, plan, stand({ id: 'nobody', xMm: 0, yMm: 0 }))).toEqual([]);
  });
});

const LOOK: Look = { side: 'above', zoom: 1, panX: 0, panY: 0 };
const SIZE = { width: 800, height: 500 };
const on = projectionOf(plan.decks[0]!.rect, SIZE, LOOK);

describe('a hand on the board', () => {
  const pull = { movedPx: [0.05 * on.pxPerM, 0] as const, isLast: false, isCanceled: false };
  const grip = gripOf(plan, 0.002, NOTHING, 'd1')!;

  test('while it moves it is shown alone; letting go makes the same; given up makes nothing', () => {
    const during = pulled(grip, on, { ...pull, isFree: true });
    const end = pulled(grip, on, { ...pull, isFree: true, isLast: true });
    expect(during.kind).toBe('shown');
    expect(end).toEqual({ ...during, kind: 'made' });
    expect(pulled(grip, on, { ...pull, isFree: true, isLast: true, isCanceled: true })).toEqual({
      kind: 'givenUp',
    });
    if (end.kind !== 'made') throw new Error('not made');
    expect(placementOf(made(end.edit), 'd1')).toMatchObject({ xM: 0.15, yM: 0.04 });
  });

  test('an edge draws it within seven pixels, unless it is told not to', () => {
    const nearPx = 0.1 * on.pxPerM - 5;
    const at = (movedPx: number, isFree: boolean) => {
      const end = pulled(grip, on, { ...pull, movedPx: [-movedPx, 0], isLast: true, isFree });
      return end.kind === 'made' ? placementOf(made(end.edit), 'd1').xM : NaN;
    };
    // The left edge of the board is 100 mm away.
    expect(at(nearPx, false)).toBe(0);
    expect(at(nearPx, true)).toBeCloseTo(5 / on.pxPerM, 2);
    expect(at(nearPx - 4, false)).toBeGreaterThan(0);
  });

  test('takes all that is selected where it takes one of them, else that one alone', () => {
    const idsOf = (things: readonly string[], id: string) =>
      gripOf(plan, 0, { things, cable: null }, id)?.from.map(({ thing }) => thing.id);
    expect(idsOf(['d1', 'd2'], 'd2')).toEqual(['d1', 'd2']);
    expect(idsOf(['d1'], 'd2')).toEqual(['d2']);
    expect(idsOf([], 'nobody')).toBeUndefined();
    expect(gripOf(plan, 0, { things: ['d1', 'd2'], cable: null }, 'd2')!.held).toBe(second);
  });

  test('a press selects one; with Shift one more, or one less', () => {
    expect(pressed(onlyThing('d2'), 'd1', false)).toEqual(onlyThing('d1'));
    expect(pressed(onlyThing('d2'), 'd1', true).things).toEqual(['d2', 'd1']);
    expect(pressed(onlyThing('d1'), 'd1', true).things).toEqual([]);
    expect(pressed(onlyCable('l1'), 'd1', true)).toEqual(onlyThing('d1'));
  });

  test('a press on the ground lets go of what is selected, then asks what fits there', () => {
    const at = { x: 0.2004, y: 0.2 };
    for (const selection of [onlyThing('d1'), onlyCable('l1')])
      expect(pressedGround(plan, at, selection, null)).toEqual({
        ...{ kind: 'select', selection: NOTHING },
      });
    const here = { kind: 'here', at: { x: 0.2, y: 0.2 } } as const;
    expect(pressedGround(plan, at, NOTHING, null)).toEqual({ kind: 'ask', asked: here });
    expect(pressedGround(plan, at, NOTHING, here)).toEqual({ kind: 'ask', asked: here });
    expect(pressedGround(plan, at, NOTHING, { kind: 'arrange' })).toBeNull();
    const { x0, y0, x1, y1 } = plan.decks[0]!.rect;
    for (const beside of [
      { x: x0 - 0.001, y: 0.1 },
      { x: x1 + 0.001, y: 0.1 },
      { x: 0.1, y: y0 - 0.001 },
      { x: 0.1, y: y1 + 0.001 },
    ])
      expect(pressedGround(plan, beside, NOTHING, null)).toEqual({ kind: 'ask', asked: null });
    for (const corner of [
      { x: x0, y: y0 },
      { x: x1, y: y1 },
    ])
      expect(pressedGround(plan, corner, NOTHING, null)).toMatchObject({ asked: { kind: 'here' } });
  });

  test('a frame selects what it encloses whole, drawn from any corner', () => {
    const { x0, y0, x1, y1 } = first!.rect;
    const corners = [
      [
        { x: x0, y: y0 },
        { x: x1, y: y1 },
      ],
      [
        { x: x1, y: y0 },
        { x: x0, y: y1 },
      ],
      [
        { x: x1, y: y1 },
        { x: x0, y: y0 },
      ],
    ] as const;
    for (const [a, b] of corners) expect(framed(plan, a, b)).toEqual(onlyThing('d1'));
    for (const less of [
      [
        { x: x0 + 0.001, y: y0 },
        { x: x1, y: y1 },
      ],
      [
        { x: x0, y: y0 + 0.001 },
        { x: x1, y: y1 },
      ],
      [
        { x: x0, y: y0 },
        { x: x1 - 0.001, y: y1 },
      ],
      [
        { x: x0, y: y0 },
        { x: x1, y: y1 - 0.001 },
      ],
    ] as const)
      expect(framed(plan, less[0], less[1])).toEqual(NOTHING);
    expect(framed(plan, { x: -1, y: -1 }, { x: 9, y: 9 }).things).toEqual(['d1', 'd2']);
  });

  test('so many points are marked as are asked for', () => {
    expect(
      [
        null,
        { kind: 'trace' } as const,
        { kind: 'mark', what: 'two' } as const,
        { kind: 'mark', what: 'four' } as const,
        { kind: 'arrange' } as const,
      ].map(marksFor),
    ).toEqual([0, 2, 2, 4, 0]);
  });
});

describe('keys on the board', () => {
  const now: BoardNow = {
    ...{ plan, look: LOOK, size: SIZE, selection: onlyThing('d1') },
    ...{ asked: null, wishes: USUAL_WISHES },
  };
  const act = (key: string, change: Partial<BoardNow> = {}, chord = {}) =>
    boardAct({ ...now, ...change }, { key, shiftKey: false, ctrlKey: false, ...chord });
  const after = (key: string, change: Partial<BoardNow> = {}, chord = {}) => {
    const found = act(key, change, chord);
    return found?.does === 'edit' ? placementOf(made(found.edit), 'd1') : null;
  };
  const none = { selection: NOTHING };

  test('arrows move what is selected a millimetre, with Shift ten, as they point on the page', () => {
    expect(after('ArrowRight')!.xM).toBeCloseTo(0.101, 9);
    expect(after('ArrowLeft')!.xM).toBeCloseTo(0.099, 9);
    expect(after('ArrowUp')!.yM).toBeCloseTo(0.041, 9);
    expect(after('ArrowDown')!.yM).toBeCloseTo(0.039, 9);
    expect(after('ArrowRight', {}, { shiftKey: true })!.xM).toBeCloseTo(0.11, 9);
    const below = { look: { ...LOOK, side: 'below' as const } };
    expect(after('ArrowRight', below)!.xM).toBeCloseTo(0.099, 9);
    expect(after('ArrowUp', below)!.yM).toBeCloseTo(0.041, 9);
  });

  test('with nothing selected, arrows move what is looked at the other way', () => {
    const look = (key: string) => act(key, none) as { readonly look: Look };
    expect(look('ArrowRight').look).toEqual({ ...LOOK, panX: -40 });
    expect(look('ArrowLeft').look).toEqual({ ...LOOK, panX: 40 });
    expect(look('ArrowUp').look).toEqual({ ...LOOK, panY: 40 });
    expect(look('ArrowDown').look).toEqual({ ...LOOK, panY: -40 });
  });

  test('things come round and round', () => {
    const next = (key: string, id: string | null) =>
      act(key, { selection: id === null ? NOTHING : onlyThing(id) });
    const select = (id: string) => ({ does: 'select', selection: onlyThing(id) });
    const [a, b] = plan.standings.map(({ thing }) => thing.id) as [string, string];
    for (const key of ['PageDown', '.']) {
      expect(next(key, a)).toEqual(select(b));
      expect(next(key, b)).toEqual(select(a));
      expect(next(key, null)).toEqual(select(a));
    }
    for (const key of ['PageUp', ',']) {
      expect(next(key, a)).toEqual(select(b));
      expect(next(key, b)).toEqual(select(a));
      expect(next(key, null)).toEqual(select(b));
    }
    const empty = { plan: { ...plan, standings: [] }, ...none };
    expect(act('PageDown', empty)).toBeNull();
  });

  test('what each letter does', () => {
    expect(after('r')!.turn).toBe(90);
    for (const key of ['Delete', 'Backspace']) {
      const off = act(key);
      expect(off?.does === 'edit' && made(off.edit).layout.placements.d1).toBeUndefined();
    }
    expect([act('r', none), act('Delete', none)]).toEqual([null, null]);
    expect(act('Escape')).toEqual({ does: 'select', selection: NOTHING });
    expect(act('Escape', { asked: { kind: 'trace' } })).toEqual({ does: 'ask', asked: null });
    expect(act('Enter')).toEqual({ does: 'goToPanel' });
    expect(act('G')).toEqual({ does: 'ask', asked: { kind: 'arrange' } });
    expect(act('w')).toEqual({ does: 'ask', asked: { kind: 'fit', id: 'd1' } });
    const { x0, x1, y0, y1 } = plan.decks[0]!.rect;
    expect(act('w', none)).toEqual({
      does: 'ask',
      asked: { kind: 'here', at: { x: (x0 + x1) / 2, y: (y0 + y1) / 2 } },
    });
    expect(act('s')).toBeNull();
    expect(act('s', { selection: { things: ['d2', 'd1'], cable: null } })).toEqual({
      does: 'ask',
      asked: { kind: 'swap', pair: ['d2', 'd1'] },
    });
    const pinned = pinToggled(USUAL_WISHES, 'd1');
    expect(pinned.pinned).toEqual(['d1']);
    expect(act('k')).toEqual({ does: 'wish', wishes: pinned });
    expect(act('k', { wishes: pinned })).toEqual({ does: 'wish', wishes: USUAL_WISHES });
  });

  test('closer, farther, whole, from below, and all of it', () => {
    const look = (key: string, from = LOOK) => (act(key, { look: from }) as { look: Look }).look;
    expect(look('+').zoom).toBeCloseTo(1.25, 9);
    expect(look('=').zoom).toBeCloseTo(1.25, 9);
    expect(look('-').zoom).toBeCloseTo(0.8, 9);
    // The middle of what is looked at stays there: of the drawing, which stands above a line of words.
    expect([look('+').panX, look('-').panX].map((x) => x + 0)).toEqual([0, 0]);
    expect(look('0', { ...LOOK, zoom: 3, panX: 9, panY: 9 })).toEqual(LOOK);
    expect(look('f').side).toBe('below');
    expect(look('f', { ...LOOK, side: 'below' }).side).toBe('above');
    expect(act('a', none, { ctrlKey: true })).toEqual({
      does: 'select',
      selection: { things: ['d1', 'd2'], cable: null },
    });
    expect([act('a'), act('f', {}, { ctrlKey: true }), act('constructor'), act('q')]).toEqual([
      ...[null, null, null, null],
    ]);
  });
});
