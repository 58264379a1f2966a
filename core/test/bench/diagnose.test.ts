import {
  diagnoseRig,
  fitPickup,
  RigMeter,
  roughnessOf,
  withNoise,
  type DiagnosisQuestion,
} from '../../src/bench';
import { entered } from '../../src/gear';
import { newRig, withElectricalPart } from '../../src/rig';
import { toEnd } from '../toEnd';
import { CALIBRATED, faultyRig, FAULTS, SWEPT_HZ } from './faultyRigs';

const diagnose = (question: DiagnosisQuestion) => {
  const found = toEnd(diagnoseRig(question));
  if (found.kind !== 'diagnosed') throw new Error(found.kind);
  return found;
};

const straight = newRig('one cable');
const levelsOf = (rig: typeof straight) => [...new RigMeter(SWEPT_HZ).levels(rig)!];
const question = (levelDb: readonly number[], noiseDb: number | null = 0.2): DiagnosisQuestion => ({
  chain: straight,
  sweep: CALIBRATED,
  measured: { frequencyHz: SWEPT_HZ, levelDb },
  units: 'metric',
  noiseDb,
});

test.each(FAULTS.map((fault, seed) => [fault, seed] as const))(
  '%s is among the first',
  (_, seed) => {
    for (const more of [0, 5, 10]) {
      const { rig, id, frequencyHz, levelDb } = faultyRig(seed + more, 0.2);
      const { suspicions } = diagnose({
        chain: rig,
        sweep: CALIBRATED,
        measured: { frequencyHz, levelDb },
        units: 'metric',
        noiseDb: 0.2,
      });
      expect(suspicions.filter(({ isTied }) => isTied).map((one) => one.id)).toContain(id);
    }
  },
);

test('where the only cable is twice as long, it is that, in words', () => {
  const cable = straight.electrical.rows[0]!.cables[0]!;
  const longer = withElectricalPart(
    straight,
    { of: 'cable', id: cable.id },
    { ...cable, lengthM: entered(2 * cable.lengthM.value) },
  );
  const { suspicions, rmsDb } = diagnose(question(withNoise(levelsOf(longer), 1, 0.05), 0.05));
  expect(suspicions[0]).toMatchObject({ id: cable.id, isTied: true, isWithinTolerance: false });
  expect(suspicions[0]!.words).toMatch(
    /^acts like (11\.[89]|12(\.\d+)?)\u00a0m instead of 6\u00a0m/u,
  );
  expect(suspicions[0]!.rmsDb).toBeLessThan(rmsDb / 10);
});

test('ties have the same curve: with no noise at all nothing but the same is tied', () => {
  const { rig, frequencyHz, truth, id } = faultyRig(1, 0);
  const levels = [...new RigMeter(frequencyHz).levels(truth)!];
  const { suspicions } = diagnose({
    chain: rig,
    sweep: CALIBRATED,
    measured: { frequencyHz, levelDb: levels },
    units: 'metric',
    noiseDb: 1e-6,
  });
  expect(suspicions[0]!.id).toBe(id);
  expect(suspicions.filter(({ isTied }) => isTied)).toHaveLength(1);
});

test('a rig as it is, with noise: nothing to explain', () => {
  const { isWithinNoise } = diagnose(question(withNoise(levelsOf(straight), 3, 0.2), null));
  expect(isWithinNoise).toBe(true);
});

test('a change as small as what may be off anyway is said to be that', () => {
  const cable = straight.electrical.rows[0]!.cables[0]!;
  const longer = withElectricalPart(
    straight,
    { of: 'cable', id: cable.id },
    { ...cable, lengthM: entered(1.01 * cable.lengthM.value) },
  );
  const { suspicions } = diagnose(question(levelsOf(longer), 1e-4));
  expect(suspicions[0]).toMatchObject({ id: cable.id, isWithinTolerance: true });
});

test('without a known level only the shape counts', () => {
  const shifted = levelsOf(straight).map((db) => db - 20);
  const { rmsDb } = diagnose({
    ...question(shifted),
    sweep: { ...CALIBRATED, isCalibrated: false },
  });
  expect(rmsDb).toBeLessThan(1e-9);
});

test('few points are refused; roughness is the noise of a curve', () => {
  const few = { frequencyHz: SWEPT_HZ.slice(0, 3), levelDb: [0, 0, 0] };
  expect(toEnd(diagnoseRig({ ...question([]), measured: few }))).toEqual({
    kind: 'tooFew',
    points: 3,
    least: 12,
  });
  const smooth = Array.from({ length: 400 }, (_, i) => -((i / 100) ** 2));
  expect(roughnessOf(withNoise(smooth, 5, 0.3))).toBeCloseTo(0.3, 1);
  expect(fitPickup([]).kind).toBe('tooFew');
});
