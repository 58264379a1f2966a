import {
  addSupply,
  applyEdits,
  deviceOfClass,
  feedingsOf,
  hang,
  insertDevice,
  newRig,
  outletGroup,
  supplyOfClass,
  type Rig,
} from '@gullwind/core';
import { deltaOf } from '../src/features/power/deltaLayout';
import { dropOn } from '../src/features/power/usePowerHands';
import { hangBeside } from '../src/features/power/usePowerKeys';

/// The delta as it is drawn, and what hands and keys do on it.

const three = (): Rig => {
  let rig = newRig('fed');
  for (let i = 0; i < 3; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `Pedal ${i + 1}`)));
  const supply = { ...supplyOfClass('brick'), groups: [outletGroup(3, 9, 0.1)] };
  rig = applyEdits(rig, addSupply(rig, supply));
  rig = applyEdits(rig, hang(rig, 'd1', { supply: 'u1', outlet: 0 })!);
  return applyEdits(rig, hang(rig, 'd2', { supply: 'u1', outlet: 0, after: 'd1' })!);
};

const size = { width: 900, height: 500 };

test('arms are as wide as their current, and together as wide as that from the mains', () => {
  const { arms } = deltaOf(feedingsOf(three()), size);
  const width = (key: string) => arms.find((arm) => arm.key === key)!.width;
  // 15 mA each: both go through the first.
  expect(width('u1 0 d1') / width('u1 0 d2')).toBeCloseTo(2, 6);
  expect(width('mains u1')).toBeCloseTo(width('u1 0'), 6);
  expect(arms.find(({ key }) => key === 'u1 0 d1')!.feeds).toEqual(['d1', 'd2']);
});

test('nothing lies over anything, and rows grow where there is room', () => {
  const feedings = feedingsOf(three());
  for (const height of [100, 500, 2000]) {
    const { supplies, row } = deltaOf(feedings, { ...size, height });
    const tops = supplies.flatMap(({ outlets }) => outlets.map(({ y, height: h }) => [y, y + h]));
    for (const [i, [top]] of tops.entries())
      if (i > 0) expect(top).toBeGreaterThanOrEqual(tops[i - 1]![1]!);
    expect(row).toBeGreaterThanOrEqual(27);
    expect(row).toBeLessThanOrEqual(40);
  }
});

test('dropped on an outlet, behind a thing, or off; never behind itself', () => {
  const rig = three();
  const feeds = (edit: ReturnType<typeof dropOn>) =>
    applyEdits(rig, edit!).power.feeds.map(({ consumer, outlet, after }) => [
      consumer,
      outlet,
      after,
    ]);
  expect(feeds(dropOn(rig, 'd3', { outlet: 'u1 2' }))).toContainEqual(['d3', 2, null]);
  expect(feeds(dropOn(rig, 'd3', { thing: 'd2' }))).toContainEqual(['d3', 0, 'd2']);
  expect(feeds(dropOn(rig, 'd1', { unfed: 'yes' }))).toEqual([['d2', 0, null]]);
  expect(dropOn(rig, 'd1', { thing: 'd2' })).toBeNull();
  expect(dropOn(rig, 'd1', { thing: 'd3' })).toBeNull();
  expect(dropOn(rig, 'd1', {})).toBeNull();
});

test('by keys onto the next outlet on which nothing hangs', () => {
  const rig = three();
  const at = (edit: ReturnType<typeof hangBeside>) =>
    applyEdits(rig, edit!).power.feeds.find(({ consumer }) => consumer === 'd3')!.outlet;
  expect(at(hangBeside(rig, feedingsOf(rig), 'd3', 1))).toBe(1);
  expect(at(hangBeside(rig, feedingsOf(rig), 'd3', -1))).toBe(2);
  expect(hangBeside(rig, feedingsOf(rig), 'd1', -1)).toBeNull();
});
