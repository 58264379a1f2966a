import { readFileSync } from 'node:fs';
import { analyseStates } from '../../src/figures';
import { assumed, deviceOfClass, cableOfClass, type Device, type Side } from '../../src/gear';
import { routeOf, TrebleMeter } from '../../src/path';
import { newRig, type Rig } from '../../src/rig';
import { devicesOf, pathOf, switchedTo, withRowOf } from '../rig/straightRow';
import { readLoad, readSource, type ReferenceSection } from '../reference/referenceSection';

interface ReferenceSide {
  kind: 'driver' | 'wire' | 'loaded';
  r_in_ohm?: number;
  c_in_f?: number;
  r_out_ohm?: number;
  gain_db?: number;
}

const file = JSON.parse(
  readFileSync(new URL('../reference/states.json', import.meta.url), 'utf8'),
) as {
  rig: {
    source: ReferenceSection['source'];
    devices: { name: string; engaged: ReferenceSide; bypassed: ReferenceSide }[];
    leads: { length_m: number; c_per_m_f: number; plugs_f: number }[];
    load: ReferenceSection['load'];
  };
  result: {
    treble_all_off_db: number;
    level_all_off_db: number;
    brightest: { treble_db: number; on: number[] };
    dullest: { treble_db: number; on: number[] };
    mean_db: number;
    std_db: number;
  };
};

const sideOf = (side: ReferenceSide): Side => ({
  rInOhm: assumed(side.r_in_ohm ?? 1e6),
  cInF: assumed(side.c_in_f ?? 0),
  rOutOhm: assumed(side.r_out_ohm ?? 0),
  gainDb: assumed(side.gain_db ?? 0),
});

const BYPASS = { wire: 'true', loaded: 'hardwired', driver: 'buffered' } as const;

function rigOfFile(): Rig {
  const devices = file.rig.devices.map((device, i): Device => ({
    ...deviceOfClass('drive', `d${i + 1}`, device.name),
    bypass: BYPASS[device.bypassed.kind],
    on: sideOf(device.engaged),
    off: sideOf(device.bypassed),
  }));
  const cables = file.rig.leads.map((cable, i) => ({
    ...cableOfClass('ordinary', `l${i + 1}`, assumed(cable.length_m)),
    cPerMF: assumed(cable.c_per_m_f),
    plugF: assumed(cable.plugs_f / 2),
  }));
  return withRowOf(newRig('states'), devices, cables);
}

const meter = new TrebleMeter();

function against(rig: Rig, on: readonly number[]) {
  const positions = Object.fromEntries(
    devicesOf(rig).flatMap(({ id }, i) => (on[i] ? [[id, true]] : [])),
  );
  const reference = meter.measure(routeOf(rig).reference);
  let trebleDb = -reference.trebleDb;
  let levelDb = -reference.levelDb;
  for (const { circuit } of pathOf(switchedTo(rig, positions)).sections) {
    const treble = meter.measure(circuit);
    trebleDb += treble.trebleDb;
    levelDb += treble.levelDb;
  }
  return { trebleDb, levelDb };
}

const rig = rigOfFile();
const every = Array.from({ length: 256 }, (_, bits) =>
  Array.from({ length: 8 }, (_, k) => (bits >> k) & 1),
);

test('the rig stands for the source and load of the file', () => {
  expect(pathOf(rig).sections[0]!.circuit.source).toEqual(readSource(file.rig.source));
  expect(pathOf(rig).sections.at(-1)!.circuit.load).toEqual(readLoad(file.rig.load));
});

test('everything off: treble and level to 0.001 dB', () => {
  const off = against(rig, []);
  expect(Math.abs(off.trebleDb - file.result.treble_all_off_db)).toBeLessThan(1e-3);
  expect(Math.abs(off.levelDb - file.result.level_all_off_db)).toBeLessThan(1e-3);
});

test('all 256 switching states: extremes, mean and deviation to 0.001 dB', () => {
  const trebles = every.map((on) => against(rig, on).trebleDb);
  const mean = trebles.reduce((a, b) => a + b) / 256;
  const deviation = Math.sqrt(trebles.reduce((a, b) => a + (b - mean) ** 2, 0) / 256);
  const { brightest, dullest } = file.result;
  expect(Math.abs(Math.max(...trebles) - brightest.treble_db)).toBeLessThan(1e-3);
  expect(Math.abs(Math.min(...trebles) - dullest.treble_db)).toBeLessThan(1e-3);
  expect(Math.abs(against(rig, brightest.on).trebleDb - brightest.treble_db)).toBeLessThan(1e-3);
  expect(Math.abs(against(rig, dullest.on).trebleDb - dullest.treble_db)).toBeLessThan(1e-3);
  expect(Math.abs(mean - file.result.mean_db)).toBeLessThan(1e-3);
  expect(Math.abs(deviation - file.result.std_db)).toBeLessThan(1e-3);
});

test('the same by dynamic programming, to 0.001 dB', () => {
  const states = analyseStates(
    rig,
    devicesOf(rig).map(({ id }) => id),
  );
  if (states.kind !== 'states') throw new Error(states.kind);
  const { brightest, dullest } = file.result;
  expect(states.count).toBe(256);
  expect(Math.abs(states.brightest.trebleDb - brightest.treble_db)).toBeLessThan(1e-3);
  expect(Math.abs(states.dullest.trebleDb - dullest.treble_db)).toBeLessThan(1e-3);
  expect(Math.abs(states.meanDb - file.result.mean_db)).toBeLessThan(1e-3);
  expect(Math.abs(states.deviationDb - file.result.std_db)).toBeLessThan(1e-3);
  const asBits = ({ positions }: typeof states.brightest) =>
    devicesOf(rig).map(({ id }) => (positions[id] ? 1 : 0));
  expect(asBits(states.brightest)).toEqual(brightest.on);
  expect(asBits(states.dullest)).toEqual(dullest.on);
});
