import fc from 'fast-check';
import {
  addElement,
  chooseCableForm,
  compileSection,
  createLadderState,
  gridOf,
  LadderBuilder,
  NO_CONTROLS,
  resetLadder,
  runLadder,
  solveLadder,
  type CableElement,
  type Load,
  type PairSource,
  type PathElement,
  type PickupSource,
  type Section,
  type Source,
} from '../../src/circuit';
import { solveBackwards } from './backwards';
import { add, apart, c, div, mul, type Complex } from './complex';

const grid = gridOf(Float64Array.of(35, 400, 2000, 5600, 18000));
const points = grid.omega.length;

const cable = fc.record({
  kind: fc.constant('cable' as const),
  lengthM: fc.double({ min: 0, max: 40, noNaN: true }),
  cPerMF: fc.double({ min: 50e-12, max: 180e-12, noNaN: true }),
  rPerMOhm: fc.double({ min: 0.03, max: 0.25, noNaN: true }),
  lPerMH: fc.double({ min: 0.25e-6, max: 0.6e-6, noNaN: true }),
  lossTangent: fc.constantFrom(0, 0.05),
  plugsF: fc.double({ min: 0, max: 50e-12, noNaN: true }),
});
const element: fc.Arbitrary<PathElement> = fc.oneof(
  cable,
  fc.record({
    kind: fc.constant('series' as const),
    rOhm: fc.double({ min: 0.01, max: 1e5, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('shunt' as const),
    rOhm: fc.option(fc.double({ min: 1e3, max: 1e7, noNaN: true }), { nil: null }),
    cF: fc.double({ min: 0, max: 1e-9, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('pot' as const),
    rOhm: fc.double({ min: 1e4, max: 1e6, noNaN: true }),
    wiper: fc.double({ min: 0.01, max: 1, noNaN: true }),
  }),
);
const load: fc.Arbitrary<Load> = fc.record({
  rOhm: fc.double({ min: 1e4, max: 1e7, noNaN: true }),
  cF: fc.double({ min: 0, max: 2e-10, noNaN: true }),
  grid: fc.option(fc.constant({ stopperOhm: 34e3, millerF: 1e-10 }), { nil: null }),
});
const branch: fc.Arbitrary<PathElement> = fc.record({
  kind: fc.constant('branch' as const),
  path: fc.array(element, { maxLength: 4 }),
  load,
});
const path = fc.array(fc.oneof({ weight: 5, arbitrary: element }, branch), {
  minLength: 1,
  maxLength: 9,
});
const pickup: fc.Arbitrary<PickupSource> = fc.record({
  kind: fc.constant('pickup' as const),
  lH: fc.double({ min: 1, max: 10, noNaN: true }),
  rDcOhm: fc.double({ min: 3e3, max: 2e4, noNaN: true }),
  cWindingF: fc.double({ min: 5e-11, max: 3e-10, noNaN: true }),
  rEddyOhm: fc.option(fc.double({ min: 1e5, max: 2e6, noNaN: true }), { nil: null }),
  controls: fc.record({
    wiring: fc.constant('modern' as const),
    volume: fc.record({
      potOhm: fc.constant(250e3),
      wiper: fc.double({ min: 0.05, max: 1, noNaN: true }),
      reversed: fc.boolean(),
    }),
    tone: fc.constant({ potOhm: 250e3, cF: 22e-9, remaining: 0.5, noLoad: false }),
    bleed: fc.constant(null),
  }),
});
const pair: fc.Arbitrary<PairSource> = fc.record({
  kind: fc.constant('pair' as const),
  first: pickup,
  second: pickup,
  joint: fc.constantFrom('parallel' as const, 'series' as const),
  sign: fc.constantFrom(1 as const, -1 as const),
  shared: fc.constant(NO_CONTROLS),
});
const source: fc.Arbitrary<Source> = fc.oneof(
  fc.record({
    kind: fc.constant('voltage' as const),
    rOutOhm: fc.double({ min: 10, max: 5e4, noNaN: true }),
    gain: fc.constant(1),
  }),
  fc.record({
    kind: fc.constant('piezo' as const),
    cF: fc.double({ min: 1e-10, max: 2e-9, noNaN: true }),
  }),
  pickup,
  pair,
);

function solve(section: Section, form = chooseCableForm(section)): readonly Complex[] {
  const out = new Float64Array(2 * points);
  solveLadder(compileSection(section, form), section.load, grid, out, createLadderState(points));
  return Array.from({ length: points }, (_, i) => c(out[2 * i]!, out[2 * i + 1]!));
}

/** Chain matrices of a path at every frequency, from the rows that (1, 0) and (0, 1) become. */
function chain(elements: readonly PathElement[]) {
  const builder = new LadderBuilder();
  for (const item of elements) addElement(builder, item, 'line');
  const ladder = builder.build();
  const rows = [true, false].map((first) => {
    const state = createLadderState(points);
    if (first) resetLadder(state);
    else resetLadder(state, 0, 1);
    runLadder(ladder, 0, ladder.ops.length, grid, state);
    return state;
  });
  const at = (i: number, row: 0 | 1, of: 'd' | 'n') => {
    const place = 4 * i + (of === 'd' ? 0 : 2);
    return c(rows[row]!.rows[place]!, rows[row]!.rows[place + 1]!);
  };
  return Array.from({ length: points }, (_, i) => ({
    a: at(i, 0, 'd'),
    b: at(i, 0, 'n'),
    cc: at(i, 1, 'd'),
    d: at(i, 1, 'n'),
  }));
}

const fixedAndFresh = (property: fc.IProperty<[never]> | fc.IPropertyWithHooks<never>) => {
  fc.assert(property as fc.IProperty<unknown>, { seed: 4870, numRuns: 150 });
  const seed = Date.now() % 1_000_000;
  process.stdout.write(`fresh seed ${seed}\n`);
  fc.assert(property as fc.IProperty<unknown>, { seed, numRuns: 50 });
};

test('every passive path is reciprocal: AD − BC = 1', () => {
  fixedAndFresh(
    fc.property(path, (elements) => {
      for (const { a, b, cc, d } of chain(elements)) {
        const scale = Math.hypot(a.re, a.im) * Math.hypot(d.re, d.im) + 1;
        const determinant = add(mul(a, d), mul(c(-1), mul(b, cc)));
        expect(Math.hypot(determinant.re - 1, determinant.im) / scale).toBeLessThan(1e-9);
      }
    }) as never,
  );
});

test('every passive path is passive: it takes power in whatever it is ended in', () => {
  fixedAndFresh(
    fc.property(path, fc.double({ min: 1, max: 1e6, noNaN: true }), (elements, ohm) => {
      for (const { a, b, cc, d } of chain(elements)) {
        const input = div(add(mul(a, c(ohm)), b), add(mul(cc, c(ohm)), d));
        expect(input.re).toBeGreaterThanOrEqual(-1e-9 * Math.hypot(input.re, input.im));
      }
    }) as never,
  );
});

test('a cable cut in two anywhere is the same cable', () => {
  fixedAndFresh(
    fc.property(
      source,
      cable,
      load,
      fc.double({ min: 0, max: 1, noNaN: true }),
      (from, whole, to, share) => {
        const first: CableElement = { ...whole, lengthM: whole.lengthM * share, plugsF: 0 };
        const second: CableElement = { ...whole, lengthM: whole.lengthM * (1 - share), plugsF: 0 };
        const plug: PathElement = { kind: 'shunt', rOhm: null, cF: whole.plugsF / 2 };
        const cut = solve({ source: from, path: [plug, first, second, plug], load: to }, 'line');
        solve({ source: from, path: [whole], load: to }, 'line').forEach((h, i) => {
          expect(apart(h, cut[i]!)).toBeLessThan(1e-9);
        });
      },
    ) as never,
  );
});

test('random sections agree with a slow solution from the load backwards', () => {
  fixedAndFresh(
    fc.property(source, path, load, (from, elements, to) => {
      const section: Section = { source: from, path: elements, load: to };
      solve(section, 'lumped').forEach((h, i) => {
        expect(apart(h, solveBackwards(section, grid.omega[i]!))).toBeLessThan(1e-8);
      });
    }) as never,
  );
});

test('lengths that do not fit are refused with the numbers', () => {
  const ladder = compileSection({ source: { kind: 'piezo', cF: 1e-9 }, path: [] });
  const to: Load = { rOhm: 1e6, cF: 0, grid: null };
  expect(() =>
    solveLadder(ladder, to, grid, new Float64Array(3), createLadderState(points)),
  ).toThrow('out holds 3 numbers, expected 10');
  expect(() => solveLadder(ladder, to, grid, new Float64Array(10), createLadderState(2))).toThrow(
    'state holds 2 points, the grid has 5',
  );
});
