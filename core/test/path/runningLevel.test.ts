import { analyseRig, type SoundingAnalysis } from '../../src/figures';
import { cableOfClass, deviceOfClass, entered, type Cable } from '../../src/gear';
import { newRig } from '../../src/rig';
import { withRowOf } from '../rig/straightRow';

/// The level on the way: what one would have if it ended there.

const sounding = (lengthM: number, more: Partial<Cable> = {}): SoundingAnalysis => {
  const rig = withRowOf(
    newRig('long'),
    [deviceOfClass('drive', 'd1', 'drive')],
    [
      { ...cableOfClass('ordinary', 'l1', entered(lengthM)), ...more },
      { ...cableOfClass('ordinary', 'l2', entered(4)), ...more },
    ],
  );
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  return analysis;
};

test('along a cable it is read at equal parts of its length, from guitar to amp', () => {
  const { points, stops } = sounding(7);
  const metres = points.map(({ atM }) => atM);
  expect(metres).toEqual([...metres].sort((a, b) => a - b));
  expect(metres.at(-1)).toBeCloseTo(11, 9);
  const first = stops.findIndex(({ spot }) => spot.kind === 'cable');
  const inCable = points.filter(({ spot }) => spot.stop === first && typeof spot.at === 'number');
  expect(inCable).toHaveLength(6);
  for (const [k, { spot, atM }] of inCable.entries()) {
    expect(spot.at).toBeCloseTo((k + 1) / 7, 12);
    expect(atM).toBeCloseTo(k + 1, 9);
  }
});

test('its last point is the treble of the whole, with what is in the plugs; a cut cable loses none', () => {
  for (const added of [false, true]) {
    const { points, figures } = sounding(7, { added, addedF: entered(2e-9) });
    expect(points.at(-1)!.treble.trebleDb).toBeCloseTo(figures.trebleDb, 9);
  }
  const at = (lengthM: number) =>
    sounding(lengthM).points.find(({ spot }) => spot.at === 'in' && spot.stop > 0)!.treble.trebleDb;
  // 0.99 m is one piece, 1.01 m are two: nothing jumps where a cable begins to be cut.
  expect(Math.abs(at(1.01) - at(0.99))).toBeLessThan(0.05);
});
