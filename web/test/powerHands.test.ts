import {
  addSupply,
  applyEdit,
  applyEdits,
  changeFeed,
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
import { dropOn, hangBeside, overOf } from '../src/features/power/model/hanging';
import {
  isSamePick,
  nameOfSource,
  NOTHING,
  percent,
  sayBetween,
  sayDrop,
  sayLasts,
  sayLoad,
  sayOutletHead,
  sayWants,
  type Picked,
} from '../src/features/power/model/sayPower';
import { powerAct, type PowerNow } from '../src/features/power/model/powerKeys';

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

test('what is hung behind another thing has its voltage', () => {
  const rig = applyEdits(three(), changeFeed(three(), 'd2', { volts: 12 })!);
  const { feeds } = applyEdits(rig, dropOn(rig, 'd3', { thing: 'd2' })!).power;
  expect(feeds.find(({ consumer }) => consumer === 'd3')).toMatchObject({
    ...{ supply: 'u1', outlet: 0, after: 'd2', volts: 12 },
  });
});

test('what is lit up below a hand: an outlet, another thing, never the one it holds', () => {
  expect(overOf({ outlet: 'u1 2', thing: 'd1' }, 'd1')).toBe('u1 2');
  expect(overOf({ thing: 'd1' }, 'd2')).toBe('d1');
  expect(overOf({ thing: 'd1' }, 'd1')).toBeNull();
  expect(overOf({ unfed: '' }, 'd1')).toBeNull();
});

describe('keys on the delta', () => {
  const rig = three();
  const feedings = feedingsOf(rig);
  const act = (key: string, picked: Picked = NOTHING, shiftKey = false) =>
    powerAct({ rig, feedings, picked } satisfies PowerNow, { key, shiftKey });
  const thing = (id: string): Picked => ({ of: 'thing', id });
  const outlet = (at: number): Picked => ({ of: 'outlet', supply: 'u1', outlet: at });
  const pick = (picked: Picked) => ({ does: 'pick', picked });

  test('up and down go through every place, round and round', () => {
    const places: readonly Picked[] = [
      { of: 'supply', id: 'u1' },
      outlet(0),
      thing('d1'),
      thing('d2'),
      outlet(1),
      outlet(2),
      // What is not fed comes last.
      thing('d3'),
    ];
    for (const [i, place] of places.entries()) {
      expect(act('ArrowDown', place)).toEqual(pick(places[(i + 1) % places.length]!));
      expect(act('ArrowUp', places[(i + 1) % places.length])).toEqual(pick(place));
    }
    expect(act('ArrowDown')).toEqual(pick(places[0]!));
    expect(act('ArrowUp')).toEqual(pick(thing('d3')));
    const empty = newRig('empty');
    const none = { rig: empty, feedings: feedingsOf(empty), picked: NOTHING };
    expect(powerAct(none, { key: 'ArrowDown', shiftKey: false })).toBeNull();
  });

  test('with Shift a thing goes to the next free outlet', () => {
    const to = (key: string) => {
      const found = act(key, thing('d3'), true);
      return found?.does === 'edit' ? applyEdits(rig, found.edit).power.feeds.at(-1) : null;
    };
    expect(to('ArrowDown')).toMatchObject({ consumer: 'd3', outlet: 1 });
    expect(to('ArrowUp')).toMatchObject({ consumer: 'd3', outlet: 2 });
    expect(act('ArrowDown', outlet(0), true)).toBeNull();
    expect(act('ArrowUp', thing('d1'), true)).toBeNull();
  });

  test('an outlet that helps another in series is not free', () => {
    const helped = applyEdits(rig, changeFeed(rig, 'd1', { second: 1 })!);
    const edit = hangBeside(helped, feedingsOf(helped), 'd3', 1)!;
    expect(applyEdits(helped, edit).power.feeds.at(-1)).toMatchObject({ outlet: 2 });
  });

  test('off, fixed and loose again, and the rest', () => {
    const made = (found: ReturnType<typeof act>): Rig => {
      const result = found?.does === 'edit' ? applyEdit(rig, found.edit) : null;
      if (result?.kind !== 'ok') throw new Error('not made');
      return result.rig;
    };
    for (const key of ['Delete', 'Backspace']) {
      expect(made(act(key, thing('d1'))).power.feeds.map(({ consumer }) => consumer)).toEqual([
        'd2',
      ]);
      expect([act(key, thing('d3')), act(key, outlet(0)), act(key)]).toEqual([null, null, null]);
    }
    for (const key of ['f', 'F'])
      expect(made(act(key, thing('d1'))).power.feeds[0]!.isFixed).toBe(true);
    const fixed = made(act('f', thing('d1')));
    const again = powerAct(
      { rig: fixed, feedings: feedingsOf(fixed), picked: thing('d1') },
      { key: 'f', shiftKey: false },
    );
    expect(again?.does === 'edit' && applyEdits(fixed, again.edit).power.feeds[0]!.isFixed).toBe(
      false,
    );
    expect([act('f', thing('d3')), act('f')]).toEqual([null, null]);
    expect([act('p'), act('P')]).toEqual([{ does: 'propose' }, { does: 'propose' }]);
    expect(act('i')).toEqual({ does: 'goToPanel' });
    expect(act('Escape', thing('d1'))).toEqual(pick(NOTHING));
    expect([act('x'), act('Enter')]).toEqual([null, null]);
  });
});

test('what things of the power are called', () => {
  const rig = three();
  const { supplies, fed } = feedingsOf(rig);
  const [one, , third] = supplies[0]!.outlets;
  const plain = (text: string) => text.replaceAll('\u00A0', ' ');
  expect([0.0004, 0.0123, 0.099, 0.1, 1.5].map((drop) => plain(sayDrop(drop)))).toEqual([
    ...['0.4 mV', '12 mV', '99 mV', '0.1 V', '1.5 V'],
  ]);
  expect([0, 0.425, 2, Infinity, NaN].map((share) => plain(percent(share)))).toEqual([
    ...['0 %', '43 %', '200 %', '–', '–'],
  ]);
  expect(plain(sayLoad(one!))).toMatch(/^\d+ of 100 mA$/u);
  const setting = { ...one!.setting, amps: 2 };
  expect(plain(sayLoad({ ...one!, amps: 1.5, setting }))).toBe('1.5 A of 2 A');
  expect(plain(sayLoad({ ...one!, amps: 0.0045 }))).toBe('4.5 of 100 mA');
  expect(plain(sayLoad({ ...one!, amps: 0.01 }))).toBe('10 of 100 mA');
  expect(plain(sayOutletHead(third!))).toBe('3 · 9 V');
  const kind = (change: object) => {
    const supply = { ...third!.supply, groups: [{ ...third!.supply.groups[0]!, ...change }] };
    return plain(sayOutletHead({ ...third!, supply }));
  };
  expect(kind({ polarity: 'ac' })).toBe('3 · 9 V AC');
  expect(kind({ polarity: 'centrePositive', ground: 'shared' })).toBe('3 · 9 V + shared');
  const thing = fed.get('d1')!;
  expect(sayBetween(thing)).toBe('');
  expect(sayBetween({ ...thing, feed: { ...thing.feed, via: 'doubled' } })).toBe('doubler');
  expect(sayBetween({ ...thing, feed: { ...thing.feed, second: 1 } })).toBe('in series with 2');
  expect([3600, 9.94 * 3600, 10 * 3600, 47 * 3600, 48 * 3600].map(sayLasts)).toEqual([
    ...['1 h', '9.9 h', '10 h', '47 h', '2 days'],
  ]);
  const source = (of: object) => nameOfSource(rig, { source: of } as never);
  const { name } = rig.power.supplies[0]!;
  expect(source({ of: 'mains' })).toBe('The mains');
  expect(source({ of: 'supply', supply: 'u1' })).toBe(name);
  expect(source({ of: 'outlet', supply: 'u1', outlet: 0 })).toBe(`${name}, outlet 1`);
  expect(source({ of: 'supply', supply: 'gone' })).toBe('gone');
  expect(isSamePick({ of: 'thing', id: 'd1' }, { of: 'thing', id: 'd1' })).toBe(true);
  expect(isSamePick({ of: 'thing', id: 'd1' }, { of: 'supply', id: 'd1' })).toBe(false);
});

test('what a thing wants: volts, amps, and what is in the middle', () => {
  const wants = (change: object) => {
    const value = (of: number) => ({ value: of });
    const need = { supplyV: value(9), supplyMaxV: value(9), supplyA: value(0.1) };
    return sayWants({ ...need, polarity: 'centreNegative', ...change } as never).replaceAll(
      '\u00A0',
      ' ',
    );
  };
  expect(wants({})).toBe('9 V, 100 mA, − in the middle');
  expect(wants({ supplyMaxV: { value: 18 } })).toBe('9–18 V, 100 mA, − in the middle');
  expect(wants({ polarity: 'centrePositive' })).toBe('9 V, 100 mA, + in the middle');
  expect(wants({ polarity: 'ac' })).toBe('9 V, 100 mA, AC');
});
