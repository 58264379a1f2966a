import { measureRig } from '../../src/figures';
import { deviceOfClass, entered } from '../../src/gear';
import { driveWay } from '../../src/path';
import { applyEdits, insertDevice, mainRow, newRig, setCableLength, type Rig } from '../../src/rig';
import { capacitanceFor, capacitorPositions, outputIsFor, sweepOutput } from '../../src/tools';

/// What can be set by a switch or a knob: a capacitor in a plug, an adjustable output.

const empty = newRig('set');
const withBoxes = (...names: readonly Parameters<typeof deviceOfClass>[0][]): Rig =>
  names.reduce(
    (rig, name) =>
      applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, ''))),
    empty,
  );

test('every position of a capacitor switch says the resonance that the finder finds for it', () => {
  const { path } = driveWay(empty);
  const positions = capacitorPositions(path, 0);
  expect(positions[0]!.addF).toBe(0);
  for (const { addF, resonanceHz } of positions.slice(1)) {
    const found = capacitanceFor(path, resonanceHz!);
    if (found.kind !== 'ok') throw new Error('there is one');
    expect(found.addF / addF).toBeCloseTo(1, 1);
  }
  const falling = positions.map(({ resonanceHz }) => resonanceHz!);
  expect(falling).toEqual([...falling].sort((a, b) => b - a));
  // What is switched in already is not counted twice.
  const cable = { ...mainRow(empty).cables[0]!, added: true, addedF: entered(330e-12) };
  const on = applyEdits(empty, { kind: 'replace', part: { of: 'cable', to: cable } });
  const again = capacitorPositions(driveWay(on).path, 330e-12);
  expect(again.map(({ resonanceHz }) => resonanceHz)).toEqual(
    positions.map(({ resonanceHz }) => expect.closeTo(resonanceHz!, 3)),
  );
});

test('no pickup, no resonance to switch', () => {
  const driven = { ...driveWay(empty).path, sections: [] };
  expect(capacitorPositions(driven, 0)).toEqual([]);
});

test('an output swept is the rig measured with that output', () => {
  const rig = applyEdits(withBoxes('buffer'), setCableLength('l2', 30));
  const swept = sweepOutput(rig, 'r1', 'd1');
  for (const { rOutOhm, trebleDb } of swept) {
    const set = applyEdits(rig, {
      kind: 'set',
      target: { of: 'device', id: 'd1' },
      field: 'on.rOutOhm',
      to: entered(rOutOhm),
    });
    const measured = measureRig(set);
    expect(trebleDb).toBeCloseTo(measured.kind === 'sounding' ? measured.figures.trebleDb : NaN, 9);
  }
  expect(swept[0]!.trebleDb!).toBeGreaterThan(swept.at(-1)!.trebleDb! + 1);
});

test('it is set by what stands next', () => {
  expect(outputIsFor(withBoxes('buffer', 'lowImpedanceFuzz'), 'd1')).toBe('fuzz');
  expect(outputIsFor(withBoxes('buffer', 'drive'), 'd1')).toBe('cable');
  expect(outputIsFor(withBoxes('buffer'), 'd1')).toBe('cable');
});
