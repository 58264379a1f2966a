import { readFileSync } from 'node:fs';
import {
  fitPickup,
  pickupLevelDb,
  resonanceAndQ,
  withNoise,
  type PickupRun,
  type PickupValues,
} from '../../src/bench';

interface ReferenceCase {
  readonly id: string;
  readonly runs: readonly PickupRun[];
  readonly fit: {
    readonly lH: number;
    readonly cWindingF: number;
    readonly eddyOhm: number;
    readonly rmsDb: number;
    readonly relativeSd: {
      readonly lH: number;
      readonly cWindingF: number;
      readonly eddyOhm: number;
    };
    readonly correlationLC: number;
  };
}

const { cases } = JSON.parse(
  readFileSync(new URL('../reference/fits.json', import.meta.url), 'utf8'),
) as { readonly cases: readonly ReferenceCase[] };

const PAIRS = cases.filter(({ runs }) => runs.length > 1);
const SINGLES = cases.filter(({ runs }) => runs.length === 1);
const TRUTH: PickupValues = { lH: 4.3, cWindingF: 140e-12, rEddyOhm: 300e3 };

const run = (
  addedF: number,
  points: number,
  noiseDb: number,
  seed: number,
  rLoadOhm = 1e6,
): PickupRun => {
  const frequencyHz = Array.from({ length: points }, (_, k) => 100 * 150 ** (k / (points - 1)));
  const load = { rDcOhm: 7800, rLoadOhm, addedF };
  const levels = frequencyHz.map((hz) => pickupLevelDb(TRUTH, load, hz) - 3);
  return { ...load, frequencyHz, levelDb: withNoise(levels, seed, noiseDb) };
};
const pair = (points: number, noiseDb: number, seed = 1) => [
  run(47e-12, points, noiseDb, seed),
  run(470e-12, points, noiseDb, seed + 1000),
];

const fitted = (runs: readonly PickupRun[], starts?: readonly PickupValues[]) => {
  const fit = fitPickup(runs, starts);
  if (fit.kind !== 'fitted') throw new Error(fit.kind);
  return fit;
};

test.each(PAIRS)(
  '$id: at the optimum, within a tenth of a standard error, and with its standard errors',
  ({ runs, fit }) => {
    const { values, relativeSd, rmsDb, correlationLC, isMisfit } = fitted(runs);
    const found = { lH: values.lH, cWindingF: values.cWindingF, eddyOhm: values.rEddyOhm };
    const sd = { lH: relativeSd.lH, cWindingF: relativeSd.cWindingF, eddyOhm: relativeSd.rEddyOhm };
    for (const key of ['lH', 'cWindingF', 'eddyOhm'] as const) {
      expect(Math.abs(Math.log(found[key] / fit[key]))).toBeLessThan(0.1 * fit.relativeSd[key]);
      expect(sd[key] / fit.relativeSd[key]).toBeCloseTo(1, 2);
    }
    expect(rmsDb).toBeCloseTo(fit.rmsDb, 6);
    expect(correlationLC).toBeCloseTo(fit.correlationLC, 3);
    expect(isMisfit).toBe(false);
  },
);

test.each(SINGLES)(
  '$id: one response does not tell L from C_w; resonance and Q are known',
  ({ id, runs }) => {
    const fit = fitPickup(runs);
    if (fit.kind !== 'undetermined') throw new Error(fit.kind);
    expect(Math.abs(fit.correlationLC)).toBeGreaterThan(0.99);
    // The pair of the same pickup, with the first load, says where it resonates, too.
    const both = fitted(PAIRS.find((one) => `${one.id}-one` === id)!.runs);
    const same = resonanceAndQ(both.values, runs[0]!);
    expect(fit.resonanceHz! / same.resonanceHz!).toBeCloseTo(1, 1);
    expect(fit.q! / same.q!).toBeCloseTo(1, 1);
  },
);

test('Q and resonance of a lossless coil are those of the closed form', () => {
  const values = { lH: 2, cWindingF: 100e-12, rEddyOhm: 1e9 };
  const load = { rDcOhm: 1, rLoadOhm: 1e6, addedF: 400e-12 };
  const frequencyHz = Array.from({ length: 60 }, (_, k) => 100 * 150 ** (k / 59));
  const fit = fitPickup([
    { ...load, frequencyHz, levelDb: frequencyHz.map((hz) => pickupLevelDb(values, load, hz)) },
  ]);
  if (fit.kind !== 'undetermined') throw new Error(fit.kind);
  const f = 1 / (2 * Math.PI * Math.sqrt(2 * 500e-12));
  expect(fit.resonanceHz!).toBeCloseTo(f, -1);
  expect(fit.q! / (1e6 / Math.sqrt(2 / 500e-12))).toBeCloseTo(1, 1);
});

test.each([
  ['a hundred times too much inductance', { lH: 200, cWindingF: 20e-12, rEddyOhm: 1e5 }],
  ['a tenth of it', { lH: 0.4, cWindingF: 3e-9, rEddyOhm: 1e8 }],
])('from far off: %s', (_, start) => {
  const { values } = fitted(pair(80, 0.2), [start]);
  expect(values.lH / TRUTH.lH).toBeCloseTo(1, 1);
  expect(values.cWindingF / TRUTH.cWindingF).toBeCloseTo(1, 1);
});

test('outliers are left aside and named', () => {
  const runs = pair(80, 0.2);
  const spoiled = [
    { ...runs[0]!, levelDb: runs[0]!.levelDb.with(10, 12).with(50, -40) },
    { ...runs[1]!, levelDb: runs[1]!.levelDb.with(30, 9) },
  ];
  const { values, outliers, rmsDb } = fitted(spoiled);
  expect(outliers).toEqual([
    { run: 0, point: 10 },
    { run: 0, point: 50 },
    { run: 1, point: 30 },
  ]);
  expect(rmsDb).toBeLessThan(0.3);
  expect(values.lH / TRUTH.lH).toBeCloseTo(1, 1);
});

test.each([
  ['30 points', 30, 0.2],
  ['0.5 dB of noise', 80, 0.5],
])('%s: the standard errors hold what they say', (_, points, noiseDb) => {
  const off = Array.from({ length: 40 }, (__, seed) => {
    const { values, relativeSd } = fitted(pair(points, noiseDb, seed + 1));
    return Math.log(values.lH / TRUTH.lH) / relativeSd.lH;
  });
  const rms = Math.sqrt(off.reduce((sum, value) => sum + value * value, 0) / off.length);
  expect(rms).toBeGreaterThan(0.7);
  expect(rms).toBeLessThan(1.35);
});

test.each([100e3, 250e3, 10e6])('a wrong load entered (%d Ω) is said as a misfit', (rLoadOhm) => {
  const runs = pair(80, 0.2).map((one) => ({ ...one, rLoadOhm }));
  const fit = fitPickup(runs);
  expect(fit.kind === 'tooFew' || fit.isMisfit).toBe(true);
});

test('what fits is no misfit: at most 2 of 100', () => {
  const misfits = Array.from({ length: 100 }, (_, seed) => fitted(pair(60, 0.2, seed)).isMisfit);
  expect(misfits.filter(Boolean).length).toBeLessThanOrEqual(2);
});

test('two responses with the same capacitance are one response', () => {
  const fit = fitPickup([run(47e-12, 80, 0.2, 1), run(47e-12, 80, 0.2, 2)]);
  expect(fit.kind).toBe('undetermined');
});

test('few points are refused with their number', () => {
  expect(fitPickup([run(47e-12, 5, 0.2, 1)])).toEqual({ kind: 'tooFew', points: 5, least: 12 });
});
