import { cableOfClass, entered } from '../../src/gear';
import { planReamp, speakerPeakV } from '../../src/tools';

const cable = { ...cableOfClass('ordinary', 'l1', entered(3)), plugF: entered(0) };
const ask = (outOhm: number) => planReamp({ lineV: 1.75, guitarV: 0.7, outOhm, cable });

test('the pad is what lies between the two peaks', () => {
  expect(ask(1000).padDb).toBeCloseTo(20 * Math.log10(1.75 / 0.7), 12);
  expect(planReamp({ lineV: 0.35, guitarV: 0.7, outOhm: 1000, cable }).padDb).toBeCloseTo(
    -6.0206,
    4,
  );
});

test('an output of none loses nothing; a high one loses as a resistor into a capacitance and a megohm does', () => {
  expect(ask(0)).toMatchObject({ levelDb: 0, trebleDb: 0 });
  const outOhm = 22_000;
  const cF = 3 * cable.cPerMF.value + 20e-12;
  // |1/(1 + R/Rin + jωRC)| at 400 Hz.
  const omega = 2 * Math.PI * 400;
  const level = -10 * Math.log10((1 + outOhm / 1e6) ** 2 + (omega * outOhm * cF) ** 2);
  expect(ask(outOhm).levelDb).toBeCloseTo(level, 2);
  expect(ask(outOhm).trebleDb).toBeLessThan(ask(1000).trebleDb);
});

test('fifty watts into eight ohms peak at 28 V', () => {
  expect(speakerPeakV(50, 8)).toBeCloseTo(28.284, 3);
});
