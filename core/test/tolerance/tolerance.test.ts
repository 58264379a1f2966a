import { analyseRig } from '../../src/figures';
import { assumed, deviceOfClass, entered, cableOfClass } from '../../src/gear';
import {
  applyEdits,
  insertDevice,
  newRig,
  setCableLength,
  withPart,
  type Rig,
  withElectrical,
} from '../../src/rig';
import {
  boundsOf,
  findDifference,
  findTolerance,
  finish,
  isEstablished,
  type Tolerance,
} from '../../src/tolerance';
import { RigDrawer } from '../../src/tolerance/drawRig';
import { NamedNormals } from '../../src/tolerance/random';
import { cablesOf, withCables, withRowOf } from '../rig/straightRow';

const wayOf = (chain: Rig) => ({ chain, rowId: 'r1' });
const tolerance = (rig: Rig, draws = 400): Tolerance =>
  finish(findTolerance(wayOf(rig), { draws, seed: 3 }))!;

test('named normals: the same name and draw give the same number, others are independent', () => {
  const normals = new NamedNormals(7);
  expect(normals.normal('g1 lH', 5)).toBe(new NamedNormals(7).normal('g1 lH', 5));
  const count = 20_000;
  const one = Array.from({ length: count }, (_, k) => normals.normal('a', k));
  const other = Array.from({ length: count }, (_, k) => normals.normal('b', k));
  const mean = one.reduce((a, b) => a + b) / count;
  const variance = one.reduce((a, b) => a + (b - mean) ** 2, 0) / count;
  const together = one.reduce((sum, value, k) => sum + value * other[k]!, 0) / count;
  const next = one.slice(1).reduce((sum, value, k) => sum + value * one[k]!, 0) / count;
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(Math.abs(variance - 1)).toBeLessThan(0.04);
  expect(Math.abs(together)).toBeLessThan(0.03);
  expect(Math.abs(next)).toBeLessThan(0.03);
  // 5 % of a normal lie beyond 1.645 on either side.
  expect(one.filter((x) => x > 1.645).length / count).toBeCloseTo(0.05, 1);
});

test('± is two sigma of a log-normal; settings stay as they are set', () => {
  const rig = withCables(newRig('one'), (cable) => ({
    ...cable,
    lengthM: assumed(6),
    cPerMF: entered(100e-12),
  }));
  const drawer = new RigDrawer(rig, new NamedNormals(1));
  const draws = Array.from({ length: 4000 }, (_, k) => drawer.draw(k));
  const deviation = (values: readonly number[]) => {
    const logs = values.map(Math.log);
    const mean = logs.reduce((a, b) => a + b) / logs.length;
    return Math.sqrt(logs.reduce((a, b) => a + (b - mean) ** 2, 0) / logs.length);
  };
  const cPerM = deviation(draws.map((d) => cablesOf(d)[0]!.cPerMF.value));
  expect(cPerM).toBeCloseTo(Math.log(1.05) / 2, 3);
  // The coil is a class default: ± 40 %.
  expect(deviation(draws.map((d) => d.electrical.guitars[0]!.lH.value))).toBeCloseTo(
    Math.log(1.4) / 2,
    2,
  );
  expect(new Set(draws.map((d) => d.electrical.guitars[0]!.volume.travel.value))).toEqual(
    new Set([1]),
  );
  expect(draws[0]!.electrical.reference).toBe(rig.electrical.reference);
  // A length is cut to what is written down, even where nobody has set it.
  expect(cablesOf(rig)[0]!.lengthM.from).toBe('assumed');
  const length = deviation(draws.map((d) => cablesOf(d)[0]!.lengthM.value));
  expect(length).toBeCloseTo(Math.log(1.02) / 2, 3);
});

test('cables off one reel share a draw, others do not', () => {
  const start = newRig('reel');
  const cables = [
    cableOfClass('low', 'l1', entered(3)),
    cableOfClass('low', 'l2', entered(4)),
    cableOfClass('high', 'l3', entered(5)),
  ];
  const rig = withRowOf(
    start,
    [deviceOfClass('drive', 'd1'), deviceOfClass('drive', 'd2')],
    cables,
  );
  const [a, b, other] = cablesOf(new RigDrawer(rig, new NamedNormals(1)).draw(0)).map(
    (cable, i) => cable.cPerMF.value / cables[i]!.cPerMF.value,
  );
  expect(a).toBeCloseTo(b!, 12);
  expect(other).not.toBeCloseTo(a!, 3);
});

test('seeded: the same bands again; the figure itself lies inside its band', () => {
  const rig = applyEdits(newRig('seeded'), setCableLength('l1', 9));
  expect(tolerance(rig)).toEqual(tolerance(rig));
  const analysis = analyseRig(rig);
  const { trebleDb } = tolerance(rig).figures;
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  expect(trebleDb.low).toBeLessThan(analysis.figures.trebleDb);
  expect(trebleDb.high).toBeGreaterThan(analysis.figures.trebleDb);
  const { lowDb, highDb } = tolerance(rig).curve;
  lowDb.forEach((low, i) => expect(low).toBeLessThanOrEqual(highDb[i]!));
});

test('measured values narrow the band', () => {
  const rig = newRig('measured');
  const coil = withPart(
    rig,
    { of: 'guitar', id: 'g1' },
    {
      ...rig.electrical.guitars[0]!,
      lH: { value: 2.2, from: 'measured' },
      cWindingF: { value: 110e-12, from: 'measured' },
    },
  );
  const width = ({ figures: { trebleDb } }: Tolerance) => trebleDb.high - trebleDb.low;
  const known = withCables(coil, (cable) => ({
    ...cable,
    cPerMF: { ...cable.cPerMF, from: 'measured' },
  }));
  expect(width(tolerance(known))).toBeLessThan(0.7 * width(tolerance(rig)));
});

test('six metres against seven: well established, although treble alone spans more', () => {
  const six = applyEdits(newRig('pair'), setCableLength('l1', 6));
  const seven = applyEdits(six, setCableLength('l1', 7));
  const difference = finish(findDifference(wayOf(six), wayOf(seven), { draws: 400, seed: 3 }))!;
  const { trebleDb } = difference.figures;
  expect(isEstablished(trebleDb)).toBe(true);
  const alone = tolerance(six).figures.trebleDb;
  expect(trebleDb.high - trebleDb.low).toBeLessThan(0.5 * (alone.high - alone.low));
});

test('a difference that is none is not established, and one of nothing is exactly nought', () => {
  const rig = applyEdits(
    newRig('pair'),
    insertDevice(newRig('pair'), 0, deviceOfClass('buffer', '')),
    setCableLength('l1', 3),
  );
  const same = finish(findDifference(wayOf(rig), wayOf(rig), { draws: 60 }))!;
  expect(same.figures.trebleDb).toEqual({ low: 0, median: 0, high: 0 });
  expect(isEstablished(same.figures.trebleDb)).toBe(false);
  // Another buffer of the same class: which one is brighter is not known.
  const other = withElectrical(rig, {
    rows: rig.electrical.rows.map((row) => ({
      ...row,
      devices: row.devices.map((d) => ({ ...d, id: 'd9' })),
    })),
  });
  const swapped = finish(findDifference(wayOf(rig), wayOf(other), { draws: 400 }))!;
  expect(isEstablished(swapped.figures.trebleDb)).toBe(false);
});

test('progress is told, and stopping on the way loses nothing but the result', () => {
  const work = findTolerance(wayOf(newRig('slow')), { draws: 100, chunk: 25 });
  const seen: number[] = [];
  for (let step = work.next(); !step.done; step = work.next()) seen.push(step.value.done);
  expect(seen).toEqual([0, 25, 50, 75]);
  const stopped = findTolerance(wayOf(newRig('slow')), { draws: 100, chunk: 25 });
  stopped.next();
  expect(stopped.return(null).done).toBe(true);
});

test('nothing heard, no bands', () => {
  const rig = newRig('gap');
  const open = applyEdits(rig, { kind: 'connect', row: 'r1', at: 0, cable: null });
  expect(finish(findTolerance(wayOf(open)))).toBeNull();
  expect(finish(findDifference(wayOf(rig), wayOf(open)))).toBeNull();
});

test('bounds of a known set', () => {
  const values = Float64Array.from({ length: 101 }, (_, k) => 100 - k);
  expect(boundsOf(values)).toEqual({ low: 5, median: 50, high: 95 });
  expect(values[0]).toBe(100);
});
