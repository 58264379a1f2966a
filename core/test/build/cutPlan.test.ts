import fc from 'fast-check';
import loadHighs from 'highs';
import { KEPT_FROM_M, planCuts, type CutPlan, type Piece, type Stock } from '../../src/build';
import { solverOf, type Solve } from '../../src/program';

/// Pieces out of reels and off-cuts, against every way there is.

let solve: Solve;
beforeAll(async () => {
  solve = solverOf((await loadHighs()) as never);
});

const stockOf = (lengths: readonly number[]): readonly Stock[] =>
  lengths.map((lengthM, i) => ({ id: `s${i}`, name: `reel ${i}`, lengthM, isOffCut: false }));
const piecesOf = (lengths: readonly number[]): readonly Piece[] =>
  lengths.map((lengthM, i) => ({ id: `l${i}`, label: `A${i}`, lengthM }));

interface Score {
  readonly uncut: number;
  readonly wasteM: number;
  readonly begunM: number;
}

const scoreOf = ({ uncut, wasteM, cuts }: CutPlan): Score => ({
  uncut: uncut.length,
  wasteM,
  begunM: cuts.reduce((sum, { stock }) => sum + stock.lengthM, 0),
});

/** Every piece on every piece of stock, or on none. */
function bestByTryingAll(pieces: readonly Piece[], stock: readonly Stock[]): Score {
  let best: Score = { uncut: Infinity, wasteM: Infinity, begunM: Infinity };
  const used = stock.map(() => 0);
  const isBetter = (a: Score, b: Score): boolean =>
    a.uncut - b.uncut !== 0
      ? a.uncut < b.uncut
      : Math.abs(a.wasteM - b.wasteM) > 1e-6
        ? a.wasteM < b.wasteM
        : a.begunM < b.begunM - 1e-6;
  const go = (at: number, uncut: number): void => {
    if (at === pieces.length) {
      const left = stock.map(({ lengthM }, s) => lengthM - used[s]!);
      const begun = stock.map((_, s) => used[s]! > 1e-9);
      const wasteM = left.reduce(
        (sum, m, s) => sum + (begun[s] && m < KEPT_FROM_M - 1e-9 ? m : 0),
        0,
      );
      const begunM = stock.reduce((sum, { lengthM }, s) => sum + (begun[s] ? lengthM : 0), 0);
      const now = { uncut, wasteM, begunM };
      if (isBetter(now, best)) best = now;
      return;
    }
    go(at + 1, uncut + 1);
    for (const [s, { lengthM }] of stock.entries()) {
      const piece = pieces[at]!.lengthM;
      if (used[s]! + piece > lengthM + 1e-9) continue;
      used[s]! += piece;
      go(at + 1, uncut);
      used[s]! -= piece;
    }
  };
  go(0, 0);
  return best;
}

const centimetres = (min: number, max: number) => fc.integer({ min, max }).map((cm) => cm / 100);

test('on small cases it is as good as the best of all ways', () => {
  fc.assert(
    fc.property(
      fc.array(centimetres(5, 60), { minLength: 1, maxLength: 6 }),
      fc.array(centimetres(10, 150), { minLength: 1, maxLength: 3 }),
      (lengths, reels) => {
        const [pieces, stock] = [piecesOf(lengths), stockOf(reels)];
        const plan = planCuts(pieces, stock, solve);
        const best = bestByTryingAll(pieces, stock);
        expect(plan.isProven).toBe(true);
        expect(scoreOf(plan)).toEqual({
          uncut: best.uncut,
          wasteM: expect.closeTo(best.wasteM, 5),
          begunM: expect.closeTo(best.begunM, 5),
        });
        for (const cut of plan.cuts) {
          const sum = cut.pieces.reduce((all, { lengthM }) => all + lengthM, 0);
          expect(sum + cut.leftM).toBeCloseTo(cut.stock.lengthM, 5);
        }
        const cutOnce = plan.cuts.flatMap((cut) => cut.pieces.map(({ id }) => id));
        expect(new Set(cutOnce).size).toBe(cutOnce.length);
        expect(cutOnce.length + plan.uncut.length).toBe(pieces.length);
      },
    ),
    { seed: 3, numRuns: 150 },
  );
});

test('an off-cut that fits is used before a reel is begun', () => {
  const stock = [
    { id: 'r', name: 'reel', lengthM: 30, isOffCut: false },
    { id: 'o', name: 'rest', lengthM: 0.4, isOffCut: true },
  ];
  const plan = planCuts(piecesOf([0.39]), stock, solve);
  // 1 cm of the off-cut is waste, 29.61 m of the reel would not be.
  expect(plan.cuts[0]!.stock.id).toBe('r');
  expect(planCuts(piecesOf([0.2]), stock, solve).cuts[0]!.stock.id).toBe('o');
  expect(planCuts(piecesOf([0.4]), stock, solve).cuts[0]!.stock.id).toBe('o');
});

test('twenty patches out of two reels and five off-cuts, in a moment and proven', () => {
  const pieces = piecesOf(Array.from({ length: 20 }, (_, i) => 0.12 + (i % 7) * 0.055));
  const plan = planCuts(pieces, stockOf([10, 3, 0.5, 0.42, 0.3, 0.27, 0.6]), solve);
  expect([plan.uncut, plan.isProven]).toEqual([[], true]);
});

test('nothing at hand, and nothing to cut', () => {
  expect(planCuts(piecesOf([1]), [], solve)).toMatchObject({ cuts: [], uncut: [{ id: 'l0' }] });
  expect(planCuts([], stockOf([1]), solve)).toMatchObject({ cuts: [], uncut: [], wasteM: 0 });
});
