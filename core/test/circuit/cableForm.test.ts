import fc from 'fast-check';
import {
  chooseCableForm,
  compileSection,
  createLadderState,
  DRAW_GRID,
  gridOf,
  solveLadder,
  type CableElement,
  type CableForm,
  type Load,
  type PathElement,
  type Section,
  type Source,
} from '../../src/circuit';
import {
  FIELD_RULES,
  guitarOfClass,
  PICKUP_CLASSES,
  type FieldRule,
  type PickupClass,
} from '../../src/gear';
import { guitarSource } from '../../src/path';
import { apart, c, type Complex } from './complex';

/// Cables as capacitances against cables as lines: the rule that chooses keeps 0.01 dB.

const grid = gridOf(Float64Array.of(35, 400, 2000, 5600, 18000));

function solve(section: Section, form: CableForm): readonly Complex[] {
  const out = new Float64Array(2 * grid.omega.length);
  const state = createLadderState(grid.omega.length);
  solveLadder(compileSection(section, form), section.load, grid, out, state);
  return Array.from(grid.omega, (_, i) => c(out[2 * i]!, out[2 * i + 1]!));
}

describe('lumped against line', () => {
  const worstCable = (lengthM: number): CableElement => ({
    kind: 'cable',
    lengthM,
    cPerMF: 180e-12,
    rPerMOhm: 0.25,
    lPerMH: 0.6e-6,
    lossTangent: 0,
    plugsF: 30e-12,
  });
  const amp: Load = { rOhm: 1e6, cF: 0, grid: { stopperOhm: 34e3, millerF: 1e-10 } };

  const worstDb = (from: Source, lengthM: number): number =>
    apartDb({ source: from, path: [worstCable(lengthM)], load: amp });

  /** The most that the two forms are apart. */
  function apartDb(section: Section): number {
    const levels = (['lumped', 'line'] as const).map((form) => {
      const out = new Float64Array(2 * DRAW_GRID.omega.length);
      solveLadder(
        compileSection(section, form),
        section.load,
        DRAW_GRID,
        out,
        createLadderState(DRAW_GRID.omega.length),
      );
      return Array.from(
        DRAW_GRID.omega,
        (_, i) => 20 * Math.log10(Math.hypot(out[2 * i]!, out[2 * i + 1]!)),
      );
    });
    return Math.max(...levels[0]!.map((db, i) => Math.abs(db - levels[1]![i]!)));
  }

  test.each([50, 150, 200, 500, 1000, 2000, 5000, 10000])(
    'the rule keeps 0.01 dB after %d Ω',
    (rOutOhm) => {
      const from: Source = { kind: 'voltage', rOutOhm, gain: 1 };
      for (const lengthM of [5, 20, 35]) {
        expect(chooseCableForm({ source: from, path: [worstCable(lengthM)] })).toBe('lumped');
        expect(worstDb(from, lengthM)).toBeLessThan(0.01);
      }
    },
  );

  test('the rule keeps 0.01 dB after every class of pickup up to 55 m', () => {
    for (const name of Object.keys(PICKUP_CLASSES) as PickupClass[]) {
      const from = guitarSource(guitarOfClass(name, name));
      expect(chooseCableForm({ source: from, path: [worstCable(55)] })).toBe('lumped');
      expect(worstDb(from, 55)).toBeLessThan(0.01);
    }
  });

  /** Anything between the limits of a field, small as often as large. */
  const within = ({ min, max }: FieldRule, least = max / 1e6) =>
    fc
      .double({ min: 0, max: 1, noNaN: true })
      .map((x) => Math.max(min, least) * (max / Math.max(min, least)) ** x);
  const { cable, device, destination, guitar } = FIELD_RULES;
  const anyCable = fc.record({
    kind: fc.constant('cable' as const),
    lengthM: within(cable.lengthM, 0.1),
    cPerMF: within(cable.cPerMF, 1e-11),
    rPerMOhm: within(cable.rPerMOhm, 1e-2),
    lPerMH: within(cable.lPerMH, 1e-8),
    lossTangent: fc.constant(0),
    plugsF: within(cable.plugF, 1e-12),
  });
  const anyLoad = fc.record({
    rOhm: within(destination.rInOhm),
    cF: within(destination.cInF, 1e-12),
    grid: fc.option(
      fc.record({
        stopperOhm: within(destination.stopperOhm, 100),
        millerF: within(destination.millerF, 1e-12),
      }),
    ),
  });
  const pot = within(guitar['volume.potOhm']);
  const anyPickup = fc
    .record({
      kind: fc.constant('pickup' as const),
      lH: within(guitar.lH),
      rDcOhm: within(guitar.rDcOhm),
      cWindingF: within(guitar.cWindingF, 1e-12),
      rEddyOhm: within(guitar.rEddyOhm),
    })
    .chain((coil) =>
      fc.tuple(pot, fc.double({ min: 0.01, max: 1, noNaN: true })).map(([potOhm, wiper]) => ({
        ...coil,
        controls: {
          wiring: 'modern' as const,
          volume: { potOhm, wiper, reversed: false },
          tone: { potOhm, cF: 22e-9, remaining: 1, noLoad: false },
          bleed: null,
        },
      })),
    );
  const anySource: fc.Arbitrary<Source> = fc.oneof(
    anyPickup,
    within(device['on.rOutOhm'], 1).map(
      (rOutOhm) => ({ kind: 'voltage', rOutOhm, gain: 1 }) as const,
    ),
    within(guitar.piezoF).map((cF) => ({ kind: 'piezo', cF }) as const),
  );

  test('whatever the fields accept, where the rule takes capacitances they are within 0.01 dB', () => {
    let lumped = 0;
    fc.assert(
      fc.property(
        anySource,
        fc.array(anyCable, { minLength: 1, maxLength: 3 }),
        anyLoad,
        (from, path, load) => {
          const section: Section = { source: from, path, load };
          if (chooseCableForm(section) === 'line') return;
          lumped++;
          expect(apartDb(section)).toBeLessThan(0.01);
        },
      ),
      { seed: 3, numRuns: 4000 },
    );
    expect(lumped).toBeGreaterThan(300);
  });

  test('a line of a kilometre of the worst conductor is ten of a hundred metres', () => {
    const of = (lengthM: number): CableElement => ({
      kind: 'cable',
      lengthM,
      cPerMF: cable.cPerMF.max,
      rPerMOhm: cable.rPerMOhm.max,
      lPerMH: cable.lPerMH.max,
      lossTangent: 0,
      plugsF: 0,
    });
    const source: Source = { kind: 'voltage', rOutOhm: 100, gain: 1 };
    const whole = solve({ source, path: [of(1000)], load: amp }, 'line');
    const parts = solve(
      { source, path: Array.from({ length: 10 }, () => of(100)), load: amp },
      'line',
    );
    whole.forEach((h, i) => expect(apart(h, parts[i]!)).toBeLessThan(1e-9));
  });

  test('past its limits the rule takes the line', () => {
    const from: Source = { kind: 'voltage', rOutOhm: 50, gain: 1 };
    expect(chooseCableForm({ source: from, path: [worstCable(36)] })).toBe('line');
    const coil: PathElement = { kind: 'coil', rOhm: 5000, lH: 3 };
    expect(chooseCableForm({ source: from, path: [worstCable(1), coil] })).toBe('line');
    const aside: PathElement = {
      kind: 'branch',
      path: [worstCable(9)],
      load: { ...amp, rOhm: 1000 },
    };
    expect(chooseCableForm({ source: from, path: [aside] })).toBe('line');
    expect(worstDb(from, 60)).toBeGreaterThan(0.01);
    expect(chooseCableForm({ source: { kind: 'piezo', cF: 5e-10 }, path: [worstCable(56)] })).toBe(
      'line',
    );
  });
});
