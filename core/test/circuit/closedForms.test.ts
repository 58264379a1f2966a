import {
  compileSection,
  createLadderState,
  gridOf,
  solveLadder,
  type Controls,
  type CableForm,
  type Load,
  type Section,
  type Source,
} from '../../src/circuit';
import { add, apart, c, div, exp, inv, mul, parallel, sqrt, type Complex } from './complex';

const frequencies = [20, 82.41, 400, 1000, 2637, 5000, 12000, 20000];
const grid = gridOf(Float64Array.from(frequencies));
const state = createLadderState(frequencies.length);

function solve(section: Section, form?: CableForm): readonly Complex[] {
  const out = new Float64Array(2 * frequencies.length);
  solveLadder(compileSection(section, form), section.load, grid, out, state);
  return frequencies.map((_, i) => c(out[2 * i]!, out[2 * i + 1]!));
}

/** Every frequency's transfer against a formula in ω, on the complex value. */
function expectForm(section: Section, formula: (w: number) => Complex, form?: CableForm) {
  solve(section, form).forEach((h, i) => {
    expect(apart(h, formula(2 * Math.PI * frequencies[i]!))).toBeLessThan(1e-12);
  });
}

const R = (ohm: number) => c(ohm);
const C = (farad: number) => (w: number) => c(0, -1 / (w * farad));
const L = (henry: number) => (w: number) => c(0, w * henry);

const megohm: Load = { rOhm: 1e6, cF: 0, grid: null };
const open: Load = { rOhm: Infinity, cF: 0, grid: null };
const bare: Controls = { wiring: 'modern', volume: null, tone: null, bleed: null };
const voltage = (rOutOhm: number, gain = 1): Source => ({ kind: 'voltage', rOutOhm, gain });
const pickup = (controls: Controls, rEddyOhm: number | null = null): Source => ({
  kind: 'pickup',
  lH: 2.2,
  rDcOhm: 5800,
  cWindingF: 110e-12,
  rEddyOhm,
  controls,
});

test('a voltage after a resistance into a resistance is a divider', () => {
  expectForm({ source: voltage(1000, 0.5), path: [], load: megohm }, () =>
    c((0.5 * 1e6) / 1.001e6),
  );
});

test('a coil in the way is its resistance and reactance in series with what drives it', () => {
  const section: Section = {
    source: voltage(1000),
    path: [{ kind: 'coil', rOhm: 5000, lH: 2.2 }],
    load: { rOhm: 8000, cF: 0, grid: null },
  };
  expectForm(section, (w) => div(R(8000), add(R(14000), L(2.2)(w))));
});

test('a resistance into a capacitance is a first-order low-pass', () => {
  const section: Section = {
    source: voltage(10e3),
    path: [{ kind: 'shunt', rOhm: null, cF: 1e-9 }],
    load: open,
  };
  expectForm(section, (w) => inv(c(1, w * 10e3 * 1e-9)));
});

test('a piezo into a resistance is a first-order high-pass', () => {
  expectForm({ source: { kind: 'piezo', cF: 5e-10 }, path: [], load: megohm }, (w) => {
    const x = w * 1e6 * 5e-10;
    return div(c(0, x), c(1, x));
  });
});

test('a pickup alone is a second-order low-pass', () => {
  expectForm({ source: pickup(bare), path: [], load: open }, (w) =>
    inv(c(1 - w * w * 2.2 * 110e-12, w * 5800 * 110e-12)),
  );
});

test('eddy losses stand beside the inductance', () => {
  expectForm({ source: pickup(bare, 1e6), path: [], load: megohm }, (w) => {
    const z = add(R(5800), parallel(L(2.2)(w), R(1e6)));
    const load = parallel(C(110e-12)(w), R(1e6));
    return div(load, add(z, load));
  });
});

/** The pickup's Thévenin voltage divided by a ladder of impedances, written out by hand. */
function byHand(
  w: number,
  top: Complex,
  toneAt: 'pickup' | 'wiper',
  tone: Complex,
  bottom: Complex,
) {
  const z = add(R(5800), L(2.2)(w));
  const wiper = toneAt === 'wiper' ? parallel(bottom, tone, R(1e6)) : parallel(bottom, R(1e6));
  const down = add(top, wiper);
  const node =
    toneAt === 'pickup' ? parallel(C(110e-12)(w), tone, down) : parallel(C(110e-12)(w), down);
  return mul(div(node, add(z, node)), div(wiper, down));
}

const volume = { potOhm: 250e3, wiper: 0.3, reversed: false };
const tone = { potOhm: 250e3, cF: 22e-9, remaining: 0.4, noLoad: false };
const upper = R(250e3 * 0.7);
const lower = R(250e3 * 0.3);
const toneZ = (w: number) => add(R(250e3 * 0.4), C(22e-9)(w));

test.each([
  ['modern', 'pickup'],
  ['fifties', 'wiper'],
] as const)('%s wiring hangs the tone at the %s', (wiring, at) => {
  const source = pickup({ wiring, volume, tone, bleed: null });
  expectForm({ source, path: [], load: megohm }, (w) => byHand(w, upper, at, toneZ(w), lower));
});

test.each([
  ['capacitor', { topology: 'capacitor', cF: 1e-9 }, (w: number) => C(1e-9)(w)],
  [
    'parallel',
    { topology: 'parallel', cF: 1e-9, rOhm: 150e3 },
    (w: number) => parallel(C(1e-9)(w), R(150e3)),
  ],
  [
    'series',
    { topology: 'series', cF: 680e-12, rOhm: 130e3 },
    (w: number) => add(C(680e-12)(w), R(130e3)),
  ],
] as const)('a %s bleed bridges the upper track', (_, bleed, z) => {
  const source = pickup({ wiring: 'modern', volume, tone, bleed });
  expectForm({ source, path: [], load: megohm }, (w) =>
    byHand(w, parallel(upper, z(w)), 'pickup', toneZ(w), lower),
  );
});

test('a no-load tone pot at full up is not there', () => {
  const full = { ...tone, remaining: 1, noLoad: true };
  const without = solve({ source: pickup({ ...bare, tone: null }), path: [], load: megohm });
  const withIt = solve({ source: pickup({ ...bare, tone: full }), path: [], load: megohm });
  expect(withIt).toEqual(without);
});

test('a closed volume is silence, not an error', () => {
  const source = pickup({
    wiring: 'modern',
    volume: { potOhm: 250e3, wiper: 0, reversed: false },
    tone,
    bleed: null,
  });
  for (const h of solve({ source, path: [], load: megohm }))
    expect([Math.abs(h.re), Math.abs(h.im)]).toEqual([0, 0]);
  const closed: Section = {
    source: voltage(100),
    path: [{ kind: 'pot', rOhm: 25e3, wiper: 0 }],
    load: megohm,
  };
  for (const h of solve(closed)) expect(Math.hypot(h.re, h.im)).toBe(0);
});

test('a grid stopper into Miller capacitance beside the input resistance', () => {
  const load: Load = { rOhm: 1e6, cF: 20e-12, grid: { stopperOhm: 34e3, millerF: 100e-12 } };
  expectForm({ source: voltage(50e3), path: [], load }, (w) => {
    const z = parallel(R(1e6), C(20e-12)(w), add(R(34e3), C(100e-12)(w)));
    return div(z, add(R(50e3), z));
  });
});

test('a lossy uniform line by cosh and sinh', () => {
  const cable = {
    kind: 'cable',
    lengthM: 45,
    cPerMF: 180e-12,
    rPerMOhm: 0.25,
    lPerMH: 0.6e-6,
    lossTangent: 0.05,
    plugsF: 0,
  } as const;
  expectForm(
    { source: voltage(150), path: [cable], load: megohm },
    (w) => {
      const series = c(0.25, w * 0.6e-6);
      const shunt = mul(c(w * 180e-12), c(0.05, 1));
      const gamma = mul(sqrt(mul(series, shunt)), c(45));
      const z0 = sqrt(div(series, shunt));
      const [up, down] = [exp(gamma), exp(mul(gamma, c(-1)))];
      const cosh = mul(add(up, down), c(0.5));
      const sinh = mul(add(up, mul(down, c(-1))), c(0.5));
      const [a, b, cc] = [cosh, mul(z0, sinh), div(sinh, z0)];
      const y = c(1e-6);
      return inv(add(a, mul(b, y), mul(c(150), add(cc, mul(cosh, y)))));
    },
    'line',
  );
});

test('a cable of no length and no plugs is not there, in either form', () => {
  const cable = {
    kind: 'cable',
    lengthM: 0,
    cPerMF: 110e-12,
    rPerMOhm: 0.1,
    lPerMH: 0.5e-6,
    lossTangent: 0,
    plugsF: 0,
  } as const;
  const without = solve({ source: pickup(bare), path: [], load: megohm });
  for (const form of ['lumped', 'line'] as const) {
    expect(solve({ source: pickup(bare), path: [cable], load: megohm }, form)).toEqual(without);
  }
});
