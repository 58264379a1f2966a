import { noiseOf } from '../../src/bench';
import { entered, guitarOfClass } from '../../src/gear';
import { newRig, setCableLength, applyEdits, withElectrical } from '../../src/rig';
import { switchedTo, withDestination, withGuitar } from '../rig/straightRow';

const rig = newRig('noise');

test('a resistor alone has √(4kTRB)', () => {
  const resistive = withDestination(
    withGuitar(applyEdits(rig, setCableLength('l1', 0)), {
      ...guitarOfClass('brightSingle', 'g'),
      id: 'g1',
      kind: 'active',
      outputOhm: entered(10_000),
    }),
    { input: 'plain', rInOhm: entered(1e8), cInF: entered(0) },
  );
  const { totalV } = noiseOf(resistive)!;
  const exact = Math.sqrt(4 * 1.380649e-23 * 293 * 10_000 * (20_000 - 20));
  // The plugs of the cable take a little off the top.
  expect(totalV / exact).toBeGreaterThan(0.98);
  expect(totalV / exact).toBeLessThan(1.001);
});

test('of a pickup it is √(kT/C), whatever its losses, as of all that a capacitance shunts', () => {
  const plain = withDestination(rig, { input: 'plain', rInOhm: entered(1e6), cInF: entered(0) });
  const cable = plain.electrical.rows[0]!.cables[0]!;
  const guitar = plain.electrical.guitars[0]!;
  const c =
    cable.cPerMF.value * cable.lengthM.value + 2 * cable.plugF.value + guitar.cWindingF.value;
  const { totalV } = noiseOf(plain)!;
  expect(totalV / Math.sqrt((1.380649e-23 * 293) / c)).toBeGreaterThan(0.9);
  expect(totalV / Math.sqrt((1.380649e-23 * 293) / c)).toBeLessThan(1.02);
});

test('a longer cable stands more in the open; where nothing is heard there is no figure', () => {
  const [one] = noiseOf(applyEdits(rig, setCableLength('l1', 3)))!.exposures;
  const [other] = noiseOf(applyEdits(rig, setCableLength('l1', 6)))!.exposures;
  expect(other!.exposureOhmM / one!.exposureOhmM).toBeGreaterThan(1.9);
  const silent = withElectrical(switchedTo(rig, {}), {
    rows: [{ ...rig.electrical.rows[0]!, cables: [null] }],
  });
  expect(noiseOf(silent)).toBeNull();
});
