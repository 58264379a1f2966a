import fc from 'fast-check';
import { roomOn } from '../../../src/board/board';
import { Fitter, type Tried } from '../../../src/board/searching/fitter';
import { decksOf } from '../../../src/board';
import { applyEdits, editBrief, TURNS, type OnDeck, type Rig } from '../../../src/rig';
import { onBoard, place, rigOfClasses, thrownBoard } from '../randomBoard';

/// Where a thing fits, against laying the whole board out with it there.

const without = (rig: Rig, id: string): Rig => applyEdits(rig, { kind: 'place', id, to: null });

/** Slow and obvious: nothing is in the way that was not in the way before. */
function fitsSlowly(rig: Rig, id: string, to: OnDeck): boolean {
  const before = new Set(roomOn(without(rig, id)).conflicts.map(({ key }) => key));
  return roomOn(applyEdits(rig, { kind: 'place', id, to })).conflicts.every(({ key }) =>
    before.has(key),
  );
}

test('a place fits exactly where nothing new would be in the way', () => {
  const met = { yes: 0, no: 0 };
  fc.assert(
    fc.property(
      thrownBoard,
      fc.constantFrom(...TURNS),
      fc.boolean(),
      fc.array(fc.tuple(fc.integer({ min: -20, max: 900 }), fc.integer({ min: -20, max: 400 })), {
        minLength: 40,
        maxLength: 40,
      }),
      (rig, turn, isUnder, spots) => {
        const fitter = new Fitter(rig, 'd1');
        const [deck] = decksOf(rig);
        const tried: Tried = { deck: deck!, turn, isUnder };
        for (const [x, y] of spots) {
          const to = fitter.placementAt(tried, x, y);
          const fits = fitsSlowly(rig, 'd1', to);
          expect([to, fitter.fitsAt(to, deck!)]).toEqual([to, fits]);
          met[fits ? 'yes' : 'no']++;
        }
      },
    ),
    { seed: 151, numRuns: 60 },
  );
  expect(met.yes).toBeGreaterThan(60);
  expect(met.no).toBeGreaterThan(600);
});

test('its places are those that a scan of every millimetre finds', () => {
  let found = 0;
  fc.assert(
    fc.property(
      thrownBoard,
      fc.constantFrom(...TURNS),
      fc.nat(200),
      fc.nat(200),
      (rig, turn, u, v) => {
        if (!rig.layout.placements.d2) return;
        const fitter = new Fitter(rig, 'd2');
        const [deck] = decksOf(rig);
        const tried: Tried = { deck: deck!, turn, isUnder: false };
        const whole = fitter.windowOn(tried);
        const x0 = whole.x0 + (u % Math.max(1, whole.x1 - whole.x0));
        const y0 = whole.y0 + (v % Math.max(1, whole.y1 - whole.y0));
        const window = { x0, y0, x1: Math.min(whole.x1, x0 + 13), y1: Math.min(whole.y1, y0 + 13) };
        const places = [...fitter.places(tried, window)];
        const scanned: OnDeck[] = [];
        for (let y = window.y0; y <= window.y1; y++)
          for (let x = window.x0; x <= window.x1; x++) {
            const to = fitter.placementAt(tried, x, y);
            if (fitsSlowly(rig, 'd2', to)) scanned.push(to);
          }
        expect(places).toEqual(scanned);
        found += scanned.length;
      },
    ),
    { seed: 152, numRuns: 40 },
  );
  expect(found).toBeGreaterThan(200);
});

test('a plug at the other end that turns for it may be in the way of a third', () => {
  const three = onBoard(rigOfClasses(['drive', 'delay', 'boost']), 'mesh', [0.6, 0.35]);
  const uses = { d1: 'leftOn', d2: 'leftOn', d3: 'leftOn' } as const;
  const rig = applyEdits(
    three,
    editBrief(three, { uses }),
    place('d2', 100, 50),
    place('d3', 225, 10),
  );
  const fitter = new Fitter(rig, 'd1');
  const [deck] = decksOf(rig);
  const at = (y: number) => fitter.placementAt({ deck: deck!, turn: 0, isUnder: false }, 400, y);
  expect([10, 150].map((y) => fitter.fitsAt(at(y), deck!))).toEqual([false, true]);
  expect([10, 150].map((y) => fitsSlowly(rig, 'd1', at(y)))).toEqual([false, true]);
});
