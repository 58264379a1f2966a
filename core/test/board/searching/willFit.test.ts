import fc from 'fast-check';
import { applyFollowing, decksOf, layBoard, standingAt } from '../../../src/board';
import { roomOn } from '../../../src/board/board';
import { overlapOf, type Rect } from '../../../src/board/rect';
import { standingsOf } from '../../../src/board/standing';
import { placesFor } from '../../../src/board/searching/places';
import { willItFit, type FitAnswer } from '../../../src/board/searching/willFit';
import { thingsOf } from '../../../src/board/things';
import { applyEdits, editBrief, onDeck, type Edit, type OnDeck, type Rig } from '../../../src/rig';
import { toEnd } from '../../toEnd';
import { onBoard, place, rigOfClasses, thrownBoard } from '../randomBoard';

/// Whether a thing fits, and what has to move for it, against trying all there is on small boards.

const keys = (rig: Rig): ReadonlySet<string> =>
  new Set(roomOn(rig).conflicts.map(({ key }) => key));

const isNoWorse = (before: Rig, after: Rig): boolean => {
  const known = keys(before);
  return roomOn(after).conflicts.every(({ key }) => known.has(key));
};

const answerFor = (rig: Rig, id: string): FitAnswer => toEnd(willItFit({ rig, id, pinned: [] }));

test('what is said to fit does, on the best place and wherever it is said to', () => {
  const kinds: Record<string, number> = {};
  fc.assert(
    fc.property(thrownBoard, fc.nat(999), (rig, pick) => {
      if (rig.layout.boards[0]!.widthM.value > 0.5) return;
      const loose = applyEdits(rig, { kind: 'place', id: 'd1', to: null });
      const found = toEnd(placesFor(loose, 'd1'));
      const some = found.places[pick % Math.max(1, found.places.length)];
      if (some)
        expect(
          isNoWorse(loose, applyEdits(loose, { kind: 'place', id: 'd1', to: some.placement })),
        ).toBe(true);
      if (found.places.length === 0) return;
      const answer = answerFor(rig, 'd1');
      kinds[answer.kind] = (kinds[answer.kind] ?? 0) + 1;
      if (answer.kind === 'missing') return;
      const followed = applyFollowing(loose, answer.edit);
      if (followed.kind === 'refused') throw new Error(followed.message);
      const before = new Set(layBoard(loose).conflicts.map(({ key }) => key));
      const after = layBoard(followed.rig).conflicts.filter(({ weight }) => weight !== 'note');
      expect(after.filter(({ key }) => !before.has(key))).toEqual([]);
    }),
    { seed: 153, numRuns: 7, endOnFailure: true },
  );
  expect(kinds.fits).toBeGreaterThan(1);
});

/** Three pedals somewhere on a small plain board without anything in the way, and a fourth in the cargo. */
const ALWAYS_ON = { d1: 'leftOn', d2: 'leftOn', d3: 'leftOn', d4: 'leftOn' } as const;

const crowded = fc
  .tuple(
    fc.integer({ min: 130, max: 290 }),
    fc.integer({ min: 250, max: 290 }),
    fc.array(fc.tuple(fc.nat(300), fc.nat(260)), { minLength: 90, maxLength: 90 }),
  )
  .map(([w, d, spots]) => {
    let rig = onBoard(rigOfClasses(['buffer', 'buffer', 'buffer', 'delay']), 'mesh', [
      w / 1000,
      d / 1000,
    ]);
    rig = applyEdits(rig, editBrief(rig, { uses: ALWAYS_ON }));
    for (const id of ['d1', 'd2', 'd3'])
      for (const [x, y] of spots) {
        const after = applyEdits(rig, place(id, x - (x % 10), y - (y % 10)));
        if (roomOn(after).conflicts.length > 0) continue;
        rig = after;
        break;
      }
    return rig;
  });

const COARSE = 0.05;

/** All moves of at most two others in coarse steps, and every place in coarse steps for the new one. */
function leastByTrying(rig: Rig, id: string): number | null {
  const standings = standingsOf(rig);
  const [deck] = decksOf(rig);
  const thing = thingsOf(rig).find((one) => one.id === id)!;
  const shifts = standings.map((one) =>
    [-2, -1, 1, 2].flatMap((n) =>
      [
        [n * COARSE, 0],
        [0, n * COARSE],
      ].map(([dx, dy]) => ({
        id: one.thing.id,
        by: Math.abs(n) * COARSE,
        to: onDeck('b1', one.placement.xM + dx!, one.placement.yM + dy!),
      })),
    ),
  );
  const singles = shifts.flat().map((one) => [one]);
  const pairs = shifts.flatMap((ones, i) =>
    shifts.slice(i + 1).flatMap((others) => ones.flatMap((a) => others.map((b) => [a, b]))),
  );
  const sorted = [[], ...singles, ...pairs]
    .map((moves) => ({ moves, by: moves.reduce((sum, { by }) => sum + by, 0) }))
    .sort((a, b) => a.by - b.by);
  const spots: OnDeck[] = [];
  for (const turn of [0, 90] as const)
    for (let x = 0; x < 330; x += 30)
      for (let y = 0; y < 270; y += 30) spots.push(onDeck('b1', x / 1000, y / 1000, { turn }));
  const spotRects = spots.map((to) => ({ to, rect: standingAt(thing, to, deck!).rect }));
  const inside = spotRects.filter(
    ({ rect }) => rect.x1 <= deck!.rect.x1 + 1e-9 && rect.y1 <= deck!.rect.y1 + 1e-9,
  );
  const known = keys(rig);
  const isGood = (one: Rig) => roomOn(one).conflicts.every(({ key }) => known.has(key));
  for (const { moves, by } of sorted) {
    const made = applyEdits(
      rig,
      ...moves.map(({ id: other, to }): Edit => ({ kind: 'place', id: other, to })),
    );
    if (moves.length > 0 && !isGood(made)) continue;
    const rects: readonly Rect[] = standingsOf(made).map(({ rect }) => rect);
    for (const { to, rect } of inside) {
      if (rects.some((other) => overlapOf(other, rect) > 0)) continue;
      if (isGood(applyEdits(made, { kind: 'place', id, to }))) return by;
    }
  }
  return null;
}

test('where moving one or two others makes room, a move is found, and none that is longer', () => {
  const met = { fits: 0, moves: 0, missing: 0, two: 0 };
  fc.assert(
    fc.property(crowded, (rig) => {
      if (Object.keys(rig.layout.placements).length < 3) return;
      const least = leastByTrying(rig, 'd4');
      const answer = answerFor(rig, 'd4');
      met[answer.kind]++;
      if (answer.kind === 'moves') {
        if (answer.moves.length === 2) met.two++;
        const total = answer.moves.reduce((sum, { byM }) => sum + byM, 0);
        expect(total).toBeLessThanOrEqual((least ?? Infinity) + 1e-9);
        expect(isNoWorse(rig, applyEdits(rig, answer.edit))).toBe(true);
      }
      if (least !== null)
        expect(answer.kind).toBe(least === 0 ? 'fits' : answer.kind === 'fits' ? 'fits' : 'moves');
      if (answer.kind === 'missing') expect(answer.missingM).toBeGreaterThan(0);
    }),
    { seed: 154, numRuns: 18, endOnFailure: true },
  );
  expect(Math.min(met.fits, met.moves, met.missing)).toBeGreaterThan(0);
});
