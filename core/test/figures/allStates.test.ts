import fc from 'fast-check';
import { DRAW_GRID, FIGURE_GRID, type Section } from '../../src/circuit';
import {
  analyseRig,
  analyseStates,
  ENVELOPE_EVERY,
  figuresOf,
  switchesOf,
  type StatesSounding,
} from '../../src/figures';
import { deviceOfClass, entered } from '../../src/gear';
import { addLevels, routeOf, SectionSolver } from '../../src/path';
import { applyEdits, insertDevice, newRig, type Rig } from '../../src/rig';
import { randomRig } from '../rig/randomRig';
import { pathOf, switchedTo } from '../rig/straightRow';

function states(rig: Rig, counted = switchesOf(rig)): StatesSounding {
  const analysis = analyseStates(rig, counted);
  if (analysis.kind !== 'states') throw new Error(analysis.kind);
  return analysis;
}

const solver = new SectionSolver();
const levelsOf = (circuits: readonly Section[]) => {
  const draw = new Float64Array(DRAW_GRID.omega.length);
  const figure = new Float64Array(FIGURE_GRID.omega.length);
  for (const circuit of circuits) {
    addLevels(solver.solve(circuit).draw, draw);
    addLevels(solver.solve(circuit).figure, figure);
  }
  return { draw, figure };
};

/** Every combination of the counted switches, one by one. */
function bruteForce(rig: Rig, counted: readonly string[]) {
  const reference = levelsOf([routeOf(rig).reference]);
  const found: { trebleDb: number; nowDb: Float64Array }[] = [];
  for (let bits = 0; bits < 2 ** counted.length; bits++) {
    const positions = Object.fromEntries(counted.map((id, k) => [id, ((bits >> k) & 1) === 1]));
    const path = pathOf(switchedTo(rig, positions));
    if (path.interrupted) continue;
    const now = levelsOf(path.sections.map(({ circuit }) => circuit));
    found.push({ trebleDb: figuresOf(now.figure, reference.figure).trebleDb, nowDb: now.draw });
  }
  return found;
}

test('equal to brute force on random boards: count, extremes, mean, deviation, envelope', () => {
  fc.assert(
    fc.property(randomRig, (rig) => {
      const counted = switchesOf(rig);
      const all = bruteForce(rig, counted);
      const found = states(rig);
      const trebles = all.map(({ trebleDb }) => trebleDb);
      const mean = trebles.reduce((a, b) => a + b, 0) / trebles.length;
      const variance = trebles.reduce((a, b) => a + (b - mean) ** 2, 0) / trebles.length;
      expect(found.count).toBe(all.length);
      expect(found.brightest.trebleDb).toBeCloseTo(Math.max(...trebles), 7);
      expect(found.dullest.trebleDb).toBeCloseTo(Math.min(...trebles), 7);
      expect(found.spreadDb).toBeCloseTo(Math.max(...trebles) - Math.min(...trebles), 7);
      expect(found.meanDb).toBeCloseTo(mean, 7);
      expect(found.deviationDb).toBeCloseTo(Math.sqrt(variance), 5);
      expect(found.histogram.counts.reduce((a, b) => a + b, 0)).toBe(all.length);
      const close = (extreme: number) => trebles.filter((t) => Math.abs(t - extreme) < 1e-8).length;
      expect(found.brightest.ties).toBe(close(Math.max(...trebles)));
      found.envelope.highDb.forEach((high, k) => {
        const levels = all.map(({ nowDb }) => nowDb[k * ENVELOPE_EVERY]!);
        expect(high).toBeCloseTo(Math.max(...levels), 6);
        expect(found.envelope.lowDb[k]).toBeCloseTo(Math.min(...levels), 6);
      });
    }),
    { seed: 40, numRuns: 25 },
  );
});

test('the extremes are states one can stand in', () => {
  fc.assert(
    fc.property(randomRig, (rig) => {
      const found = states(rig);
      for (const { positions, trebleDb } of [found.brightest, found.dullest]) {
        const analysis = analyseRig(applyEdits(rig, { kind: 'switch', positions }));
        expect(analysis.kind === 'sounding' && analysis.figures.trebleDb).toBeCloseTo(trebleDb, 7);
      }
    }),
    { seed: 41, numRuns: 40 },
  );
});

const row = (...classes: Parameters<typeof deviceOfClass>[0][]): Rig =>
  classes.reduce(
    (rig, name, i) => applyEdits(rig, insertDevice(rig, i, deviceOfClass(name, ''))),
    newRig('row'),
  );

test('muted states are left out, and a mute that does not count leaves nothing to hear', () => {
  const rig = row('tuner', 'drive', 'drive');
  expect(states(rig).count).toBe(4);
  const tuning = applyEdits(rig, { kind: 'switch', positions: { d1: true } });
  expect(states(tuning).count).toBe(4);
  expect(analyseStates(tuning, ['d2', 'd3'])).toEqual({ kind: 'nothingHeard' });
  const closed = applyEdits(rig, {
    kind: 'set',
    target: { of: 'guitar', id: 'g1' },
    field: 'volume.travel',
    to: entered(0),
  });
  expect(analyseStates(closed, ['d2'])).toEqual({ kind: 'nothingHeard' });
});

test('a switch that does not count stands as it is', () => {
  const rig = applyEdits(row('drive', 'drive', 'delay'), {
    kind: 'switch',
    positions: { d1: true },
  });
  const some = states(rig, ['d2']);
  expect(some.count).toBe(2);
  const trebles = bruteForce(rig, ['d2']).map(({ trebleDb }) => trebleDb);
  expect(some.brightest.trebleDb).toBeCloseTo(Math.max(...trebles), 9);
  expect(states(rig, [])).toMatchObject({ count: 1, spreadDb: 0 });
});

test('the spread is also said without the fuzz that is meant to change the sound', () => {
  const rig = row('lowImpedanceFuzz', 'drive', 'drive');
  const found = states(rig);
  expect(found.calmSpreadDb).toBeLessThan(found.spreadDb);
  expect(found.calmSpreadDb).toBeCloseTo(states(rig, ['d2', 'd3']).spreadDb, 9);
  expect(states(row('drive', 'drive')).calmSpreadDb).toBeNull();
});

test('forty switches have 2⁴⁰ states, counted exactly', () => {
  const rig = row(...Array.from({ length: 40 }, () => 'drive' as const));
  const found = states(rig);
  expect(found.count).toBe(2 ** 40);
  expect(found.histogram.counts.reduce((a, b) => a + b, 0)).toBe(2 ** 40);
  expect(found.envelope.highDb).toHaveLength(Math.ceil(DRAW_GRID.omega.length / ENVELOPE_EVERY));
});
