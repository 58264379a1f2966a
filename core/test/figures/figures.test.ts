import { DRAW_GRID, FIGURE_BANDS, FIGURE_GRID } from '../../src/circuit';
import {
  cornerOf,
  figuresOf,
  resonanceOf,
  sizeOf,
  verdictOf,
  type Figures,
} from '../../src/figures';

const flat = new Float64Array(FIGURE_GRID.omega.length);
const over = (shape: (f: number) => number) => FIGURE_GRID.frequencyHz.map(shape);

test('the grids are the ones the figures are defined on', () => {
  expect(DRAW_GRID.frequencyHz).toHaveLength(479);
  expect(FIGURE_GRID.frequencyHz).toHaveLength(1 + 97 + 49 + 97 + 256);
  const { level, treble, air, bottom, distance } = FIGURE_BANDS;
  const edges = [level, treble, air, bottom, distance].map(({ start, end }) => [
    FIGURE_GRID.frequencyHz[start],
    FIGURE_GRID.frequencyHz[end - 1],
  ]);
  expect(edges.slice(0, 4)).toEqual([
    [400, 400],
    [2000, 8000],
    [8000, 16000],
    [40, 160],
  ]);
  expect(edges[4]![0]).toBe(200);
  expect(edges[4]![1]).toBeLessThanOrEqual(8000);
  expect(edges[4]![1]! * 2 ** (1 / 48)).toBeGreaterThan(8000);
});

test('a level change alone is level, and no treble', () => {
  const figures = figuresOf(
    over(() => -3),
    flat,
  );
  expect(figures).toEqual({
    levelDb: -3,
    trebleDb: 0,
    trebleLowDb: 0,
    trebleHighDb: 0,
    airDb: 0,
    bottomDb: 0,
    distanceDb: 0,
  });
});

test('a straight slope in log f has the means of its octaves', () => {
  // 6 dB an octave down from 400 Hz: treble is centred on 4 kHz, its halves on √8 and √32 kHz.
  const figures = figuresOf(
    over((f) => -6 * Math.log2(f / 400)),
    flat,
  );
  const at = (f: number) => -6 * Math.log2(f / 400);
  expect(figures.trebleDb).toBeCloseTo(at(4000), 9);
  expect(figures.trebleLowDb).toBeCloseTo(at(Math.sqrt(8) * 1000), 9);
  expect(figures.trebleHighDb).toBeCloseTo(at(Math.sqrt(32) * 1000), 9);
  expect(figures.airDb).toBeCloseTo(at(Math.sqrt(128) * 1000), 9);
  expect(figures.bottomDb).toBeCloseTo(at(80), 9);
  expect(figures.levelDb).toBeCloseTo(0, 12);
});

test('distance is the RMS over 200 Hz to 8 kHz', () => {
  const figures = figuresOf(
    over((f) => (f === 400 ? 0 : 2)),
    flat,
  );
  // Exactly one of the 256 points is 400 Hz itself.
  expect(figures.distanceDb).toBeCloseTo(2 * Math.sqrt(255 / 256), 9);
});

describe('resonance', () => {
  const peak = (at: number, height: number) =>
    DRAW_GRID.frequencyHz
      .map((f) => height - 40 * Math.log2(f / at) ** 2)
      .map((db) => Math.max(db, 0));

  test('a parabola in log f is found exactly, between the points', () => {
    for (const at of [1234.5, 3456.7, 5000]) {
      const found = resonanceOf(peak(at, 6));
      expect(found.kind).toBe('resonance');
      if (found.kind === 'resonance') {
        expect(found.frequencyHz / at).toBeCloseTo(1, 9);
        expect(found.heightDb).toBeCloseTo(6, 9);
      }
    }
  });

  test('its height is above the mean from 200 to 600 Hz', () => {
    const sloped = DRAW_GRID.frequencyHz.map(
      (f) =>
        2 * Math.log2(Math.min(f, 600) / 600) + 8 * Math.exp(-((4 * Math.log2(f / 3000)) ** 2)),
    );
    const base = [...DRAW_GRID.frequencyHz.keys()].filter((i) => {
      const f = DRAW_GRID.frequencyHz[i]!;
      return f >= 200 && f <= 600;
    });
    const mean = base.reduce((sum, i) => sum + sloped[i]!, 0) / base.length;
    const found = resonanceOf(sloped);
    if (found.kind !== 'resonance') throw new Error(found.kind);
    expect(found.heightDb).toBeCloseTo(8 - mean, 2);
    expect(found.frequencyHz).toBeCloseTo(3000, -1);
  });

  test('none where nothing stands more than 0.3 dB out, or the top is at the edge', () => {
    expect(resonanceOf(peak(3000, 0.29)).kind).toBe('noResonance');
    expect(resonanceOf(peak(3000, 0.31)).kind).toBe('resonance');
    expect(resonanceOf(new Float64Array(DRAW_GRID.omega.length)).kind).toBe('noResonance');
    expect(resonanceOf(DRAW_GRID.frequencyHz.map((f) => Math.log2(f))).kind).toBe('noResonance');
  });
});

describe('corner', () => {
  test('a first-order low-pass has its corner where the formula says', () => {
    const f0 = 3000;
    const level = (f: number) => -10 * Math.log10(1 + (f / f0) ** 2);
    const corner = cornerOf(DRAW_GRID.frequencyHz.map(level), level(400));
    // |H|² is down to half of what it is at 400 Hz, to 3 dB exactly.
    const expected = f0 * Math.sqrt(10 ** 0.3 * (1 + (400 / f0) ** 2) - 1);
    expect(corner.kind === 'corner' && corner.frequencyHz / expected).toBeCloseTo(1, 4);
  });

  test('beyond the grid where the top is within 3 dB', () => {
    expect(cornerOf(new Float64Array(DRAW_GRID.omega.length), 2.9).kind).toBe('beyondGrid');
  });

  test('the highest crossing counts', () => {
    const dip = DRAW_GRID.frequencyHz.map((f) => (f > 1000 && f < 2000 ? -10 : f > 6000 ? -20 : 0));
    const corner = cornerOf(dip, 0);
    expect(corner.kind === 'corner' && Math.round(corner.frequencyHz / 1000) * 1000).toBe(6000);
  });
});

describe('verdict', () => {
  const none = { kind: 'noResonance' } as const;
  const figures = (low: number, high: number, levelDb = 0): Figures => ({
    levelDb,
    trebleDb: (low + high) / 2,
    trebleLowDb: low,
    trebleHighDb: high,
    airDb: 0,
    bottomDb: 0,
    distanceDb: 0,
  });

  test('the ladder', () => {
    expect([0, 0.49, 0.5, -0.99, 1, 1.99, -2, 3.99, 4, 7.99, -8, 40].map(sizeOf)).toEqual([
      'unlikely',
      'unlikely',
      'hard',
      'hard',
      'noticeable',
      'noticeable',
      'plain',
      'plain',
      'strong',
      'strong',
      'drastic',
      'drastic',
    ]);
  });

  test.each([
    [-1, -3, 'duller'],
    [1, 3, 'brighter'],
    [1, -3, 'moreVocal'],
    [-1, 3, 'thinner'],
    [0, 0, 'none'],
    [0.4, -0.4, 'none'],
    [0.6, -10.4, 'duller'],
    [2.6, -10.4, 'moreVocal'],
    [-0.6, 10.4, 'brighter'],
    [-2.7, 10.4, 'thinner'],
    [-2, 0.3, 'duller'],
    [0.5, -0.5, 'moreVocal'],
  ] as const)('%d low and %d high is %s', (low, high, direction) => {
    expect(verdictOf(figures(low, high), none, none)).toMatchObject({ direction });
  });

  test('the larger octave sets the size: opposite octaves do not hide each other', () => {
    expect(verdictOf(figures(2.4, -2.4), none, none).size).toBe('plain');
  });

  test('level, and resonance by more than a semitone or 1 dB, are always said', () => {
    const at = (frequencyHz: number, heightDb: number) =>
      ({ kind: 'resonance', frequencyHz, heightDb }) as const;
    const moved = verdictOf(figures(0, 0, -1.1), at(3000 * 2 ** (-2 / 12), 3), at(3000, 4.2));
    expect(moved.resonanceMoved).toBeCloseTo(-2, 9);
    expect(moved.resonanceRaisedDb).toBeCloseTo(-1.2, 9);
    expect(moved.levelDb).toBe(-1.1);
    const still = verdictOf(figures(0, 0, 1), at(3000 * 2 ** (0.9 / 12), 4.1), at(3000, 4.2));
    expect(still).toMatchObject({ resonanceMoved: null, resonanceRaisedDb: null, levelDb: null });
  });
});
