import fc from 'fast-check';
import { compileSection, createLadderState, gridOf, solveLadder } from '../../src/circuit';
import { writeNetlist, writeResponseCsv } from '../../src/formats';
import { analyseRig, measureRig } from '../../src/figures';
import { deviceOfClass, entered, guitarOfClass, pickupOfClass, type Guitar } from '../../src/gear';
import { drivePath, routeOf, routeRows } from '../../src/path';
import {
  addAmpLoop,
  addGuitar,
  applyEdits,
  insertDevice,
  mainRow,
  newRig,
  setCableLength,
  type Rig,
} from '../../src/rig';
import { fitPickupSimulator } from '../../src/tools';
import { size } from '../circuit/complex';
import { randomRig } from '../rig/randomRig';
import { switchedTo, withCables, withGuitar } from '../rig/straightRow';
import { voltageAt } from './nodalAnalysis';

const HZ = [30, 400, 1500, 4000, 9000, 18_000];
const GRID = gridOf(Float64Array.from(HZ));

function levelsOf(rig: Rig, rowId: string): readonly number[] {
  const out = new Float64Array(2 * HZ.length);
  const state = createLadderState(HZ.length);
  const sum = HZ.map(() => 0);
  for (const { circuit } of drivePath(routeOf(rig, rowId)).sections) {
    solveLadder(compileSection(circuit), circuit.load, GRID, out, state);
    for (const i of HZ.keys()) sum[i]! += 20 * Math.log10(Math.hypot(out[2 * i]!, out[2 * i + 1]!));
  }
  return sum;
}

/** Holds the netlist of every way of a rig against the model. @returns how many were written */
function expectSame(rig: Rig): number {
  let written = 0;
  for (const { id } of routeRows(rig)) {
    const netlist = writeNetlist(rig, id);
    if (netlist.kind === 'refused') {
      expect(analyseRig(rig, undefined, id).kind).not.toBe('sounding');
      continue;
    }
    written++;
    const levels = levelsOf(rig, id);
    for (const [i, hz] of HZ.entries()) {
      const db = 20 * Math.log10(size(voltageAt(netlist.text, netlist.out, hz)));
      expect(Math.abs(db - levels[i]!)).toBeLessThan(0.002);
    }
  }
  return written;
}

test('random rigs: node voltages of the netlist are the model’s response', () => {
  let written = 0;
  fc.assert(
    fc.property(randomRig, (rig) => {
      written += expectSame(rig);
    }),
    { seed: 8, numRuns: 60 },
  );
  expect(written).toBeGreaterThan(30);
});

const oneClosed: Partial<Guitar> = {
  second: pickupOfClass('hotHumbucker'),
  pickupSwitch: 'both',
  sharing: 'individual',
  potWiring: 'independent',
  volume: turned(0),
};

const base = applyEdits(newRig('base'), setCableLength('l1', 6));

test.each<[string, Partial<Guitar>]>([
  ['piezo', { kind: 'piezo' }],
  ['active', { kind: 'active' }],
  ['fifties wiring, turned down', { wiring: 'fifties', volume: turned(0.6), tone: turned(0.4) }],
  ['pickup on the wiper', { potWiring: 'independent', volume: turned(0.5) }],
  ['bleed: capacitor', { bleed: 'capacitor', volume: turned(0.5) }],
  ['bleed: beside a resistor', { bleed: 'parallel', volume: turned(0.5) }],
  ['bleed: in series', { bleed: 'series', volume: turned(0.5) }],
  ['two in parallel', { second: pickupOfClass('hotHumbucker'), pickupSwitch: 'both' }],
  [
    'two in series',
    { second: pickupOfClass('hotHumbucker'), pickupSwitch: 'both', joint: 'series' },
  ],
  [
    'two out of phase',
    { second: pickupOfClass('hotHumbucker'), pickupSwitch: 'both', outOfPhase: true },
  ],
  [
    'two in series out of phase, each with its pots',
    {
      second: pickupOfClass('hotHumbucker'),
      pickupSwitch: 'both',
      joint: 'series',
      outOfPhase: true,
      sharing: 'individual',
      volume: turned(0.7),
    },
  ],
  [
    'one of two closed, the pickup on the wiper: bleed and fifties tone stay',
    { ...oneClosed, bleed: 'parallel', wiring: 'fifties', tone: turned(0.5) },
  ],
  ['the same with a bleed in series', { ...oneClosed, bleed: 'series' }],
  ['the same, two in series', { ...oneClosed, bleed: 'capacitor', joint: 'series' }],
])('guitar: %s', (_, guitar) => {
  expect(expectSame(withGuitar(base, guitar))).toBe(1);
});

function turned(travel: number): Guitar['volume'] {
  return { ...guitarOfClass('brightSingle', '').volume, travel: entered(travel) };
}

test('every kind of branch, and a cable so long that it is a line', () => {
  let rig = base;
  for (const name of ['selector', 'tap', 'passiveVolume', 'switcher', 'bufferedSplitter'] as const)
    rig = applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '')));
  const loop = rig.electrical.rows.find(({ at }) => at.kind === 'loop')!.id;
  rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('wah', ''), loop));
  rig = applyEdits(rig, addGuitar(rig, guitarOfClass('hotHumbucker', 'dark'), 'cable'));
  rig = applyEdits(rig, addAmpLoop(rig, 'e1'));
  const last = mainRow(rig).cables.at(-1)!.id;
  rig = applyEdits(rig, setCableLength(last, 90), { kind: 'switch', playing: 'g1' });
  // The main way, the tuner and the second amp by their side jacks, and the amp's loop.
  expect(expectSame(switchedTo(rig, { 'd4.0': true }))).toBe(routeRows(rig).length);
});

test('cables at the ends of what their fields accept', () => {
  for (const [lengthM, cPerMF, rPerMOhm, lPerMH] of [
    [100, 1e-9, 10, 1e-5],
    [100, 1e-9, 0.01, 1e-5],
    [100, 1e-10, 10, 1e-7],
    [10, 1e-9, 10, 1e-5],
  ] as const) {
    const rig = withCables(base, (cable) => ({
      ...cable,
      lengthM: entered(lengthM),
      cPerMF: entered(cPerMF),
      rPerMOhm: entered(rPerMOhm),
      lPerMH: entered(lPerMH),
    }));
    expect(expectSame(rig)).toBe(1);
    expect(expectSame(withGuitar(rig, { lH: entered(0.05), rDcOhm: entered(10) }))).toBe(1);
  }
});

test('a pickup simulator ahead of a fuzz', () => {
  let rig = base;
  for (const name of ['buffer', 'lowImpedanceFuzz'] as const)
    rig = applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '')));
  const fitted = applyEdits(rig, fitPickupSimulator(rig, 'd2')!);
  expect(mainRow(fitted).devices[1]!.pickupSimulator).toMatchObject({
    lH: { value: 2.2 },
    rOhm: { value: 5650 },
  });
  expectSame(switchedTo(fitted, { d2: true }));
  const [bare, with_] = [rig, fitted].map((one) => measureRig(switchedTo(one, { d2: true })));
  if (bare!.kind !== 'sounding' || with_!.kind !== 'sounding') throw new Error('silent');
  // 2.2 H and 5.65 kΩ into 8 kΩ: quieter, and duller, as from the pickup itself.
  expect(with_!.figures.levelDb).toBeLessThan(bare!.figures.levelDb - 3);
  expect(with_!.figures.trebleDb).toBeLessThan(bare!.figures.trebleDb - 6);
  expect(measureRig(switchedTo(fitted, { d2: false }))).toEqual(
    measureRig(switchedTo(rig, { d2: false })),
  );
});

test('nodes can be followed by a person; names are never twice', () => {
  const rig = applyEdits(
    base,
    insertDevice(base, 0, deviceOfClass('delay', '', 'Far “Bank”\n* trap')),
  );
  const netlist = writeNetlist(rig);
  if (netlist.kind === 'refused') throw new Error(netlist.message);
  expect(netlist.text).toContain('* Far “Bank” * trap drives');
  expect(netlist.text).toMatch(
    /^Ee_far_bank_trap far_bank_trap_emf 0 guitar_wiper|^Ee_far_bank_trap/mu,
  );
  const names = netlist.text
    .split('\n')
    .filter((line) => /^[RLCVE]/u.test(line))
    .map((line) => line.split(' ')[0]);
  expect(new Set(names).size).toBe(names.length);
  expect(netlist.text.split('\n').every((line) => /^([*.RLCVE]|$)/u.test(line))).toBe(true);
});

test('every connection is named by where it goes, each by its own', () => {
  const rig = ['drive', 'delay'].reduce(
    (so, name, i) => applyEdits(so, insertDevice(so, i, deviceOfClass(name as 'drive', '', name))),
    newRig('named'),
  );
  const netlist = writeNetlist(rig);
  if (netlist.kind === 'refused') throw new Error(netlist.message);
  // One volt, in phase: the response is the voltage at the last node.
  expect(netlist.text).toMatch(/^Vv_guitar \S+ 0 DC 0 AC 1$/mu);
  const capacitors = netlist.text.match(/^Cc_\S+ \S+/gmu)!.join('\n');
  for (const name of ['cable_in', 'patch_to_delay', 'cable_to_the_amp'])
    expect(capacitors).toContain(`Cc_${name}`);
});

test('what cannot be heard has no circuit', () => {
  const gap = applyEdits(base, { kind: 'connect', row: 'r1', at: 0, cable: null });
  expect(writeNetlist(gap)).toMatchObject({
    kind: 'refused',
    message: expect.stringContaining('missing'),
  });
  expect(writeNetlist(withGuitar(base, { volume: turned(0) }))).toMatchObject({ kind: 'refused' });
});

test('a curve as CSV: what the chart draws, point by point', () => {
  const analysis = analyseRig(base);
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  const [header, ...rows] = writeResponseCsv(analysis).trimEnd().split('\r\n');
  expect(header).toBe('frequency (Hz),now (dB),straight in (dB),difference (dB)');
  expect(rows).toHaveLength(analysis.nowDb.length);
  const [, now, reference, difference] = rows[200]!.split(',').map(Number);
  expect(now).toBeCloseTo(analysis.nowDb[200]!, 4);
  expect(difference).toBeCloseTo(now! - reference!, 3);
});
