import { measureRig } from '../../src/figures';
import {
  deviceOfClass,
  destinationOfKind,
  entered,
  gearItem,
  guitarOfClass,
  cableOfClass,
  typicalBody,
  supplyOfClass,
  type RigItem,
} from '../../src/gear';
import {
  actingValues,
  countOrigins,
  editItem,
  refreshFromGear,
  usesOfGear,
  type ItemEdit,
} from '../../src/library';
import { allDevices, applyEdit, applyEdits, insertDevice, newRig, type Rig } from '../../src/rig';
import { devicesOf, cablesOf, withDestination, withGuitar, withCables } from '../rig/straightRow';

const drive = gearItem('hard-drive', 'device', deviceOfClass('drive', 'd1', 'Hard drive'));

/** A board with one thing of each kind from the list. */
function board(): Rig {
  const rig = applyEdits(
    newRig('board'),
    insertDevice(newRig('board'), 0, { ...drive.thing, gear: 'hard-drive' }),
  );
  return withDestination(
    withGuitar(
      withCables(rig, (cable, i) =>
        i === 0 ? { ...cable, lengthM: entered(6), gear: 'reel' } : cable,
      ),
      { gear: 'teal', volume: { ...rig.electrical.guitars[0]!.volume, travel: entered(0.8) } },
    ),
    { gear: 'stage-amp' },
  );
}

test('where things of the list are used', () => {
  expect(usesOfGear(board())).toEqual([
    { kind: 'guitar', id: 'g1', gear: 'teal' },
    { kind: 'device', id: 'd1', gear: 'hard-drive' },
    { kind: 'cable', id: 'l1', gear: 'reel' },
    { kind: 'destination', id: 'e1', gear: 'stage-amp' },
  ]);
});

describe('bringing a rig up to date', () => {
  const rig = board();
  const refresh = (item: RigItem): Rig => applyEdits(rig, refreshFromGear(rig, item));

  test('a cable gets the values of the list and keeps its length', () => {
    const reel = cableOfClass('high', 'l1', entered(100), 'Reel');
    const after = refresh(gearItem('reel', 'cable', { ...reel, cPerMF: entered(150e-12) }));
    expect(cablesOf(after)[0]).toMatchObject({
      id: 'l1',
      gear: 'reel',
      lengthM: { value: 6 },
      cPerMF: { value: 150e-12 },
    });
    expect(cablesOf(after)[1]).toEqual(cablesOf(rig)[1]);
    expect(measureRig(after)).not.toEqual(measureRig(rig));
  });

  test('a guitar keeps how it is set', () => {
    const after = refresh(gearItem('teal', 'guitar', guitarOfClass('hotHumbucker', 'Teal')));
    expect(after.electrical.guitars[0]).toMatchObject({
      id: 'g1',
      lH: { value: 8 },
      volume: { travel: { value: 0.8 } },
    });
  });

  test('a pedal that has lost its side jack loses what hung there; an end is replaced', () => {
    const tap = gearItem('tap', 'device', deviceOfClass('tap', 'd1', 'Tap'));
    const withTap = applyEdits(
      newRig('tap'),
      insertDevice(newRig('tap'), 0, { ...tap.thing, gear: 'tap' }),
    );
    const plain = gearItem('tap', 'device', { ...tap.thing, sideJack: 'none' });
    const after = applyEdits(withTap, refreshFromGear(withTap, plain));
    expect([withTap.electrical.destinations.length, after.electrical.destinations.length]).toEqual([
      2, 1,
    ]);
    const amp = destinationOfKind('amp', 'Amp');
    expect(
      refresh(gearItem('stage-amp', 'destination', { ...amp, rInOhm: entered(68e3) })).electrical
        .destinations[0]!.rInOhm.value,
    ).toBe(68e3);
  });

  test('what is up to date gives the same rig back, by identity', () => {
    const result = applyEdit(rig, refreshFromGear(rig, drive));
    expect(result.kind === 'ok' && result.rig).toBe(rig);
    expect(allDevices(rig)[0]).toMatchObject({ gear: 'hard-drive' });
    expect(devicesOf(rig)).toHaveLength(1);
  });
});

describe('editing an entry', () => {
  const edit = (...edits: ItemEdit[]) =>
    edits.reduce(
      (item, one) => {
        const result = editItem(item, one);
        if (result.kind === 'refused') throw new Error(result.message);
        return result.item;
      },
      drive as ReturnType<typeof gearItem>,
    );

  test('numbers, words, names, qualities and retirement', () => {
    const item = edit(
      {
        kind: 'set',
        field: 'on.rInOhm',
        to: { value: 470e3, from: 'measured', on: '2026-11-20', by: 'LCR', tolerance: 0.02 },
      },
      { kind: 'choose', field: 'bypass', to: 'buffered' },
      { kind: 'rename', to: 'Harder drive' },
      { kind: 'quality', to: { price: 80, ruggedness: 'sturdy' } },
      { kind: 'describe', to: 'From the second-hand shelf.' },
      { kind: 'retire', to: true },
    );
    expect(item).toMatchObject({
      note: 'From the second-hand shelf.',
      retired: true,
      qualities: { price: 80, ruggedness: 'sturdy', supplier: '' },
      thing: {
        name: 'Harder drive',
        bypass: 'buffered',
        on: { rInOhm: { value: 470e3, by: 'LCR' } },
      },
    });
  });

  test('a case is there before its numbers', () => {
    expect(editItem(drive, { kind: 'set', field: 'body.widthM', to: entered(0.1) })).toMatchObject({
      kind: 'refused',
    });
    const item = edit(
      { kind: 'replace', to: { ...drive.thing, body: typicalBody(drive.thing) } },
      { kind: 'set', field: 'body.supplyA', to: entered(0.3) },
      { kind: 'choose', field: 'body.polarity', to: 'ac' },
    );
    expect(item.thing).toMatchObject({ body: { supplyA: { value: 0.3 }, polarity: 'ac' } });
  });

  test.each<[ItemEdit, string]>([
    [
      { kind: 'set', field: 'on.rInOhm', to: entered(1) },
      'Input resistance, on: 1\u00a0Ω, at least 1\u00a0kΩ.',
    ],
    [{ kind: 'set', field: 'lengthM', to: entered(1) }, 'A device has no field “lengthM”.'],
    [
      { kind: 'set', field: 'strayF', to: { value: 1e-12, from: 'measured', on: '2026-02-30' } },
      'Stray capacitance, off, day: “2026-02-30” is not a day such as 2026-11-25.',
    ],
    [
      { kind: 'choose', field: 'bypass', to: 'sideways' },
      'bypass: “sideways” is not one of true, buffered, hardwired, switchable, alwaysOn, passive.',
    ],
    [{ kind: 'rename', to: ' ' }, 'Name: it is empty; at least 1 character is needed.'],
    [{ kind: 'quality', to: { price: -1 } }, 'Price: -1 is not between 0 and 1000000.'],
    [{ kind: 'quality', to: { supplier: 'x'.repeat(81) } }, 'Supplier: 81 characters, at most 80.'],
    [{ kind: 'describe', to: 'x'.repeat(2001) }, 'Note: 2001 characters, at most 2000.'],
  ])('%j is refused', (bad, message) => {
    expect(editItem(drive, bad)).toEqual({ kind: 'refused', message });
  });

  test('nothing changed is the same entry', () => {
    const { strayF } = drive.thing;
    expect(editItem(drive, { kind: 'set', field: 'strayF', to: strayF })).toEqual({
      kind: 'ok',
      item: drive,
    });
    const supply = gearItem('brick', 'supply', supplyOfClass('brick', 'Brick'));
    const { groups } = supply.thing;
    const half = { ...supply.thing, groups: [{ ...groups[0]!, outlets: 2.5 }] };
    expect(editItem(supply, { kind: 'replace', to: half })).toMatchObject({
      message: 'Brick, outlets 1: outlets 2.5 is not between 1 and 32.',
    });
  });
});

test('only what acts as a thing is built is counted', () => {
  const counts = (thing: Parameters<typeof actingValues>[0]) => actingValues(thing).length;
  const coil = guitarOfClass('brightSingle', '');
  expect(counts({ kind: 'guitar', thing: { ...coil, kind: 'piezo' } })).toBe(1);
  expect(counts({ kind: 'guitar', thing: coil })).toBe(7);
  const bled = (['none', 'capacitor', 'parallel', 'series'] as const).map((bleed) =>
    counts({ kind: 'guitar', thing: { ...coil, bleed } }),
  );
  expect(bled).toEqual([7, 8, 9, 9].map((n) => n + bled[0]! - 7));
  // On: four; as a wire: strays and contacts.
  expect(counts({ kind: 'device', thing: deviceOfClass('drive', '') })).toBe(6);
  expect(counts({ kind: 'device', thing: deviceOfClass('delay', '') })).toBe(8);
  expect(counts({ kind: 'device', thing: deviceOfClass('tuner', '') })).toBe(4);
  // Hardwired: its input on the line as well, off as on.
  expect(counts({ kind: 'device', thing: deviceOfClass('wah', '') })).toBe(8);
  expect(countOrigins({ kind: 'cable', thing: cableOfClass('low', 'l1', entered(3)) })).toEqual({
    assumed: 4,
    laid: 0,
    entered: 1,
    sheet: 0,
    measured: 0,
  });
});
