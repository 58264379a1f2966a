import fc from 'fast-check';
import { compileSection, createLadderState, gridOf, solveLadder } from '../../src/circuit';
import {
  analyseRig,
  sayWhatIsGoingOn,
  toneEquivalent,
  type SoundingAnalysis,
} from '../../src/figures';
import {
  assumed,
  conductorM,
  deviceOfClass,
  entered,
  guitarOfClass,
  PICKUP_CLASSES,
  type PickupClass,
} from '../../src/gear';
import { routeOf, SectionSolver, wiperFraction } from '../../src/path';
import {
  applyEdits,
  insertBuffer,
  insertDevice,
  newRig,
  setCableLength,
  type Rig,
} from '../../src/rig';
import { randomRig } from '../rig/randomRig';
import {
  cablesOf,
  pathOf,
  withDevices,
  withDestination,
  withGuitar,
  withCables,
} from '../rig/straightRow';

function sounding(rig: Rig): SoundingAnalysis {
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  return analysis;
}

const referenceLike = (rig: Rig): Rig =>
  withCables(rig, (cable) => ({
    ...cable,
    lengthM: entered(3),
    cPerMF: entered(100e-12),
    plugF: entered(0),
  }));

const dullRow = (): Rig => {
  let rig = applyEdits(newRig('dull'), setCableLength('l1', 6));
  for (let i = 0; i < 6; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `drive ${i + 1}`)));
  return applyEdits(rig, setCableLength('l2', 18));
};

test('straight in by the reference cable is zero everywhere', () => {
  const { figures, verdict, tone } = sounding(referenceLike(newRig('straight')));
  for (const figure of Object.values(figures)) expect(Math.abs(figure)).toBeLessThan(1e-12);
  expect(verdict.size).toBe('unlikely');
  expect(tone).toEqual({ kind: 'setting', travel: 1 });
});

test('a bright coil is brightest with about two metres: treble is not monotonic in length', () => {
  const trebleAt = (lengthM: number) =>
    sounding(applyEdits(newRig('cable'), setCableLength('l1', lengthM))).figures.trebleDb;
  expect(trebleAt(2)).toBeGreaterThan(trebleAt(0));
  expect(trebleAt(2)).toBeGreaterThan(trebleAt(6));
});

test('one treble can hide two resonances; the octaves show it', () => {
  // A bright coil with little and with much capacitance has nearly one T, its octaves on either side of it.
  const withC = (pF: number) =>
    sounding(
      withCables(newRig('one'), (cable) => ({
        ...cable,
        lengthM: entered(1),
        cPerMF: entered(pF * 1e-12),
        plugF: entered(0),
      })),
    ).figures;
  const little = withC(100);
  let [low, high] = [220, 900];
  for (let k = 0; k < 40; k++) {
    const middle = (low + high) / 2;
    if (withC(middle).trebleDb > little.trebleDb) low = middle;
    else high = middle;
  }
  const much = withC(low);
  expect(much.trebleDb).toBeCloseTo(little.trebleDb, 6);
  expect(little.trebleHighDb - much.trebleHighDb).toBeGreaterThan(1);
  expect(little.trebleLowDb - much.trebleLowDb).toBeLessThan(-1);
});

test('a buffer after the first cable hides everything after it from the pickup', () => {
  const rig = dullRow();
  const buffered = applyEdits(rig, insertBuffer(rig, 0));
  expect(sounding(rig).figures.trebleDb).toBeLessThan(-8);
  expect(sounding(buffered).figures.trebleDb).toBeGreaterThan(-2);
});

test('running treble starts as the guitar alone and destinations as the whole rig, for any rig', () => {
  fc.assert(
    fc.property(randomRig, (rig) => {
      const { points, figures, sections, stops } = sounding(rig);
      expect(points[0]!.spot).toEqual({ stop: 0, at: 'out' });
      expect(points.at(-1)!.spot).toEqual({ stop: stops.length - 1, at: 'in' });
      expect(points.at(-1)!.treble.trebleDb).toBeCloseTo(figures.trebleDb, 6);
      expect(points.at(-1)!.treble.levelDb).toBeCloseTo(figures.levelDb, 6);
      const totalM = cablesOf(rig).reduce((sum, cable) => sum + conductorM(cable), 0);
      expect(points.at(-1)!.atM).toBeCloseTo(totalM, 9);
      expect(sections.reduce((sum, { cableM }) => sum + cableM, 0)).toBeCloseTo(totalM, 9);
      points.reduce((before, { atM }) => {
        expect(atM).toBeGreaterThanOrEqual(before - 1e-12);
        return atM;
      }, 0);
    }),
    { seed: 12, numRuns: 60 },
  );
});

test('the remembered solution of a section is the fresh one', () => {
  const solver = new SectionSolver();
  fc.assert(
    fc.property(randomRig, (rig) => {
      const first = analyseRig(rig, solver);
      const solved = solver.solved;
      const again = analyseRig(rig, solver);
      expect(solver.solved).toBe(solved);
      expect(again).toEqual(first);
      expect(analyseRig(rig)).toEqual(first);
    }),
    { seed: 13, numRuns: 30 },
  );
});

test('an edit re-solves only the sections it touches', () => {
  const rig = dullRow();
  const buffered = applyEdits(rig, insertBuffer(rig, 0));
  const solver = new SectionSolver();
  analyseRig(buffered, solver);
  const before = solver.solved;
  analyseRig(applyEdits(buffered, setCableLength('l2', 17)), solver);
  expect(solver.solved - before).toBe(1);
});

test('a loss by part is the change when the element is made ideal by hand', () => {
  const rig = dullRow();
  const { lossByPart, figures, stops } = sounding(rig);
  const last = cablesOf(rig)[6]!;
  const cable = lossByPart.find(({ stop }) => stops[stop]!.spot.id === last.id)!;
  const without = withCables(rig, (l) =>
    l === last ? { ...l, lengthM: entered(0), plugF: entered(0) } : l,
  );
  expect(cable.gain.trebleDb).toBeCloseTo(sounding(without).figures.trebleDb - figures.trebleDb, 6);
  expect(lossByPart[0]).toBe(cable);
});

describe('load on a driver', () => {
  test('a buffer into a resistance alone: the resistance, and the divider', () => {
    const rig = applyEdits(newRig('one'), insertBuffer(newRig('one'), 0));
    const withoutCables = withCables(rig, (l) => ({
      ...l,
      lengthM: entered(0),
      plugF: entered(0),
    }));
    const bare = withDevices(
      withDestination(withoutCables, { input: 'plain', rInOhm: entered(10e3), cInF: entered(0) }),
      (d) => ({ ...d, on: { ...d.on, rOutOhm: entered(1000) } }),
    );
    const load = sounding(bare).loads[1]!;
    expect(load.impedanceOhm).toBeCloseTo(10e3, 6);
    expect(load.interstageDb).toBeCloseTo(20 * Math.log10(10 / 11), 9);
  });
});

describe('like a tone control at', () => {
  test('gives back the setting that was turned down on the reference itself', () => {
    for (const travel of [0.9, 0.6, 0.3]) {
      const rig = referenceLike(newRig('tone'));
      const tone = { ...rig.electrical.guitars[0]!.tone, travel: entered(travel) };
      const wanted = trebleBetween(withGuitar(rig, { tone }), rig);
      const found = toneEquivalent(rig, routeOf(rig), wanted);
      expect(found.kind === 'setting' && found.travel).toBeCloseTo(travel, 3);
    }
  });

  test('is out of reach for a rig brighter than full up', () => {
    const rig = newRig('tone');
    expect(toneEquivalent(rig, routeOf(rig), 6)).toEqual({ kind: 'outOfReach' });
  });
});

/** T of one straight rig against another, by the reference's own points. */
function trebleBetween(rig: Rig, reference: Rig): number {
  const frequencies = [400, ...Array.from({ length: 97 }, (_, k) => 2000 * 2 ** (k / 48))];
  const grid = gridOf(Float64Array.from(frequencies));
  const [now, before] = [rig, reference].map((r) => {
    const { circuit } = pathOf(r).sections[0]!;
    const out = new Float64Array(2 * frequencies.length);
    solveLadder(
      compileSection(circuit),
      circuit.load,
      grid,
      out,
      createLadderState(frequencies.length),
    );
    return frequencies.map((_, i) => 20 * Math.log10(Math.hypot(out[2 * i]!, out[2 * i + 1]!)));
  });
  const difference = now!.map((db, i) => db - before![i]!);
  return difference.slice(1).reduce((a, b) => a + b, 0) / 97 - difference[0]!;
}

test('tapers: linear is linear, audio passes its fraction at half travel, both meet the ends', () => {
  const pot = (travel: number, mid: number) =>
    wiperFraction({ potOhm: assumed(1), travel: assumed(travel), midFraction: assumed(mid) });
  for (const x of [0, 0.2, 0.5, 1]) expect(pot(x, 0.5)).toBeCloseTo(x, 12);
  expect(pot(0.5, 0.12)).toBeCloseTo(0.12, 12);
  expect([pot(0, 0.12), pot(1, 0.12)]).toEqual([0, 1]);
});

describe('words', () => {
  test('a rig like the reference is fine', () => {
    const rig = referenceLike(newRig('fine'));
    expect(sayWhatIsGoingOn(rig, analyseRig(rig), 'metric')).toBe(
      'Within 0.0 dB of straight in (3\u00a0m): unlikely to be heard.',
    );
  });

  test('a dull row says where it goes', () => {
    const rig = dullRow();
    const words = sayWhatIsGoingOn(rig, analyseRig(rig), 'metric');
    expect(words).toContain('Duller than straight in (3\u00a0m), −');
    expect(words).toContain(
      'The pickup drives all 25.5\u00a0m of cable to the amp. Most of the loss is in the cable to the amp.',
    );
    expect(sayWhatIsGoingOn(rig, analyseRig(rig), 'imperial')).toContain('83.7\u00a0ft');
  });

  test('brighter by less cable than straight in has: that is said, and no part is blamed', () => {
    const rig = applyEdits(newRig('short'), setCableLength('l1', 0.5));
    const words = sayWhatIsGoingOn(rig, analyseRig(rig), 'metric');
    expect(words).toContain('That is less than the 3\u00a0m of straight in.');
    expect(words).not.toContain('goes in');
  });

  test('a muted rig says who mutes it, and a closed volume that it is closed', () => {
    const rig = applyEdits(
      newRig('muted'),
      insertDevice(newRig('muted'), 0, deviceOfClass('tuner', '', 'Plumb')),
    );
    const muted = applyEdits(rig, { kind: 'switch', positions: { d1: true } });
    const analysis = analyseRig(muted);
    expect(analysis).toMatchObject({ kind: 'muted', by: 2 });
    expect(sayWhatIsGoingOn(muted, analysis, 'metric')).toContain(
      'Plumb is engaged and lets nothing through',
    );
    const closed = applyEdits(rig, {
      kind: 'set',
      target: { of: 'guitar', id: 'g1' },
      field: 'volume.travel',
      to: entered(0),
    });
    expect(analyseRig(closed).kind).toBe('silent');
    expect(sayWhatIsGoingOn(closed, analyseRig(closed), 'metric')).toContain('Silence');
  });

  test('every pickup class can be analysed', () => {
    for (const name of Object.keys(PICKUP_CLASSES) as PickupClass[]) {
      const rig = withGuitar(dullRow(), guitarOfClass(name, name));
      expect(Number.isFinite(sounding(rig).figures.trebleDb)).toBe(true);
    }
  });
});
