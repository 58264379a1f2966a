import {
  cableOfClass,
  entered,
  fitPickup,
  gearItem,
  guitarOfClass,
  pickupLevelDb,
  summariseReadings,
  type Diagnosis,
  type Suspicion,
} from '@gullwind/core';
import { findingOfCables } from '../src/features/bench/model/cableFinding';
import { pickupFinding } from '../src/features/bench/model/pickupFinding';
import { sayDiagnosis } from '../src/features/bench/model/sayDiagnosis';

/// What readings come to, in words and in values for the gear list.

const reel = gearItem('reel', 'cable', cableOfClass('ordinary', 'l1', entered(6), 'Reel'));
const other = gearItem('other', 'cable', cableOfClass('low', 'l1', entered(3), 'Other'));
const piece = (gear: string, lengthM: number, ...values: number[]) => ({
  key: lengthM,
  gear,
  lengthM,
  values,
  summary: summariseReadings(values),
});

test('one cable: its plugs are taken off, raw readings are kept', () => {
  const found = findingOfCables(
    'one',
    [piece('reel', 6, 690e-12, 691e-12, 690e-12)],
    [reel],
    'metric',
  )!;
  expect(found.values[0]!.field).toBe('cPerMF');
  expect(found.values[0]!.value).toBeCloseTo(110e-12, 15);
  expect(found.sent.readings[0]!.values).toHaveLength(3);
  expect(found.sent.job).toBe('cable');
});

test('an open cable is none: nothing of it is offered', () => {
  const found = findingOfCables('one', [piece('reel', 6, 17e-12)], [reel], 'metric')!;
  expect(found.values).toEqual([]);
  expect(found.words).toContain('none of a whole cable');
});

test('several lengths make a line, one length none yet', () => {
  const one = piece('reel', 1, 140e-12);
  expect(findingOfCables('lengths', [one], [reel], 'metric')).toBeNull();
  const found = findingOfCables('lengths', [one, piece('reel', 5, 580e-12)], [reel], 'metric')!;
  expect(found.values.map(({ field }) => field)).toEqual(['cPerMF', 'plugF']);
  expect(found.values[1]!.value).toBeCloseTo(15e-12, 15);
  const upside = findingOfCables(
    'lengths',
    [piece('reel', 1, 580e-12), piece('reel', 5, 140e-12)],
    [reel],
    'metric',
  )!;
  expect(upside.values).toEqual([]);
  expect(upside.doubt).toContain('read less than the shorter');
});

test('unequal pieces compared: the words say so', () => {
  const found = findingOfCables(
    'compare',
    [piece('reel', 3, 510e-12), piece('other', 6, 630e-12)],
    [reel, other],
    'metric',
  )!;
  expect(found.words).toMatch(/^By the metre, the least first: Other/u);
  expect(found.words).toContain('the other way about');
});

const guitar = gearItem('guitar', 'guitar', guitarOfClass('brightSingle', 'Teal'));
const hz = Array.from({ length: 50 }, (_, k) => 100 * 150 ** (k / 49));
const run = (addedF: number) => {
  const load = { rDcOhm: 5800, rLoadOhm: 1e6, addedF };
  const values = { lH: 2.2, cWindingF: 110e-12, rEddyOhm: 1e6 };
  return {
    ...load,
    frequencyHz: hz,
    levelDb: hz.map((f) => pickupLevelDb(values, load, f) + 0.01 * Math.sin(f)),
  };
};

test('a pickup by one response gives no values, by two it does', () => {
  const one = [run(47e-12)];
  const single = pickupFinding(fitPickup(one), one, guitar, 'metric');
  expect(single.values).toEqual([]);
  expect(single.words).toMatch(
    /^It resonates at [\d.]+\skHz with Q [\d.]+\. One response cannot tell/u,
  );
  const two = [run(47e-12), run(470e-12)];
  const pair = pickupFinding(fitPickup(two), two, guitar, 'metric');
  expect(pair.values.map(({ field }) => field)).toEqual(['lH', 'cWindingF', 'rEddyOhm']);
  expect(pair.sent.responses).toHaveLength(2);
});

const suspicion: Suspicion = {
  kind: 'cable',
  id: 'l1',
  name: 'the cable in',
  words: 'acts like 6\u00a0m instead of 3\u00a0m',
  rmsDb: 0.1,
  explained: 0.99,
  isTied: true,
  isWithinTolerance: false,
};
const diagnosed = (change: Partial<Extract<Diagnosis, { kind: 'diagnosed' }>>): Diagnosis => ({
  kind: 'diagnosed',
  residualDb: [],
  rmsDb: 2,
  noiseDb: 0.1,
  isWithinNoise: false,
  suspicions: [suspicion],
  ...change,
});

test.each([
  [diagnosed({}), /Most of it, 99 %, is explained by the cable in: it acts like/u],
  [diagnosed({ isWithinNoise: true }), /as far as this can tell/u],
  [
    diagnosed({ suspicions: [suspicion, { ...suspicion, id: 'l2' }] }),
    /1 other part would give the same curve/u,
  ],
  [
    diagnosed({ suspicions: [{ ...suspicion, isWithinTolerance: true }] }),
    /nothing need be wrong/u,
  ],
  [
    diagnosed({ suspicions: [{ ...suspicion, explained: 0.05 }] }),
    /No part by itself explains it/u,
  ],
  [{ kind: 'silent' } as const, /silent/u],
  [{ kind: 'tooFew', points: 3, least: 12 } as const, /3 points are too few/u],
])('a diagnosis in words (%#)', (diagnosis, words) => {
  expect(sayDiagnosis(diagnosis)).toMatch(words);
});
