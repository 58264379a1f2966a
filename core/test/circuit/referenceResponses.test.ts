import { readFileSync } from 'node:fs';
import {
  chooseCableForm,
  compileSection,
  createLadderState,
  gridOf,
  solveLadder,
  type CableForm,
} from '../../src/circuit';
import { readSection, type ReferenceSection } from '../reference/referenceSection';

interface ReferenceCase {
  id: string;
  what: string;
  sections: ReferenceSection[];
  db: number[];
  phase_deg: number[];
}

const file = JSON.parse(
  readFileSync(new URL('../reference/responses.json', import.meta.url), 'utf8'),
) as { f_hz: number[]; cases: ReferenceCase[] };
const grid = gridOf(Float64Array.from(file.f_hz));

/** Sum of the sections' levels (dB) and phases (degrees) at every point. */
function respond(sections: ReferenceSection[], form?: CableForm) {
  const db = new Float64Array(grid.omega.length);
  const degrees = new Float64Array(grid.omega.length);
  const state = createLadderState(grid.omega.length);
  const out = new Float64Array(2 * grid.omega.length);
  for (const reference of sections) {
    const section = readSection(reference);
    const ladder = compileSection(section, form ?? chooseCableForm(section));
    solveLadder(ladder, section.load, grid, out, state);
    for (let i = 0; i < db.length; i++) {
      db[i]! += 20 * Math.log10(Math.hypot(out[2 * i]!, out[2 * i + 1]!));
      degrees[i]! += (Math.atan2(out[2 * i + 1]!, out[2 * i]!) * 180) / Math.PI;
    }
  }
  return { db, degrees };
}

/** Phases compare modulo 360°. */
const apart = (a: number, b: number) => Math.abs(((((a - b + 180) % 360) + 360) % 360) - 180);

const worst = (reference: ReferenceCase, form?: CableForm) => {
  const { db, degrees } = respond(reference.sections, form);
  let level = 0;
  let phase = 0;
  for (let i = 0; i < db.length; i++) {
    level = Math.max(level, Math.abs(db[i]! - reference.db[i]!));
    phase = Math.max(phase, apart(degrees[i]!, reference.phase_deg[i]!));
  }
  return { level, phase };
};

test('the reference file holds 22 cases', () => {
  expect(file.cases).toHaveLength(22);
});

test.each(file.cases.map((reference) => [`${reference.id} ${reference.what}`, reference] as const))(
  '%s, cables as the rule chooses: within 0.01 dB and 0.1°',
  (_, reference) => {
    const { level, phase } = worst(reference);
    expect(level).toBeLessThan(0.01);
    expect(phase).toBeLessThan(0.1);
  },
);

test.each(file.cases.map((reference) => [reference.id, reference] as const))(
  '%s, every cable a uniform line: within 0.0001 dB and 0.001°',
  (_, reference) => {
    const { level, phase } = worst(reference, 'line');
    expect(level).toBeLessThan(1e-4);
    expect(phase).toBeLessThan(1e-3);
  },
);
