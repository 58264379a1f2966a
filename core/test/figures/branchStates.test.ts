import fc from 'fast-check';
import { DRAW_GRID, FIGURE_GRID, TREBLE_GRID, type Section } from '../../src/circuit';
import { analyseStates, figuresOf, switchesOf, ENVELOPE_EVERY } from '../../src/figures';
import { deviceOfClass, guitarOfClass, patchCable, type DeviceClass } from '../../src/gear';
import { addLevels, buildStateGraph, routeOf, routeRows, SectionSolver } from '../../src/path';
import {
  addAmpLoop,
  addGuitar,
  applyEdits,
  freshId,
  insertDevice,
  mainRow,
  newRig,
  type Rig,
  withElectrical,
} from '../../src/rig';
import { pathOf, switchedTo } from '../rig/straightRow';

/// All states of rigs with branches, against every combination one by one.

const CLASSES: readonly DeviceClass[] = [
  'tuner',
  'drive',
  'delay',
  'wah',
  'tap',
  'passiveSplitter',
  'bufferedSplitter',
  'passiveVolume',
  'switcher',
  'gate',
];

interface Growth {
  readonly name: DeviceClass;
  readonly row: number;
  readonly gap: number;
}

const growth = fc.record<Growth>({
  name: fc.constantFrom(...CLASSES),
  row: fc.nat(20),
  gap: fc.nat(5),
});

const MOST_SWITCHES = 12;

/** A rig grown device by device in any of its rows, with at most twelve switches. */
const branchedRig: fc.Arbitrary<Rig> = fc
  .tuple(fc.array(growth, { minLength: 2, maxLength: 7 }), fc.boolean(), fc.boolean())
  .map(([steps, hasLoop, isLinked]) => {
    let rig = newRig('branched');
    if (hasLoop) rig = applyEdits(rig, addAmpLoop(rig, 'e1'));
    for (const { name, row, gap } of steps) {
      const into = rig.electrical.rows[row % rig.electrical.rows.length]!;
      const device = deviceOfClass(name, '');
      const shaped =
        name === 'switcher'
          ? { ...device, loops: 2 }
          : name === 'gate'
            ? { ...device, insert: 'own' as const, loops: 1 }
            : device;
      const grown = applyEdits(rig, insertDevice(rig, gap % into.cables.length, shaped, into.id));
      if (switchesOf(grown).length <= MOST_SWITCHES) rig = grown;
    }
    const switches = switchesOf(rig);
    return isLinked && switches.length > 3
      ? withElectrical(rig, { links: [switches.slice(0, 2)] })
      : rig;
  });

const solver = new SectionSolver();
function levelsOf(circuits: readonly Section[]) {
  const draw = new Float64Array(DRAW_GRID.omega.length);
  const figure = new Float64Array(FIGURE_GRID.omega.length);
  for (const circuit of circuits) {
    addLevels(solver.solve(circuit).draw, draw);
    addLevels(solver.solve(circuit).figure, figure);
  }
  return { draw, figure };
}

/** Each sound once: states that differ only in switches that nothing runs through are the same one. */
function bruteForce(rig: Rig, rowId: string) {
  const counted = switchesOf(rig);
  const reference = levelsOf([routeOf(rig, rowId).reference]);
  const sounds = new Map<string, { trebleDb: number; nowDb: Float64Array }>();
  for (let bits = 0; bits < 2 ** counted.length; bits++) {
    const positions = Object.fromEntries(counted.map((id, k) => [id, ((bits >> k) & 1) === 1]));
    if (rig.electrical.links.some((link) => new Set(link.map((id) => positions[id])).size > 1))
      continue;
    const path = pathOf(switchedTo(rig, positions), rowId);
    if (path.interrupted) continue;
    const circuits = path.sections.map(({ circuit }) => circuit);
    const key = JSON.stringify(circuits);
    if (sounds.has(key)) continue;
    const now = levelsOf(circuits);
    const { trebleDb } = figuresOf(now.figure, reference.figure);
    sounds.set(key, { trebleDb, nowDb: now.draw });
  }
  return [...sounds.values()];
}

test('extremes, spread and envelope of every branch are those of brute force; extremes can be stood in', () => {
  fc.assert(
    fc.property(branchedRig, (rig) => {
      for (const { id } of routeRows(rig)) {
        const all = bruteForce(rig, id);
        const found = analyseStates(rig, switchesOf(rig), id);
        if (found.kind === 'nothingHeard') {
          expect(all).toHaveLength(0);
          continue;
        }
        const trebles = all.map(({ trebleDb }) => trebleDb);
        expect(found.isCapped).toBe(false);
        expect(found.count).toBeGreaterThanOrEqual(all.length);
        expect(found.brightest.trebleDb).toBeCloseTo(Math.max(...trebles), 7);
        expect(found.dullest.trebleDb).toBeCloseTo(Math.min(...trebles), 7);
        found.envelope.highDb.forEach((high, k) => {
          const levels = all.map(({ nowDb }) => nowDb[k * ENVELOPE_EVERY]!);
          expect(high).toBeCloseTo(Math.max(...levels), 6);
          expect(found.envelope.lowDb[k]).toBeCloseTo(Math.min(...levels), 6);
        });
        for (const extreme of [found.brightest, found.dullest]) {
          const stood = pathOf(switchedTo(rig, extreme.positions), id);
          expect(stood.interrupted).toBeNull();
          const reference = levelsOf([routeOf(rig, id).reference]);
          const now = levelsOf(stood.sections.map(({ circuit }) => circuit));
          const { trebleDb } = figuresOf(now.figure, reference.figure);
          expect(trebleDb).toBeCloseTo(extreme.trebleDb, 7);
        }
      }
    }),
    { seed: 71, numRuns: 30, endOnFailure: true },
  );
});

const row = (...classes: DeviceClass[]): Rig =>
  classes.reduce(
    (rig, name) =>
      applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, ''))),
    newRig('row'),
  );

test('pedals in an open loop are counted once: three closed ways and one open', () => {
  let rig = row('switcher');
  for (const { id } of rig.electrical.rows.filter(({ at }) => at.kind === 'loop').slice(0, 2))
    rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', ''), id));
  const [first, second] = ['d1.0', 'd1.1'];
  const found = analyseStates(rig, [first, second, 'd2', 'd3']);
  if (found.kind !== 'states') throw new Error(found.kind);
  // Each loop: open, closed with its pedal off, closed with its pedal on.
  expect(found).toMatchObject({ switches: 4, count: 9 });
  const ways = [
    [false, false],
    [true, false],
    [true, true],
  ] as const;
  const reference = levelsOf([routeOf(rig).reference]);
  const trebles = ways.flatMap(([one, d2]) =>
    ways.map(([two, d3]) => {
      const path = pathOf(switchedTo(rig, { [first]: one, d2, [second]: two, d3 }));
      const now = levelsOf(path.sections.map(({ circuit }) => circuit));
      return figuresOf(now.figure, reference.figure).trebleDb;
    }),
  );
  const mean = trebles.reduce((a, b) => a + b) / 9;
  const variance = trebles.reduce((a, b) => a + (b - mean) ** 2, 0) / 9;
  expect(found.meanDb).toBeCloseTo(mean, 7);
  expect(found.deviationDb).toBeCloseTo(Math.sqrt(variance), 6);
});

test('switches that act together are one choice', () => {
  const rig = withElectrical(row('drive', 'drive', 'drive'), { links: [['d1', 'd3']] });
  expect(analyseStates(rig, switchesOf(rig))).toMatchObject({ switches: 2, count: 4 });
  const apart = analyseStates(withElectrical(rig, { links: [] }), switchesOf(rig));
  const both = analyseStates(withElectrical(rig, { links: [['d1', 'd2', 'd3']] }), switchesOf(rig));
  if (apart.kind !== 'states' || both.kind !== 'states') throw new Error('nothing heard');
  expect(both.count).toBe(2);
  const p = both.brightest.positions;
  expect(new Set([p.d1, p.d2, p.d3]).size).toBe(1);
  expect(both.spreadDb).toBeLessThanOrEqual(apart.spreadDb + 1e-9);
  // Two states lie on both sides of their mean, each as far from it as they deviate.
  expect(both.meanDb).toBeCloseTo((both.brightest.trebleDb + both.dullest.trebleDb) / 2, 9);
  expect(both.deviationDb).toBeCloseTo(both.spreadDb / 2, 9);
});

/** T of every sound that a rig can make, each once: by its sections, whatever switches led to them. */
function soundsOf(rig: Rig, links: readonly (readonly string[])[]): readonly number[] {
  const linked = new Set(links.flat());
  const choices = [
    ...links,
    ...switchesOf(rig)
      .filter((id) => !linked.has(id))
      .map((id) => [id]),
  ];
  const reference = levelsOf([routeOf(rig).reference]);
  const found = new Map<string, number>();
  for (let bits = 0; bits < 2 ** choices.length; bits++) {
    const positions = Object.fromEntries(
      choices.flatMap((ids, k) => ids.map((id) => [id, ((bits >> k) & 1) === 1])),
    );
    const path = pathOf(switchedTo(rig, positions));
    if (path.interrupted) continue;
    const now = levelsOf(path.sections.map(({ circuit }) => circuit));
    const met = path.stops.map(
      ({ spot, engaged }) => `${spot.id}${spot.part}${spot.index}${engaged}`,
    );
    found.set(met.join(), figuresOf(now.figure, reference.figure).trebleDb);
  }
  return [...found.values()];
}

test('linked pedals in an open loop are one sound, not two', () => {
  let rig = row('switcher', 'drive', 'drive');
  for (const { id } of rig.electrical.rows.filter(({ at }) => at.kind === 'loop').slice(0, 2))
    for (const name of ['drive', 'wah'] as const)
      rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass(name, ''), id));
  // One group within a loop, one over both loops, one on the way itself.
  const links = [
    ['d4', 'd5'],
    ['d6', 'd7'],
    ['d2', 'd3'],
  ];
  for (const some of [links.slice(0, 1), [['d4', 'd6']], links]) {
    const linked = withElectrical(rig, { links: some });
    const sounds = soundsOf(linked, some);
    const found = analyseStates(linked, switchesOf(linked));
    if (found.kind !== 'states') throw new Error(found.kind);
    expect(found).toMatchObject({ count: sounds.length, linksLeft: 0, isCapped: false });
    const mean = sounds.reduce((a, b) => a + b) / sounds.length;
    const variance = sounds.reduce((a, b) => a + (b - mean) ** 2, 0) / sounds.length;
    expect(found.meanDb).toBeCloseTo(mean, 7);
    expect(found.deviationDb).toBeCloseTo(Math.sqrt(variance), 6);
    expect(found.brightest.trebleDb).toBeCloseTo(Math.max(...sounds), 7);
    expect(found.dullest.trebleDb).toBeCloseTo(Math.min(...sounds), 7);
    const best = sounds.filter((db) => Math.abs(db - Math.max(...sounds)) < 1e-9).length;
    expect(found.brightest.ties).toBe(best);
    expect(found.histogram.counts.reduce((a, b) => a + b)).toBe(sounds.length);
  }
});

test('seven groups of linked pedals are seven choices; of more than can be looked at it is said how many stand', () => {
  const names = Array.from({ length: 20 }, () => 'drive' as const);
  const rig = row(...names);
  const groups = (count: number) =>
    Array.from({ length: count }, (_, k) => [`d${2 * k + 1}`, `d${2 * k + 2}`]);
  const seven = withElectrical(rig, { links: groups(7) });
  const counted = switchesOf(rig).slice(0, 14);
  expect(analyseStates(seven, counted)).toMatchObject({ switches: 7, count: 2 ** 7, linksLeft: 0 });
  const ten = analyseStates(withElectrical(rig, { links: groups(10) }), switchesOf(rig));
  expect(ten).toMatchObject({ switches: 8, count: 2 ** 8, linksLeft: 2 });
});

test('seven jumper loops on a side way are told apart; where there are more, that is said', () => {
  const beside = (loops: number) => {
    const start = row('passiveSplitter');
    const side = start.electrical.rows.find(({ at }) => at.kind === 'side')!.id;
    const switcher = { ...deviceOfClass('switcher', ''), loops };
    let rig = applyEdits(start, insertDevice(start, 0, switcher, side));
    for (const { id, at } of rig.electrical.rows)
      if (at.kind === 'loop')
        rig = applyEdits(rig, {
          kind: 'connect',
          row: id,
          at: 0,
          cable: patchCable(freshId(rig, 'l')),
        });
    return analyseStates(rig, switchesOf(rig));
  };
  expect(beside(7)).toMatchObject({ switches: 7, count: 2 ** 7, isCapped: false });
  expect(beside(10)).toMatchObject({ isCapped: true });
});

test('eight loops of one pedal each are told apart, and a cap is said where it is reached', () => {
  let rig = row('switcher', 'switcher');
  for (const { id } of rig.electrical.rows.filter(({ at }) => at.kind === 'loop'))
    rig = applyEdits(
      rig,
      insertDevice(rig, 0, { ...deviceOfClass('drive', ''), bypass: 'true' }, id),
    );
  const found = analyseStates(rig, switchesOf(rig));
  expect(found).toMatchObject({ kind: 'states', switches: 16, count: 3 ** 8, isCapped: false });
  const route = routeOf(rig, undefined, { counted: new Set(switchesOf(rig)) });
  const capped = buildStateGraph(route, TREBLE_GRID, 20);
  expect(capped.isCapped).toBe(true);
  expect(capped.edges.length).toBeLessThan(buildStateGraph(route, TREBLE_GRID).edges.length);
});

test('the guitar that plays is the one that is counted', () => {
  const start = row('drive', 'selector', 'drive');
  const rig = applyEdits(start, addGuitar(start, guitarOfClass('hotHumbucker', 'dark'), 'cable'));
  const [dark, bright] = ['g2', 'g1'].map((playing) =>
    analyseStates({ ...rig, state: { ...rig.state, playing } }, switchesOf(rig)),
  );
  expect(dark).toMatchObject({ count: 2 });
  expect(bright).toMatchObject({ count: 4 });
});
