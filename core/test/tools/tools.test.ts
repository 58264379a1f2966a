import { analyseRig } from '../../src/figures';
import { deviceOfClass, entered, PICKUP_CLASSES } from '../../src/gear';
import { drivePath, routeOf } from '../../src/path';
import {
  applyEdits,
  insertDevice,
  newRig,
  setCableLength,
  withPart,
  type Rig,
} from '../../src/rig';
import {
  capacitanceFor,
  capacitanceOf,
  keepLikedCable,
  pickupOrCable,
  pickupSimulatorFor,
  sweepSources,
} from '../../src/tools';
import { cablesOf, withGuitar, withCables } from '../rig/straightRow';

const path = (rig: Rig) => drivePath(routeOf(rig));

function resonanceHz(rig: Rig): number {
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding' || analysis.resonance.kind !== 'resonance') return NaN;
  return analysis.resonance.frequencyHz;
}

/** More capacitance on the one cable, as a capacitor in its plug. */
const withAdded = (rig: Rig, addF: number): Rig =>
  withCables(rig, (cable) => ({ ...cable, added: true, addedF: entered(addF) }));

describe('capacitance for a wanted resonance', () => {
  const rig = applyEdits(newRig('find'), setCableLength('l1', 3));

  test.each([2200, 2600, 3000])('%d Hz: put in, the rig resonates there', (wantedHz) => {
    const found = capacitanceFor(path(rig), wantedHz);
    if (found.kind !== 'ok') throw new Error(found.kind);
    expect(resonanceHz(withAdded(rig, found.addF))).toBeCloseTo(wantedHz, -0.5);
    // The textbook start lands a few per cent low in frequency: it asks for more than the model does.
    expect(found.startF / found.totalF).toBeGreaterThan(0.95);
    expect(found.startF / found.totalF).toBeLessThan(1.3);
  });

  test('above what the bare cable gives: capacitance has to go', () => {
    const long = applyEdits(newRig('long'), setCableLength('l1', 10));
    const found = capacitanceFor(path(long), 3500);
    expect(found.kind === 'ok' && found.addF).toBeLessThan(0);
  });

  test('out of reach it says between which frequencies, and without a pickup that there is none', () => {
    const found = capacitanceFor(path(rig), 15_000);
    if (found.kind !== 'unreachable') throw new Error(found.kind);
    expect(found.toHz).toBeLessThan(15_000);
    expect(found.fromHz).toBeLessThan(found.toHz);
    expect(capacitanceFor(path(withGuitar(rig, { kind: 'active' })), 3000).kind).toBe(
      'noResonance',
    );
  });

  test('what hangs on a line is counted once: cable, plugs, strays, input', () => {
    const [section] = path(rig).sections;
    expect(capacitanceOf(section!.circuit)).toBeCloseTo(3 * 110e-12 + 30e-12 + 100e-12, 15);
  });
});

describe('keeping a liked cable after a buffer', () => {
  const liked = { lengthM: 6, cPerMF: 110e-12, plugsF: 30e-12 };
  const straight = applyEdits(newRig('liked'), setCableLength('l1', 6));
  const buffered = (lengthM: number) =>
    applyEdits(
      newRig('liked'),
      insertDevice(newRig('liked'), 0, deviceOfClass('buffer', '')),
      setCableLength('l1', lengthM),
    );

  test('with what it says added at the buffer’s input, the resonance is the old one', () => {
    const rig = buffered(2);
    const found = keepLikedCable(path(rig), liked, routeOf(rig).reference);
    if (found.kind !== 'ok') throw new Error(found.kind);
    const device = rig.electrical.rows[0]!.devices[0]!;
    const cInF = entered(device.on.cInF.value + found.addF);
    const kept = withPart(
      rig,
      { of: 'device', id: device.id },
      { ...device, on: { ...device.on, cInF } },
    );
    expect(resonanceHz(kept) / resonanceHz(straight)).toBeCloseTo(1, 2);
    expect(resonanceHz(rig) / resonanceHz(straight)).toBeGreaterThan(1.2);
  });

  test('a cable that is too long itself, and a way without a buffer', () => {
    const long = buffered(12);
    expect(keepLikedCable(path(long), liked, routeOf(long).reference).kind).toBe('cableTooLong');
    expect(keepLikedCable(path(straight), liked, routeOf(straight).reference).kind).toBe(
      'noBuffer',
    );
  });
});

describe('pickup simulator', () => {
  const fuzzAfterBuffer = () => {
    let rig = newRig('pickup simulator');
    for (const name of ['buffer', 'lowImpedanceFuzz'] as const)
      rig = applyEdits(
        rig,
        insertDevice(rig, rig.electrical.rows[0]!.devices.length, deviceOfClass(name, '')),
      );
    return applyEdits(rig, { kind: 'switch', positions: { d2: true } });
  };

  test('is the coil in series, and brings the impedance back to the pickup’s order', () => {
    const driven = path(fuzzAfterBuffer());
    const fuzz = driven.stops.findIndex(({ spot }) => spot.id === 'd2');
    const found = pickupSimulatorFor(driven, fuzz)!;
    expect(found.lH).toBe(2.2);
    expect(found.rOhm).toBeCloseTo(5800 - 150, 6);
    for (const { pickupOhm, nowOhm, simulatorOhm } of found.impedances) {
      expect(nowOhm).toBeLessThan(0.2 * pickupOhm);
      expect(simulatorOhm / pickupOhm).toBeGreaterThan(0.7);
      expect(simulatorOhm / pickupOhm).toBeLessThan(1.4);
    }
  });

  test('nothing to stand in for where the pickup drives the fuzz', () => {
    const rig = applyEdits(
      newRig('first'),
      insertDevice(newRig('first'), 0, deviceOfClass('lowImpedanceFuzz', '')),
      { kind: 'switch', positions: { d1: true } },
    );
    const driven = path(rig);
    expect(
      pickupSimulatorFor(
        driven,
        driven.stops.findIndex(({ spot }) => spot.id === 'd1'),
      ),
    ).toBeNull();
  });
});

test('the same chain from every source: the rig’s own first, each as if it were swapped in', () => {
  const rig = applyEdits(newRig('sweep'), setCableLength('l1', 9));
  const swept = sweepSources(rig);
  expect(swept).toHaveLength(1 + Object.keys(PICKUP_CLASSES).length);
  const own = analyseRig(rig);
  expect(swept[0]).toMatchObject({ isOwn: true, name: 'guitar' });
  expect(own.kind === 'sounding' && own.figures.trebleDb).toBeCloseTo(swept[0]!.trebleDb, 9);
  const bright = swept.find(({ name, isOwn }) => !isOwn && name === 'bright single coil')!;
  expect(bright.trebleDb).toBeCloseTo(swept[0]!.trebleDb, 9);
});

test('pickup or cable: a shorter cable moves the resonance up, a hotter pickup down', () => {
  const rig = applyEdits(newRig('which'), setCableLength('l1', 9));
  const all = pickupOrCable(rig, cablesOf(rig)[0]!.id);
  const [half, hot] = ['half as long', 'hot humbucker'].map((name) =>
    all.find((found) => found.name === name)!,
  );
  const now = resonanceHz(rig);
  expect(half!.kind).toBe('cable');
  expect(half!.resonanceHz).toBeGreaterThan(now);
  expect(half!.resonanceHz).toBeCloseTo(resonanceHz(applyEdits(rig, setCableLength('l1', 4.5))), 6);
  expect(hot!.resonanceHz).toBeLessThan(now);
  expect(pickupOrCable(rig, 'l77')).toEqual([]);
});
