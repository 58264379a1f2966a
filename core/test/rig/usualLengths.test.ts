import { DEFAULT_REFERENCE_CABLE, deviceOfClass, guitarOfClass } from '../../src/gear';
import { formatQuantity, formatStripLength, METRES_PER_FOOT } from '../../src/quantity';
import {
  addAmpLoop,
  addGuitar,
  allCables,
  applyEdits,
  insertDevice,
  newRig,
  usualReference,
  type Rig,
} from '../../src/rig';

/** A rig with everything in it that brings a cable of its own. */
function grown(start: Rig): readonly number[] {
  let rig = applyEdits(start, insertDevice(start, 0, deviceOfClass('tap', '', 'Tap')));
  rig = applyEdits(rig, insertDevice(rig, 1, deviceOfClass('bufferedSplitter', '', 'Split')));
  rig = applyEdits(rig, addGuitar(rig, guitarOfClass('hotHumbucker', 'Dark'), 'wireless'));
  rig = applyEdits(rig, addAmpLoop(rig, 'e1'));
  return allCables(rig).map(({ lengthM }) => lengthM.value);
}

test('in metres they are round metres', () => {
  expect(usualReference(DEFAULT_REFERENCE_CABLE, 'metric')).toBe(DEFAULT_REFERENCE_CABLE);
  expect([...new Set(grown(newRig('metres')))].sort()).toEqual([0.3, 0.5, 6]);
});

test('in feet they are whole feet: what they are held against, and all that comes in later', () => {
  const reference = usualReference(DEFAULT_REFERENCE_CABLE, 'imperial');
  expect(formatQuantity(reference.lengthM.value, 'length', 'imperial')).toBe('10\u00a0ft');
  const lengths = grown(newRig('feet', reference));
  for (const metres of lengths) {
    const feet = metres / METRES_PER_FOOT;
    expect(feet).toBeGreaterThanOrEqual(1);
    expect(feet).toBeCloseTo(Math.round(feet), 9);
  }
  expect(lengths[0]).toBeCloseTo(20 * METRES_PER_FOOT, 9);
});

test('held against no cable at all, a rig is in metres', () => {
  const none = { ...DEFAULT_REFERENCE_CABLE, lengthM: { value: 0, from: 'entered' } } as const;
  expect([...new Set(grown(newRig('none', none)))].sort()).toEqual([0.3, 0.5, 6]);
});

test('a length that somebody has chosen stays as it is', () => {
  const reference = {
    ...DEFAULT_REFERENCE_CABLE,
    lengthM: { value: 4.5, from: 'entered' },
  } as const;
  expect(usualReference(reference, 'imperial')).toBe(reference);
});

test.each([
  [0.3, '0.3\u00a0m', '0.98\u00a0ft'],
  [1.95, '1.95\u00a0m', '6.4\u00a0ft'],
  [18, '18\u00a0m', '59.1\u00a0ft'],
  [0.025, '0.03\u00a0m', '0.08\u00a0ft'],
])('%f m beside others', (metres, inMetres, inFeet) => {
  expect(formatStripLength(metres, 'metric')).toBe(inMetres);
  expect(formatStripLength(metres, 'imperial')).toBe(inFeet);
});
