import {
  bestResistor,
  compareCables,
  expectedReading,
  fallBySeriesDb,
  faultOf,
  fitInput,
  fitLengths,
  fitOutput,
  lengthByCapacitance,
  plausibilityOf,
  simulatedReading,
  summariseReadings,
  truthOf,
  type Connected,
} from '../../src/bench';
import { cableOfClass, entered, guitarOfClass } from '../../src/gear';

const cable = cableOfClass('ordinary', 'l1', entered(5));
const guitar = guitarOfClass('coveredHumbucker', 'guitar');
const atCable: Connected = { kind: 'cable', cable, fault: null };
const atCoil: Connected = { kind: 'guitar', guitar, at: 'coil' };
const atJack: Connected = { kind: 'guitar', guitar, at: 'jack' };

test('median, spread and standard error', () => {
  expect(summariseReadings([])).toBeNull();
  expect(summariseReadings([3])).toEqual({ count: 1, median: 3, spread: 0, standardError: null });
  const three = summariseReadings([1, 2, 4])!;
  expect(three.median).toBe(2);
  expect(three.spread).toBe(3);
  expect(three.standardError).toBeCloseTo(Math.sqrt(7 / 3 / 3), 12);
});

test('two lengths lie on a line whatever they are: the meter’s own error is in the standard errors', () => {
  const fit = fitLengths([
    { lengthM: 1, totalF: 140e-12 },
    { lengthM: 5, totalF: 580e-12 },
  ]);
  if (fit.kind !== 'line') throw new Error(fit.kind);
  expect(fit.cPerMF).toBeCloseTo(110e-12, 20);
  expect(fit.cPerMErrorF).toBeGreaterThan(0.3e-12);
});

test('unequal pieces: the shorter one has less in all and more a metre', () => {
  const { cables, isMisleading, isUnequal, equalM } = compareCables(
    [
      { name: 'short', lengthM: 3, totalF: 510e-12 },
      { name: 'long', lengthM: 6, totalF: 630e-12 },
    ],
    30e-12,
  );
  expect(cables.map(({ name }) => name)).toEqual(['long', 'short']);
  expect(cables[0]!.cPerMF).toBeCloseTo(100e-12, 18);
  expect([isMisleading, isUnequal, equalM]).toEqual([true, true, 6]);
  expect(cables[1]!.atEqualLengthF).toBeCloseTo(990e-12, 18);
});

test('equal pieces mislead nobody', () => {
  const two = [
    { name: 'a', lengthM: 3, totalF: 330e-12 },
    { name: 'b', lengthM: 3, totalF: 510e-12 },
  ];
  expect(compareCables(two, 30e-12)).toMatchObject({ isMisleading: false, isUnequal: false });
});

test('length from capacitance is the way back', () => {
  expect(lengthByCapacitance(580e-12, 110e-12, 30e-12)).toBeCloseTo(5, 12);
  expect(lengthByCapacitance(10e-12, 110e-12, 30e-12)).toBe(0);
});

test('a cable at the meter: C′·ℓ and both plugs', () => {
  expect(expectedReading(atCable, 'Cp', 1000)).toBeCloseTo(580e-12, 15);
});

test('a coil at the meter: 1 kHz in series mode is a little high, parallel mode at 120 Hz several times', () => {
  const lH = guitar.lH.value;
  const series = expectedReading(atCoil, 'Ls', 1000);
  expect(series / lH).toBeGreaterThan(1.005);
  expect(series / lH).toBeLessThan(1.04);
  expect(expectedReading(atCoil, 'Ls', 120) / lH).toBeCloseTo(1, 2);
  expect(expectedReading(atCoil, 'Lp', 120) / lH).toBeGreaterThan(3);
  expect(expectedReading(atCoil, 'R', 1000)).toBeCloseTo(guitar.rDcOhm.value, 3);
});

test('at the jack the pots take 6 to 15 % of a single coil’s inductance', () => {
  const bright: Connected = {
    kind: 'guitar',
    guitar: guitarOfClass('brightSingle', 'g'),
    at: 'jack',
  };
  const share = expectedReading(bright, 'Ls', 1000) / 2.2 - 1;
  expect(share).toBeLessThan(-0.04);
  expect(share).toBeGreaterThan(-0.16);
});

test.each([
  ['fits', atCable, 'Cp', 575e-12],
  ['open', atCable, 'Cp', 18e-12],
  ['short', atCable, 'Cp', -3e-3],
  ['short', atCable, 'Cp', 9.9e37],
  ['anotherKind', atCable, 'Cp', 830e-12],
  ['farTooMuch', atCable, 'Cp', 5e-9],
  ['open', atJack, 'R', 9.9e37],
  ['short', atJack, 'R', 0.3],
  ['parallelMode', atCoil, 'Lp', 30],
  ['farTooLittle', atCoil, 'Ls', 0.9],
] as const)('looks like %s', (looks, connected, quantity, reading) => {
  const { looksLike, words } = plausibilityOf(connected, quantity, 1000, reading);
  expect(looksLike).toBe(looks);
  expect(words === '').toBe(looks === 'fits');
});

test('what a simulated meter reads of every fault looks like that fault', () => {
  for (const fault of ['open', 'shorted'] as const) {
    const setting = { quantity: 'Cp', frequencyHz: 1000, isOpenCorrected: true } as const;
    const reading = simulatedReading({ kind: 'cable', cable, fault }, setting, 1, 0);
    const { looksLike } = plausibilityOf(atCable, 'Cp', 1000, reading);
    expect(looksLike).toBe(fault === 'open' ? 'open' : 'short');
  }
});

test('a simulated meter is within 0.3 % and its counts; its strays go by open correction', () => {
  const read = (isOpenCorrected: boolean, draw: number) =>
    simulatedReading(atCable, { quantity: 'Cp', frequencyHz: 1000, isOpenCorrected }, 7, draw);
  const corrected = Array.from({ length: 50 }, (_, draw) => read(true, draw));
  const average = corrected.reduce((sum, value) => sum + value, 0) / 50;
  expect(Math.abs(average / 580e-12 - 1)).toBeLessThan(0.004);
  expect(new Set(corrected).size).toBeGreaterThan(5);
  const strays = read(false, 0) - read(true, 0);
  expect(strays).toBeGreaterThan(1.5e-12);
  expect(strays).toBeLessThan(2.5e-12);
});

test('the truth of a thing is the same whenever it is asked, and another for another thing', () => {
  const truth = truthOf('cable', cable, 'reel-a', 3);
  expect(truthOf('cable', cable, 'reel-a', 3)).toEqual(truth);
  expect(truthOf('cable', cable, 'reel-b', 3).cPerMF.value).not.toBe(truth.cPerMF.value);
  expect(truth.cPerMF.value).not.toBe(cable.cPerMF.value);
});

test('about one cable in six is not what it seems: shorted, open, or another kind', () => {
  const faults = Array.from({ length: 600 }, (_, i) => faultOf(`cable-${i}`, 1));
  const some = faults.filter((fault) => fault !== null);
  expect(some.length).toBeGreaterThan(70);
  expect(some.length).toBeLessThan(130);
  expect(new Set(some)).toEqual(new Set(['shorted', 'open', 'swapped']));
});

test('an input by a series resistor: R and C are found again', () => {
  const changes = [100, 400, 1000, 2000, 5000, 10000, 15000].map((frequencyHz) => ({
    frequencyHz,
    changeDb: fallBySeriesDb(470e3, 120e-12, 600, 470e3, frequencyHz),
  }));
  const fit = fitInput(changes, 600, 470e3);
  if (fit.kind !== 'fitted') throw new Error(fit.kind);
  expect(fit.rInOhm / 470e3).toBeCloseTo(1, 4);
  expect(fit.cInF / 120e-12).toBeCloseTo(1, 4);
});

test('of low frequencies alone C stays unknown; a resistor too small says nothing', () => {
  const at = (hz: number[], seriesOhm: number) =>
    hz.map((frequencyHz, i) => ({
      frequencyHz,
      changeDb: fallBySeriesDb(1e6, 20e-12, 600, seriesOhm, frequencyHz) + (i % 2 ? 0.05 : -0.05),
    }));
  expect(fitInput(at([100, 150, 200, 250], 1e6), 600, 1e6)).toMatchObject({
    kind: 'fitted',
    cShare: null,
  });
  expect(fitInput(at([100, 400, 1000], 10e3), 600, 10e3)).toEqual({ kind: 'tooLittle' });
  expect(fitInput(at([100], 1e6), 600, 1e6)).toEqual({ kind: 'tooFew' });
});

test('an output by a resistor across it: half the level is its own size', () => {
  const half = 20 * Math.log10(0.5);
  const fit = fitOutput(
    [
      { frequencyHz: 400, changeDb: half },
      { frequencyHz: 1000, changeDb: half },
    ],
    4700,
  );
  if (fit.kind !== 'fitted') throw new Error(fit.kind);
  expect(fit.rOutOhm).toBeCloseTo(4700, 6);
  expect(fitOutput([{ frequencyHz: 400, changeDb: -0.1 }], 10e3)).toEqual({ kind: 'tooLittle' });
});

test.each([
  [480e3, 'series', 470e3],
  [1.1e6, 'series', 1e6],
  [9e5, 'series', 1e6],
  [150, 'shunt', 1000],
  [5000, 'shunt', 4700],
] as const)('the best resistor for %d Ω in %s is %d Ω', (guess, where, best) => {
  expect(bestResistor(guess, where)).toBeCloseTo(best, 6);
});
