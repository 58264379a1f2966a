import {
  destinationOfKind,
  entered,
  guitarOfClass,
  cableOfClass,
  type Guitar,
} from '../../src/gear';
import {
  areaOfGauge,
  checkSpeakerCable,
  chooseDi,
  fitCable,
  gaugeOfArea,
  headroomDb,
  usualPeakV,
  USUAL_ENDS,
} from '../../src/tools';

const cable = { ...cableOfClass('ordinary', 'l1', entered(3)), plugF: entered(0) };
const bright = guitarOfClass('brightSingle', 'bright');
const piezo: Guitar = { ...bright, kind: 'piezo', piezoF: entered(0.5e-9) };
const active: Guitar = { ...bright, kind: 'active', outputOhm: entered(600) };
const choose = (guitar: Guitar) => chooseDi(guitar, cable, USUAL_ENDS);
const byName = (guitar: Guitar, name: string) =>
  choose(guitar).find((choice) => choice.name.startsWith(name))!;

describe('DI chooser', () => {
  test('a coil goes into an active DI, not into a transformer or a mixer', () => {
    expect(choose(bright)[0]).toMatchObject({ kind: 'activeDi', fit: 'right' });
    for (const name of ['transformer', 'mixer'])
      expect(byName(bright, name)).toMatchObject({ fit: 'wrong' });
    expect(byName(bright, 'mixer').levelDb).toBeLessThan(-3);
  });

  test('a piezo wants ten megohms: the corner is that of its capacitance and the cable against the input', () => {
    expect(choose(piezo)[0]!.name).toContain('10 MΩ');
    const cableF = 3 * 110e-12;
    for (const [name, rIn, cIn] of [
      ['active DI, 1', 1e6, 30e-12],
      ['mixer', 10e3, 100e-12],
    ] as const) {
      const corner = 1 / (2 * Math.PI * rIn * (0.5e-9 + cableF + cIn));
      // Against 400 Hz, which may itself lie on the slope.
      const at = (hz: number) => -10 * Math.log10(1 + (corner / hz) ** 2);
      const found = byName(piezo, name).highPassHz;
      if (found !== null) expect(at(found)).toBeCloseTo(at(400) - 20 * Math.log10(Math.SQRT2), 2);
    }
    expect(byName(piezo, 'active DI, 1').highPassHz).toBeGreaterThan(100);
    expect(byName(piezo, 'active DI for').highPassHz).toBeNull();
    expect(byName(piezo, 'mixer').fit).toBe('wrong');
  });

  test('what has an output of its own goes into a transformer', () => {
    expect(choose(active)[0]).toMatchObject({ kind: 'passiveDi', fit: 'right' });
    expect(byName(active, 'transformer').levelDb).toBeCloseTo(
      20 * Math.log10(140e3 / (140e3 + 600)),
      3,
    );
  });

  test('an input that draws nothing takes nothing', () => {
    const open = {
      ...destinationOfKind('activeDi', 'open'),
      rInOhm: entered(1e8),
      cInF: entered(0),
    };
    const [choice] = chooseDi(bright, cable, [open]);
    expect(choice!.levelDb).toBeCloseTo(0, 2);
    expect(choice!.trebleDb).toBeCloseTo(0, 1);
  });

  test('the fitting ones come first, and of those what leaves the source as it is used to', () => {
    const FITS = ['right', 'good enough', 'wrong'];
    for (const guitar of [bright, piezo, active]) {
      const choices = choose(guitar);
      // A coil is used to a megohm, which an amp has; the others to no load at all.
      const usual =
        guitar === bright
          ? choices.find(({ name }) => name === 'active DI, 1 MΩ')!
          : { levelDb: 0, trebleDb: 0 };
      const fits = choices.map(({ fit }) => FITS.indexOf(fit));
      expect(fits).toEqual([...fits].sort((a, b) => a - b));
      for (const fit of FITS) {
        const taken = choices
          .filter((choice) => choice.fit === fit)
          .map(
            ({ levelDb, trebleDb, highPassHz }) =>
              Math.abs(levelDb - usual.levelDb) +
              Math.abs(trebleDb - usual.trebleDb) +
              (highPassHz ?? 0) / 100,
          );
        expect(taken).toEqual([...taken].sort((a, b) => a - b));
      }
    }
  });

  test('a coil gets the DI with an amp’s input, a piezo the one with the highest, an output the transformer', () => {
    expect(choose(bright)[0]!.name).toBe('active DI, 1 MΩ');
    expect(choose(piezo)[0]!.rInOhm).toBe(10e6);
    expect(choose(active)[0]!.kind).toBe('passiveDi');
  });

  test('the hardest stroke follows the source', () => {
    expect(usualPeakV(bright)).toBe(0.7);
    expect(usualPeakV(guitarOfClass('hotHumbucker', ''))).toBeGreaterThan(1);
    expect(usualPeakV(piezo)).toBe(2);
    expect(usualPeakV(active)).toBe(2.5);
  });

  test('headroom in dB', () => {
    expect(headroomDb(1, 10)).toBeCloseTo(20, 12);
    expect(headroomDb(4, 2)).toBeCloseTo(-6.0206, 4);
  });
});

describe('speaker cable', () => {
  test('ten metres of 2.5 mm² at 8 Ω and 100 W, by hand', () => {
    const found = checkSpeakerCable({ lengthM: 10, areaM2: 2.5e-6, loadOhm: 8, powerW: 100 });
    const ohm = (2 * 1.724e-8 * 10) / 2.5e-6;
    expect(found.resistanceOhm).toBeCloseTo(ohm, 9);
    expect(found.lossDb).toBeCloseTo(20 * Math.log10(8 / (8 + ohm)), 9);
    expect(found.currentA).toBeCloseTo(Math.sqrt(800) / (8 + ohm), 9);
    expect(found.heatW).toBeCloseTo(found.currentA ** 2 * ohm, 9);
    expect(found.heatWPerM).toBeCloseTo(found.heatW / 10, 9);
    expect(found.damping).toBeCloseTo(8 / ohm, 9);
  });

  test('gauges: each three of them halve the area, and back', () => {
    expect(areaOfGauge(36)).toBeCloseTo((Math.PI / 4) * 0.127e-3 ** 2, 15);
    expect(areaOfGauge(13) / areaOfGauge(16)).toBeCloseTo(2, 1);
    for (const gauge of [8, 12, 16, 24]) expect(gaugeOfArea(areaOfGauge(gauge))).toBe(gauge);
  });
});

describe('cable by several readings', () => {
  test('a straight line through exact readings has no error', () => {
    const fit = fitCable(
      [1, 2, 5].map((lengthM) => ({ lengthM, totalF: 110e-12 * lengthM + 24e-12 })),
    );
    if (fit.kind !== 'line') throw new Error(fit.kind);
    expect(fit.cPerMF).toBeCloseTo(110e-12, 20);
    expect(fit.plugsF).toBeCloseTo(24e-12, 20);
    expect(fit.cPerMErrorF).toBeLessThan(1e-20);
  });

  test('errors are those of ordinary least squares', () => {
    const fit = fitCable([
      { lengthM: 1, totalF: 130e-12 },
      { lengthM: 2, totalF: 220e-12 },
      { lengthM: 3, totalF: 340e-12 },
    ]);
    if (fit.kind !== 'line') throw new Error(fit.kind);
    expect(fit.cPerMF).toBeCloseTo(105e-12, 18);
    expect(fit.plugsF).toBeCloseTo(20e-12, 18);
    // Residuals 5, −10, 5 pF: s² = 150 pF², Sxx = 2 m².
    expect(fit.cPerMErrorF).toBeCloseTo(Math.sqrt(150 / 2) * 1e-12, 18);
    expect(fit.plugsErrorF).toBeCloseTo(Math.sqrt(150 * (1 / 3 + 4 / 2)) * 1e-12, 18);
  });

  test('one length only is C over length', () => {
    expect(fitCable([{ lengthM: 2, totalF: 250e-12 }])).toEqual({
      kind: 'single',
      cPerMF: 125e-12,
    });
  });
});
